import { dice } from '../../../tests/fixtures/random';
import { blendsIn, evenTimes, isRepeat, repeatsIn, repeatsText } from './repeated-frames';

/** Changes of frames of which some repeat: something moves by turns faster and slower, a coder leaves a little. */
function changesOf(
  frames: number,
  repeats: (frame: number) => boolean,
  lively = 40,
  coder = 0.04,
): Map<number, number> {
  const roll = dice(7);
  return new Map(
    Array.from({ length: frames }, (_, i) => {
      const moves = lively * (0.6 + 0.4 * Math.sin(i / 5)) * (0.8 + 0.4 * roll());
      return [i + 1, repeats(i + 1) ? coder * lively * roll() : moves] as const;
    }),
  );
}

test.each([
  ['25 pictures a second in a file of 50', 2, [1]],
  ['24 in 30', 5, [3]],
  ['24 in 60, by turns twice and three times', 5, [1, 3, 4]],
  ['20 in 60', 3, [1, 2]],
  ['12 in 60', 5, [0, 2, 3, 4]],
])('%s: the cycle is told', (_, cycle, again) => {
  expect(repeatsIn(changesOf(48, (i) => again.includes(i % cycle)))).toEqual({
    cycle: { cycle, again, blended: false },
    uneven: false,
  });
  // A coarse coder changes a picture that is shown again, too.
  expect(repeatsIn(changesOf(48, (i) => again.includes(i % cycle), 40, 0.15)).cycle).toMatchObject({ cycle, again });
});

test('a file that repeats nothing, one in which nothing moves, and one that begins to move suddenly, repeat nothing', () => {
  const nothing = { cycle: null, uneven: false };
  expect(repeatsIn(changesOf(48, () => false))).toEqual(nothing);
  expect(repeatsIn(changesOf(48, (i) => i % 2 === 0, 4))).toEqual(nothing);
  expect(repeatsIn(changesOf(48, (i) => i < 20))).toEqual(nothing);
  expect(repeatsIn(changesOf(10, (i) => i % 2 === 0))).toEqual(nothing);
});

test('a cycle that slips between two rows is none: which frames repeat is not known', () => {
  const inRows = (slipsAt: number): Map<number, number> =>
    new Map([...changesOf(240, (i) => (i < slipsAt ? i : i + 1) % 2 === 0)].filter(([frame]) => frame % 60 < 12));
  expect(repeatsIn(inRows(Infinity)).cycle).toMatchObject({ cycle: 2, again: [0] });
  for (const slipsAt of [30, 150]) expect(repeatsIn(inRows(slipsAt))).toEqual({ cycle: null, uneven: true });
});

test('frames that repeat in no cycle are said to', () => {
  const slowed = (i: number): boolean => i > 16 && [0, 2, 3, 5, 6, 9, 10].includes(i % 11);
  expect(repeatsIn(changesOf(48, slowed))).toEqual({ cycle: null, uneven: true });
});

test('pictures that are taken once were filmed evenly', () => {
  const repeats = { cycle: 5, again: [3], blended: false };
  const file = Float64Array.from({ length: 20 }, (_, i) => Math.round((i * 1e6) / 30));
  const once = file.filter((_, i) => !isRepeat(repeats, i));
  const even = evenTimes(once, repeats, 1e6 / 30);
  even.forEach((t, i) => expect(t).toBeCloseTo((i * 1e6) / 24, -1));
  // A hole of a second stays where it is.
  const holed = once.map((t, i) => (i < 8 ? t : t + 1e6));
  expect(evenTimes(holed, repeats, 1e6 / 30)).toEqual(holed);
  expect(repeatsText(repeats)).toBe('Of every five frames of the file one shows the picture before again');
});

describe('blends of the pictures beside them', () => {
  /** What mixtures leave: next to nothing of a blend, of a picture that was filmed more or less as it moves. */
  const leftOf = (frames: number, blended: (frame: number) => boolean): Map<number, number> =>
    changesOf(frames, blended, 0.5, 0.1);

  test.each([
    ['60 filmed in 120', 2, [1]],
    ['30 filmed in 120', 4, [0, 1, 3]],
  ])('%s: the cycle is told, and what was filmed is left', (_, cycle, again) => {
    expect(blendsIn(leftOf(48, (i) => again.includes(i % cycle)))).toEqual({
      cycle: { cycle, again, blended: true },
      uneven: false,
    });
  });

  test('a cycle in which two are left, of which one may be a blend itself, is none: times are unknown', () => {
    expect(blendsIn(leftOf(60, (i) => [1, 4].includes(i % 5)))).toEqual({ cycle: null, uneven: true });
  });

  test('what was filmed at a high rate lies near the mean of its neighbours everywhere: that is no blend', () => {
    const nothing = { cycle: null, uneven: false };
    expect(blendsIn(changesOf(60, () => false, 0.2))).toEqual(nothing);
    expect(blendsIn(leftOf(60, () => false))).toEqual(nothing);
  });

  test('they are said so', () => {
    expect(repeatsText({ cycle: 2, again: [1], blended: true })).toBe(
      'Of every two frames of the file one is a blend of the pictures before and after it',
    );
    expect(repeatsText({ cycle: 4, again: [0, 1, 3], blended: true })).toBe(
      'Of every four frames of the file three are blends of the pictures before and after them',
    );
  });
});
