import { stickClip, stickTrial } from '../../../tests/fixtures/stick-trial';
import { readMeasure } from '../../../tests/fixtures/measure';
import type { Reading } from '../reading';
import { fromSi } from '../units';
import { differenceOf, evaluateMeasure } from '.';

const FACING = readMeasure({
  id: 'hips',
  name: 'Hips',
  kind: 'facing-by-eye',
  question: 'Where do the hips face?',
  region: 'hips',
  plane: 'any',
  at: 'top',
  importance: 0.5,
  cost: 'weeks',
});
const answered = (answer: number | 'not-visible' | null, dominantSide: 'left' | 'right' = 'right'): Reading => {
  const performer = { ...stickClip().performer, dominantSide };
  const trial = stickTrial(() => ({ nose: [1, 1] }), { top: 7 }, { performer });
  return evaluateMeasure(FACING, { ...trial, checks: answer === null ? {} : { hips: answer } });
};
const degreesOf = (reading: Reading): number => (reading.measurable ? fromSi(reading.value, reading.unit) : NaN);

test('what is set on the dial is measured from the dominant side, with the error of an eye', () => {
  const right = answered(90);
  expect(degreesOf(right)).toBeCloseTo(90, 9);
  // A left-hander who faces 9 o'clock faces the dominant side.
  expect(degreesOf(answered(90, 'left'))).toBeCloseTo(-90, 9);
  expect(right.measurable && [fromSi(1.96 * right.sd, 'deg'), right.provenance.frames]).toEqual([
    expect.closeTo(19.6, 1),
    [7],
  ]);
});

test('half past eleven and half past twelve are an hour apart, backward either way the same', () => {
  const value = (answer: number): number => {
    const reading = answered(answer);
    return reading.measurable ? reading.value : NaN;
  };
  expect(fromSi(differenceOf(FACING, value(15), value(-15)), 'deg')).toBeCloseTo(30, 9);
  expect(fromSi(differenceOf(FACING, value(165), value(-165)), 'deg')).toBeCloseTo(-30, 9);
});

test('nothing set, or nothing to be seen, is no value', () => {
  expect(answered(null)).toMatchObject({ measurable: false, reason: 'not-answered' });
  expect(answered('not-visible')).toMatchObject({ measurable: false, reason: 'not-visible' });
});
