import { DEMO_CLIPS, trialOf } from '../../demo/scenario';
import { evaluateMeasure } from '../../src/core/measures';
import { viewOf } from '../../src/core/comparison/side';
import type { Measure } from '../../src/core/model/measure';
import { COVERAGE_95 } from '../../src/core/statistics/normal';
import type { KnownMotion } from '../fixtures/filmed-body';
import { readMeasure } from '../fixtures/measure';
import { filmedByTwo } from '../fixtures/two-telephones';

/** Planes of the paths of made movements, recovered from two telephones, against those of the movements' own points. */
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
  const { truth, views } = filmedByTwo(motion, marks, 40 + m);
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
