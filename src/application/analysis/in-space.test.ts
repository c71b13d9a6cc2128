import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { PointId } from '../../core/anatomy/body-points';
import { hasSeries } from '../../core/comparison/matched-series';
import { viewOf } from '../../core/comparison/side';
import { clipScene } from '../../core/scene/clip-scene';
import { FIGURE_PICTURE } from '../../core/tracks/figure';
import type { SpatialTrack } from '../../core/tracks/marker-map';
import { seenFrom } from '../../core/tracks/spatial-view';
import { sessionJson } from '../../formats/session-json/session-json';
import type { Session } from '../../core/model/session';
import { bodiesOf, filmedBySeveral } from './bodies';
import { derive } from './derived';

const CLIPS = path.join(import.meta.dirname, '..', '..', '..', 'demo', 'clips');
const json = (file: string): unknown => JSON.parse(readFileSync(path.join(CLIPS, file), 'utf8'));

interface Truth {
  readonly points: readonly string[];
  readonly metres: readonly (readonly (readonly [number, number, number])[])[];
}
const truth = json('pace-side-athlete.truth.json') as Truth;
const DEGREES = 180 / Math.PI;

function demo(name: string): Session {
  const file = `${name}-session.falcon.json`;
  const read = sessionJson.read(readFileSync(path.join(CLIPS, file), 'utf8'), file);
  if (!read.ok) throw new Error(read.issue.message);
  return read.value;
}

/** Where the shoulders face at a frame, from the truth, degrees; away from the right side positive. */
function facing(frame: number): number {
  const [left, right] = ['left', 'right'].map(
    (side) => truth.metres[Math.round(frame)]![truth.points.indexOf(`${side}-shoulder`)]!,
  );
  return Math.atan2(right![0] - left![0], right![2] - left![2]) * DEGREES;
}

/** One measure of the athlete. */
const readingOf = (session: Session, measureId: string, derived = derive(session)) =>
  derived.judged.find((j) => j.measure.id === measureId)!.athlete;

test('what no camera shows square is measured from points of a file in space, with the sign of the guide', () => {
  const session = demo('pace');
  const athlete = session.clips.find((c) => c.role === 'athlete')!;
  expect(readingOf(session, 'shoulder-counter-rotation')).toMatchObject({ measurable: false, reason: 'wrong-view' });
  const recorded = Object.fromEntries(
    truth.points.flatMap((id, j) =>
      id.startsWith('own-')
        ? []
        : [
            [
              id as PointId,
              {
                x: Float64Array.from(truth.metres, (frame) => frame[j]![0]),
                y: Float64Array.from(truth.metres, (frame) => frame[j]![1]),
                z: Float64Array.from(truth.metres, (frame) => frame[j]![2]),
              },
            ],
          ],
    ),
  ) as SpatialTrack;
  const camera = { azimuthDegrees: 0, elevationDegrees: 0 };
  const seen = seenFrom(recorded, camera, FIGURE_PICTURE);
  const inSpace: Session = {
    ...session,
    clips: session.clips.map((clip) =>
      clip === athlete
        ? {
            ...clip,
            ...FIGURE_PICTURE,
            codec: 'points',
            travel: 'right',
            figure: camera,
            scale: { pixels: seen.pixelsPerMetre, metres: 1, alongDegrees: 90 },
          }
        : clip,
    ),
    tracks: { ...session.tracks, [athlete.id]: seen.track as Session['tracks'][string] },
    spatial: { [athlete.id]: recorded as Session['spatial'][string] },
  };
  const [back, front] = ['back-foot-contact', 'front-foot-contact'].map((id) => session.marks[athlete.id]![id]!.frame);
  const face = readingOf(inSpace, 'shoulders-face-at-back-foot-contact');
  if (!face.measurable) throw new Error(face.message);
  expect(face.provenance.inSpace).toBe(true);
  expect(Math.abs(face.value * DEGREES - facing(back!))).toBeLessThan(3);
  const between = Array.from({ length: Math.round(front! - back!) + 1 }, (_, i) => facing(back! + i));
  const counter = readingOf(inSpace, 'shoulder-counter-rotation');
  if (!counter.measurable) throw new Error(counter.message);
  expect(Math.abs(counter.value * DEGREES - (Math.max(...between) - Math.min(...between)))).toBeLessThan(4);
  const fall = readingOf(inSpace, 'trunk-side-fall-at-release');
  expect(fall.measurable).toBe(true);
});

describe('two cameras', () => {
  const session = demo('pace-two-cameras');
  const { clips } = derive(session);

  test('nothing is read in space before the body is computed', () => {
    expect(readingOf(session, 'shoulders-face-at-back-foot-contact')).toMatchObject({ measurable: false });
  });

  test('a body follows from the points, the views and the common instants, and from nothing else', () => {
    const from = (s: Session): readonly unknown[] => filmedBySeveral(derive(s).clips)[0]!.from;
    const changed = (part: Partial<Session['clips'][number]>): Session => ({
      ...session,
      clips: session.clips.map((c, i) => (i === 0 ? { ...c, ...part } : c)),
    });
    expect(from(changed({ brightness: 2 }))).toEqual(from(session));
    expect(from(changed({ travel: 'right' }))).not.toEqual(from(session));
  });

  test('a camera that is not joined yet, or has no points, gives no body', () => {
    const without = {
      ...session,
      clips: session.clips.map((c) => (c.sync ? { ...c, sync: { ...c.sync, pairs: [] } } : c)),
    };
    expect(filmedBySeveral(derive(without).clips)).toEqual([]);
    expect(filmedBySeveral(derive({ ...session, tracks: {} }).clips)).toEqual([]);
  });

  test('with bodies the planes that no camera shows are read, each with where it was read', () => {
    const bodies = bodiesOf(clips);
    expect([...bodies.keys()]).toHaveLength(2);
    const derived = derive(session, bodies);
    for (const id of ['shoulders-face-at-back-foot-contact', 'shoulder-counter-rotation']) {
      const reading = readingOf(session, id, derived);
      if (!reading.measurable) throw new Error(reading.message);
      expect(reading.provenance).toMatchObject({ inSpace: true, clipId: session.clips[0]!.id });
      expect(reading.sd * DEGREES).toBeGreaterThan(2);
    }
    const knee = readingOf(session, 'front-knee-at-release', derived);
    expect(knee.measurable && knee.provenance.inSpace).toBeUndefined();
  });
});

test('a number that was read in space is not drawn on a picture, whose plane would give another', () => {
  const session = demo('pace-two-cameras');
  const derived = derive(session, bodiesOf(derive(session).clips));
  const { movement, judged, athlete } = derived;
  const frame = Math.round(athlete!.marks['back-foot-contact']!);
  const drawn = (selected: string): number =>
    clipScene({ movement, judged, trial: athlete!, beside: false, drawings: [] }, frame, {
      body: true,
      selected,
      measures: true,
      lit: null,
    }).length;
  const body = drawn('no-measure');
  expect(drawn('back-knee-at-back-foot-contact')).toBeGreaterThan(body);
  expect(drawn('shoulders-face-at-back-foot-contact')).toBe(body);
});

test('a curve is drawn from a view that shows its plane, and from no other', () => {
  const session = demo('pace-two-cameras');
  const { movement, athlete, sides } = derive(session, bodiesOf(derive(session).clips));
  const face = movement.measures.find((m) => m.id === 'shoulders-face-at-back-foot-contact')!;
  expect(hasSeries(face, athlete!)).toBe(false);
  expect(hasSeries(face, viewOf(face, sides.athlete[0]!))).toBe(true);
});
