import type { Reading } from '../../core/reading';
import { milliseconds, plusMinus, ratesInWords, rateText, readingText, signed, signedMilliseconds } from './format';

const deg = (v: number): number => (v * Math.PI) / 180;
const reading = (value: number, sd: number): Reading => ({
  measurable: true,
  value: deg(value),
  sd: deg(sd),
  systematicSd: 0,
  unit: 'deg',
  provenance: { clipId: 'c', frames: [0], points: [] },
});

describe('numbers as they are read', () => {
  it('have a sign, a proper minus and their unit', () => {
    expect(signed(deg(12.4), 'deg')).toBe('+12\u00b0');
    expect(signed(deg(-12.4), 'deg')).toBe('\u221212\u00b0');
    expect(signed(deg(0.3), 'deg')).toBe('0\u00b0');
    expect(signedMilliseconds(-0.0251)).toBe('\u221225 ms');
    expect(signed(0.051, '%')).toBe('+5 %');
    expect(milliseconds(0.1334)).toBe('133 ms');
    expect(milliseconds(-0.016)).toBe('\u221216 ms');
  });

  it('never claim an error of nothing', () => {
    expect(plusMinus(deg(0.2), 'deg')).toBe('\u00b11');
    expect(plusMinus(0.0094, 'ms')).toBe('\u00b19');
  });

  it('show the 95 % interval, and a dash for what was not measured', () => {
    expect(readingText(reading(-13.4, 2))).toEqual({ value: '\u221213\u00b0', plusMinus: '\u00b14' });
    expect(readingText({ measurable: false, reason: 'wrong-view', message: '', remedy: '' })).toEqual({
      value: '\u2013',
      plusMinus: '',
    });
  });
});

it('says at what rate a clip was taken, and what the file plays where that differs', () => {
  expect(rateText({ captureRate: 120, fileRate: 120, rateChanges: [] })).toBe('120/s');
  expect(rateText({ captureRate: 240, fileRate: 30000 / 1001, rateChanges: [] })).toBe('240/s (file 29.97/s)');
  const slowed = {
    captureRate: 30,
    fileRate: 30,
    rateChanges: [
      { from: 30, captureRate: 240 },
      { from: 270, captureRate: null },
    ],
  };
  expect(rateText(slowed)).toBe('30, 240, ?/s');
  const notKnown = { ...slowed, rateChanges: [{ from: 0, captureRate: null }, slowed.rateChanges[0]!] };
  expect(rateText(notKnown)).toBe('?, 240/s');
  expect(ratesInWords(notKnown)).toBe('Frames per second not known, 240 from frame 31');
  expect(ratesInWords(slowed)).toBe('30 frames per second, 240 from frame 31, not known from frame 271');
});
