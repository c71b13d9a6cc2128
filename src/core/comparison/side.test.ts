import { readMeasure } from '../../../tests/fixtures/measure';
import { performerNamed, stickTrial } from '../../../tests/fixtures/stick-trial';
import { judge } from '../judgement/state';
import { ownSd } from '../reading';
import type { Trial } from '../trial/trial';
import { fromSi } from '../units';
import { compareMeasure } from './compare';
import { readSide } from './side';

const trunk = readMeasure({
  id: 'trunk',
  name: 'Trunk',
  kind: 'segment-angle',
  points: ['opposite-elbow', 'opposite-wrist'],
  against: 'up',
  at: 'one',
  region: 'trunk',
  plane: 'sagittal',
  importance: 0.8,
  cost: 'weeks',
  margin: 1,
  target: { type: 'same-as-reference', tolerance: 2, source: 'test' },
});
/** A rod that leans by so many degrees, long enough that a point's error is small. */
const leaning = (degrees: number, change = {}): Trial => {
  const a = (degrees * Math.PI) / 180;
  return stickTrial(
    () => ({ 'left-elbow': [500, 700], 'left-wrist': [500 + 600 * Math.sin(a), 700 - 600 * Math.cos(a)] }),
    { one: 10 },
    change,
  );
};
/** As many performers as there are leans. */
const side = (...degrees: number[]) => degrees.map((d, i) => [leaning(d, performerNamed(`Performer ${i}`))]);
/** As many attempts of one performer, in a clip each. */
const attempts = (...degrees: number[]) => degrees.map((d, i) => [leaning(d, { id: `clip-${i}` })]);
const degreesOf = (si: number): number => fromSi(si, 'deg');

describe('a side of several performances', () => {
  it('is their mean, with the sample deviation as its spread', () => {
    // Mean 12, deviations -2 -1 3: sd sqrt(14 / 2).
    const { reading, spread } = readSide(trunk, side(10, 11, 15));
    expect(reading.measurable && degreesOf(reading.value)).toBeCloseTo(12, 4);
    expect(spread!.n).toBe(3);
    expect(degreesOf(spread!.sd)).toBeCloseTo(Math.sqrt(7), 4);
    expect(spread!.readings.map((r) => Math.round(degreesOf(r.value)))).toEqual([10, 11, 15]);
    // The error of a mean of three is no smaller than the spread over the root of three.
    expect(reading.measurable && degreesOf(reading.sd)).toBeGreaterThanOrEqual(Math.sqrt(7 / 3) - 1e-9);
  });

  it('takes the mean of directions the short way round', () => {
    const { reading } = readSide(trunk, side(178, -178, 180));
    expect(reading.measurable && Math.abs(Math.abs(degreesOf(reading.value)) - 180)).toBeLessThan(1e-3);
  });

  it('leaves out who cannot be measured, and says why when nobody can', () => {
    const hidden = [stickTrial(() => ({}), { one: 10 })];
    expect(readSide(trunk, [...side(10, 14), hidden]).spread!.n).toBe(2);
    expect(readSide(trunk, [hidden, hidden])).toMatchObject({
      reading: { measurable: false, reason: 'point-missing' },
      spread: null,
    });
    expect(readSide(trunk, [])).toMatchObject({ reading: { measurable: false, reason: 'no-reference' } });
  });

  it('measures surer with more repetitions, down to what is alike in all', () => {
    const one = readSide(trunk, side(10)).reading;
    const four = readSide(trunk, side(10, 10, 10, 10)).reading;
    if (!one.measurable || !four.measurable) throw new Error('not measurable');

    expect(ownSd(four)).toBeCloseTo(ownSd(one) / 2, 6);
  });

  it('does not divide what the readings of one clip share: its camera is as unsure for nine repetitions as for one', () => {
    const unsure = { view: { kind: 'side' as const, offPlaneDegrees: 20, offPlaneSdDegrees: 5 } };
    const once = [[leaning(10, unsure)]];
    const [one, nine] = [once, Array.from({ length: 9 }, () => once[0]!)].map((s) => readSide(trunk, s).reading);
    if (!one!.measurable || !nine!.measurable) throw new Error('not measurable');
    expect(nine!.shared!.camera).toBeCloseTo(one!.shared!.camera, 12);
    expect(nine!.sd).toBeGreaterThanOrEqual(Math.abs(one!.shared!.camera));
    // Nine clips of nine cameras do divide it.
    const apart = readSide(
      trunk,
      Array.from({ length: 9 }, (_, i) => [leaning(10, { ...unsure, id: `clip-${i}` })]),
    ).reading;
    expect(apart.measurable && apart.shared!.camera).toBeCloseTo(Math.abs(one!.shared!.camera) / 3, 12);
  });

  it('several attempts of one performer are one performer, with a spread of their own', () => {
    const { spread, reading } = readSide(trunk, attempts(10, 11, 15));
    expect(spread).toMatchObject({ n: 1, sd: 0 });
    expect(degreesOf(spread!.within!)).toBeCloseTo(Math.sqrt(7), 4);
    expect(reading.measurable && degreesOf(reading.sd)).toBeGreaterThanOrEqual(Math.sqrt(7 / 3) - 1e-9);
    // Two performers, one of them with three attempts: each counts once.
    const mixed = readSide(trunk, [
      ...attempts(10, 11, 15),
      ...side(20).map(([p]) => [{ ...p!, clip: { ...p!.clip, ...performerNamed('Other') } }]),
    ]);
    expect(mixed.spread!.n).toBe(2);
    expect(mixed.reading.measurable && degreesOf(mixed.reading.value)).toBeCloseTo(16, 4);
  });

  it('references at -178, 178 and -179 are -179.7 on average, 1.5 apart, and 170 is a gap', () => {
    const facing = {
      ...trunk,
      of: {
        type: 'facing' as const,
        points: ['opposite-elbow', 'opposite-wrist'] as ['opposite-elbow', 'opposite-wrist'],
      },
      plane: 'any' as const,
    };
    // Where a body faces is square to the rod.
    const turned = (...degrees: number[]) => side(...degrees.map((d) => 180 - d));
    const { reading, spread } = readSide(facing, turned(-178, 178, -179));
    expect(reading.measurable && degreesOf(reading.value)).toBeCloseTo(-179.667, 2);
    expect(degreesOf(spread!.sd)).toBeCloseTo(Math.sqrt((7 / 3) ** 2 / 2 + (5 / 3) ** 2 / 2 + (2 / 3) ** 2 / 2), 1);
    expect(compareMeasure(facing, turned(178), turned(-178)).difference).toBeCloseTo((-4 * Math.PI) / 180, 6);
    expect(judge(compareMeasure(facing, turned(178), turned(-178, 178, -179)), undefined).excess).toBe(0);
  });
});

describe('judged against several performers', () => {
  const stateOf = (athlete: number, ...reference: number[]) =>
    judge(compareMeasure(trunk, side(athlete), side(...reference)), undefined);

  it('the range of three performers is that of the next one, the target\u2019s tolerance of one', () => {
    const three = stateOf(16, 10, 11, 15);
    // Student's quantile for two degrees of freedom is 4.303 (published tables).
    expect(degreesOf(three.band!.high - three.band!.low)).toBeCloseTo(2 * 4.3027 * Math.sqrt(7) * Math.sqrt(4 / 3), 2);
    expect(three).toMatchObject({ state: 'strength', basis: 'performers' });
    expect(stateOf(29, 10, 11, 15).state).toBe('gap');
    expect(stateOf(26, 11).basis).toBe('one-performer');
    expect(degreesOf(stateOf(16, 11).band!.high)).toBeCloseTo(13, 3);
    expect(stateOf(26, 11).state).toBe('gap');
  });

  it('the range is never narrower than the tolerance', () => {
    expect(degreesOf(stateOf(11, 11, 11, 11).tolerance)).toBeCloseTo(2, 6);
  });

  it('without any reference what is stated is judged, and what wants one is only shown', () => {
    const stated = { ...trunk, target: { type: 'at-most' as const, value: 20, source: 'published: test' } };
    expect(judge(compareMeasure(stated, side(12), []), undefined).state).toBe('strength');
    expect(judge(compareMeasure(trunk, side(12), []), undefined).state).toBe('not-judged');
  });

  it('the reference is judged too, and may miss what the athlete meets', () => {
    const stated = { ...trunk, target: { type: 'at-most' as const, value: 20, source: 'published: test' } };
    expect(judge(compareMeasure(stated, side(12), side(40)), undefined)).toMatchObject({
      state: 'strength',
      referenceState: 'gap',
    });
    expect(judge(compareMeasure(trunk, side(12), side(40)), undefined).referenceState).toBeNull();
  });

  it('better than the reference is no fault where the measure says which side is better', () => {
    const upright = { ...trunk, better: 'lower' as const };
    expect(judge(compareMeasure(upright, side(2), side(20)), undefined).state).toBe('strength');
    expect(judge(compareMeasure(upright, side(40), side(20)), undefined).state).toBe('gap');
    expect(judge(compareMeasure(trunk, side(2), side(20)), undefined).state).toBe('gap');
  });
});
