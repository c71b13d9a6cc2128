import type { Camera } from '../../demo/camera/camera';
import { vec3 } from '../../demo/athlete/vec3';
import { DEMO_CLIPS, trialOf } from '../../demo/scenario';
import { evaluateMeasure } from '../../src/core/measures';
import { viewOf } from '../../src/core/comparison/side';
import type { Measure } from '../../src/core/model/measure';
import { reconstruct } from '../../src/core/reconstruction/reconstruct';
import { viewsOfBody } from '../../src/core/reconstruction/body-views';
import { COVERAGE_95 } from '../../src/core/statistics/normal';
import { filmedBody, type KnownMotion } from '../fixtures/filmed-body';
import { trueTrial } from '../fixtures/true-trial';
import { readMeasure } from '../fixtures/measure';

/**
 * Planes of the paths of made movements, recovered from two cameras that nobody calibrated and whose joints are off by a
 * pixel and a half that changes and as much that stays, against those of the movements' own points.
 */
const RATE = 120;
const COMMON = { width: 1280, height: 720, frameRate: RATE, shutter: 1 / 500, target: vec3(0, 0.95, 0) } as const;
const SIDE: Camera = { ...COMMON, azimuth: 90, elevation: 2, distance: 12, fieldOfView: 22 };
const FRONT: Camera = { ...COMMON, azimuth: 10, elevation: 3, distance: 10, fieldOfView: 28 };
const SECONDS = 1.4;
/** Stretches of a third of a second. */
const LENGTH = 48;
const BEGINS = [5, 35, 65, 95, 115];

const MOTIONS = DEMO_CLIPS.filter(({ id }) => id.startsWith('pace-side')).map((clip) => {
  const motion = trialOf(clip) as unknown as KnownMotion;
  return { ...motion, end: Math.min(motion.end, motion.start + SECONDS) };
});

const marks = Object.fromEntries(
  BEGINS.flatMap((begin, k) => [
    [`from-${k}`, { frame: begin }],
    [`to-${k}`, { frame: begin + LENGTH }],
  ]),
);
const MEASURES: readonly Measure[] = BEGINS.flatMap((_, k) =>
  (['wrist', 'elbow', 'ankle', 'knee'] as const).flatMap((joint) =>
    (['dominant', 'opposite'] as const).flatMap((side) =>
      [null, 'mid-hip'].map((relativeTo) =>
        readMeasure({
          id: 'plane',
          name: 'Plane',
          region: 'arms',
          plane: 'any',
          importance: 0.5,
          cost: 'weeks',
          kind: 'path-plane',
          point: `${side}-${joint}`,
          relativeTo,
          from: `from-${k}`,
          to: `to-${k}`,
        }),
      ),
    ),
  ),
);

const checked = MOTIONS.flatMap((motion, m) => {
  const truth = trueTrial(motion, RATE, marks);
  const errors = { noise: 1.5, bias: 1.5 };
  const body = reconstruct([
    filmedBody(motion, SIDE, { azimuthDegrees: 0, elevationDegrees: 2 }, { ...errors, seed: 40 + m }),
    filmedBody(motion, FRONT, { azimuthDegrees: 90, elevationDegrees: 2 }, { ...errors, seed: 60 + m }),
  ]);
  if (!body.ok) return [];
  const main = { ...truth };
  delete (main as { space?: unknown }).space;
  const views = [main, ...viewsOfBody(body.value, main)];
  return MEASURES.flatMap((measure) => {
    const [found, is] = [evaluateMeasure(measure, viewOf(measure, views)), evaluateMeasure(measure, truth)];
    return found.measurable && is.measurable ? [{ error: found.value - is.value, sd: found.sd }] : [];
  });
});

test('planes of paths from two cameras hold what they state', () => {
  const held = checked.filter(({ error, sd }) => Math.abs(error) <= COVERAGE_95 * sd).length / checked.length;
  const median = (of: (c: (typeof checked)[number]) => number): number =>
    [...checked].map(of).sort((a, b) => a - b)[checked.length >> 1]!;
  expect(checked.length).toBeGreaterThan(50);
  expect(held).toBeGreaterThan(0.94);
  expect(median(({ error }) => Math.abs(error))).toBeLessThan((1.5 * Math.PI) / 180);
  expect(median(({ sd }) => sd)).toBeLessThan((3 * Math.PI) / 180);
});
