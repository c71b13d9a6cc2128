import { readMeasure } from '../../../tests/fixtures/measure';
import { performerNamed, stickTrial } from '../../../tests/fixtures/stick-trial';
import type { Measure } from '../model/measure';
import { movementSchema, type Movement } from '../model/movement';
import type { Trial } from '../trial/trial';
import { ORIGIN } from '../tracks/track';
import { fromSi, toSi } from '../units';
import { congruenceOf, onsetOf } from './congruence';
import { gatesOf } from './gates';
import { seriesMeasures, frameAtSample, matchedSeries, SAMPLES } from './matched-series';
import { pathOf } from './paths';
import { repetitionTable, type RepetitionRow } from './repetition-table';
import { timingTable, type TimingRow } from './timing-table';

const moment = (id: string, key: string) => ({ id, name: id, key, hint: '' });
const movement: Movement = movementSchema.parse({
  schemaVersion: 1,
  id: 'test',
  name: 'Test',
  sport: 'Test',
  moments: [moment('a', '1'), moment('b', '2'), moment('c', '3')],
  phases: [
    { from: 'a', to: 'b', name: 'First' },
    { from: 'b', to: 'c', name: 'Second' },
  ],
  measures: [
    {
      id: 'lean',
      name: 'Lean',
      kind: 'segment-angle',
      region: 'trunk',
      plane: 'sagittal',
      points: ['opposite-elbow', 'opposite-wrist'],
      against: 'up',
      at: 'b',
      importance: 0.5,
      cost: 'weeks',
      target: { type: 'same-as-reference', tolerance: 3, source: 'test' },
    },
  ],
  causes: [],
  cautions: [],
});
const [lean] = movement.measures as [Movement['measures'][number]];

/** A rod whose lean at every frame is given, degrees; the body above it gives a standing height of 1000 pixels. */
const rod = (at: (frame: number) => number, marks: Record<string, number>): Trial =>
  stickTrial((f) => {
    const a = (at(f) * Math.PI) / 180;
    return {
      'left-shoulder': [500, -79],
      'left-hip': [500, 209],
      'left-knee': [500, 454],
      'left-ankle': [500, 700],
      'left-elbow': [500, 700],
      'left-wrist': [500 + 600 * Math.sin(a), 700 - 600 * Math.cos(a)],
    };
  }, marks);
/** Lean that goes straight from 0 at a to 20 at b to 50 at c, whatever the timing, plus something. */
const phased = (marks: Record<'a' | 'b' | 'c', number>, more: (u: number) => number = () => 0): Trial =>
  rod(
    (f) =>
      (f <= marks.b ? (20 * (f - marks.a)) / (marks.b - marks.a) : 20 + (30 * (f - marks.b)) / (marks.c - marks.b)) +
      more((f - marks.a) / (marks.c - marks.a)),
    marks,
  );

describe('curves in matched time', () => {
  const slow = { a: 4, b: 24, c: 34 };
  const quick = { a: 6, b: 14, c: 30 };

  it('lie on each other where only the timing differs', () => {
    const allSeries = matchedSeries(movement, lean, [[phased(slow)]], [[phased(quick)]])!;
    expect(allSeries.through).toEqual(['a', 'b', 'c']);
    expect(allSeries.athlete).toHaveLength(2 * SAMPLES + 1);
    // Smoothing rounds the corner at b; beside it the curves agree.
    for (const i of [10, 25, 75, 90]) expect(Math.abs(fromSi(allSeries.difference[i]!, 'deg'))).toBeLessThan(0.6);
    expect(fromSi(allSeries.athlete[25]!, 'deg')).toBeCloseTo(10, 0);
    expect(allSeries.longest).toBeNull();
    // The time axis is the reference's own: b at 8 of 24 frames.
    expect(allSeries.at[SAMPLES]).toBeCloseTo(1 / 3, 9);
  });

  it('name the longest stretch outside the band, where it is worst and which way', () => {
    // Half way through the second phase the athlete leans 15 degrees more.
    const bump = (u: number): number => 15 * Math.exp(-(((u - 0.75) / 0.1) ** 2));
    const allSeries = matchedSeries(movement, lean, [[phased(quick, bump)]], [[phased(quick)]])!;
    expect(allSeries.bandOf).toBe('tolerance');
    expect(allSeries.stretches).toHaveLength(1);
    const { longest } = allSeries;
    expect(fromSi(longest!.excess, 'deg')).toBeGreaterThan(8);
    expect(allSeries.at[longest!.worst]).toBeGreaterThan(0.65);
    expect(allSeries.at[longest!.worst]).toBeLessThan(0.85);
    expect(frameAtSample(phased(quick), allSeries.through, longest!.worst)).toBeCloseTo(
      quick.a + 24 * allSeries.at[longest!.worst]!,
      0,
    );
  });

  it('have the band of three performers, and none of a measure without a tolerance and with one performer', () => {
    const members = [-4, 0, 4].map((shift) => [
      { ...phased(quick, () => shift), clip: { ...phased(quick).clip, ...performerNamed(`Performer ${shift}`) } },
    ]);
    const allSeries = matchedSeries(movement, lean, [[phased(quick)]], members)!;
    expect(allSeries.bandOf).toBe('performers');
    // Four degrees apart, on what 4.303 times the root of four thirds would be at a single place; along a curve it is
    // more.
    expect(fromSi(allSeries.half![25]!, 'deg')).toBeGreaterThan(4 * 4.3 * Math.sqrt(4 / 3) * 0.5);
    expect(fromSi(allSeries.reference[25]!, 'deg')).toBeCloseTo(10, 0);
    const bare = { ...lean, target: undefined };
    expect(matchedSeries(movement, bare, [[phased(quick)]], [[phased(quick)]])!.half).toBeNull();
  });

  it('state the error at every sample: larger where the points are less sure', () => {
    const sure = phased(quick);
    const clear = matchedSeries(movement, lean, [[sure]], [[sure]])!.plusMinus!;
    expect(clear).toHaveLength(2 * SAMPLES + 1);
    // From b on the athlete's wrist was found, and hardly.
    const wrist = sure.smoothed['left-wrist']!;
    const unsure = {
      ...wrist,
      confidence: wrist.confidence.map((c, i) => (i >= quick.b ? 0.2 : c)),
      origin: wrist.origin.map((o, i) => (i >= quick.b ? ORIGIN.detected : o)),
    };
    const detected = matchedSeries(
      movement,
      lean,
      [[{ ...sure, smoothed: { ...sure.smoothed, 'left-wrist': unsure } }]],
      [[sure]],
    )!.plusMinus!;
    expect(detected[0]).toBeCloseTo(clear[0]!, 9);
    expect(detected[75]!).toBeGreaterThan(1.1 * clear[75]!);
    // Linear between the samples at which it is computed.
    expect(detected[60]).toBeCloseTo(detected[50]! + 0.4 * (detected[75]! - detected[50]!), 9);
  });

  it('take an error that was measured in place of the computed one', () => {
    const sides = [[[phased(quick)]], [[phased(quick)]]] as const;
    const allSeries = matchedSeries(movement, lean, ...sides, { lean: toSi(2, 'deg') })!;
    // What digitising twice cannot show (moment, camera, depth) stays beside it.
    const least = 1.96 * Math.SQRT2 * 2;
    expect(allSeries.plusMinus!.every((v) => fromSi(v, 'deg') >= least - 1e-9 && fromSi(v, 'deg') < 1.6 * least)).toBe(
      true,
    );
  });

  it('name no stretch where the error is not known', () => {
    const bump = (u: number): number => 15 * Math.exp(-(((u - 0.75) / 0.1) ** 2));
    const fromFront = { ...lean, plane: 'frontal' } as Measure;
    const allSeries = matchedSeries(movement, fromFront, [[phased(quick, bump)]], [[phased(quick)]])!;
    expect(allSeries.plusMinus).toBeNull();
    expect(allSeries.stretches).toEqual([]);
    // Unknown in the second phase only: the bump there is not named.
    const gone = phased(quick, bump);
    const hidden = {
      ...gone.smoothed['left-wrist']!,
      x: gone.smoothed['left-wrist']!.x.map((v, i) => (i > quick.b + 1 ? NaN : v)),
    };
    const half = matchedSeries(
      movement,
      lean,
      [[{ ...gone, smoothed: { ...gone.smoothed, 'left-wrist': hidden } }]],
      [[phased(quick)]],
    )!;
    expect(half.plusMinus![10]).toBeGreaterThan(0);
    expect(half.plusMinus![90]).toBeNaN();
    expect(half.stretches).toEqual([]);
  });

  it('a tolerance in another unit is no band: the time of a peak says nothing of degrees', () => {
    const when = readMeasure({
      id: 'when',
      name: 'When',
      kind: 'extreme',
      region: 'trunk',
      plane: 'sagittal',
      of: { type: 'segment-angle', points: ['opposite-elbow', 'opposite-wrist'], against: 'up' },
      from: 'a',
      to: 'c',
      which: 'largest',
      output: 'time',
      importance: 0.5,
      cost: 'weeks',
      target: { type: 'same-as-reference', tolerance: 20, source: 'test' },
    });
    const allSeries = matchedSeries(movement, when, [[phased(quick)]], [[phased(quick)]])!;
    expect(allSeries.half).toBeNull();
    expect(allSeries.stretches).toEqual([]);
    expect(allSeries.plusMinus![50]).toBeGreaterThan(0);
  });

  it('need two common moments in order, and a measure that is a curve', () => {
    expect(matchedSeries(movement, lean, [[rod(() => 0, { a: 4 })]], [[phased(quick)]])).toBeNull();
    expect(
      matchedSeries(movement, lean, [[rod(() => 0, { a: 20, b: 10 })]], [[rod(() => 0, { a: 5, b: 10 })]]),
    ).toBeNull();
    expect(seriesMeasures(movement).map((m) => m.id)).toEqual(['lean']);
  });
});

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
    expect(detected.likeness).toBeGreaterThan(0.999);
    expect(congruenceOf(wave(6.4), wave(0), 0.01, 0.3)!.lag).toBeCloseTo(-0.064, 3);
  });

  it('a smaller movement is as alike, but not the same', () => {
    const smaller = congruenceOf(wave(0), wave(0, 0.5), 0.01, 0.2)!;
    expect(smaller.likeness).toBeGreaterThan(0.95);
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
    expect(onsetOf(ramp, 0.01)).toBeCloseTo(0.459, 6);
    expect(onsetOf(new Float64Array(10), 0.01)).toBeNull();
  });
});
