import { betweenStands } from '../../src/core/calibration/turning-camera';
import { distance } from '../../src/core/geometry/vec2';
import { compareAll } from '../../src/core/comparison/compare';
import { judge } from '../../src/core/judgement/state';
import { differenceOf, evaluateMeasure, kindOf } from '../../src/core/measures';
import type { Reading } from '../../src/core/reading';
import { COVERAGE_95 } from '../../src/core/statistics/normal';
import { movementOf } from '../../src/movements';
import { cameraBySight, estimatedStand, filmedTwice, proposedOff, trueCamera } from '../fixtures/moving-clip';

/**
 * Cameras that pan after the performer, zoom, and tremble in a hand, rendered with their truth: no constant was chosen
 * on them but the one that says how much neighbouring corners err together.
 */
const CLIPS = [
  { id: 'pace-side-athlete-pans', movement: 'pace-delivery' },
  { id: 'walk-side-athlete-pans', movement: 'race-walking' },
  { id: 'hurdle-side-athlete-zooms', movement: 'sprint-hurdles' },
  { id: 'walk-side-reference-hand-held', movement: 'race-walking' },
] as const;
/** Left and right of the picture's middle, widths, where people are. */
const PLACES = [
  { x: -0.3, y: 0.1 },
  { x: 0.3, y: 0 },
];
jest.setTimeout(120_000);
const isOfAnotherPlane = (reading: Reading): boolean => !reading.measurable && reading.reason === 'wrong-view';

test.each([
  ['pace-side-athlete-pans', 'pace-delivery'],
  ['walk-side-athlete-pans', 'race-walking'],
] as const)(
  '%s: where the background tells half of the way only, places are refused and angles are not',
  (id, name) => {
    // As by a camera that goes along before a wall: its background moves less than the ground on which somebody walks.
    const { turned, ...path } = cameraBySight(id);
    const half = (values: Float64Array<ArrayBuffer>): Float64Array<ArrayBuffer> => values.map((v) => v / 2);
    const along = { ...path, turned: { ...turned!, x: half(turned!.x), y: half(turned!.y), z: half(turned!.z) } };
    const movement = movementOf(name)!;
    const { moving } = filmedTwice(id, movement, along, 5);
    const needs = movement.measures.map((measure) => ({
      need: kindOf(measure).picture(measure),
      reading: evaluateMeasure(measure, moving),
    }));
    const places = needs.filter(({ need, reading }) => need === 'place' && !isOfAnotherPlane(reading));
    expect(places.length).toBeGreaterThan(0);
    for (const { reading } of places) expect(reading).toMatchObject({ measurable: false, reason: 'camera-moves' });
    expect(needs.filter(({ need, reading }) => need === 'nothing' && reading.measurable).length).toBeGreaterThan(3);
  },
);

describe.each(CLIPS)('$id', ({ id, movement: movementId }) => {
  const camera = cameraBySight(id);
  const turned = camera.turned!;
  const movement = movementOf(movementId)!;

  it('has its camera told to a few thousandths of the picture, and no farther off than is said', () => {
    const { stands, focal } = trueCamera(id);
    expect(Math.abs(Math.log(turned.focal / focal))).toBeLessThan(3 * turned.focalLogSd);
    const off: number[] = [];
    for (let i = 1; i < stands.length; i++) {
      const told = betweenStands(estimatedStand(turned, i - 1), estimatedStand(turned, i), turned.focal);
      const should = betweenStands(stands[i - 1]!, stands[i]!, focal);
      for (const place of PLACES) off.push(distance(told(place), should(place)));
      expect(Math.abs(turned.zoom[i]! / stands[i]!.zoom - 1)).toBeLessThan(0.005);
    }
    off.sort((a, b) => a - b);
    expect(off[off.length >> 1]).toBeLessThan(0.0005);
    expect(off.at(-1)).toBeLessThan(0.003);
  });

  it('has what is measured read as a camera that stands still would', () => {
    const { moving, truth } = filmedTwice(id, movement, camera, 5);
    const off = movement.measures.flatMap((measure) => {
      const [read, known] = [evaluateMeasure(measure, moving), evaluateMeasure(measure, truth)];
      return read.measurable && known.measurable
        ? [Math.abs(differenceOf(measure, read.value, known.value)) / (COVERAGE_95 * read.sd)]
        : [];
    });
    expect(off.length).toBeGreaterThan(10);
    expect(off.filter((share) => share > 1)).toHaveLength(0);
  });

  it('makes no gap that is not there', () => {
    const { moving, fixed, truth } = filmedTwice(id, movement, camera, 9);
    const judged = (athlete: typeof fixed) =>
      compareAll(movement, [athlete], [fixed]).map((comparison) => judge(comparison, undefined));
    const inTruth = judged(truth);
    // A performer who is beside a target is so by any camera.
    const made = judged(moving).filter(
      ({ state }, i) => state === 'gap' && ['on-target', 'strength', 'style'].includes(inTruth[i]!.state),
    );
    expect(made.map(({ measure }) => measure.id)).toEqual([]);
    expect(judged(moving).filter(({ state }) => state !== 'not-measurable').length).toBeGreaterThan(10);
  });

  it('has its moments proposed within three frames, or said to be unsure', () => {
    const { moving } = filmedTwice(id, movement, camera, 13);
    const off = proposedOff(id, movement, moving);
    expect(off.length).toBeGreaterThan(1);
    expect(off.filter(({ frames }) => !(frames <= 3))).toEqual([]);
  });
});
