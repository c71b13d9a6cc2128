import { add, cross, unit, scale, subtract, vec3, type Vec3 } from '../../demo/athlete/vec3';
import { DEMO_CLIPS, trialOf } from '../../demo/scenario';
import { viewOf } from '../../src/core/comparison/side';
import { evaluateMeasure } from '../../src/core/measures';
import type { Measure } from '../../src/core/model/measure';
import { COVERAGE_95 } from '../../src/core/statistics/normal';
import type { KnownMotion } from '../fixtures/filmed-body';
import { readMeasure } from '../fixtures/measure';
import { filmedByTwo } from '../fixtures/two-telephones';

/**
 * A walker beside a raft that turns and rolls, with a stick in the hand: measured on axes fixed to three points of the
 * raft from two telephones, against the same in the made movement's own points.
 */
const SECONDS = 1.2;

/** Where the raft's three points are. */
function raftAt(time: number, middle: Vec3): readonly [Vec3, Vec3, Vec3] {
  const [yaw, roll] = [0.7 * Math.sin(2 * time), 0.4 * Math.sin(3 * time)];
  const ahead = vec3(Math.cos(yaw), 0, Math.sin(yaw));
  const level = unit(cross(ahead, vec3(0, 1, 0)));
  const up = add(scale(vec3(0, 1, 0), Math.cos(roll)), scale(level, Math.sin(roll)));
  const origin = vec3(middle.x - 0.5, 0.4, middle.z);
  return [origin, add(origin, scale(ahead, 0.8)), add(origin, scale(up, 0.5))];
}

const MOTIONS = DEMO_CLIPS.filter(({ id }) => id.startsWith('walk-side')).map((clip): KnownMotion => {
  const motion = trialOf(clip) as unknown as KnownMotion;
  return {
    start: motion.start,
    end: Math.min(motion.end, motion.start + SECONDS),
    poseAt: (time) => {
      const { points } = motion.poseAt(time);
      const [wrist, elbow] = [points['right-wrist']!, points['right-elbow']!];
      const [origin, ahead, up] = raftAt(time, points['left-hip']!);
      return {
        points: {
          ...points,
          'own-origin': origin,
          'own-bow': ahead,
          'own-mast': up,
          'own-tip': add(wrist, scale(unit(subtract(wrist, elbow)), 0.6)),
        },
      };
    },
  };
});

const FRAMES = Array.from({ length: 15 }, (_, k) => 20 + 7 * k);
const marks = Object.fromEntries(FRAMES.map((frame) => [`at-${frame}`, { frame }]));
const axes = ['own-origin', 'own-bow', 'own-mast'];
const OF = [
  ...(['ahead', 'up', 'right'] as const).flatMap((along) =>
    ['dominant-wrist', 'mid-hip', 'own-tip'].map((point) => ({ type: 'position-on-axes', point, axes, along })),
  ),
  ...(['azimuth', 'elevation'] as const).map((angle) => ({
    ...{ type: 'direction-on-axes', points: ['dominant-wrist', 'own-tip'], axes, angle },
  })),
];
const MEASURES: readonly Measure[] = FRAMES.flatMap((frame) =>
  OF.map((of) =>
    readMeasure({
      ...{ id: 'on', name: 'On', region: 'arms', plane: 'any', importance: 0.5, cost: 'weeks' },
      ...{ kind: 'value', of, at: `at-${frame}` },
    }),
  ),
);
const dimension = (measure: Measure): string => ('of' in measure ? measure.of.type : '');

const checked = MOTIONS.flatMap((motion, m) => {
  const { truth, alone, views } = filmedByTwo(motion, marks, 140 + m);
  return MEASURES.map((measure) => ({
    of: dimension(measure),
    alone: evaluateMeasure(measure, alone),
    found: evaluateMeasure(measure, viewOf(measure, views)),
    is: evaluateMeasure(measure, truth),
  }));
});

const errors = checked.flatMap(({ of, found, is }) =>
  found.measurable && is.measurable ? [{ of, error: found.value - is.value, sd: found.sd }] : [],
);

test('from one camera it is refused, with what to do', () => {
  for (const { alone } of checked)
    expect(alone).toMatchObject({ reason: 'wrong-view', remedy: expect.stringContaining('second camera') });
});

test('nearly all is measured from two', () => {
  expect(errors.length).toBeGreaterThan(0.9 * checked.length);
});

test.each(['position-on-axes', 'direction-on-axes'])('%s holds what it states', (type) => {
  const own = errors.filter(({ of }) => of === type);
  const held = own.filter(({ error, sd }) => Math.abs(error) <= COVERAGE_95 * sd).length / own.length;
  expect(own.length).toBeGreaterThan(100);
  expect(held).toBeGreaterThan(0.9);
});
