import { stickClip } from '../../../tests/fixtures/stick-trial';
import { placePoint } from '../tracks/track';
import { faultOfChange } from './check-session';
import { newSession, type Session } from './session';
import { splitClip, type Piece } from './split-clip';

const FRAMES = 41;
const clip = stickClip({ id: 'whole' });
const piece = (id: string, from: number, frames: number): Piece => ({
  clip: stickClip({ id, frameTimes: clip.frameTimes.slice(0, frames), part: { from: from / 100, to: 1 } }),
  from,
});
const track = [5, 15, 30].reduce((t, frame) => placePoint(t, FRAMES, 'left-knee', frame, frame, 2 * frame), {});
const boxOn = (frame: number) => ({ frame, x: 1, y: 2, width: 30, height: 40 });
const note = { kind: 'good', text: 'x', region: null, measureId: null, voice: null } as const;
const drawing = { kind: 'line' as const, points: [{ x: 0, y: 0 }], span: 'frame' as const, anchor: null, text: '' };

const session: Session = {
  ...newSession('s', 'Cut', 'pace-delivery', '2026-01-01T00:00:00Z'),
  clips: [clip, stickClip({ id: 'other' }), stickClip({ id: 'camera', sync: { to: 'whole', pairs: [] } })],
  tracks: { whole: track as Session['tracks'][string] },
  detections: {
    whole: {
      setting: 'fast',
      person: boxOn(30),
      again: [boxOn(12), boxOn(27)],
      rules: 3,
      complete: false,
      frames: Float64Array.of(0, 8, 12, 20, 33),
      points: ['left-knee'],
      detectors: [
        {
          x: Float32Array.of(0, 8, 12, 20, 33),
          y: Float32Array.of(0, 8, 12, 20, 33),
          confidence: Float32Array.of(1, 1, 1, 1, 1),
        },
      ],
      derived: { 'left-knee': Float32Array.from({ length: FRAMES }, (_, i) => i) },
    },
  } as unknown as Session['detections'],
  marks: { whole: { first: { frame: 5, proposed: null }, second: { frame: 30.4, proposed: 0.8 } } },
  notes: [
    { ...note, id: 'a', clipId: 'whole', frame: 31, panes: { whole: 31, other: 7 } },
    { ...note, id: 'b', clipId: 'whole', frame: 15, panes: {} },
    { ...note, id: 'c', clipId: 'other', frame: 3, panes: { other: 3, whole: 6 } },
  ],
  drawings: [{ ...drawing, id: 'd', clipId: 'whole', frame: 40 }],
};

test('a clip that went meanwhile is not split', () => {
  expect(splitClip(session, 'gone', [piece('a', 0, 10)])).toBe(session);
});

test('what belongs to a frame goes with it into the shot that holds it; what no shot holds goes', () => {
  const split = splitClip(session, 'whole', [piece('a', 0, 10), piece('b', 25, 16)]);
  expect(faultOfChange(session, split)).toBeNull();
  expect(split.clips.map(({ id, sync }) => [id, sync?.to ?? null])).toEqual([
    ['a', null],
    ['b', null],
    ['other', null],
    ['camera', 'a'],
  ]);
  const knee = (id: string): number[] => Array.from(split.tracks[id]!['left-knee']!.x);
  expect([knee('a').length, knee('a')[5], knee('b').length, knee('b')[5]]).toEqual([10, 5, 16, 30]);
  expect(split.detections['a']).toMatchObject({ frames: Float64Array.of(0, 8) });
  expect(split.detections['b']).toMatchObject({
    frames: Float64Array.of(8),
    detectors: [{ x: Float32Array.of(33) }],
    derived: { 'left-knee': Float32Array.from({ length: 16 }, (_, i) => 25 + i) },
  });
  expect(split.marks).toEqual({
    a: { first: { frame: 5, proposed: null } },
    b: { second: { frame: expect.closeTo(5.4, 9), proposed: 0.8 } },
  });
  expect(split.notes.map(({ id, clipId, frame, panes }) => [id, clipId, frame, panes])).toEqual([
    ['a', 'b', 6, { other: 7, b: 6 }],
    ['c', 'other', 3, { other: 3, a: 6 }],
  ]);
  expect(split.drawings).toEqual([expect.objectContaining({ clipId: 'b', frame: 15 })]);
});

test('boxes round the person go with their frames; without any, nothing is left to go on with', () => {
  const split = splitClip(session, 'whole', [piece('a', 0, 10), piece('b', 25, 16)]);
  expect(split.detections['a']).toMatchObject({ person: null, again: [], complete: true });
  expect(split.detections['b']).toMatchObject({ person: boxOn(5), again: [boxOn(2)], complete: false });
  // The first was drawn in another piece.
  const [middle] = [splitClip(session, 'whole', [piece('c', 10, 19)])];
  expect(middle.detections['c']).toMatchObject({ person: boxOn(2), again: [boxOn(17)], complete: false });
  const largest = { ...session.detections['whole']!, person: null, again: [] };
  const others = splitClip({ ...session, detections: { whole: largest } }, 'whole', [piece('a', 0, 10)]);
  expect(others.detections['a']).toMatchObject({ person: null, again: [], complete: false });
});

test('of pictures that are counted otherwise nothing goes along', () => {
  const split = splitClip(session, 'whole', [{ ...piece('a', 0, 10), from: null }]);
  expect([split.tracks, split.marks, split.notes.map(({ id }) => id)]).toEqual([{}, {}, ['c']]);
});
