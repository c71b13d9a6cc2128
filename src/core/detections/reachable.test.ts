import type { PointId } from '../anatomy/body-points';
import { mergeDetections, ORIGIN, placePoint, type DetectedPoints, type Track } from '../tracks/track';
import { withoutUnreachable } from './reachable';

const FRAMES = 60;
const times = Float64Array.from({ length: FRAMES }, (_, i) => i / 60);

/** Somebody 300 px tall whose left ankle swings forwards and back by 1.1 heights in half a second; the right stands. */
function swinging(): Track {
  const frame = (i: number): DetectedPoints => {
    const swing = -165 * Math.cos((2 * Math.PI * i) / 60);
    const at = (x: number, y: number) => ({ x: x + 2 * i, y, confidence: 0.9 });
    return {
      ...{ 'left-shoulder': at(100, 55), 'right-shoulder': at(110, 55), 'left-hip': at(100, 141) },
      ...{ 'right-hip': at(110, 141), 'left-knee': at(100 + swing / 2, 210), 'right-knee': at(110, 215) },
      ...{ 'left-ankle': at(100 + swing, 270), 'right-ankle': at(110, 288), 'left-heel': at(95 + swing, 275) },
    };
  };
  return mergeDetections({}, FRAMES, new Map(Array.from(times, (_, i) => [i, frame(i)])));
}

/** A limb found on the other one on some frames. */
function onTheOther(track: Track, frames: readonly number[], joints = ['knee', 'ankle']): Track {
  const next = { ...track };
  for (const joint of joints) {
    const [left, right] = [track[`left-${joint}` as PointId]!, track[`right-${joint}` as PointId]!];
    const from = (own: Float64Array, other: Float64Array) => own.map((v, i) => (frames.includes(i) ? other[i]! : v));
    next[`left-${joint}` as PointId] = { ...left, x: from(left.x, right.x), y: from(left.y, right.y) };
  }
  return next;
}

const missing = (track: Track, id: PointId): number[] =>
  Array.from(track[id]!.origin.keys()).filter((i) => track[id]!.origin[i] === ORIGIN.missing);

describe('what a limb cannot have reached', () => {
  it('is nothing of a leg that swings at seven heights a second', () => {
    const track = withoutUnreachable(swinging(), times);
    for (const id of ['left-knee', 'left-ankle', 'right-ankle'] as const) expect(missing(track, id)).toEqual([]);
  });

  it('is the other leg, where both were found on it for some frames: foot and heel are not known meanwhile', () => {
    const track = withoutUnreachable(onTheOther(swinging(), [28, 29, 30]), times);
    expect(missing(track, 'left-ankle')).toEqual([28, 29, 30]);
    expect(missing(track, 'left-heel')).toEqual([28, 29, 30]);
    expect(missing(track, 'right-ankle')).toEqual([]);
  });

  it('is a clip’s first frame just as well', () => {
    expect(missing(withoutUnreachable(onTheOther(swinging(), [0]), times), 'left-ankle')).toEqual([0]);
  });

  it('is never what a person placed, and then what was found round it', () => {
    const wrong = onTheOther(swinging(), [29, 30, 31]);
    const { x, y } = swinging()['left-ankle']!;
    const track = withoutUnreachable(placePoint(wrong, FRAMES, 'left-ankle', 30, x[30]!, y[30]!), times);
    expect(missing(track, 'left-ankle')).toEqual([29, 31]);
    expect(track['left-ankle']!.origin[30]).toBe(ORIGIN.hand);
  });

  it('is not told of somebody whose hips nobody saw', () => {
    const rest: Track = { ...onTheOther(swinging(), [28, 29, 30]), 'left-hip': undefined };
    expect(withoutUnreachable(rest, times)).toBe(rest);
  });

  it('is a finger that lies off its hand, for as long as it does', () => {
    const hand: Track = {};
    const at = (x: number) => ({ x, y: 150, confidence: 0.5 });
    const seen = new Map(
      Array.from(times, (_, i): [number, DetectedPoints] => [
        i,
        { 'left-wrist': at(80 + 2 * i), 'left-index': at(100 + 2 * i + (i === 20 || i === 21 ? 60 : 0)) },
      ]),
    );
    const track = withoutUnreachable({ ...swinging(), ...mergeDetections(hand, FRAMES, seen) }, times);
    expect([missing(track, 'left-index'), missing(track, 'left-wrist')]).toEqual([[20, 21], []]);
  });
});
