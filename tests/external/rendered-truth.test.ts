import { readMeasure } from '../fixtures/measure';
import { differenceOf, evaluateMeasure, MEASURE_KINDS } from '../../src/core/measures';
import type { Measure, MeasureKind } from '../../src/core/model/measure';
import { COVERAGE_95 } from '../../src/core/statistics/normal';
import { movementOf } from '../../src/movements';
import { demoPairs, type Pair } from '../fixtures/demo-pairs';

/**
 * Every kind of measure on the rendered clips: what is read from detected points and frames marked by eye, against the
 * same of the generator's own points and times.
 */
const pairs = {
  'pace-delivery': demoPairs('pace'),
  'race-walking': demoPairs('walk'),
  'sprint-hurdles': demoPairs('hurdle'),
} as const;

const common = { name: 'x', region: 'legs', plane: 'sagittal', importance: 0.5, cost: 'weeks' } as const;
const make = (id: string, measure: object): Measure => readMeasure({ id, ...common, ...measure });
const KNEE = { type: 'joint-angle', points: ['dominant-hip', 'dominant-knee', 'dominant-ankle'] } as const;
const TRUNK = { type: 'segment-angle', points: ['mid-hip', 'mid-shoulder'], against: 'up' } as const;
const WALK = { from: 'heel-strike', to: 'next-heel-strike' } as const;

/** Kinds that none of the three movements has, on the walkers. */
const MORE: readonly Measure[] = [
  make('turn', {
    kind: 'rotation',
    of: { type: 'segment-angle', points: ['dominant-hip', 'dominant-ankle'], against: 'down' },
    from: 'heel-strike',
    to: 'toe-off',
  }),
  make('lag', {
    kind: 'lag',
    first: KNEE,
    second: { type: 'segment-angle', points: ['dominant-hip', 'dominant-knee'], against: 'down' },
    event: 'smallest',
    ...WALK,
  }),
  make('order', {
    kind: 'order',
    steps: [
      {
        name: 'thigh back',
        of: { type: 'segment-angle', points: ['dominant-hip', 'dominant-knee'], against: 'down' },
        event: 'smallest',
      },
      { name: 'knee bent', of: KNEE, event: 'smallest' },
    ],
    ...WALK,
  }),
  make('count', {
    kind: 'count',
    occurrence: { type: 'crossing', of: KNEE, level: 150, direction: 'falling' },
    ...WALK,
  }),
  make('split', { kind: 'split', plane: 'any', ...WALK }),
  make('peak-rate', { kind: 'peak-rate', of: KNEE, direction: 'rising', ...WALK }),
  make('path', { kind: 'path', point: 'dominant-wrist', relativeTo: 'mid-hip', what: 'length', ...WALK }),
  ...(['start', 'end', 'whole'] as const).map((take) =>
    make(`hip-goes-${take}`, { kind: 'path-angle', point: 'mid-hip', take, against: 'forward', ...WALK }),
  ),
  make('wrist-goes', {
    kind: 'path-angle',
    point: 'dominant-wrist',
    relativeTo: 'mid-hip',
    take: 'end',
    against: 'up',
    ...WALK,
  }),
  make('stop', { kind: 'dwell', point: 'dominant-heel', slower: 0.4, ...WALK }),
  make('evenness', {
    kind: 'symmetry',
    of: { type: 'segment-angle', points: ['dominant-hip', 'dominant-knee'], against: 'down' },
    at: 'vertical',
  }),
  make('trunk', { kind: 'value', of: TRUNK, at: 'vertical' }),
];

interface Checked {
  readonly kind: MeasureKind;
  /** Error over half the 95 % interval. */
  readonly off: number;
}

function check(measure: Measure, { found, truth }: Pair): Checked | null {
  const [f, t] = [evaluateMeasure(measure, found), evaluateMeasure(measure, truth)];
  if (!f.measurable || !t.measurable) return null;
  const error = Math.abs(differenceOf(measure, f.value, t.value));
  // A number of times is exact or wrong.
  if (f.sd === 0) return { kind: measure.kind, off: error === 0 ? 0 : Infinity };
  return { kind: measure.kind, off: error / (COVERAGE_95 * f.sd) };
}

const all: readonly Checked[] = [
  ...Object.entries(pairs).flatMap(([id, list]) =>
    list.flatMap((pair) => movementOf(id)!.measures.flatMap((measure) => check(measure, pair) ?? [])),
  ),
  ...pairs['race-walking'].flatMap((pair) => MORE.flatMap((measure) => check(measure, pair) ?? [])),
];

/** What an eye answers has no truth in a picture's points. */
const BY_EYE = ['checkpoint', 'facing-by-eye'];
/** One camera does not see it: `swing-plane.test.ts`. */
const IN_SPACE = ['path-plane'];

test('every kind that is measured, but for questions to the eye, was checked', () => {
  const kinds = new Set(all.map((c) => c.kind));
  expect(
    Object.keys(MEASURE_KINDS)
      .filter((kind) => !kinds.has(kind as MeasureKind))
      .sort(),
  ).toEqual([...BY_EYE, ...IN_SPACE].sort());
  expect(all.length).toBeGreaterThan(200);
});

test('nine of ten and more truths lie inside the stated 95 % interval, and nearly all inside twice of it', () => {
  const inside = (limit: number): number => all.filter((c) => c.off <= limit).length / all.length;
  expect(inside(1)).toBeGreaterThanOrEqual(0.9);
  expect(inside(2)).toBeGreaterThanOrEqual(0.97);
});

const IN_A_PICTURE = Object.keys(MEASURE_KINDS).filter((kind) => ![...BY_EYE, ...IN_SPACE].includes(kind));

test.each(IN_A_PICTURE)('%s: at least half of its own inside the interval', (kind) => {
  const own = all.filter((c) => c.kind === kind);
  expect(own.filter((c) => c.off <= 1).length / own.length).toBeGreaterThanOrEqual(0.5);
});
