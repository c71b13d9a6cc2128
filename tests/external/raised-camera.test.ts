import { truthTrack } from '../../demo/true-trial';
import { DEMO_CLIPS, type DemoClip } from '../../demo/scenario';
import { truthOf } from '../../demo/truth';
import { differenceOf, evaluateMeasure } from '../../src/core/measures';
import type { View } from '../../src/core/model/clip';
import { COVERAGE_95 } from '../../src/core/statistics/normal';
import { ORIGIN, type PointSeries, type Track } from '../../src/core/tracks/track';
import { prepareTrial, type Trial } from '../../src/core/trial/trial';
import { movementOf } from '../../src/movements';
import { renderedClip } from '../fixtures/rendered-clip';

/*
 * Cameras that look down on the performer, as from a stand: the generator's own bodies through its pinhole camera, with
 * the errors of detected points. What a level camera reads of the same points is the truth.
 */

const SIDE = [
  'pace-side-reference',
  'pace-side-athlete',
  'walk-side-reference',
  'walk-side-athlete',
  'hurdle-side-reference',
  'hurdle-side-athlete',
];
const DEGREES = Math.PI / 180;

/** A performance as a camera sees it that stands somewhere and of which something is said. */
function seenFrom(id: string, camera: Partial<DemoClip['camera']>, said: Partial<View>): Trial {
  const demo = DEMO_CLIPS.find((clip) => clip.id === id)!;
  const filmed = { ...demo, camera: { ...demo.camera, ...camera } };
  const truth = truthOf(filmed);
  const clip = renderedClip(filmed, truth, {
    view: { kind: 'side', offPlaneDegrees: 0, ...said },
    travel: demo.camera.azimuth > 0 ? 'right' : 'left',
  });
  const track = Object.fromEntries(
    (Object.entries(truthTrack(truth)) as [string, PointSeries][]).map(([point, series]) => [
      point,
      { ...series, origin: new Uint8Array(series.x.length).fill(ORIGIN.detected) },
    ]),
  ) as Track;
  const last = truth.pixels.length - 1;
  const marks = Object.fromEntries(
    Object.entries(truth.moments).map(([name, time]) => [name, { frame: Math.min(last, time * truth.frameRate) }]),
  );
  return prepareTrial(clip, track, marks, 12);
}

/** The trailing leg over a hurdle lies across the plane: its depths are not those of a leg that swings in it. */
const ACROSS = 'trail-folded';

const levels = new Map(SIDE.map((id) => [id, seenFrom(id, { elevation: 0 }, { downDegrees: 0 })]));

interface Off {
  /** Clip and measure. */
  readonly of: string;
  /** Error, SI, and the deviation that the reading states. */
  readonly off: number;
  readonly sd: number;
}

/** How far every measure of every clip is off from a camera, against a level one square to the plane. */
function errorsFrom(camera: Partial<DemoClip['camera']>, said: Partial<View>): readonly Off[] {
  return SIDE.flatMap((id) => {
    const { movement, camera: filmed } = DEMO_CLIPS.find((clip) => clip.id === id)!;
    const azimuth = filmed.azimuth + (camera.azimuth ?? 0);
    const seen = seenFrom(id, { ...camera, azimuth }, said);
    return movementOf(movement)!.measures.flatMap((measure) => {
      if (measure.id === ACROSS) return [];
      const [is, reads] = [evaluateMeasure(measure, levels.get(id)!), evaluateMeasure(measure, seen)];
      if (!is.measurable || !reads.measurable || reads.sd === 0) return [];
      return [{ of: `${id}: ${measure.id}`, off: differenceOf(measure, reads.value, is.value), sd: reads.sd }];
    });
  });
}

const beyond = (all: readonly Off[], deviations: number): readonly string[] =>
  all.filter(({ off, sd }) => Math.abs(off) > deviations * sd).map(({ of }) => of);

test.each([10, 20])('a camera that is said to look down by %i degrees reads what a level one does', (degrees) => {
  const all = errorsFrom({ elevation: degrees }, { downDegrees: degrees });
  expect(all.length).toBeGreaterThan(90);
  expect(beyond(all, 4)).toEqual([]);
  expect(beyond(all, COVERAGE_95).length).toBeLessThan(0.05 * all.length);
});

test.each([3, 10])('where nobody said, one that looks down by %i degrees is within the error', (elevation) => {
  const all = errorsFrom({ elevation }, {});
  expect(all.length).toBeGreaterThan(90);
  expect(beyond(all, COVERAGE_95)).toEqual([]);
});

test('from beside and above, what goes along does not climb', () => {
  const all = errorsFrom({ azimuth: -20, elevation: 15 }, { offPlaneDegrees: 20, downDegrees: 15 });
  expect(all.length).toBeGreaterThan(80);
  expect(beyond(all, 4)).toEqual([]);
  expect(beyond(all, COVERAGE_95).length).toBeLessThan(0.05 * all.length);
});

test('a trunk that falls sideways is read otherwise from a stand: the error says so, whether that was said or not', () => {
  const trunk = (said: Partial<View>): Off =>
    errorsFrom({ elevation: 15 }, said).find(({ of }) => of === 'pace-side-athlete: trunk-at-release')!;
  for (const said of [{}, { downDegrees: 15 }]) {
    const { off, sd } = trunk(said);
    expect(off / DEGREES).toBeGreaterThan(5);
    expect(off).toBeLessThan(3 * sd);
  }
});

test('from too far above nothing is read in a plane', () => {
  const { movement } = DEMO_CLIPS.find(({ id }) => id === 'walk-side-athlete')!;
  const planar = movementOf(movement)!.measures.find(({ plane, kind }) => plane === 'sagittal' && kind === 'value')!;
  const steep = seenFrom('walk-side-athlete', { elevation: 35 }, { downDegrees: 35 });
  expect(evaluateMeasure(planar, steep)).toMatchObject({
    measurable: false,
    reason: 'view-too-oblique',
    message: 'The camera looks down at the performer by 35 degrees; 30 is the most',
  });
});
