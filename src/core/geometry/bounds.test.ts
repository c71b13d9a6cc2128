import { boundsOf, overlapOf } from './bounds';

test('the rectangle round points', () => {
  const points = [
    { x: 3, y: -1 },
    { x: -2, y: 4 },
    { x: 0, y: 0 },
  ];
  expect(boundsOf(points)).toEqual({ x: -2, y: -1, width: 5, height: 5 });
});

test('rectangles overlap by what they share of all that they cover', () => {
  const square = { x: 0, y: 0, width: 2, height: 2 };
  expect(overlapOf(square, square)).toBe(1);
  expect(overlapOf(square, { ...square, x: 1 })).toBeCloseTo(2 / 6, 12);
  expect(overlapOf(square, { x: 0.5, y: 0.5, width: 1, height: 1 })).toBeCloseTo(1 / 4, 12);
  expect(overlapOf(square, { ...square, x: 5, y: 5 })).toBe(0);
});
