import { betweenStands } from '../../src/core/calibration/turning-camera';
import { distance } from '../../src/core/geometry/vec2';
import { compareAll } from '../../src/core/comparison/compare';
import { judge } from '../../src/core/judgement/state';
import { differenceOf, evaluateMeasure } from '../../src/core/measures';
import { proposeMoments } from '../../src/core/events/propose-moments';
import { LEAST_SURE } from '../../src/core/performance/moments';
import { COVERAGE_95 } from '../../src/core/statistics/normal';
import { movementOf } from '../../src/movements';
import { cameraBySight, estimatedStand, filmedTwice, readTruth, trueCamera } from '../fixtures/moving-clip';

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
    const { moments, frameRate } = readTruth(id);
    const proposed = proposeMoments(movement, { ...moving, marks: {}, timing: {} });
    expect(Object.keys(proposed).length).toBeGreaterThan(2);
    for (const [moment, { frame, confidence }] of Object.entries(proposed))
      if (confidence >= LEAST_SURE)
        expect({ moment, late: Math.abs(frame - moments[moment]! * frameRate) > 3 }).toEqual({ moment, late: false });
  });
});
