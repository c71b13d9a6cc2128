import { movement, rod } from '../../../tests/fixtures/phased-trials';
import { fromSi, toSi } from '../units';
import { congruenceOf, onsetOf } from './congruence';
import { gatesOf } from './gates';
import { pathOf } from './paths';
import { repetitionTable, type RepetitionRow } from './repetition-table';
import { timingTable, type TimingRow } from './timing-table';

test('gates: the running gain or loss, and what was lost since the gate before', () => {
  const gates = gatesOf(movement, [[rod(() => 0, { a: 2, b: 14, c: 30 })]], [[rod(() => 0, { a: 5, b: 15, c: 33 })]]);
  expect(gates.map((g) => g.eventId)).toEqual(['a', 'b', 'c']);
  expect(gates.map((g) => Math.round(1000 * g.behind))).toEqual([0, 20, 0]);
  expect(gates.map((g) => Math.round(1000 * g.lost))).toEqual([0, 20, -20]);
  // Two clips at 100 frames a second: 1.96 sqrt(2) T / sqrt(6).
  expect(gates[1]!.plusMinus).toBeCloseTo((1.96 * Math.SQRT2 * 0.01) / Math.sqrt(6), 9);
  expect(gatesOf(movement, [[rod(() => 0, { a: 2 })]], [[rod(() => 0, { a: 5 })]])).toEqual([]);
});

describe('timing against several', () => {
  const athlete = [[rod(() => 0, { a: 2, b: 14, c: 30 })]];
  // 10 and 14 frames, 18 and 20 frames at 100 frames a second.
  const several = [[rod(() => 0, { a: 5, b: 15, c: 33 })], [rod(() => 0, { a: 3, b: 17, c: 37 })]];

  it('phases are against the mean, whose error is that of a mean', () => {
    const [first, second] = timingTable(movement, athlete, several) as [TimingRow, TimingRow];
    expect(first.reference!.duration).toBeCloseTo(0.12, 9);
    expect(first.difference).toBeCloseTo(0, 9);
    expect(second.difference).toBeCloseTo(0.16 - 0.19, 9);
    // A duration lies between two moments, each T / sqrt(12) sure: sqrt(2) of it, and 1 / sqrt(2) of that for the mean
    // of two.
    expect(first.reference!.plusMinus).toBeCloseTo(first.athlete!.plusMinus / Math.SQRT2, 9);
    expect(first.reference!.share).toBeCloseTo((10 / 28 + 14 / 34) / 2, 9);
    expect(timingTable(movement, athlete, several.slice(0, 1))[0]!.reference!.duration).toBeCloseTo(0.1, 9);
  });

  it('gates are against the mean of all', () => {
    expect(gatesOf(movement, athlete, several).map((g) => Math.round(1000 * g.behind) + 0)).toEqual([0, 0, -30]);
  });

  it('a phase that one of them does not have is not known', () => {
    expect(timingTable(movement, [[rod(() => 0, { a: 2, b: 14 })]], several)[1]!).toMatchObject({
      athlete: null,
      difference: null,
    });
  });
});

describe('repetitions of one performance', () => {
  /** Leans of four repetitions at b, degrees. */
  const side = [10, 11, 14, 15].map((lean) => [rod(() => lean, { a: 5, b: 20, c: 35 })]);

  it('each one, their mean and spread, and late minus early', () => {
    const [row] = repetitionTable(movement, side) as [RepetitionRow];
    expect(row.readings.map((r) => (r.measurable ? Math.round(fromSi(r.value, 'deg')) : null))).toEqual([
      10, 11, 14, 15,
    ]);
    expect(row.side.reading.measurable && fromSi(row.side.reading.value, 'deg')).toBeCloseTo(12.5, 1);
    expect(fromSi(row.side.spread!.within!, 'deg')).toBeCloseTo(Math.sqrt((2 * 2.5 ** 2 + 2 * 1.5 ** 2) / 3), 1);
    expect(fromSi(row.lateMinusEarly!, 'deg')).toBeCloseTo(4, 1);
  });

  it('the error that was measured counts: two standard errors of two each', () => {
    const [row] = repetitionTable(movement, side, { lean: toSi(2, 'deg') }) as [RepetitionRow];
    // Student's quantile for two degrees of freedom times the spread within both halves: more than the measuring error
    // of 1.96 * 2.
    expect(fromSi(row.plusMinus!, 'deg')).toBeGreaterThanOrEqual(1.96 * 2);
    expect(row.readings.every((r) => r.measurable && fromSi(r.sd, 'deg') >= 2)).toBe(true);
  });

  it('an odd one in the middle counts in neither half; one alone has no drift', () => {
    expect(fromSi(repetitionTable(movement, side.slice(0, 3))[0]!.lateMinusEarly!, 'deg')).toBeCloseTo(4, 1);
    expect(repetitionTable(movement, side.slice(0, 1))[0]).toMatchObject({ lateMinusEarly: null, plusMinus: null });
  });
});

test('paths begin at the same place, go the same way, in standing heights', () => {
  const trial = rod((f) => f, { a: 10, c: 30 });
  const path = pathOf(movement, trial, { point: 'opposite-wrist', from: { moment: 'a' } })!;
  expect(path.frames).toEqual(Array.from({ length: 21 }, (_, i) => 10 + i));
  expect([path.x[0], path.y[0]]).toEqual([0, 0]);
  expect(path.x[20]).toBeCloseTo(0.6 * (Math.sin(Math.PI / 6) - Math.sin(Math.PI / 18)), 2);
  expect(path.moments).toEqual({ a: 0, c: 20 });
  const seen = pathOf(movement, trial, {
    point: 'opposite-wrist',
    from: { relativeTo: 'opposite-elbow', line: null },
  })!;
  expect(seen.y[20]).toBeCloseTo(0.6 * Math.cos(Math.PI / 6), 2);
  expect(
    pathOf(
      movement,
      rod(() => 0, { a: 10 }),
      { point: 'opposite-wrist', from: { relativeTo: 'opposite-elbow', line: null } },
    ),
  ).toBeNull();
});

describe('congruence of a crew', () => {
  const wave = (shift: number, scale = 1): Float64Array =>
    Float64Array.from(
      { length: 200 },
      (_, i) => scale * Math.sin((2 * Math.PI * (i - shift)) / 80) + 0.3 * Math.sin((2 * Math.PI * (i - shift)) / 40),
    );

  it('finds who is behind, by how much between samples, and how alike they are', () => {
    const detected = congruenceOf(wave(0), wave(6.4), 0.01, 0.3)!;
    expect(detected.lag).toBeCloseTo(0.064, 3);
    expect(detected.correlation).toBeGreaterThan(0.999);
    expect(congruenceOf(wave(6.4), wave(0), 0.01, 0.3)!.lag).toBeCloseTo(-0.064, 3);
  });

  it('a smaller movement is as alike, but not the same', () => {
    const smaller = congruenceOf(wave(0), wave(0, 0.5), 0.01, 0.2)!;
    expect(smaller.correlation).toBeGreaterThan(0.95);
    expect(smaller.difference).toBeGreaterThan(0.2);
  });

  it('says nothing of a curve that does not move or hardly overlaps', () => {
    expect(congruenceOf(wave(0), new Float64Array(200).fill(3), 0.01, 0.2)).toBeNull();
    const [begins, ends] = [
      (v: number, i: number): number => (i < 120 ? v : NaN),
      (v: number, i: number): number => (i < 100 ? NaN : v),
    ];
    expect(congruenceOf(Float64Array.from(wave(0), begins), Float64Array.from(wave(0), ends), 0.01, 0.1)).toBeNull();
  });

  it('takes what is known of both, with nothing before and after', () => {
    const middle = (series: Float64Array): Float64Array =>
      Float64Array.from({ length: 800 }, (_, i) => series[i - 300] ?? NaN);
    expect(congruenceOf(middle(wave(0)), middle(wave(4)), 0.01, 0.3)!.lag).toBeCloseTo(0.04, 3);
  });

  it('begins when a tenth of its range is left behind', () => {
    const ramp = Float64Array.from({ length: 100 }, (_, i) => (i < 40 ? 0 : i - 40));
    // A range of 59: a tenth is passed 5.9 samples after it starts to rise.
    expect(onsetOf(ramp, 0.01)!.time).toBeCloseTo(0.459, 6);
    expect(onsetOf(ramp, 0.01)!.slope).toBeCloseTo(100, 6);
    expect(onsetOf(new Float64Array(10), 0.01)).toBeNull();
  });

  it('says nothing of when a curve begins that is on its way when it is first known', () => {
    const ramp = Float64Array.from({ length: 100 }, (_, i) => (i < 40 ? 0 : i - 40));
    expect(
      onsetOf(
        ramp.map((v, i) => (i < 36 ? NaN : v)),
        0.01,
      ),
    ).toBeNull();
    expect(onsetOf(wave(0), 0.01)).toBeNull();
    // A twitch of what is measured is no movement.
    expect(
      onsetOf(
        ramp.map((v, i) => (i < 40 ? 0.5 * (i % 3) : v)),
        0.01,
      )!.time,
    ).toBeCloseTo(0.464, 2);
  });
});
