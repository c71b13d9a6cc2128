import { lean, movement, phased, rod } from '../../../tests/fixtures/phased-trials';
import { readMeasure } from '../../../tests/fixtures/measure';
import { performerNamed } from '../../../tests/fixtures/stick-trial';
import type { Measure } from '../model/measure';
import { ORIGIN } from '../tracks/track';
import { fromSi, toSi } from '../units';
import { seriesMeasures, frameAtSample, matchedSeries, SAMPLES } from './matched-series';

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
