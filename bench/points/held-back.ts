import type { Page } from '@playwright/test';
import { DEMO_CLIPS } from '../../demo/scenario';
import { JOINT_POINTS } from '../../src/core/anatomy/body-points';
import { DEFAULT_CUTOFF } from '../../src/core/model/session';
import { HAND_SD_PIXELS } from '../../src/core/statistics/hand-sd';
import { placePoint } from '../../src/core/tracks/track';
import { prepareTrial } from '../../src/core/trial/trial';
import { normals } from '../../tests/fixtures/random';
import { round, type Figure } from '../figure';
import { percentile } from '../percentile';
import { compareWithTruth, together, type AngleErrors, type DetectedAndTrue } from './accuracy';
import { nearOf, run, share, type Run } from './detected-run';

/** Clips that no constant was chosen on: detected on every frame, too, and corrected by hand. */
const HELD_BACK = ['pace-side-athlete-winter', 'walk-side-reference-2', 'hurdle-side-reference-2'];

/** Side by side with every frame of the same clips, detected by the same models in the same run. */
export async function againstEveryFrame(page: Page): Promise<readonly Figure[]> {
  const common = { bench: 'points', against: 'every frame, the same models in the same run' };
  const pairs: (readonly [Run, Run])[] = [];
  for (const id of HELD_BACK) {
    const demo = DEMO_CLIPS.find((c) => c.id === id)!;
    pairs.push([await run(page, demo, 'accurate'), await run(page, demo, 'accurate', 'every')]);
  }
  const sum = (of: (pair: readonly [Run, Run]) => number): number => pairs.reduce((s, pair) => s + of(pair), 0);
  const every = sum(([, e]) => e.milliseconds);
  const part = sum(([enough]) => enough.milliseconds) / every;
  const first = sum(([enough]) => enough.firstReadings) / every;
  const frames = sum(([enough]) => enough.share) / pairs.length;
  return [
    {
      ...common,
      figure: 'accurate: time of a whole clip',
      value: round(part),
      unit: 'ratio',
      goal: 'at most 0.5 at 120 frames a second',
      holds: part <= 0.5,
      against: `${common.against}; ${round(100 * frames, 0)} % of the frames were detected`,
    },
    {
      ...common,
      figure: 'accurate: time to first readings at the key events',
      value: round(first),
      unit: 'ratio',
      goal: 'at most 0.25',
      holds: first <= 0.25,
    },
    ...(['knee', 'hip', 'elbow', 'ankle', 'trunk'] as const).map((name): Figure => {
      const [enough, all] = ([0, 1] as const).map((k) =>
        percentile(
          together(pairs.map((pair) => compareWithTruth(pair[k].both, nearOf(pair[k].both)[name]))).errors,
          0.5,
        ),
      ) as [number, number];
      return {
        ...common,
        figure: `accurate: near ${name}, median error beside that of every frame`,
        value: round(enough / all),
        unit: 'ratio',
        goal: 'at most 1.1',
        holds: enough <= 1.1 * all,
        against: `${common.against}: ${enough.toFixed(2)} and ${all.toFixed(2)} deg`,
      };
    }),
    ...(['knee', 'hip', 'elbow', 'ankle', 'trunk'] as const).map((name): Figure => {
      const errors = (of: (both: DetectedAndTrue) => DetectedAndTrue): AngleErrors =>
        together(pairs.map(([{ both }]) => compareWithTruth(of(both), nearOf(both)[name])));
      const [before, after] = [errors((both) => both), errors(corrected)];
      const [a, b] = [percentile(before.errors, 0.5), percentile(after.errors, 0.5)];
      return {
        bench: 'points',
        figure: `accurate: near ${name}, median error with three corrected frames of each joint`,
        value: round(b / a),
        unit: 'ratio',
        goal: 'at most 0.5',
        holds: b <= 0.5 * a,
        against: `without: ${b.toFixed(2)} and ${a.toFixed(2)} deg; truth inside ${(100 * share(after)).toFixed(0)} %`,
      };
    }),
  ];
}

/** The same with three frames corrected by a hand that errs as hands do. */
function corrected({ detected, truth }: DetectedAndTrue): DetectedAndTrue {
  const marks = Object.values(truth.marks);
  const [first, last] = [Math.min(...marks), Math.max(...marks)];
  const error = normals(3);
  let track = detected.raw;
  for (const id of JOINT_POINTS)
    for (const u of [0.15, 0.5, 0.85]) {
      const frame = Math.round(first + u * (last - first));
      const [x, y] = [truth.smoothed[id]?.x[frame] ?? NaN, truth.smoothed[id]?.y[frame] ?? NaN];
      if (Number.isNaN(x) || !track[id]) continue;
      const off = (): number => HAND_SD_PIXELS * error();
      track = placePoint(track, detected.times.length, id, frame, x + off(), y + off());
    }
  const clip = { ...detected.clip, carryCorrections: true };
  return { detected: prepareTrial(clip, track, {}, DEFAULT_CUTOFF), truth };
}
