import { readFileSync } from 'node:fs';
import path from 'node:path';
import { smoothingSpline } from '../../src/core/signal/smoothing-spline';
import { studentQuantile } from '../../src/core/statistics/student';
import { lowPassSection, singlePassCutoff, zeroLagLowPass } from '../../src/core/signal/butterworth';

interface Vectors {
  readonly origin: string;
  readonly cases: readonly {
    cutoff: number;
    rate: number;
    b: number[];
    a: number[];
    input: number[];
    output: number[];
  }[];
  readonly splines: readonly {
    lambda: number;
    times: number[];
    samples: number[];
    weights: number[];
    output: number[];
  }[];
  readonly quantiles: readonly { p: number; freedom: number; value: number }[];
}
const vectors = JSON.parse(readFileSync(path.join(__dirname, 'scipy-vectors.json'), 'utf8')) as Vectors;

describe('smoothing against scipy (see make-scipy-vectors.py)', () => {
  it.each(vectors.cases.map((c) => [c.cutoff, c.rate, c] as const))(
    'cut-off %f Hz at %f Hz',
    (cutoff, rate, vector) => {
      const section = lowPassSection(cutoff, rate);
      if (!section.ok) throw new Error(section.issue.message);
      vector.b.forEach((b, i) => expect(section.value.b[i]).toBeCloseTo(b, 12));
      vector.a.slice(1).forEach((a, i) => expect(section.value.a[i]).toBeCloseTo(a, 12));
      const filtered = zeroLagLowPass(Float64Array.from(vector.input), cutoff, rate, 6);
      if (!filtered.ok) throw new Error(filtered.issue.message);
      vector.output.forEach((y, i) => expect(filtered.value[i]).toBeCloseTo(y, 8));
    },
  );
});

test.each(vectors.splines.map((c) => [c.lambda, c] as const))(
  'smoothing spline with weights, lambda %f, at uneven times, against scipy',
  (lambda, { times, samples, weights, output }) => {
    const smooth = smoothingSpline(
      Float64Array.from(times),
      Float64Array.from(samples),
      Float64Array.from(weights),
      lambda,
    );
    output.forEach((y, i) => expect(smooth[i]).toBeCloseTo(y, 6));
  },
);

test.each(vectors.quantiles.map((q) => [q.p, q.freedom, q.value] as const))(
  'Student\u2019s %f quantile for %f degrees of freedom against scipy',
  (p, freedom, value) => {
    expect(studentQuantile(p, freedom) / value).toBeCloseTo(1, 8);
  },
);

describe('smoothing against Winter, Biomechanics and Motor Control of Human Movement', () => {
  it('has the coefficients of the worked example: 6 Hz at 60 Hz', () => {
    const section = lowPassSection(6, 60);
    if (!section.ok) throw new Error(section.issue.message);
    expect(section.value.b[0]).toBeCloseTo(0.06746, 5);
    expect(section.value.b[1]).toBeCloseTo(0.13491, 5);
    expect(section.value.b[2]).toBeCloseTo(0.06746, 5);
    expect(section.value.a[0]).toBeCloseTo(-1.14298, 5);
    expect(section.value.a[1]).toBeCloseTo(0.4128, 5);
  });

  it('is 3 dB down at the wanted corner after two passes, with the factor 0.802', () => {
    const rate = 1000;
    const wanted = 10;
    const wave = Float64Array.from({ length: 4000 }, (_, i) => Math.sin((2 * Math.PI * wanted * i) / rate));
    const filtered = zeroLagLowPass(wave, singlePassCutoff(wanted), rate);
    if (!filtered.ok) throw new Error(filtered.issue.message);
    const amplitude = Math.max(...filtered.value.slice(1500, 2500));
    expect(amplitude).toBeCloseTo(Math.SQRT1_2, 2);
    // Zero lag: the peak stays where it was.
    const peak = (samples: Float64Array): number =>
      samples.slice(2000, 2100).indexOf(Math.max(...samples.slice(2000, 2100)));
    expect(Math.abs(peak(filtered.value) - peak(wave))).toBeLessThanOrEqual(1);
  });
});
