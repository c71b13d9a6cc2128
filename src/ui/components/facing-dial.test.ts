import { facingText, snapped } from './facing-dial';

test.each([
  [0, '12 o\u2019clock, forward'],
  [90, '9 o\u2019clock, 90\u00b0 to the left'],
  [-90, '3 o\u2019clock, 90\u00b0 to the right'],
  [180, '6 o\u2019clock, backward'],
  [-15, 'half past 12, 15\u00b0 to the right'],
  [15, 'half past 11, 15\u00b0 to the left'],
])('%d degrees are %s', (degrees, text) => expect(facingText(degrees)).toBe(text));

test.each([
  [7, 0],
  [8, 15],
  [-172, -165],
  [-173, 180],
  [540, 180],
  [-90 - 360, -90],
])('%d degrees are set as %d', (at, degrees) => expect(snapped(at)).toBe(degrees));
