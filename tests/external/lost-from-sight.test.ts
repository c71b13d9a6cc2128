import { readFileSync } from 'node:fs';
import path from 'node:path';
import { DEMO_CLIPS, TRIAL_CLIPS } from '../../demo/scenario';
import { trueTrial } from '../../demo/true-trial';
import type { ClipTruth } from '../../demo/truth';
import type { PointId } from '../../src/core/anatomy/body-points';
import { carryOver } from '../../src/core/events/carry-over';
import type { Proposal } from '../../src/core/events/propose-events';
import { proposeTrial } from '../../src/core/events/repetitions';
import { DEFAULT_CUTOFF } from '../../src/core/model/session';
import { ORIGIN, type Track } from '../../src/core/tracks/track';
import { LEAST_SURE } from '../../src/core/trial/key-events';
import { prepareTrial, type Trial } from '../../src/core/trial/trial';
import { movementOf } from '../../src/movements';
import { normals } from '../fixtures/random';
import { renderedClip } from '../fixtures/rendered-clip';

/**
 * Moments proposed where the walker goes behind another one and is lost from sight: the generator's own points of both,
 * as detectors give them there (the legs of the two are mixed up on the frames before, nobody or the other is seen
 * meanwhile, with hardly any confidence).
 */
const clips = path.join(import.meta.dirname, '..', '..', 'demo', 'clips');
const truthOf = (id: string): ClipTruth =>
  JSON.parse(readFileSync(path.join(clips, `${id}.truth.json`), 'utf8')) as ClipTruth;

const MOVEMENT = movementOf('race-walking')!;
/** Frames at 60 a second on which the two are mixed up, and on which the walker is not seen. */
const MIXED_UP = 2;
const LEG = /hip|knee|ankle|heel|foot/;

interface Lost {
  readonly from: number;
  readonly to: number;
}

/** What two detectors would make of the walker, confidence and noise (0.6 % of standing height) included. */
function seenTrack(own: ClipTruth, other: ClipTruth, { from, to }: Lost, height: number): Track {
  const noise = normals(1000 + 10 * from + to);
  return Object.fromEntries(
    own.points.map((id) => {
      const frames = own.pixels.length;
      const [x, y] = [new Float64Array(frames), new Float64Array(frames)];
      const [confidence, origin] = [new Float32Array(frames).fill(0.5), new Uint8Array(frames).fill(ORIGIN.detected)];
      for (let i = 0; i < frames; i++) {
        const isLost = i >= from && i < to;
        const isMixed = i >= from - MIXED_UP && i < from && LEG.test(id);
        const [px, py] = (isLost || isMixed ? other : own).pixels[i]![other.points.indexOf(id)]!;
        // In the first half nobody is seen.
        const isDark = isLost && i < (from + to) / 2;
        x[i] = isDark ? NaN : px + 0.006 * height * noise();
        y[i] = isDark ? NaN : py + 0.006 * height * noise();
        if (isLost) confidence[i] = isDark ? 0 : 0.08;
        if (isDark) origin[i] = ORIGIN.missing;
      }
      return [id as PointId, { x, y, confidence, origin }];
    }),
  );
}

function seenTrial(clip: string, who: string, other: string, lost: Lost): { trial: Trial; truth: ClipTruth } {
  const truth = truthOf(clip + who);
  const demo = TRIAL_CLIPS.find(({ id }) => id === clip)!;
  const as = renderedClip(demo, truth, {
    view: { kind: 'side', offPlaneDegrees: 0 },
    travel: who === '' ? 'right' : 'left',
  });
  const ys = truth.pixels[0]!.map(([, y]) => y);
  const height = Math.max(...ys) - Math.min(...ys);
  return { trial: prepareTrial(as, seenTrack(truth, truthOf(clip + other), lost, height), {}, DEFAULT_CUTOFF), truth };
}

/** How far a proposal lies from the truth in this stride or the ones beside it, in its own deviations. */
function deviations({ eventId, frame, sd }: Proposal, { moments, frameRate }: ClipTruth): number {
  const stride = moments['next-heel-strike']! - moments['heel-strike']!;
  const off = frame / frameRate - moments[eventId]!;
  return Math.abs(off - stride * Math.round(off / stride)) / sd;
}

const CASES = (
  [
    ['walk-crossing', '', '-passer'],
    ['walk-crossing', '-passer', ''],
    ['walk-crossing-alike', '', '-passer'],
    ['walk-crossing-alike', '-passer', ''],
  ] as const
).flatMap(([clip, who, other]) =>
  // Lost in the stance of the one foot, in the swing of the other, and round either's contact.
  [44, 48, 51, 55, 58].flatMap((from) => [8, 14].map((long) => [clip, who, other, { from, to: from + long }] as const)),
);

interface Seen {
  readonly where: string;
  readonly trial: Trial;
  readonly lost: Lost;
  readonly truth: ClipTruth;
  readonly sure: readonly Proposal[];
}
let all: readonly Seen[];
beforeAll(() => {
  all = CASES.map(([clip, who, other, lost]) => {
    const { trial, truth } = seenTrial(clip, who, other, lost);
    const sure = proposeTrial(MOVEMENT, trial).filter(({ confidence }) => confidence >= LEAST_SURE);
    return { where: `${clip}${who} ${lost.from}-${lost.to}`, trial, lost, truth, sure };
  });
});

test('no moment beside frames on which the walker is lost is surely wrong', () => {
  const sure = all.flatMap(({ where, truth, sure: proposals }) =>
    proposals.map((p) => ({ where: `${where}: ${p.eventId}`, off: deviations(p, truth) })),
  );
  expect(sure.filter(({ off }) => off > 4)).toEqual([]);
  expect(sure.filter(({ off }) => off > 2).length).toBeLessThanOrEqual(0.05 * sure.length);
});

test('a moment that is carried over to where the walker is lost is a guess', () => {
  const truth = truthOf('walk-side-reference');
  const demo = DEMO_CLIPS.find(({ id }) => id === 'walk-side-reference')!;
  const marked = trueTrial(
    renderedClip(demo, truth, { view: { kind: 'side', offPlaneDegrees: 0 }, travel: 'right' }),
    truth,
  );
  const carried = all.flatMap(({ where, trial, lost }) =>
    carryOver(MOVEMENT, marked, trial).map((p) => ({
      where: `${where}: ${p.eventId}`,
      isLost: p.frame >= lost.from && p.frame < lost.to,
      isSure: p.confidence >= LEAST_SURE,
    })),
  );
  expect(carried.filter(({ isLost }) => isLost).length).toBeGreaterThanOrEqual(20);
  expect(carried.filter(({ isLost, isSure }) => isLost && isSure)).toEqual([]);
  // Elsewhere they are as sure as before.
  expect(carried.filter(({ isSure }) => isSure).length).toBeGreaterThanOrEqual(2 * CASES.length);
});

test('nearly all moments are still surely proposed: of two strides, those of the one that is seen', () => {
  const sure = all.map((one) => one.sure.length);
  expect(Math.min(...sure)).toBeGreaterThanOrEqual(3);
  expect(sure.reduce((sum, n) => sum + n, 0)).toBeGreaterThanOrEqual(4.25 * CASES.length);
});

test('feet that were placed by hand through the loss are believed', () => {
  const [clip, who, other, lost] = CASES[2]!;
  const { trial, truth } = seenTrial(clip, who, other, lost);
  const byHand = (id: PointId): Track[PointId] => {
    const k = truth.points.indexOf(id);
    const frames = truth.pixels.length;
    return {
      x: Float64Array.from(truth.pixels, (points) => points[k]![0]),
      y: Float64Array.from(truth.pixels, (points) => points[k]![1]),
      confidence: new Float32Array(frames).fill(1),
      origin: new Uint8Array(frames).fill(ORIGIN.hand),
    };
  };
  const feet = (['left', 'right'] as const).flatMap((side): PointId[] => [`${side}-heel`, `${side}-foot-index`]);
  const placed = { ...trial.raw, ...Object.fromEntries(feet.map((id) => [id, byHand(id)])) };
  const marks = { 'knees-pass': { frame: truth.moments['knees-pass']! * truth.frameRate, proposed: null } };
  const next = (track: Track): Proposal | undefined =>
    proposeTrial(MOVEMENT, prepareTrial(trial.clip, track, marks, DEFAULT_CUTOFF)).find(
      ({ eventId }) => eventId === 'next-heel-strike',
    );
  expect(next(trial.raw)?.confidence ?? 0).toBeLessThan(LEAST_SURE);
  expect(next(placed)!.confidence).toBeGreaterThan(LEAST_SURE);
  expect(deviations(next(placed)!, truth)).toBeLessThan(3);
});
