import { stickTrial } from '../../../tests/fixtures/stick-trial';
import { compareMeasure } from '../comparison/compare';
import { movementSchema } from '../model/movement';
import { agreementOf } from './digitisings';

/** A knee that bends by a degree a frame, from so many degrees on. */
const leg = (from: number) => (frame: number) => {
  const shank = ((frame + from) * Math.PI) / 180;
  return {
    'left-hip': [500, 100],
    'left-knee': [500, 300],
    'left-ankle': [500 - 200 * Math.sin(shank), 300 + 200 * Math.cos(shank)],
  } as const;
};
const marks = { start: 5, mid: 20, end: 35 };
const movement = movementSchema.parse({
  schemaVersion: 1,
  id: 'x',
  name: 'x',
  sport: 'x',
  phases: [],
  causes: [],
  cautions: [],
  moments: Object.keys(marks).map((id, i) => ({ id, name: id, key: String(i), hint: '' })),
  measures: [
    {
      id: 'knee',
      name: 'Knee',
      kind: 'joint-angle',
      region: 'legs',
      plane: 'sagittal',
      points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'],
      at: 'mid',
      importance: 0.5,
      cost: 'weeks',
    },
    {
      id: 'time',
      name: 'Time',
      kind: 'duration',
      region: 'timing',
      plane: 'any',
      from: 'start',
      to: 'end',
      importance: 0.5,
      cost: 'weeks',
    },
  ],
});

test('two digitisings that differ by a steady two degrees have that bias, and an error to match', () => {
  const [first, second] = [leg(0), leg(2)].map((points) => stickTrial(points, marks));
  const rows = agreementOf(movement, [{ first: first!, second: second! }]);
  // A time does not depend on the points.
  expect(rows.map((r) => [r.measures[0].id, r.unit, r.pairs])).toEqual([['knee', 'deg', 7]]);
  const { agreement, limits } = rows[0]!;
  expect((limits.bias * 180) / Math.PI).toBeCloseTo(2, 1);
  // A steady difference is no noise, but it is error of a single value: 2 / sqrt(2).
  expect((agreement.sem * 180) / Math.PI).toBeCloseTo(Math.SQRT2, 1);
  expect(agreement.consistency).toBeGreaterThan(0.99);
});

test('over three attempts each counts once, at the moment of the measure; along one movement none does', () => {
  const attempts = [0, 4, 8].map((from) => ({
    first: stickTrial(leg(from), marks),
    second: stickTrial(leg(from + (from === 4 ? 1 : -1)), marks),
  }));
  const [over] = agreementOf(movement, attempts);
  expect([over?.attempts, over?.pairs]).toEqual([3, 3]);
  // Attempts four degrees apart, digitised a degree apart: variance between them 16, of a single value within them 0.5.
  expect(over?.agreement.absolute).toBeCloseTo(0.96, 1);
  expect(over?.agreement.interval[0]).toBeLessThan(0.9);
  expect(agreementOf(movement, attempts.slice(0, 1))[0]?.attempts).toBeNull();
});

test('too few moments marked: no agreement rather than a made-up one', () => {
  const clip = stickTrial(leg(0), { mid: 20 });
  expect(agreementOf(movement, [{ first: clip, second: clip }])).toEqual([]);
});

test('an error that was measured takes the place of the propagated one, in the difference too', () => {
  const clip = stickTrial(leg(0), marks);
  const sem = (1.5 * Math.PI) / 180;
  const compared = compareMeasure(movement.measures[0]!, [[clip]], [[clip]], { knee: sem });
  // Moment and camera stay beside it: digitising the same frames twice cannot show them.
  const without = compareMeasure(movement.measures[0]!, [[clip]], [[clip]]).athlete;
  if (!compared.athlete.measurable || !without.measurable) throw new Error('not measurable');
  expect(compared.athlete.sd).toBeCloseTo(Math.sqrt(sem ** 2 + without.sd ** 2 - without.points! ** 2), 12);
  expect(compared.athlete.sd).toBeGreaterThan(sem);
});
