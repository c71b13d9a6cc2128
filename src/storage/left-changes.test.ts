import { newSession, type Session } from '../core/model/session';
import { clearPoint, placePoint } from '../core/tracks/track';
import { decodeSamples, encodeSamples } from '../formats/session-json/samples';
import { changesSince, withLeftChanges, type LeftChanges, type StoredVersion } from './left-changes';

const session = newSession('s', 'Left', 'pace-delivery', '2026-01-01T00:00:00Z');
const stored: StoredVersion = { updatedAt: '2026-01-01T00:00:00Z', session };
const writing: StoredVersion = {
  updatedAt: '2026-01-01T00:00:01Z',
  session: { ...session, impressions: 'falls away', name: 'Renamed' },
};
const now: Session = {
  ...session,
  impressions: 'falls away to the left',
  marks: { clip: { release: { frame: 12.5, proposed: null } } },
};
const throughFile = (left: readonly LeftChanges[]): readonly LeftChanges[] =>
  JSON.parse(JSON.stringify(left, encodeSamples), decodeSamples) as LeftChanges[];

test('changes lead from either version that may be stored to what was there, through a file', () => {
  const left = throughFile(changesSince([stored, writing], now));
  expect(withLeftChanges(stored, left)).toEqual(now);
  expect(withLeftChanges(writing, left)).toEqual(now);
  expect(session.impressions).toBe('');
});

test('only what differs is kept', () => {
  const [left] = changesSince([stored], { ...session, impressions: 'late' });
  expect(left!.changes).toEqual([{ op: 'replace', path: ['impressions'], value: 'late' }]);
});

test('points keep their samples, missing ones among them, and other points are not kept again', () => {
  const both = placePoint(
    placePoint({}, 5, 'left-knee', 1, 10, 20),
    5,
    'left-hip',
    2,
    30,
    40,
  ) as Session['tracks'][string];
  const before = { ...stored, session: { ...session, tracks: { clip: both } } };
  const after: Session = {
    ...session,
    tracks: {
      clip: clearPoint(
        placePoint(both, 5, 'left-knee', 3, 11.25, 21.5),
        5,
        'left-knee',
        1,
      ) as Session['tracks'][string],
    },
  };
  const left = changesSince([before], after);
  expect(left[0]!.changes.every(({ path }) => path[2] === 'left-knee')).toBe(true);
  const again = withLeftChanges(before, throughFile(left)) as Session;
  expect(again).toEqual(after);
  expect(again.tracks['clip']!['left-knee']!.x[1]).toBeNaN();
  expect(again.tracks['clip']!['left-hip']).toBe(both['left-hip']);
});

test('what was taken away is taken away, lists that grew are kept whole', () => {
  const before = { ...stored, session: now };
  const note = { id: 'n', frame: 3 };
  const after = { ...now, marks: {}, notes: [note] } as unknown as Session;
  const left = changesSince([before], after);
  expect(left[0]!.changes).toEqual(
    [
      { op: 'replace', path: ['notes'], value: [note] },
      { op: 'remove', path: ['marks', 'clip'] },
    ].sort((a, b) => Object.keys(now).indexOf(a.path[0]!) - Object.keys(now).indexOf(b.path[0]!)),
  );
  expect(withLeftChanges(before, throughFile(left))).toEqual(after);
});

test('changes are not put into a version they were not made from, nor where nothing differs', () => {
  const left = changesSince([stored], now);
  expect(withLeftChanges({ ...stored, updatedAt: '2026-02-01T00:00:00Z' }, left)).toBeNull();
  expect(withLeftChanges(stored, changesSince([stored], session))).toBeNull();
});

test('changes that do not fit are left alone', () => {
  expect(
    withLeftChanges(stored, [
      { updatedAt: stored.updatedAt, changes: [{ op: 'replace', path: ['nowhere', 'deep'], value: 1 }] },
    ]),
  ).toBeNull();
});
