import { readFileSync } from 'node:fs';
import path from 'node:path';
import { wrapDegrees } from '../../core/geometry/angle';
import { viewOf } from '../../core/comparison/side';
import { evaluateMeasure } from '../../core/measures';
import type { Measure } from '../../core/model/measure';
import { asFilmed } from '../../core/planning/as-filmed';
import { filmingOf, planOf, type TwoCameraPlan } from '../../core/planning/camera-plan';
import { plannedErrors, type PlannedError } from '../../core/planning/planned-errors';
import { filmedByTwo } from '../../core/planning/two-cameras';
import { viewsOfBody } from '../../core/reconstruction/body-views';
import { clockSdOf, spaceCameraOf, statedAzimuth } from '../../core/reconstruction/camera-of-trial';
import { reconstruct } from '../../core/reconstruction/reconstruct';
import { COVERAGE_95 } from '../../core/statistics/normal';
import type { PointSeries, Track } from '../../core/tracks/track';
import { prepareTrial, type Trial } from '../../core/trial/trial';
import { sessionJson } from '../../formats/session-json/session-json';
import { bodiesOf } from '../analysis/bodies';
import { derive, type Derived } from '../analysis/derived';
import { planAsFilmed } from './camera-plan-use-cases';

const CLIPS = path.join(import.meta.dirname, '..', '..', '..', 'demo', 'clips');

function demo(name: string): Derived {
  const file = `${name}-session.falcon.json`;
  const read = sessionJson.read(readFileSync(path.join(CLIPS, file), 'utf8'), file);
  if (!read.ok) throw new Error(read.issue.message);
  const { clips } = derive(read.value);
  return derive(read.value, bodiesOf(clips));
}

const besides = (trial: Trial, second: Partial<TwoCameraPlan['second']> = {}): TwoCameraPlan => {
  const plan = planOf(trial);
  return { ...plan, second: { apart: 90, distance: plan.distance, films: null, ...second } };
};

function planned(measures: readonly Measure[], trial: Trial, plan: TwoCameraPlan): readonly PlannedError[] {
  const views = filmedByTwo(trial, plan);
  if (!views.ok) throw new Error(views.issue.message);
  return plannedErrors(measures, trial, plan, views.value);
}

const pace = demo('pace-two-cameras');
const mains = pace.clips.filter(({ join }) => join === null).map(({ trial }) => trial);
const turns = pace.movement.measures.filter(({ id }) =>
  ['shoulders-face-at-back-foot-contact', 'shoulder-counter-rotation'].includes(id),
);

test('from the side clip alone, two cameras are expected to err as they then do', () => {
  expect(mains).toHaveLength(2);
  for (const main of mains) {
    const body = pace.bodies.get(main.clip.id)!;
    const filmed = [main, ...viewsOfBody(body, main)];
    for (const { measure, reading, plusMinus, inSpace } of planned(turns, main, besides(main))) {
      const found = evaluateMeasure(measure, viewOf(measure, filmed));
      expect([inSpace, reading.measurable, found.measurable]).toEqual([true, true, true]);
      if (!found.measurable) continue;
      const ratio = plusMinus! / (COVERAGE_95 * found.sd);
      expect(ratio).toBeGreaterThan(1 / 1.5);
      expect(ratio).toBeLessThan(1.5);
    }
  }
});

test('the plan by which a performance was filmed has the second camera where it was found', () => {
  for (const main of mains) {
    const { second, ...first } = planAsFilmed(pace, main);
    expect({ ...first, second: null }).toEqual(planOf(main));
    // The demo's second camera stands in front.
    expect(Math.abs(second!.apart - 90)).toBeLessThan(4);
    expect(planAsFilmed({ ...pace, bodies: new Map() }, main).second).toBeNull();
  }
});

/** A clip as a camera with fewer pixels and frames would have filmed it: every so manieth frame, so many times smaller. */
function coarser({ clip, raw, cutoff }: Trial, step: number): Trial {
  const kept = <T extends Float64Array | Float32Array | Uint8Array>(values: T): T =>
    values.filter((_, i) => i % step === 0) as T;
  const track = Object.fromEntries(
    (Object.entries(raw) as [string, PointSeries][]).map(([id, { x, y, confidence, origin }]) => [
      id,
      {
        x: kept(x).map((v) => v / step),
        y: kept(y).map((v) => v / step),
        confidence: kept(confidence),
        origin: kept(origin),
      },
    ]),
  ) as Track;
  const films = {
    width: clip.width / step,
    height: clip.height / step,
    frameTimes: clip.frameTimes.filter((_, i) => i % step === 0),
    fileRate: clip.fileRate / step,
    captureRate: clip.captureRate / step,
  };
  return prepareTrial({ ...clip, ...films, scale: null }, track, {}, cutoff);
}

test('a second camera with fewer pixels and frames is expected to err as it then does', () => {
  const [main] = mains as [Trial, Trial];
  const on = pace.clips.find(({ join }) => join?.mainId === main.clip.id)!;
  const other = coarser(on.trial, 2);
  const body = reconstruct([
    spaceCameraOf(main, null, 0),
    spaceCameraOf(other, on.join!.map, clockSdOf(main, other, other.clip.sync!.pairs.length)),
  ]);
  if (!body.ok) throw new Error(body.issue.message);
  const plan = planOf(main);
  const films = { ...filmingOf(plan), width: plan.width / 2, height: plan.height / 2, rate: plan.rate / 2 };
  const filmed = [main, ...viewsOfBody(body.value, main)];
  for (const { measure, plusMinus } of planned(turns, main, besides(main, { films }))) {
    const found = evaluateMeasure(measure, viewOf(measure, filmed));
    if (!found.measurable) throw new Error(found.message);
    const ratio = plusMinus! / (COVERAGE_95 * found.sd);
    expect(ratio).toBeGreaterThan(1 / 1.5);
    expect(ratio).toBeLessThan(1.5);
  }
});

test('a second camera with a longer lens from farther away sees as much as one with the first one’s', () => {
  const [main] = mains as [Trial, Trial];
  const plan = planOf(main);
  const errorOf = (second: Partial<TwoCameraPlan['second']>): number =>
    planned(turns, main, besides(main, second))[0]!.plusMinus!;
  const alike = errorOf({});
  const longer = { ...filmingOf(plan), focal: 2 * plan.focal };
  expect(errorOf({ films: filmingOf(plan) })).toBe(alike);
  // In few pixels a detector errs more.
  const small = { ...filmingOf(plan), width: plan.width / 3, height: plan.height / 3 };
  expect(errorOf({ films: small }) / alike).toBeGreaterThan(1.05);
  expect(errorOf({ films: longer, distance: 2 * plan.distance }) / alike).toBeGreaterThan(0.9);
  expect(errorOf({ films: longer, distance: 2 * plan.distance }) / alike).toBeLessThan(1.1);
});

test('one camera measures no turn, and what it does measure stays as it is', () => {
  const [main] = mains as [Trial, Trial];
  const plan = besides(main);
  const [byOne, byTwo] = [
    plannedErrors(pace.movement.measures, main, plan, [asFilmed(main, plan)]),
    planned(pace.movement.measures, main, plan),
  ];
  const turning = turns.map(({ id }) => id);
  for (const [i, { measure, plusMinus }] of byOne.entries()) {
    if (turning.includes(measure.id)) expect(plusMinus).toBeNull();
    else if (plusMinus !== null) expect(byTwo[i]!.plusMinus).toBe(plusMinus);
  }
});

test('a turn is told best, and evenly, by a second camera 60 to 90 degrees round', () => {
  // Limbs of this one are seen longer than usual, which is no error of a camera.
  const { trial } = demo('pace').clips.at(-1)!;
  const errors = [35, 60, 75, 90, 145].map((apart) => planned(turns, trial, besides(trial, { apart }))[0]!.plusMinus!);
  const [near, sixty, seventyFive, ninety, far] = errors as [number, number, number, number, number];
  for (const good of [sixty, seventyFive, ninety]) {
    expect(good / sixty).toBeGreaterThan(0.85);
    expect(good / sixty).toBeLessThan(1.15);
    expect(near).toBeGreaterThan(1.15 * good);
    expect(far).toBeGreaterThan(1.3 * good);
  }
});

test.each([
  ['right', 15],
  ['left', 15],
  ['left', -20],
] as const)('to the %s, the first by %d ahead: both stand where their views say', (travel, offPlane) => {
  const [main] = mains as [Trial, Trial];
  for (const apart of [30, 70]) {
    const trial = { ...main, clip: { ...main.clip, travel } };
    const views = filmedByTwo(trial, { ...besides(trial, { apart }), offPlane });
    if (!views.ok) throw new Error(views.issue.message);
    const [first, second] = views.value;
    const ahead = travel === 'right' ? 1 : -1;
    const square = travel === 'right' ? 0 : 180;
    expect(wrapDegrees(statedAzimuth(first!.clip) - square)).toBe(ahead * offPlane);
    expect(wrapDegrees(statedAzimuth(second!.clip) - square)).toBe(ahead * (offPlane + apart));
  }
});

test('a second camera beside the first is refused with what to do', () => {
  const [main] = mains as [Trial, Trial];
  const views = filmedByTwo(main, besides(main, { apart: 12 }));
  expect(views).toMatchObject({ ok: false, issue: { code: 'alike-cameras' } });
});

test.each(['walk', 'hurdle'])('%s: a performance that goes the other way can be planned on', (name) => {
  const { trial } = demo(name).clips.at(-1)!;
  expect([trial.clip.travel, filmedByTwo(trial, besides(trial)).ok]).toEqual(['right', true]);
});
