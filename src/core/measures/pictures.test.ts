import { stickClip, stickTrial } from '../../../tests/fixtures/stick-trial';
import { readMeasure } from '../../../tests/fixtures/measure';
import { placePoint, type Track } from '../tracks/track';
import { prepareTrial } from '../trial/trial';
import { evaluateMeasure } from '.';

const common = { name: 'x', region: 'legs', plane: 'sagittal', importance: 0.5, cost: 'weeks' } as const;

/** Two pictures of a knee: straight, and bent by a right angle. */
function pictures(): ReturnType<typeof prepareTrial> {
  const clip = stickClip({ pictures: true, frameTimes: Float64Array.of(0, 1e6), fileRate: 1, captureRate: 1 });
  const joints = [
    ['left-hip', [300, 100], [300, 100]],
    ['left-knee', [300, 200], [300, 200]],
    ['left-ankle', [300, 300], [400, 200]],
  ] as const;
  const track = joints.reduce<Track>(
    (all, [id, ...at]) => at.reduce<Track>((t, [x, y], frame) => placePoint(t, 2, id, frame, x, y), all),
    {},
  );
  return prepareTrial(clip, track, { first: { frame: 0 }, second: { frame: 1 } }, 20);
}

test('what is read at a moment is read off its picture, not smoothed with the next', () => {
  const knee = (at: string) =>
    evaluateMeasure(
      readMeasure({
        id: 'k',
        ...common,
        kind: 'value',
        of: { type: 'joint-angle', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'] },
        at,
      }),
      pictures(),
    );
  const [straight, bent] = ['first', 'second'].map(knee);
  if (!straight!.measurable || !bent!.measurable) throw new Error('not measurable');
  expect(straight!.value).toBeCloseTo(Math.PI, 8);
  expect(bent!.value).toBeCloseTo(Math.PI / 2, 8);
  // How fast it changes is not known: a picture is no surer than a sixtieth of a second.
  expect(bent!.sd).toBeGreaterThan(0.02);
});

test.each(['duration', 'range'] as const)('%s needs the movement between its moments', (kind) => {
  const of = { type: 'joint-angle', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'] };
  const measure = readMeasure({
    id: 'm',
    ...common,
    kind,
    from: 'first',
    to: 'second',
    ...(kind === 'duration' ? {} : { of }),
  });
  expect(evaluateMeasure(measure, pictures())).toMatchObject({ measurable: false, reason: 'still-pictures' });
});

test('where a file repeats pictures unevenly, times and rates are not measured; angles and ranges are', () => {
  const trial = stickTrial(
    (f) => ({ 'left-hip': [300, 100], 'left-knee': [300, 200], 'left-ankle': [300 + 2 * f, 300 - f] }),
    { first: 5, second: 30 },
    { timesUnsure: true },
  );
  const of = { type: 'joint-angle', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'] };
  const read = (more: object): ReturnType<typeof evaluateMeasure> =>
    evaluateMeasure(readMeasure({ id: 'm', ...common, ...more }), trial);
  const span = { from: 'first', to: 'second' };
  for (const more of [
    { kind: 'duration', ...span },
    { kind: 'peak-rate', of, ...span, direction: 'either', output: 'value' },
    { kind: 'extreme', of, ...span, which: 'largest', output: 'time' },
    { kind: 'share', ...span, whole: ['first', 'second'] },
  ])
    expect(read(more)).toMatchObject({ measurable: false, reason: 'times-unsure' });
  expect(read({ kind: 'value', of, at: 'first' })).toMatchObject({ measurable: true });
  expect(read({ kind: 'range', of, ...span })).toMatchObject({ measurable: true });
});
