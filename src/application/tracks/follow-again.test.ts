import { walk } from '../../../tests/fixtures/detected-walk';
import { stickClip } from '../../../tests/fixtures/stick-trial';
import { meeting } from '../../core/detections/following';
import type { Detections } from '../../core/detections/fuse-detections';
import { deriveTrack, packDetections, unpackDetections } from '../../core/detections/kept-detections';
import type { KeptDetections } from '../../core/model/kept-detections';
import { newSession, type Session } from '../../core/model/session';
import { fail } from '../../core/result';
import { realTimes } from '../../core/timing/clip-time';
import type { DetectedPoints } from '../../core/tracks/track';
import type { FindOptions } from '../../media/detect-points';
import { setSession, undoEdit, useDocument } from '../stores/document-store';
import { useJobs } from '../stores/jobs';
import { detectPointsOf, followAgainFrom, goOnDetecting, stoppedRun } from './detection-use-cases';
import { movePoint } from './track-use-cases';

/** Detectors that see the walker and nobody else; told of every frame that they look at. */
const mockLooked: number[] = [];
let mockStopAfter = Infinity;
jest.mock('../../media/detect-points', () => ({
  detectPoints: async (_: unknown, { following, known, next, onFollowed }: FindOptions) => {
    const detections = new Map(known);
    for (const way of following!.ways) {
      const ends = following!.untilMet === null ? () => false : meeting(known!, following!.untilMet);
      for (const frame of way.frames) {
        const seen = [walker.get(frame)!, walker.get(frame)!];
        if (ends(frame, seen)) break;
        detections.set(frame, seen);
        mockLooked.push(frame);
        if (mockLooked.length % 35 === 5) onFollowed?.(detections);
        if (mockLooked.length >= mockStopAfter) return fail('cancelled', 'Cancelled.');
      }
    }
    await next(detections);
    return { ok: true, value: detections };
  },
}));
jest.mock('../../media/track-point', () => ({}));
jest.mock('../files/stored-clips', () => ({ videoOf: () => Promise.resolve({ ok: true, value: {} }) }));
jest.mock('../clips/camera-motion-use-cases', () => ({
  observeCameraBeside: () => Promise.resolve({ ok: true, value: null }),
}));
jest.mock('../../storage/sessions', () => ({ saveSession: () => Promise.resolve({ ok: true, value: null }) }));

const walker = walk();
const clip = stickClip({ id: 'a', frameTimes: Float64Array.from({ length: 120 }, (_, i) => (i * 1e6) / 60) });
const box = (frame: number) => ({ frame, x: 100 + 2 * frame - 45, y: 90, width: 90, height: 260 });
const aside = (points: DetectedPoints): DetectedPoints =>
  Object.fromEntries(Object.entries(points).map(([id, p]) => [id, { ...p, x: p.x + 120 }]));

/** The walker until frame 59, then somebody 120 pixels before them. */
const wrong: Detections = new Map(
  [...walker].map(([i, points]) => [i, i < 60 ? [points, points] : [aside(points), aside(points)]]),
);
function begin(run: Partial<KeptDetections> = {}): void {
  const packed = packDetections(wrong, { setting: 'fast', person: box(10), again: [], complete: true, ...run });
  const { track, kept } = deriveTrack({}, realTimes(clip), packed, null);
  setSession({
    ...newSession('s', 'Nets', 'race-walking', '2026-03-02T09:00:00.000Z'),
    clips: [clip],
    tracks: { a: track } as Session['tracks'],
    detections: { a: kept } as Session['detections'],
  });
}
const now = (): Session => useDocument.getState().session!;
const hipAt = (frame: number): number => now().tracks['a']!['left-hip']!.x[frame]!;
const trueHip = (frame: number): number => walker.get(frame)!['left-hip']!.x;

beforeEach(() => {
  mockLooked.length = 0;
  mockStopAfter = Infinity;
});

test('who was taken for somebody else is followed again; what was right and what was edited stays', async () => {
  begin();
  movePoint(clip, 'left-knee', 20, 3, 4);
  expect(hipAt(100) - trueHip(100)).toBeGreaterThan(100);
  const before = hipAt(100);
  const done = await followAgainFrom(clip, box(110));
  expect(done).toMatchObject({ ok: true, value: { seen: 120, stopped: false } });
  // To the end, and back until 0.4 s of the same person.
  expect([Math.min(...mockLooked), Math.max(...mockLooked)]).toEqual([59 - 24 + 1, 119]);
  expect(Math.abs(hipAt(100) - trueHip(100))).toBeLessThan(2);
  expect(Math.abs(hipAt(20) - trueHip(20))).toBeLessThan(5);
  expect(now().tracks['a']!['left-knee']!.x[20]).toBe(3);
  expect(now().detections['a']).toMatchObject({ complete: true, person: box(10), again: [box(110)], setting: 'fast' });
  undoEdit();
  expect(hipAt(100)).toBe(before);
  expect(now().detections['a']!.again).toEqual([]);
  expect(now().tracks['a']!['left-knee']!.x[20]).toBe(3);
});

test('cancelled, what was followed again so far stays, and the run counts as whole as it was', async () => {
  begin();
  mockStopAfter = 5;
  expect(await followAgainFrom(clip, box(110))).toMatchObject({ ok: true, value: { stopped: true } });
  expect(Math.abs(hipAt(114) - trueHip(114))).toBeLessThan(2);
  expect(hipAt(80) - trueHip(80)).toBeGreaterThan(100);
  expect(stoppedRun(now(), clip)).toBeUndefined();
  expect(useJobs.getState().jobs).toEqual([]);
});

test('a run that follows somebody keeps what it has when it is stopped, and goes on from there', async () => {
  begin();
  mockStopAfter = 70;
  expect(await detectPointsOf(clip, 'fast', box(40))).toMatchObject({ ok: true, value: { stopped: true } });
  // Onwards from frame 40 none was missing; it had not begun to go back.
  const stopped = stoppedRun(now(), clip)!;
  expect([stopped.frames[0], stopped.frames.length]).toEqual([40, 70]);
  mockLooked.length = 0;
  mockStopAfter = Infinity;
  expect(await goOnDetecting(clip)).toMatchObject({ ok: true, value: { seen: 120, stopped: false } });
  expect([...mockLooked].sort((a, b) => a - b)).toEqual(
    Array.from(Array(120).keys()).filter((i) => i <= 40 || i >= 109),
  );
  expect(stoppedRun(now(), clip)).toBeUndefined();
  expect([...unpackDetections(now().detections['a']!).keys()].length).toBe(120);
});
