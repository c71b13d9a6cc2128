import { mergeFound, ORIGIN, placePoint, type FoundPoints, type Track } from './track';
import { withoutImpossible } from './plausible';

/** Somebody standing, 300 px tall, for 20 frames. */
function standing(): Track {
  const at = (x: number, y: number) => ({ x, y, confidence: 0.9 });
  const side = (s: string, x: number): [string, ReturnType<typeof at>][] => [
    [`${s}-shoulder`, at(x, 55)], [`${s}-elbow`, at(x, 111)], [`${s}-wrist`, at(x, 155)],
    [`${s}-hip`, at(x, 141)], [`${s}-knee`, at(x, 215)], [`${s}-ankle`, at(x, 288)],
  ];
  const points = Object.fromEntries([...side('left', 100), ...side('right', 110)]) as FoundPoints;
  return mergeFound({}, 20, new Map(Array.from({ length: 20 }, (_, i) => [i, points])));
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
    expect(cleaned['right-shoulder']!.origin[4]).toBe(ORIGIN.found);
  });

  it('never touches what a person placed', () => {
    const { track } = withoutImpossible(placePoint(standing(), 20, 'left-wrist', 5, 300, 155));
    expect(track['left-wrist']!.x[5]).toBe(300);
  });
});
