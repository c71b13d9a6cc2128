import DynamicTimeWarping from 'dynamic-time-warping';
import { prioritise } from '../../src/core/judgement/priority';
import { judge } from '../../src/core/judgement/state';
import { compareAll } from '../../src/core/comparison/compare';
import type { Movement } from '../../src/core/model/movement';
import { prepareTrial, type Trial } from '../../src/core/trial/trial';
import { placePoint } from '../../src/core/tracks/track';
import type { PointSeries, Track } from '../../src/core/tracks/track';
import { warpWhole } from '../../src/core/timing/dynamic-time-warp';
import { MOVEMENTS } from '../../src/movements';
import { printFigures, round, type Figure } from '../figure';
import { generatePair } from '../judge/generate';

/** How long the core takes: all measures of the largest movement, a recomputation after an edit, time warping. */
const largest = MOVEMENTS.reduce((a, b) => (b.measures.length > a.measures.length ? b : a));

/** A trial as long as wanted: its frames repeated from the first to the last, moments stretched with them. */
function asLong(trial: Trial, frames: number): Trial {
  const n = trial.times.length;
  const at = (i: number): number => Math.min(n - 1, Math.floor((i * n) / frames));
  const track: Track = Object.fromEntries(
    (Object.entries(trial.raw) as [string, PointSeries][]).map(([id, s]) => [
      id,
      {
        x: Float64Array.from({ length: frames }, (_, i) => s.x[at(i)]!),
        y: Float64Array.from({ length: frames }, (_, i) => s.y[at(i)]!),
        confidence: Float32Array.from({ length: frames }, (_, i) => s.confidence[at(i)]!),
        origin: Uint8Array.from({ length: frames }, (_, i) => s.origin[at(i)]!),
      },
    ]),
  );
  const clip = {
    ...trial.clip,
    frameTimes: Float64Array.from({ length: frames }, (_, i) => Math.round((i * 1e6) / trial.clip.captureRate)),
  };
  return prepareTrial(
    clip,
    track,
    Object.fromEntries(Object.entries(trial.marks).map(([id, frame]) => [id, { frame: (frame * frames) / n }])),
    20,
  );
}

const pair = generatePair(7);
const both = (frames: number): readonly [Trial, Trial] => [
  asLong(pair.athlete.detected, frames),
  asLong(pair.reference.detected, frames),
];

/** How long a run is repeated before it is timed, milliseconds: until then it is still being compiled. */
const WARM_UP = 400;

/** Median milliseconds of a run, once it is compiled. */
function median(run: () => void, times = 15): number {
  const begun = performance.now();
  for (let i = 0; i < 12 || performance.now() - begun < WARM_UP; i++) run();
  const all = Array.from({ length: times }, () => {
    const started = performance.now();
    run();
    return performance.now() - started;
  }).sort((a, b) => a - b);
  return all[all.length >> 1]!;
}

const judgeAll = (movement: Movement, athlete: Trial, reference: Trial): void => {
  const judged = compareAll(movement, athlete, reference).map((c) => judge(c, undefined));
  prioritise(movement, judged, { decisions: [], order: [], daysToCompetition: null });
};
/** Nothing that was computed of a trial before may help. */
const fresh = (p: Trial): Trial => ({ ...p, smoothed: { ...p.smoothed } });

const at600 = both(600);
const whole = median(() => judgeAll(largest, fresh(at600[0]), fresh(at600[1])));
const at1200 = both(1200);
const twice = median(() => judgeAll(largest, fresh(at1200[0]), fresh(at1200[1])));
// Every measure twice, under another id.
const doubled: Movement = {
  ...largest,
  measures: [...largest.measures, ...largest.measures.map((m) => ({ ...m, id: `${m.id}-again` }))],
  causes: [],
};
const doubledTime = median(() => judgeAll(doubled, fresh(at600[0]), fresh(at600[1])));

// An edit of a point: one frame is placed by hand, that clip is smoothed again, everything is judged again.
const [athlete, reference] = at600;
let turn = 0;
const edited = median(() => {
  const id = 'left-knee';
  const track = placePoint(athlete.raw, athlete.times.length, id, 200 + (turn++ % 50), 640, 360);
  const marks = Object.fromEntries(Object.entries(athlete.marks).map(([m, frame]) => [m, { frame }]));
  judgeAll(largest, prepareTrial(athlete.clip, track, marks, 20), reference);
});
const moved = median(() =>
  judgeAll(
    largest,
    { ...athlete, marks: { ...athlete.marks, release: athlete.marks['release']! + (turn++ % 3) } },
    reference,
  ),
);

const targeted = median(() =>
  judgeAll(
    {
      ...largest,
      measures: largest.measures.map((m, i) =>
        i === turn % largest.measures.length ? { ...m, margin: m.margin + (turn++ % 2) } : m,
      ),
    },
    athlete,
    reference,
  ),
);

const FRAMES = 600;
const CURVES = 8;
const allSeries = (shift: number): Float64Array[] =>
  Array.from({ length: CURVES }, (_, k) =>
    Float64Array.from(
      { length: FRAMES },
      (_unused, i) => Math.sin((i + shift) / (20 + 3 * k)) + 0.3 * Math.sin((i * i) / 9000),
    ),
  );
const [a, b] = [allSeries(0), allSeries(17)];
const rows = (c: readonly Float64Array[]): number[][] => Array.from({ length: FRAMES }, (_, i) => c.map((v) => v[i]!));
const [ra, rb] = [rows(a), rows(b)];
const euclid = (p: readonly number[], q: readonly number[]): number => {
  let sum = 0;
  for (let k = 0; k < p.length; k++) sum += (p[k]! - q[k]!) ** 2;
  return Math.sqrt(sum);
};
let theirCost = 0;
let ourCost = 0;
const warpTheirs = (): void => void (theirCost = new DynamicTimeWarping(ra, rb, euclid).getDistance());
const warpOurs = (): void => void (ourCost = warpWhole(a, b).cost);
// In turn, so that a machine that slows down for a while slows both.
median(warpTheirs, 1);
median(warpOurs, 1);
const turns = Array.from(
  { length: 25 },
  () =>
    [warpTheirs, warpOurs].map((run) => {
      const started = performance.now();
      run();
      return performance.now() - started;
    }) as [number, number],
);
const [theirs, ours] = [0, 1].map((which) => turns.map((t) => t[which]!).sort((x, y) => x - y)[turns.length >> 1]!) as [
  number,
  number,
];

const figure = (name: string, value: number, unit: string, against: string, goal: string, holds: boolean): Figure => ({
  bench: 'measures',
  figure: name,
  value: round(value),
  unit,
  against,
  goal,
  holds,
});
printFigures([
  figure(
    `all ${largest.measures.length} measures of ${largest.id}, 2 x 600 frames`,
    whole,
    'ms',
    'nothing remembered of the clips before',
    'under 16',
    whole < 16,
  ),
  figure(
    'twice the frames',
    twice / whole,
    'times',
    '2 x 1200 frames against 2 x 600',
    'about 2: at most 2.6',
    twice / whole <= 2.6,
  ),
  figure(
    'twice the measures',
    doubledTime / whole,
    'times',
    'every measure twice against once',
    'about 2: at most 2.6',
    doubledTime / whole <= 2.6,
  ),
  figure(
    'after an edit of a point',
    edited,
    'ms',
    'its clip smoothed and everything judged again',
    'under 50',
    edited < 50,
  ),
  figure('after an edit of a moment', moved, 'ms', 'everything judged again', 'under 50', moved < 50),
  figure('after an edit of a target', targeted, 'ms', 'everything judged again', 'under 50', targeted < 50),
  figure(
    'time warping, 600 x 600 x 8',
    theirs / ours,
    'times faster',
    `npm dynamic-time-warping: ${theirs.toFixed(0)} ms against ${ours.toFixed(1)} ms`,
    'at least 5',
    theirs / ours >= 5,
  ),
  figure(
    'its cost against theirs',
    Math.abs(ourCost / theirCost - 1),
    'share apart',
    `${ourCost.toFixed(6)} and ${theirCost.toFixed(6)}`,
    'the same to 1e-9',
    Math.abs(ourCost / theirCost - 1) < 1e-9,
  ),
]);
