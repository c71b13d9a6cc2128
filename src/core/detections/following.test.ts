import { walk } from '../../../tests/fixtures/detected-walk';
import type { DetectedPoints } from '../tracks/track';
import type { Detections } from './fuse-detections';
import { packDetections } from './kept-detections';
import { follow, followAgain, followOn, lostStretches, meeting } from './following';

const BOX = { frame: 40, x: 160, y: 90, width: 60, height: 260 };
const walker = walk();
const aside = (points: DetectedPoints): DetectedPoints =>
  Object.fromEntries(Object.entries(points).map(([id, p]) => [id, { ...p, x: p.x + 120 }]));
/** The walker until frame 60 and from 100 on, somebody else in between, nobody from 80 to 89. */
const known: Detections = new Map(
  [...walker].map(([i, points]) => [i, i >= 80 && i < 90 ? [] : [i >= 60 && i < 100 ? aside(points) : points]]),
);
const times = Float64Array.from({ length: 120 }, (_, i) => i / 60);

/** The last frame that a way looks at. */
function endOf(way: ReturnType<typeof followAgain>['ways'][number], of: Detections, over: number): number {
  const met = meeting(of, over);
  return way.frames.find((frame) => met(frame, [walker.get(frame)!])) ?? way.frames.at(-1)!;
}

test('both ways begin on the frame of the box and go through', () => {
  const [onwards, back] = follow(BOX, 120).ways.map(({ frames }) => frames);
  expect([onwards![0], onwards!.at(-1), onwards!.length]).toEqual([40, 119, 80]);
  expect([back![0], back!.at(-1), back!.length]).toEqual([40, 0, 41]);
});

test('who was taken for somebody else is followed again as far as that is so, and a while on', () => {
  const { ways, untilMet } = followAgain({ ...BOX, frame: 85 }, times);
  expect(untilMet).toBe(24);
  // The walker is known again from frame 100 and up to 59.
  expect(ways.map((way) => endOf(way, known, untilMet!))).toEqual([119, 59 - 24]);
  expect(endOf(ways[0]!, known, 15)).toBe(115);
});

test('somebody who passes meets them for a few frames only, and sparse frames tell as well', () => {
  const passing: Detections = new Map([...known].map(([i, seen]) => [i, i === 70 ? [walker.get(70)!] : seen]));
  const [, back] = followAgain({ ...BOX, frame: 85 }, times).ways;
  expect(endOf(back!, passing, 24)).toBe(35);
  const sparse: Detections = new Map([...known].filter(([i]) => i % 8 === 0));
  expect(endOf(back!, sparse, 24)).toBe(56 - 24);
});

test('a stumble of a detector is no other person; beyond a loss what is known stands', () => {
  const [, back] = followAgain({ ...BOX, frame: 85 }, times).ways;
  const stumbled: Detections = new Map([...known].map(([i, seen]) => [i, i === 50 ? [aside(walker.get(50)!)] : seen]));
  expect(endOf(back!, stumbled, 24)).toBe(35);
  const twice: Detections = new Map([...stumbled].map(([i, seen]) => [i, i === 49 ? stumbled.get(50)! : seen]));
  expect(endOf(back!, twice, 24)).toBe(48 - 24);
  // Lost on frames 70 to 65: what is known of 64 stands, whoever it is.
  const met = meeting(known, 24);
  const seenAt = (frame: number): DetectedPoints[] => (frame <= 70 && frame >= 65 ? [] : [walker.get(frame)!]);
  expect(back!.frames.find((frame) => met(frame, seenAt(frame)))).toBe(67);
  // Where nobody is known on the other side it goes on.
  const unknown: Detections = new Map([...known].filter(([i]) => i >= 75));
  const goesOn = meeting(unknown, 24);
  expect(back!.frames.find((frame) => goesOn(frame, seenAt(frame)))).toBeUndefined();
});

test('a run that was stopped goes on over what was not looked at, from where the person was seen beside it', () => {
  const looked = (from: number, to: number, seen = to): [number, DetectedPoints[]][] =>
    [...walker].slice(from, to + 1).map(([i, points]) => [i, i > seen ? [] : [points]]);
  const waysOf = (of: Detections) =>
    followOn(BOX, of, 120).ways.map(({ box, frames }) => [box.frame, frames[0], frames.at(-1)]);
  const half: Detections = new Map(looked(20, 60, 57));
  expect(followOn(BOX, half, 120).untilMet).toBeNull();
  expect(waysOf(half)).toEqual([
    [20, 20, 0],
    [57, 57, 119],
  ]);
  const { box } = followOn(BOX, half, 120).ways[1]!;
  expect([box.x, box.height]).toEqual([Math.min(...Object.values(walker.get(57)!).map((p) => p.x)), 240]);
  // A second box had been followed and stopped before it met the first.
  expect(waysOf(new Map([...looked(0, 60, 57), ...looked(90, 119)]))).toEqual([[57, 57, 89]]);
  // Nothing is left to look at, and nobody was seen at all.
  expect(waysOf(new Map(looked(0, 119)))).toEqual([]);
  expect(followOn(BOX, new Map([[40, []]]), 120)).toEqual(follow(BOX, 120));
});

test('where nobody was seen is told, at the ends where somebody was chosen', () => {
  const lost = (of: Detections, person: typeof BOX | null): ReturnType<typeof lostStretches> =>
    lostStretches(packDetections(of, { setting: 'fast', person, again: [], complete: true }), 3);
  expect(lost(known, BOX)).toEqual([{ from: 80, to: 89 }]);
  const late: Detections = new Map([...known].map(([i, seen]) => [i, i < 10 || i > 110 ? [] : seen]));
  expect(lost(late, BOX)).toEqual([
    { from: 0, to: 9 },
    { from: 80, to: 89 },
    { from: 111, to: 119 },
  ]);
  expect(lost(late, null)).toEqual([{ from: 80, to: 89 }]);
  // What is bridged is not lost, sparse frames stand for those beside them, and nobody at all is everywhere.
  const blinked = (frames: readonly number[], every = 1): Detections =>
    new Map([...walker].filter(([i]) => i % every === 0).map(([i, p]) => [i, frames.includes(i) ? [] : [p]]));
  expect(lost(blinked([50, 51, 52]), BOX)).toEqual([]);
  expect(lost(blinked([50, 51, 52, 53]), BOX)).toEqual([{ from: 50, to: 53 }]);
  expect(lost(blinked([56], 8), null)).toEqual([{ from: 56, to: 56 }]);
  expect(lost(new Map([...known].map(([i]) => [i, []])), BOX)).toEqual([{ from: 0, to: 119 }]);
});
