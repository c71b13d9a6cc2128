import { steppedOver } from './frame-gaps';

const at = (shown: number, gaps: readonly number[]) => ({
  shown: { a: shown, b: 7 },
  gaps: { a: gaps },
  counts: { a: 10, b: 10 },
});

it.each([
  ['forwards', 4, 5, [5], 6],
  ['over several', 4, 5, [5, 6, 7], 8],
  ['backwards', 6, 5, [5, 4], 3],
  ['from where it stands', 5, 5, [5], 6],
  ['back from the end', 8, 9, [9], 8],
  ['on from the beginning', 1, 0, [0], 1],
])('a frame that cannot be decoded is stepped over %s', (_, shown, wanted, gaps, next) =>
  expect(steppedOver({ a: wanted, b: 7 }, ['a'], at(shown, gaps))).toEqual({ a: next, b: 7 }),
);

it('of a clip without any frame nothing is shown', () => {
  const all = Array.from({ length: 10 }, (_, i) => i);
  expect(steppedOver({ a: 3, b: 7 }, ['a'], at(3, all))).toBeNull();
});
