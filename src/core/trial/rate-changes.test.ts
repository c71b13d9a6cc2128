import { readMeasure } from '../../../tests/fixtures/measure';
import { BODY, stickTrial, type Points } from '../../../tests/fixtures/stick-trial';
import { evaluateMeasure } from '../measures';
import type { RateChange } from '../model/clip';
import type { Reading } from '../reading';
import { keyEventSd } from './key-events';
import type { Trial } from './trial';

/** Real times of frames that are taken at 30 a second, at 240 from the second second on, and at 30 again. */
const FRAMES = [
  ...Array.from({ length: 30 }, (_, i) => i / 30),
  ...Array.from({ length: 240 }, (_, i) => 1 + i / 240),
  ...Array.from({ length: 31 }, (_, i) => 2 + i / 30),
];
const SLOWED: readonly RateChange[] = [
  { from: 30, captureRate: 240 },
  { from: 270, captureRate: 30 },
];

/** A shank that swings once in two seconds, thirty degrees to either side of a bent knee, and an ankle that goes along with it. */
function pointsAt(time: number): Points {
  const angle = 0.9 + (Math.PI / 6) * Math.sin(Math.PI * time);
  const [x, y] = BODY['left-knee']!;
  return { ...BODY, 'left-ankle': [x + 246 * Math.sin(angle), y + 246 * Math.cos(angle)] };
}

const evenly = (n: number, rate: number): Float64Array => Float64Array.from({ length: n }, (_, i) => (i * 1e6) / rate);
const trialOf = (rateChanges: readonly RateChange[]): Trial =>
  stickTrial(
    (frame) => pointsAt(FRAMES[frame]!),
    { first: 15, second: 285 },
    { frameTimes: evenly(FRAMES.length, 30), fileRate: 30, captureRate: 30, rateChanges: [...rateChanges] },
  );
/** The same movement taken at 240 throughout. */
const EVEN = stickTrial(
  (frame) => pointsAt(frame / 240),
  { first: 120, second: 600 },
  { frameTimes: evenly(721, 240), fileRate: 240, captureRate: 240 },
);

const phase = {
  region: 'legs',
  plane: 'sagittal',
  importance: 0.5,
  cost: 'weeks',
  from: 'first',
  to: 'second',
} as const;
const KNEE = { type: 'joint-angle', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'] };
const read = (trial: Trial, measure: object): Reading =>
  evaluateMeasure(readMeasure({ id: 'm', name: 'x', ...phase, ...measure }), trial);

test.each([
  { kind: 'duration' },
  { kind: 'peak-rate', of: KNEE, direction: 'falling' },
  { kind: 'speed', point: 'opposite-ankle', along: 'straight' },
  { kind: 'path', point: 'opposite-ankle', what: 'length' },
])('a clip that is slowed within itself reads as one that is not: %j', (measure) => {
  const [slowed, even] = [read(trialOf(SLOWED), measure), read(EVEN, measure)];
  if (!slowed.measurable || !even.measurable) throw new Error(JSON.stringify([slowed, even]));
  expect(Math.abs(slowed.value - even.value)).toBeLessThan(0.01 * Math.abs(even.value));
  expect(slowed.value).not.toBe(0);
});

test('a moment is as sure as the frames round it come often', () => {
  const trial = { ...trialOf(SLOWED), marks: { first: 15, second: 100 } };
  expect(keyEventSd(trial, 'first')).toBeCloseTo(1 / 30 / Math.sqrt(12), 9);
  expect(keyEventSd(trial, 'second')).toBeCloseTo(1 / 240 / Math.sqrt(12), 9);
});

test('over frames whose capture rate nobody knows no time and no speed is measured; angles are', () => {
  const unknown = trialOf([{ from: 30, captureRate: null }, SLOWED[1]!]);
  for (const measure of [{ kind: 'duration' }, { kind: 'peak-rate', of: KNEE, direction: 'either' }])
    expect(read(unknown, measure)).toMatchObject({
      measurable: false,
      reason: 'times-unsure',
      message: expect.stringContaining('from frame 31 to 271'),
    });
  expect(read(unknown, { kind: 'range', of: KNEE })).toMatchObject({ measurable: true });
  expect(read({ ...unknown, marks: { first: 5, second: 25 } }, { kind: 'duration' })).toMatchObject({
    measurable: true,
    value: expect.closeTo(20 / 30, 9),
  });
});
