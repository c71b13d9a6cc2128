import { clothesOf, colourDistance, coloursAt } from './clothes';
import type { Bounds } from '../geometry/bounds';
import { beginIdentity, recognise, type People, type Seen } from './identity';

const SIZE = 300;
/** All clothes of one colour. */
const colour = (bin: number): Float64Array => Float64Array.from({ length: 125 }, (_, i) => (i === bin ? 1 : 0));
const BLUE = colour(4);
const RED = colour(100);

/** A rectangle round somebody who stands. */
const round = (x: number, y: number, height: number): Bounds => ({
  x: x - height / 6,
  y: y - height / 2,
  width: height / 3,
  height,
});

/** Follows the first of two through frames; either may be covered. Returns who was taken: 'own', 'other' or nobody. */
function follow(
  frames: number,
  own: (f: number) => Partial<Seen> | null,
  other: (f: number) => Partial<Seen> | null,
): { who: (string | null)[]; sure: boolean[] } {
  let people: People = beginIdentity(round(own(0)!.x! + 20, 330, SIZE * 1.1));
  const [who, sure]: [(string | null)[], boolean[]] = [[], []];
  for (let f = 0; f < frames; f++) {
    const there = (
      [
        ['own', own(f)],
        ['other', other(f)],
      ] as const
    ).filter(([, at]) => at !== null);
    // Whoever is seen first comes first by turns: the order says nothing.
    if (f % 2 === 1) there.reverse();
    const recognised = recognise(
      people,
      there.map(([, at]) => ({ x: 0, y: 360, size: SIZE, colours: null, bounds: round(at!.x!, 360, SIZE), ...at })),
    );
    people = recognised.people;
    who.push(recognised.chosen === null ? null : there[recognised.chosen]![0]);
    sure.push(recognised.sure);
  }
  return { who, sure };
}

/** Small steps to either side, as detectors make them. */
const noise = (f: number, seed: number): number => 4 * Math.sin(f * 7.3 + seed);

test('two who walk past each other keep their names, whichever way the detector lists them', () => {
  const { who } = follow(
    100,
    (f) => ({ x: 200 + 6 * f + noise(f, 1), y: 360 }),
    (f) => ({ x: 800 - 6 * f + noise(f, 2), y: 350 }),
  );
  expect(who.every((w) => w === 'own')).toBe(true);
});

test('one who is covered for a while is waited for, and the one in front is not taken for them', () => {
  const covered = (f: number): boolean => f > 44 && f < 58;
  const { who, sure } = follow(
    100,
    (f) => (covered(f) ? null : { x: 200 + 6 * f, y: 360 }),
    (f) => ({ x: 800 - 6 * f, y: 350 }),
  );
  expect(who.filter((_, f) => covered(f)).every((w) => w === null)).toBe(true);
  expect(who.filter((_, f) => !covered(f)).every((w) => w === 'own')).toBe(true);
  expect(sure.slice(45, 57).some(Boolean)).toBe(false);
  expect(sure[20] && sure[90]).toBe(true);
});

test('where both turn back behind a wall their clothes tell them apart', () => {
  // They meet, are not seen for ten frames, and come out on the side they came from.
  const hidden = (f: number): boolean => f > 45 && f < 56;
  const turn = (f: number): number => (f < 51 ? f : 101 - f);
  const dressed = (own: Float64Array, other: Float64Array) =>
    follow(
      100,
      (f) => (hidden(f) ? null : { x: 200 + 5 * turn(f), colours: own }),
      (f) => (hidden(f) ? null : { x: 720 - 5 * turn(f), colours: other }),
    );
  expect(dressed(BLUE, RED).who.filter((w, f) => !hidden(f) && f > 60 && w !== 'own')).toEqual([]);
});

test('nobody is taken where the chosen one is gone and only others are there', () => {
  const { who } = follow(
    60,
    (f) => (f < 20 ? { x: 300, colours: BLUE } : null),
    (f) => (f < 20 ? null : { x: 700, colours: RED }),
  );
  expect(who.slice(20).every((w) => w === null)).toBe(true);
});

test('a quick start is followed: the step allowed grows with what was seen', () => {
  const { who } = follow(
    40,
    (f) => ({ x: 200 + 1.2 * f * f * 0.5 }),
    () => null,
  );
  expect(who.every((w) => w === 'own')).toBe(true);
});

test('colours: alike is 0, nothing in common 1, and half in common by the formula', () => {
  expect(colourDistance(BLUE, BLUE)).toBe(0);
  expect(colourDistance(BLUE, RED)).toBe(1);
  const half = Float64Array.from(BLUE, (v, i) => (v + RED[i]!) / 2);
  expect(colourDistance(BLUE, half)).toBeCloseTo(Math.sqrt(1 - Math.sqrt(0.5)), 12);
});

test('colours are read at places of a picture, those outside it left out', () => {
  // Two by two: red, red, blue, black.
  const pixels = Uint8ClampedArray.from([255, 0, 0, 255, 255, 0, 0, 255, 0, 0, 255, 255, 0, 0, 0, 255]);
  const read = coloursAt(pixels, 2, [
    { x: 0.5, y: 0.5 },
    { x: 1.5, y: 0.2 },
    { x: 0.1, y: 1.9 },
    { x: -1, y: 0 },
    { x: 0, y: 2 },
  ])!;
  expect(read[4 * 25]).toBeCloseTo(2 / 3, 12);
  expect(read[4]).toBeCloseTo(1 / 3, 12);
  expect(coloursAt(pixels, 2, [{ x: 9, y: 9 }])).toBeNull();
});

test('clothes are looked at on trunk and thighs, also from the side, where both shoulders lie on one place', () => {
  const joints = {
    'left-shoulder': [100, 100],
    'right-shoulder': [100, 100],
    'left-hip': [100, 200],
    'right-hip': [100, 200],
    'left-knee': [120, 290],
    'right-knee': [80, 290],
  } as const;
  const places = clothesOf((joint) => ({ x: joints[joint][0], y: joints[joint][1] }));
  expect(places).toHaveLength(120);
  expect(places.every(({ x, y }) => x > 70 && x < 130 && y > 100 && y < 290)).toBe(true);
  const trunk = places.slice(0, 40);
  expect(Math.max(...trunk.map((p) => p.x)) - Math.min(...trunk.map((p) => p.x))).toBeGreaterThan(15);
});

test('a box round reaching legs means whom it goes round, not whose trunk is nearer its middle', () => {
  // Somebody strides far ahead; an onlooker stands where the leading foot goes, and nearer the middle of the box.
  const strider = { x: 140, y: 300, size: 280, colours: RED, bounds: { x: 90, y: 160, width: 240, height: 280 } };
  const onlooker = { x: 240, y: 300, size: 270, colours: BLUE, bounds: { x: 200, y: 165, width: 80, height: 270 } };
  const begun = recognise(beginIdentity({ x: 80, y: 150, width: 260, height: 300 }), [onlooker, strider]);
  expect([begun.chosen, begun.sure]).toEqual([1, true]);
  expect(recognise(begun.people, [{ ...strider, x: 152 }, onlooker]).chosen).toBe(0);
});

test('where nobody is seen in the box, it still tells who is meant in the next frames, and nobody beside it is taken', () => {
  const beside = { x: 500, y: 300, size: 280, colours: BLUE, bounds: { x: 460, y: 160, width: 90, height: 280 } };
  const meant = { x: 150, y: 300, size: 280, colours: RED, bounds: { x: 105, y: 160, width: 90, height: 280 } };
  const missed = recognise(beginIdentity({ x: 90, y: 150, width: 120, height: 300 }), [beside]);
  expect(missed.chosen).toBeNull();
  expect(recognise(missed.people, [beside, meant]).chosen).toBe(1);
});

test('of a box that is drawn far too large, whoever is in it is meant after some frames', () => {
  const walker = (f: number): Seen => ({
    ...{ x: 200 + 5 * f, y: 300, size: 280, colours: RED },
    bounds: { x: 150 + 5 * f, y: 160, width: 100, height: 280 },
  });
  let people = beginIdentity({ x: 100, y: 140, width: 500, height: 320 });
  const chosen: (number | null)[] = [];
  for (let f = 0; f < 20; f++) {
    const recognised = recognise(people, [walker(f)]);
    people = recognised.people;
    chosen.push(recognised.chosen);
  }
  expect(chosen.slice(0, 5)).toEqual([null, null, null, null, null]);
  expect(chosen.slice(6).every((k) => k === 0)).toBe(true);
});
