import { walk } from '../../../tests/fixtures/detected-walk';
import { stickClip } from '../../../tests/fixtures/stick-trial';
import { packDetections, RULES } from '../../core/detections/kept-detections';
import { newSession, type Session } from '../../core/model/session';
import { placesOf } from '../../core/tracks/keep-edits';
import { mergeDetections } from '../../core/tracks/track';
import { sessionJson } from '../../formats/session-json/session-json';
import { deriveAgain, hasEarlierRules, stoppedRun } from './detection-use-cases';
import { redoEdit, setSession, undoEdit, useDocument } from '../stores/document-store';
import { movePoint } from './track-use-cases';

// Nothing is detected here, nor stored.
jest.mock('../../media/detect-points', () => ({}));
jest.mock('../../media/track-point', () => ({}));
jest.mock('../../storage/sessions', () => ({ saveSession: () => Promise.resolve({ ok: true, value: null }) }));

const clip = stickClip({ id: 'a', frameTimes: Float64Array.from({ length: 120 }, (_, i) => (i * 1e6) / 60) });
const first = new Map([...walk()].filter(([i]) => i % 2 === 0));
const kept = packDetections(new Map([...first].map(([i, seen]) => [i, [seen, seen]])), {
  setting: 'fast',
  person: null,
  again: [],
  complete: false,
});
/** Points as an earlier version derived them: nothing was filled in between. */
const earlier = mergeDetections({}, 120, first);
const session: Session = {
  ...newSession('s', 'Nets', 'race-walking', '2026-03-02T09:00:00.000Z'),
  clips: [clip],
  tracks: { a: earlier } as Session['tracks'],
  detections: { a: { ...kept, rules: RULES - 1, derived: placesOf(earlier) } } as Session['detections'],
};
const now = (): Session => useDocument.getState().session!;

test('points of an earlier version are derived by today’s rules in one undoable step, from a file too', () => {
  const read = sessionJson.read(sessionJson.write(session), 's.falcon.json');
  if (!read.ok) throw new Error(read.issue.message);
  setSession(read.value);
  movePoint(clip, 'left-knee', 10, 3, 4);
  expect(hasEarlierRules(now(), clip)).toBe(true);
  expect(now().tracks['a']!['right-knee']!.x[11]).toBeNaN();
  deriveAgain(clip);
  const knees = now().tracks['a']!;
  expect(knees['right-knee']!.x[11]).toBeCloseTo(
    (earlier['right-knee']!.x[10]! + earlier['right-knee']!.x[12]!) / 2,
    0,
  );
  expect([knees['left-knee']!.x[10], knees['left-knee']!.y[10]]).toEqual([3, 4]);
  expect(hasEarlierRules(now(), clip)).toBe(false);
  undoEdit();
  expect(hasEarlierRules(now(), clip)).toBe(true);
  expect(now().tracks['a']!['right-knee']!.x[11]).toBeNaN();
  redoEdit();
  expect(hasEarlierRules(now(), clip)).toBe(false);
});

test('a run that was stopped can go on, also one that followed a chosen person', () => {
  expect(stoppedRun(session, clip)?.frames.length).toBe(60);
  const of = (change: object): Session => ({
    ...session,
    detections: { a: { ...session.detections['a']!, ...change } },
  });
  expect(stoppedRun(of({ complete: true }), clip)).toBeUndefined();
  expect(stoppedRun(of({ person: { frame: 0, x: 0, y: 0, width: 9, height: 9 } }), clip)).toBeDefined();
  expect(stoppedRun({ ...session, detections: {} }, clip)).toBeUndefined();
});

test('detections of a clip of another length are refused', () => {
  const short = { ...session, clips: [{ ...clip, frameTimes: clip.frameTimes.slice(0, 60) }], tracks: {} };
  const read = sessionJson.read(sessionJson.write(short), 's.falcon.json');
  expect(read).toMatchObject({ ok: false });
  expect(!read.ok && read.issue.message).toContain('detected in a clip of another length');
});
