import { walk } from '../../../tests/fixtures/detected-walk';
import type { DetectedPoints } from '../tracks/track';
import type { Detections } from './fuse-detections';
import { packDetections } from './kept-detections';
import { follow, followAgain, followOn, framesOf, lostStretches, meeting } from './following';

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
  const frames = framesOf(way, 120);
  return frames.find((frame) => met(frame, [walker.get(frame)!])) ?? frames.at(-1)!;
}

test('both ways begin on the frame of the box and go through', () => {
  const [onwards, back] = follow(BOX).ways.map((way) => framesOf(way, 120));
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

test('a run that was stopped goes on from where the person was last seen', () => {
  const half: Detections = new Map([...walker].slice(20, 61).map(([i, points]) => [i, i > 57 ? [] : [points]]));
  const { ways, untilMet } = followOn(BOX, half, 120);
  expect(untilMet).toBeNull();
  expect(ways.map(({ box, to }) => [box.frame, to])).toEqual([
    [57, 'end'],
    [20, 'start'],
  ]);
  const at57 = Object.values(walker.get(57)!);
  expect(ways[0]!.box.x).toBe(Math.min(...at57.map((p) => p.x)));
  expect(ways[0]!.box.height).toBe(240);
  // Nothing is left to look at, and nobody was seen at all.
  expect(followOn(BOX, walkerOnly(), 120).ways).toEqual([]);
  expect(followOn(BOX, new Map([[40, []]]), 120)).toEqual(follow(BOX));
});

const walkerOnly = (): Detections => new Map([...walker].map(([i, points]) => [i, [points]]));

test('where nobody was seen is told, at the ends where somebody was chosen', () => {
  const lost = (of: Detections, person: typeof BOX | null): ReturnType<typeof lostStretches> =>
    lostStretches(packDetections(of, { setting: 'fast', person, again: [], complete: true }));
  expect(lost(known, BOX)).toEqual([{ from: 80, to: 89 }]);
  const late: Detections = new Map([...known].map(([i, seen]) => [i, i < 10 || i > 110 ? [] : seen]));
  expect(lost(late, BOX)).toEqual([
    { from: 0, to: 9 },
    { from: 80, to: 89 },
    { from: 111, to: 119 },
  ]);
  expect(lost(late, null)).toEqual([{ from: 80, to: 89 }]);
  // A few frames are none, and nobody at all is everywhere.
  expect(lost(new Map([...known].filter(([i]) => i < 85)), BOX)).toEqual([]);
  expect(lost(new Map([...known].map(([i]) => [i, []])), BOX)).toEqual([{ from: 0, to: 119 }]);
});
