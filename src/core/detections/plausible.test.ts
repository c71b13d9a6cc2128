import type { PointId } from '../anatomy/body-points';
import {
  mergeDetections,
  ORIGIN,
  placePoint,
  type DetectedPoints,
  type PointSeries,
  type Track,
} from '../tracks/track';
import { withoutImpossible, withoutStrangers } from './plausible';

/** Somebody standing, 300 px tall, for 20 frames. */
function standing(): Track {
  const at = (x: number, y: number) => ({ x, y, confidence: 0.9 });
  const side = (s: string, x: number): [string, ReturnType<typeof at>][] => [
    [`${s}-shoulder`, at(x, 55)],
    [`${s}-elbow`, at(x, 111)],
    [`${s}-wrist`, at(x, 155)],
    [`${s}-hip`, at(x, 141)],
    [`${s}-knee`, at(x, 215)],
    [`${s}-ankle`, at(x, 288)],
  ];
  const points = Object.fromEntries([...side('left', 100), ...side('right', 110)]) as DetectedPoints;
  return mergeDetections({}, 20, new Map(Array.from({ length: 20 }, (_, i) => [i, points])));
}
const moved = (track: Track, id: keyof Track, frame: number, dx: number): Track => {
  const series = track[id]!;
  return { ...track, [id]: { ...series, x: series.x.map((v, i) => (i === frame ? v + dx : v)) } };
};

describe('what a body cannot do', () => {
  it('is nothing in a body that stands', () => {
    expect(withoutImpossible(standing())).toMatchObject({ changedFrames: 0 });
  });

  it('is an arm or a leg half as long again: its outer end is taken out, and nothing else', () => {
    const { track, changedFrames } = withoutImpossible(moved(standing(), 'left-wrist', 7, 90));
    expect(changedFrames).toBe(1);
    expect(track['left-wrist']!.x[7]).toBeNaN();
    expect(track['left-wrist']!.x[6]).toBe(100);
    expect(track['left-elbow']!.x[7]).toBe(100);
  });

  it('takes the whole frame with it when several bones are impossible', () => {
    let track = standing();
    for (const id of ['left-knee', 'right-knee', 'left-wrist'] as const) track = moved(track, id, 3, 140);
    const { track: cleaned } = withoutImpossible(track);
    expect(cleaned['right-shoulder']!.origin[3]).toBe(ORIGIN.missing);
    expect(cleaned['right-shoulder']!.origin[4]).toBe(ORIGIN.detected);
  });

  it('never touches what a person placed', () => {
    const { track } = withoutImpossible(placePoint(standing(), 20, 'left-wrist', 5, 300, 155));
    expect(track['left-wrist']!.x[5]).toBe(300);
  });
});

describe('somebody or something else', () => {
  /** The standing one walks to the right by 20 px a frame; in some frames everything is hardly seen, moved by dx. */
  function walking(unsure: Readonly<Record<number, number>>): Track {
    return Object.fromEntries(
      (Object.entries(standing()) as [PointId, PointSeries][]).map(([id, s]) => [
        id,
        {
          ...s,
          x: s.x.map((v, i) => v + 20 * i + (unsure[i] ?? 0)),
          confidence: s.confidence.map((c, i) => (i in unsure ? 0.1 : c)),
        },
      ]),
    );
  }

  it('is what is hardly seen far from where the way of the one who is surely seen leads', () => {
    const { track, changedFrames } = withoutStrangers(walking({ 0: 600, 1: -700, 2: 500, 11: 400 }));
    expect(changedFrames).toBe(4);
    for (const i of [0, 1, 2, 11]) expect(track['left-knee']!.origin[i]).toBe(ORIGIN.missing);
    expect(track['left-knee']!.origin[3]).toBe(ORIGIN.detected);
  });

  it('is not the same person hardly seen on the way, at the edges too', () => {
    expect(withoutStrangers(walking({ 0: 0, 1: 10, 9: -15, 18: 0, 19: 5 })).changedFrames).toBe(0);
    // Hardly seen from the tenth frame on, and standing where they were then.
    expect(
      withoutStrangers(walking(Object.fromEntries(Array.from({ length: 10 }, (_, k) => [10 + k, -20 * (k + 1)]))))
        .changedFrames,
    ).toBe(0);
  });

  it('never takes what a person placed, nor anything where nobody is surely seen', () => {
    const placed = placePoint(walking({ 0: 600 }), 20, 'left-knee', 0, 700, 215);
    expect(withoutStrangers(placed).track['left-knee']!.x[0]).toBe(700);
    expect(
      withoutStrangers(walking(Object.fromEntries(Array.from({ length: 20 }, (_, i) => [i, 90 * (i % 3)]))))
        .changedFrames,
    ).toBe(0);
  });
});
