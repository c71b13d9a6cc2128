import type { CameraPlan } from '../../src/core/model/camera-plan';
import type { Measure } from '../../src/core/model/measure';
import { hasSeries } from '../../src/core/comparison/matched-series';
import { evaluateMeasure } from '../../src/core/measures';
import { asFilmed, extentOf, fastest } from '../../src/core/planning/as-filmed';
import {
  changedPlan,
  distanceFor,
  hipHeight,
  levelHeight,
  looksDown,
  metresSeen,
  pixelsPerMetre,
  planOf,
} from '../../src/core/planning/camera-plan';
import { plannedErrors, type PlannedError } from '../../src/core/planning/planned-errors';
import { COVERAGE_95 } from '../../src/core/statistics/normal';
import { ORIGIN, type PointSeries } from '../../src/core/tracks/track';
import type { Trial } from '../../src/core/trial/trial';
import { movementOf } from '../../src/movements';
import { demoPairs } from '../fixtures/demo-pairs';

const MOVEMENTS = [
  ['pace', 'pace-delivery'],
  ['walk', 'race-walking'],
  ['hurdle', 'sprint-hurdles'],
] as const;
const [{ found: bowler }] = demoPairs('pace') as [ReturnType<typeof demoPairs>[number]];
const pace = movementOf('pace-delivery')!;
const measure = (id: string): Measure => pace.measures.find((m) => m.id === id)!;

test('a pinhole camera: 26 mm of 36 sees 13.8 m from 10 m, and a body of 1.8 m is as tall as its distance says', () => {
  const setup = { distance: 10, focal: 26, width: 1920, height: 1080, rate: 120, offPlane: 0, stature: 1.8 };
  expect(metresSeen(setup).width).toBeCloseTo((36 / 26) * 10, 9);
  expect(metresSeen(setup).height).toBeCloseTo((36 / 26) * 10 * (1080 / 1920), 9);
  expect(distanceFor(setup, 1.8, 1.8 * pixelsPerMetre(setup))).toBeCloseTo(10, 9);
});

/** A trial with its movement in the middle of the picture. */
function centred(trial: Trial): Trial {
  const { left, right, top, bottom } = extentOf(trial);
  const { width, height } = trial.clip;
  const moved = (track: Trial['raw']): Trial['raw'] =>
    Object.fromEntries(
      (Object.entries(track) as [string, PointSeries][]).map(([id, series]) => [
        id,
        {
          ...series,
          x: series.x.map((x) => x + (width - left - right) / 2),
          y: series.y.map((y) => y + (height - top - bottom) / 2),
        },
      ]),
    );
  return { ...trial, raw: moved(trial.raw), smoothed: moved(trial.smoothed) };
}

test.each(MOVEMENTS)('%s: planned as it was filmed, measures expect the error that they state', (id, movementId) => {
  for (const pair of demoPairs(id)) {
    // A plan says where the camera stands, and films what it films from straight before it; of these clips nobody did.
    const { clip } = pair.found;
    const found = centred({ ...pair.found, clip: { ...clip, view: { ...clip.view, offPlaneDegrees: 0 } } });
    const plan = planOf(found);
    const ratios = plannedErrors(movementOf(movementId)!.measures, found, plan, [asFilmed(found, plan)]).flatMap(
      (planned) => {
        const stated = evaluateMeasure(planned.measure, found);
        return stated.measurable && planned.plusMinus !== null && planned.plusMinus > 0
          ? [planned.plusMinus / (COVERAGE_95 * stated.sd)]
          : [];
      },
    );
    expect(ratios.length).toBeGreaterThan(8);
    ratios.sort((a, b) => a - b);
    const middle = ratios[ratios.length >> 1]!;
    expect(middle).toBeGreaterThan(0.97);
    expect(middle).toBeLessThan(1.03);
  }
});

test('twice the frames halve the error of a duration, a camera beside the plane widens that of an angle', () => {
  const plan = planOf(bowler);
  const planned = (change: Partial<CameraPlan>, id: string): PlannedError => {
    const changed = { ...plan, ...change };
    return plannedErrors([measure(id)], bowler, changed, [asFilmed(bowler, changed)])[0]!;
  };
  const at = (change: Partial<CameraPlan>, id: string): number => planned(change, id).plusMinus!;
  const duration = pace.measures.find((m) => m.kind === 'duration')!.id;
  expect(at({ rate: 240 }, duration) / at({ rate: 120 }, duration)).toBeCloseTo(0.5, 1);
  const angle = pace.measures.find((m) => m.kind === 'value' && m.plane === 'sagittal')!.id;
  expect(at({ offPlane: 25 }, angle)).toBeGreaterThan(1.2 * at({ offPlane: 0 }, angle));
  const refused = planned({ offPlane: 40 }, angle);
  expect(refused.reading).toMatchObject({ measurable: false, reason: 'view-too-oblique' });
  expect(refused.improvement?.words).toBe('square to the movement');
});

test('a raised camera is surer of nothing, and what would help is said', () => {
  const plan = planOf(bowler);
  const raised = { ...plan, lensHeight: 4.5 };
  expect(looksDown(raised, plan.distance)).toBeGreaterThan(12);
  const trunk = measure('trunk-at-release');
  const [level, high] = [plan, raised].map(
    (camera) => plannedErrors([trunk], bowler, camera, [asFilmed(bowler, camera)])[0]!,
  ) as [PlannedError, PlannedError];
  expect(high.plusMinus!).toBeGreaterThan(1.3 * level.plusMinus!);
  expect(high.improvement).toMatchObject({ words: `with the lens ${levelHeight(plan)} m above the ground` });
  // What is read of it is what it is.
  expect(high.reading.measurable && level.reading.measurable).toBe(true);
  if (high.reading.measurable && level.reading.measurable)
    expect(high.reading.value).toBeCloseTo(level.reading.value, 2);
  expect(planOf(asFilmed(bowler, raised)).lensHeight).toBeCloseTo(4.5, 0);
});

test('a planned camera sees the plane as a pinhole camera far away, beside and above it, does', () => {
  const plan = { ...planOf(bowler), offPlane: 20, lensHeight: 5 };
  const down = (looksDown(plan, plan.distance) * Math.PI) / 180;
  const [square, seen] = [{ ...plan, offPlane: 0, lensHeight: hipHeight(plan) }, plan].map(
    (camera) => asFilmed(bowler, camera).smoothed['right-knee']!,
  ) as [PointSeries, PointSeries];
  const psi = (20 * Math.PI) / 180;
  // Ahead of this one is to the left of the picture.
  expect(bowler.clip.travel).toBe('left');
  for (const i of [10, 60, 110]) {
    const [along, up] = [plan.width / 2 - square.x[i]!, plan.height / 2 - square.y[i]!];
    expect(plan.width / 2 - seen.x[i]!).toBeCloseTo(along * Math.cos(psi), 0);
    // What is farther along is nearer to a camera that stands ahead, and seen lower from above.
    expect(plan.height / 2 - seen.y[i]!).toBeCloseTo(up * Math.cos(down) - along * Math.sin(psi) * Math.sin(down), 0);
  }
});

test('degrees of a plan go towards the front, whichever way the performer goes', () => {
  for (const [travel, offPlaneDegrees] of [
    ['right', 20],
    ['left', -20],
  ] as const) {
    const from = { ...bowler, clip: { ...bowler.clip, travel, view: { ...bowler.clip.view, offPlaneDegrees } } };
    const plan = planOf(from);
    expect(plan.offPlane).toBe(20);
    expect(asFilmed(from, plan).clip.view.offPlaneDegrees).toBe(offPlaneDegrees);
  }
});

test('the movement lies in the middle of the planned picture, as large as its distance says', () => {
  const plan = planOf(bowler);
  const planned = asFilmed(bowler, { ...plan, distance: plan.distance * 2, rate: 60 });
  const extent = extentOf(planned);
  expect((extent.left + extent.right) / 2).toBeCloseTo(plan.width / 2, -1);
  expect(planned.bodyHeight / bowler.bodyHeight).toBeCloseTo(0.5, 1);
  expect(planned.interval).toBeCloseTo(1 / 60, 6);
  // The hand of a pace bowler at release goes some 20 m/s (common practice).
  expect(fastest(bowler, plan.stature)).toBeGreaterThan(12);
  expect(fastest(bowler, plan.stature)).toBeLessThan(30);
});

test('a second camera stays where it is when the first is moved, as far as two cameras can stand', () => {
  const plan = { ...planOf(bowler), offPlane: 3.4, second: { apart: 70, distance: 8, films: null } };
  expect(changedPlan(plan, { offPlane: 20 }).second).toMatchObject({ apart: 53, distance: 8 });
  expect(changedPlan(plan, { offPlane: 90 }).second).toMatchObject({ apart: 10, distance: 8 });
  expect(changedPlan(plan, { distance: 12 }).second).toBe(plan.second);
  expect(changedPlan(plan, { offPlane: 20, second: null }).second).toBeNull();
});

test('a planned camera films at one rate, whatever the clip did', () => {
  const slowed = { ...bowler.clip, rateChanges: [{ from: 20, captureRate: 240 }] };
  const planned = asFilmed({ ...bowler, clip: slowed }, planOf(bowler));
  expect(planned.clip.rateChanges).toEqual([]);
  expect(planned.times[21]! - planned.times[20]!).toBeCloseTo(1 / planOf(bowler).rate, 6);
});

test('of a body of 60 pixels nothing is read from detected points; by hand, at 80 pixels, and times it is', () => {
  const plan = planOf(bowler);
  const tall = (pixels: number): Trial =>
    asFilmed(bowler, { ...plan, distance: distanceFor(plan, plan.stature, pixels) });
  const knee = pace.measures.find((m) => m.kind === 'value' && m.plane === 'sagittal')!;
  expect(evaluateMeasure(knee, tall(60))).toMatchObject({ measurable: false, reason: 'too-uncertain' });
  expect(evaluateMeasure(knee, tall(80)).measurable).toBe(true);
  expect(
    evaluateMeasure(
      pace.measures.find((m) => m.kind === 'duration')!,
      tall(60),
    ).measurable,
  ).toBe(true);
  const small = tall(60);
  expect(hasSeries(knee, small)).toBe(false);
  expect(hasSeries(knee, tall(80))).toBe(true);
  const raw = Object.fromEntries(
    (Object.entries(small.raw) as [string, PointSeries][]).map(([id, series]) => [
      id,
      { ...series, origin: new Uint8Array(series.origin.length).fill(ORIGIN.hand) },
    ]),
  );
  expect(evaluateMeasure(knee, { ...small, raw }).measurable).toBe(true);
});
