import { stickClip } from '../../../tests/fixtures/stick-trial';
import { readMeasure } from '../../../tests/fixtures/measure';
import { evaluateMeasure } from '../measures';
import { zeroLagLowPass, singlePassCutoff } from '../signal/butterworth';
import { residualAnalysis } from '../signal/residual-analysis';
import { lambdaOf, smoothingSpline } from '../signal/smoothing-spline';
import { ORIGIN, placePoint, type PointSeries, type Track } from '../tracks/track';
import { prepareTrial } from './trial';

/** A straight leg whose knee was found 40 pixels off for a while. */
function leg(rate: number): Track {
  const n = rate;
  const detected = (x: (i: number) => number, y: number): PointSeries => ({
    x: Float64Array.from({ length: n }, (_, i) => x(i)),
    y: new Float64Array(n).fill(y),
    confidence: new Float32Array(n).fill(0.9),
    origin: new Uint8Array(n).fill(ORIGIN.detected),
  });
  const wrong = (i: number): number => (Math.abs(i / rate - 0.5) < 0.12 ? 40 : 0);
  return {
    'left-shoulder': detected(() => 500, -140),
    'left-hip': detected(() => 500, 100),
    'left-knee': detected((i) => 500 + wrong(i), 300),
    'left-ankle': detected(() => 500, 500),
  };
}
const knee = readMeasure({
  id: 'k',
  name: 'k',
  kind: 'joint-angle',
  points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'],
  at: 'one',
  region: 'legs',
  plane: 'any',
  importance: 0.5,
  cost: 'weeks',
});

test.each([60, 120, 240])(
  'a point corrected by hand on one frame stays where the hand put it at %i frames a second',
  (rate) => {
    const at = Math.round(rate / 2);
    const clip = stickClip({
      frameTimes: Float64Array.from({ length: rate }, (_, i) => (i * 1e6) / rate),
      fileRate: rate,
      captureRate: rate,
    });
    const corrected = placePoint(leg(rate), rate, 'left-knee', at, 500, 300);
    const trial = prepareTrial(clip, corrected, { one: { frame: at } }, 20);
    const reading = evaluateMeasure(knee, trial);
    if (!reading.measurable) throw new Error(reading.message);
    // Placed to 1.5 pixels.
    expect(Math.abs(trial.smoothed['left-knee']!.x[at]! - 500)).toBeLessThan(1.5);
    expect(180 - (reading.value * 180) / Math.PI).toBeLessThan((1.96 * reading.sd * 180) / Math.PI);
    // Its neighbours follow some of the way.
    const near = trial.smoothed['left-knee']!.x[at + Math.round(rate / 60)]! - 500;
    expect(near).toBeLessThan(36);
  },
);

test('a track that is found throughout, or placed throughout, goes through the filter as before', () => {
  const wave = Float64Array.from({ length: 120 }, (_, i) => 300 + 40 * Math.sin(i / 9) + ((i * 7919) % 13) - 6);
  const clip = stickClip({
    frameTimes: Float64Array.from({ length: 120 }, (_, i) => (i * 1e6) / 120),
    fileRate: 120,
    captureRate: 120,
  });
  const expected = zeroLagLowPass(wave, singlePassCutoff(20), 120);
  for (const origin of [ORIGIN.detected, ORIGIN.hand]) {
    const series: PointSeries = {
      x: wave,
      y: wave,
      confidence: new Float32Array(120).fill(1),
      origin: new Uint8Array(120).fill(origin),
    };
    const { smoothed } = prepareTrial(clip, { 'left-knee': series }, {}, 20);
    smoothed['left-knee']!.x.forEach((v, i) => expect(v).toBeCloseTo(expected.ok ? expected.value[i]! : NaN, 9));
  }
});

test('the spline has the response of the filter: inside a movement they differ by a small part of what they take away', () => {
  const samples = Float64Array.from({ length: 200 }, (_, i) => 50 * Math.sin(i / 7) + (((i * 7919) % 13) - 6) / 2);
  const filtered = zeroLagLowPass(samples, 20, 120);
  const spline = smoothingSpline(
    Float64Array.from(samples, (_, i) => i / 120),
    samples,
    new Float64Array(200).fill(1),
    lambdaOf(20, 1 / 120),
  );
  const largest = (other: (i: number) => number): number =>
    Math.max(...Array.from({ length: 160 }, (_, k) => Math.abs(spline[k + 20]! - other(k + 20))));
  expect(largest((i) => (filtered.ok ? filtered.value[i]! : NaN))).toBeLessThan(0.1 * largest((i) => samples[i]!));
});

test('the end of a parabola is where it is, at any rate and cut-off', () => {
  // A fall under gravity at 200 pixels a metre, seen at 240 frames a second, smoothed at 6 Hz.
  const fall = Float64Array.from({ length: 240 }, (_, i) => 0.5 * 1962 * (i / 240) ** 2);
  const smoothed = zeroLagLowPass(fall, singlePassCutoff(6), 240);
  expect(Math.abs((smoothed.ok ? smoothed.value[239]! : NaN) - fall[239]!)).toBeLessThan(1);
});

test('residual analysis without noise says so', () => {
  const times = Float64Array.from({ length: 240 }, (_, i) => i / 120);
  for (const samples of [new Float64Array(240).fill(7), times.map((t) => 60 * Math.sin(2 * Math.PI * t))]) {
    expect(residualAnalysis(times, samples, 6)).toMatchObject({ ok: false, issue: { code: 'no-noise' } });
  }
});

test.each([30, 60, 120, 240])(
  'a point is bridged over 60 ms, and not known over more, at %i frames a second: how far a limb goes is no matter of frames',
  (rate) => {
    const clip = stickClip({
      frameTimes: Float64Array.from({ length: rate }, (_, i) => (i * 1e6) / rate),
      fileRate: rate,
      captureRate: rate,
    });
    const without = (seconds: number): Track => {
      const track = leg(rate);
      const first = Math.round(rate / 4);
      const x = track['left-ankle']!.x.map((v, i) => (i >= first && i < first + seconds * rate ? NaN : v));
      return { ...track, 'left-ankle': { ...track['left-ankle']!, x } };
    };
    const holes = (seconds: number): number =>
      prepareTrial(clip, without(seconds), {}, 20).smoothed['left-ankle']!.x.filter((v) => Number.isNaN(v)).length;
    expect(holes(0.03)).toBe(0);
    expect(holes(0.1)).toBeGreaterThan(0);
  },
);

test('of a body that is not in the picture yet, what the detectors lost is not known; one joint that stays hidden is unsure', () => {
  const frames = 60;
  const comes = (x: number, y: number, sure: (i: number) => number): PointSeries => ({
    x: Float64Array.from({ length: frames }, (_, i) => x + (sure(i) < 0.1 && i < 5 ? 500 - 100 * i : 0)),
    y: new Float64Array(frames).fill(y),
    confidence: Float32Array.from({ length: frames }, (_, i) => sure(i)),
    origin: new Uint8Array(frames).fill(ORIGIN.detected),
  });
  const late = (i: number): number => (i < 5 ? 0.01 : 0.9);
  const track: Track = {
    'left-shoulder': comes(500, -140, () => 0.9),
    'left-hip': comes(500, 100, late),
    'left-knee': comes(500, 300, late),
    'left-ankle': comes(500, 500, late),
    'right-ankle': comes(520, 500, (i) => (i < 20 ? 0.05 : 0.9)),
  };
  const { smoothed } = prepareTrial(
    stickClip({
      frameTimes: Float64Array.from({ length: frames }, (_, i) => i * 10_000),
      fileRate: 100,
      captureRate: 100,
    }),
    track,
    {},
    10,
  );
  const known = (id: keyof Track): number => smoothed[id]!.x.findIndex((x) => !Number.isNaN(x));
  expect([known('left-shoulder'), known('left-knee'), known('right-ankle')]).toEqual([0, 5, 5]);
  expect(smoothed['left-knee']!.x[5]).toBeCloseTo(500, 3);
});
