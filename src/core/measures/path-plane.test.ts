import fc from 'fast-check';
import { make, marks, value } from '../../../tests/fixtures/catalogue';
import { BODY, stickTrial } from '../../../tests/fixtures/stick-trial';
import { viewOf } from '../comparison/side';
import type { Space } from '../trial/space';
import type { Trial } from '../trial/trial';
import { evaluateMeasure, refsOfMeasure } from './index';

const plane = make({
  ...{ kind: 'path-plane', plane: 'any', point: 'dominant-wrist', from: 'start', to: 'end' },
});
const frames = Float64Array.from({ length: 41 }, (_, f) => f);

/** A wrist on an arc of 0.6 m round a shoulder that goes ahead, in a plane so steep, turned so far about the vertical. */
function swing(steep: number, round: number, { ahead = 0, bump = 0 } = {}): Space {
  const at = (f: number): readonly [number, number, number] => {
    const turned = (f - 20) / 12;
    // Along the level line of the plane, and up it.
    const [level, up] = [0.6 * Math.sin(turned), -0.6 * Math.cos(turned)];
    const out = up * Math.cos(steep) + bump * Math.cos(5 * turned);
    return [
      level * Math.cos(round) + out * Math.sin(round) + ahead * f,
      1.4 + up * Math.sin(steep),
      -level * Math.sin(round) + out * Math.cos(round),
    ];
  };
  const series = (of: (f: number) => readonly [number, number, number]) => ({
    x: frames.map((f) => of(f)[0]),
    y: frames.map((f) => of(f)[1]),
    z: frames.map((f) => of(f)[2]),
  });
  const shoulder = series((f) => [ahead * f, 1.4, 0]);
  return {
    points: { 'right-wrist': series(at), 'right-shoulder': shoulder, 'left-shoulder': shoulder },
    pixelsPerUnit: 400,
  };
}

/** The same, the wrist computed to so many metres up a plane as steep as that, and to a centimetre every other way. */
function knownTo(sd: number, steep: number, space: Space): Space {
  const still = { x: frames.map(() => 0), y: frames.map(() => 1), z: frames.map(() => 0) };
  const triangle = new Float32Array((9 * 10) / 2);
  const up = [0, Math.sin(steep), Math.cos(steep)];
  for (let row = 0, at = 0; row < 3; row++)
    for (let column = 0; column <= row; column++)
      triangle[at++] = sd ** 2 * up[row]! * up[column]! + (row === column ? 1e-4 : 0);
  return {
    ...space,
    points: { ...space.points, 'left-hip': still, 'right-hip': still },
    errors: {
      ids: ['right-wrist', 'left-hip', 'right-hip'],
      covariances: Array.from(frames, () => triangle),
      right: [1, 0, 0],
      up: [0, 1, 0],
      headingSd: 0.05,
    },
  };
}

const flat = stickTrial(() => BODY, marks);
const inSpace = (space: Space): Trial => ({ ...flat, space });

describe('plane of a path', () => {
  it('is as steep as it was made, whichever way it is turned and whatever goes along', () => {
    const degrees = fc.double({ min: 3, max: 87, noNaN: true });
    fc.assert(
      fc.property(degrees, fc.double({ min: -3, max: 3, noNaN: true }), (steep, round) => {
        const made = (steep * Math.PI) / 180;
        expect(value(evaluateMeasure(plane, inSpace(swing(made, round))))).toBeCloseTo(steep, 6);
        const seen = { ...plane, relativeTo: 'dominant-shoulder' } as typeof plane;
        expect(value(evaluateMeasure(seen, inSpace(swing(made, round, { ahead: 0.05 }))))).toBeCloseTo(steep, 6);
      }),
      { seed: 7, numRuns: 60 },
    );
  });

  it('needs the point, and what it is seen from', () => {
    expect(refsOfMeasure({ ...plane, relativeTo: 'dominant-shoulder' } as typeof plane)).toEqual([
      'dominant-wrist',
      'dominant-shoulder',
    ]);
  });

  it('is not seen by one camera, and is read in space where there is one', () => {
    expect(evaluateMeasure(plane, flat)).toMatchObject({ measurable: false, reason: 'wrong-view' });
    const spatial = inSpace(swing(1, 0));
    expect(viewOf(plane, [flat, spatial])).toBe(spatial);
  });

  it('says why where a path has no plane', () => {
    const line: Space = {
      points: { 'right-wrist': { x: frames.map((f) => f / 20), y: frames.map(() => 1), z: frames.map(() => 0) } },
      pixelsPerUnit: 400,
    };
    expect(evaluateMeasure(plane, inSpace(line))).toMatchObject({ measurable: false, reason: 'too-uncertain' });
    expect(evaluateMeasure(plane, inSpace(swing(1, 0, { bump: 0.18 })))).toMatchObject({
      measurable: false,
      message: 'The path leaves every plane by too much to have one',
    });
    // As wide as this one is a line whose places are known to 0.2 m: which plane it lies in nobody knows.
    expect(evaluateMeasure(plane, inSpace(knownTo(0.02, 1, swing(1, 0))))).toMatchObject({ measurable: true });
    expect(evaluateMeasure(plane, inSpace(knownTo(0.2, 1, swing(1, 0))))).toMatchObject({
      measurable: false,
      message: 'The path is hardly wider than its error, so that it lies in many planes',
    });
    const gone = { ...line, points: {} };
    expect(evaluateMeasure(plane, inSpace(gone))).toMatchObject({ measurable: false, reason: 'point-missing' });
  });
});
