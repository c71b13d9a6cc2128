import { stickTrial } from '../../../tests/fixtures/stick-trial';
import { movementSchema, type Movement } from '../model/movement';
import type { PointId } from '../anatomy/body-points';
import { contactsOf } from './contacts';
import { proposeEvents } from './propose-events';
import { tryRule } from './try-rule';

type Points = Readonly<Partial<Record<PointId, readonly [number, number]>>>;
const BODY: Points = {
  'left-shoulder': [500, -79],
  'left-hip': [500, 209],
  'left-knee': [500, 454],
  'left-ankle': [500, 690],
};

const movement = (moments: readonly { id: string; rule: object | null }[]): Movement =>
  movementSchema.parse({
    schemaVersion: 1,
    id: 'x',
    name: 'x',
    sport: 'x',
    phases: [],
    measures: [],
    causes: [],
    cautions: [],
    moments: moments.map((m, i) => ({ ...m, name: m.id, key: String(i), hint: '' })),
  });
const propose = (
  rules: Readonly<Record<string, object | null>>,
  points: (frame: number) => Points,
  marks: Readonly<Record<string, number>> = {},
) =>
  Object.fromEntries(
    proposeEvents(
      movement(Object.entries(rules).map(([id, rule]) => ({ id, rule }))),
      stickTrial((f) => ({ ...BODY, ...points(f) }), marks),
    ).map((p) => [p.eventId, p]),
  );

/** A foot that falls at a steady speed until frame 16, rests until frame 30, and rises again; 100 frames a second. */
const step = (f: number): Points => {
  const up = f < 16 ? 12 * (16 - f) : f > 30 ? 12 * (f - 30) : 0;
  return {
    'left-heel': [480 + 2 * (f < 16 ? f - 16 : f > 30 ? f - 30 : 0), 700 - up],
    'left-foot-index': [560, 700 - up],
  };
};

test('a foot comes down and goes up again', () => {
  const found = propose(
    {
      down: { rule: 'contact', side: 'opposite', edge: 'touch-down', take: 'first' },
      up: { rule: 'contact', side: 'opposite', edge: 'lift-off', take: 'last' },
    },
    step,
  );
  expect(Math.abs(found['down']!.frame - 16)).toBeLessThanOrEqual(1);
  expect(Math.abs(found['up']!.frame - 30)).toBeLessThanOrEqual(1);
  expect(found['down']!.confidence).toBeGreaterThan(0.5);
  expect(
    contactsOf(
      stickTrial((f) => ({ ...BODY, ...step(f) }), {}),
      'opposite',
    ),
  ).toHaveLength(1);
});

test('a direction passes a level, between two frames, whole turns or not', () => {
  const of = { type: 'segment-angle', points: ['opposite-elbow', 'opposite-wrist'], against: 'up' };
  const wheel = (f: number): Points => ({
    'left-elbow': [300, 300],
    'left-wrist': [
      300 + 100 * Math.sin((15 * (f - 3.4) * Math.PI) / 180),
      300 - 100 * Math.cos((15 * (f - 3.4) * Math.PI) / 180),
    ],
  });
  const found = propose(
    {
      first: { rule: 'crossing', of, level: 0, direction: 'rising', take: 'first' },
      second: { rule: 'crossing', of, level: 0, direction: 'rising', take: 'first', after: 'first' },
    },
    wheel,
  );
  expect(found['first']!.frame).toBeCloseTo(3.4, 0);
  expect(found['second']!.frame).toBeCloseTo(27.4, 0);
});

test('a moment is looked for before those that come after it, though its rule does not say so', () => {
  const of = { type: 'segment-angle', points: ['opposite-elbow', 'opposite-wrist'], against: 'up' };
  // Passes upright at 3.4 and at 27.4.
  const wheel = (f: number): Points => ({
    'left-elbow': [300, 300],
    'left-wrist': [
      300 + 100 * Math.sin((15 * (f - 3.4) * Math.PI) / 180),
      300 - 100 * Math.cos((15 * (f - 3.4) * Math.PI) / 180),
    ],
  });
  const last = { rule: 'crossing', of, level: 0, direction: 'rising', take: 'last' };
  expect(propose({ up: last, later: null }, wheel)['up']!.frame).toBeCloseTo(27.4, 0);
  expect(propose({ up: last, later: null }, wheel, { later: 15 })['up']!.frame).toBeCloseTo(3.4, 0);
  expect(propose({ before: null, up: { ...last, take: 'first' } }, wheel, { before: 15 })['up']!.frame).toBeCloseTo(
    27.4,
    0,
  );
  // Where there is nothing between, nothing is proposed rather than an impossible order.
  expect(propose({ before: null, up: last, later: null }, wheel, { before: 10, later: 15 })['up']).toBeUndefined();
});

test('extremes and peak speeds; a mark set by a person is kept and bounds the search', () => {
  const hand = (f: number): Points => ({
    'left-wrist': [300 + 200 * Math.tanh((f - 22) / 4), 300 - 100 * Math.exp(-(((f - 12) / 5) ** 2))],
  });
  const rules = {
    top: { rule: 'extreme', of: { type: 'height', point: 'opposite-wrist' }, which: 'largest' },
    fast: { rule: 'peak-speed', point: 'opposite-wrist', after: 'top' },
  };
  const found = propose(rules, (f) => ({ ...hand(f), 'left-heel': [480, 700], 'left-foot-index': [560, 700] }));
  expect(found['top']!.frame).toBeCloseTo(12, 0);
  expect(found['fast']!.frame).toBeCloseTo(22, 0);
  const bound = propose(rules, hand, { top: 25 });
  expect(bound['top']).toBeUndefined();
  expect(bound['fast']!.frame).toBeGreaterThan(25);
});

test('nothing to go by: no proposal, and none that waits for one that is missing in vain', () => {
  expect(
    propose(
      { eye: null, down: { rule: 'contact', side: 'dominant', edge: 'touch-down', take: 'first', after: 'eye' } },
      () => ({}),
    ),
  ).toEqual({});
  const flat = propose(
    { eye: null, top: { rule: 'extreme', of: { type: 'height', point: 'opposite-wrist' }, which: 'largest' } },
    () => ({ 'left-wrist': [300, 300], 'left-heel': [480, 700], 'left-foot-index': [560, 700] }),
  );
  // A hand that never moves has no highest moment worth the name.
  expect(flat['top']!.confidence).toBeLessThanOrEqual(0.2);
});

describe('a rule that is tried', () => {
  const rules = movement([
    { id: 'down', rule: { rule: 'contact', side: 'opposite', edge: 'touch-down', take: 'first' } },
    { id: 'up', rule: { rule: 'contact', side: 'opposite', edge: 'lift-off', take: 'last', after: 'down' } },
    { id: 'by-eye', rule: null },
  ]);
  const trial = stickTrial((f) => ({ ...BODY, ...step(f) }), { up: 22 });

  it('proposes as if its own moment were not marked, the others kept', () => {
    const { found } = tryRule(rules, trial, 'up');
    expect(Math.abs(found!.frame - 30)).toBeLessThanOrEqual(1);
    // Marked at frame 10, the foot cannot come down after it has gone up.
    expect(tryRule(rules, { ...trial, marks: { up: 10 } }, 'down').refused!.message).toContain('finds nothing');
  });

  it('says why it proposes nothing', () => {
    expect(tryRule(rules, trial, 'by-eye').refused!.message).toBe('It has no rule');
    expect(tryRule(rules, { ...trial, smoothed: {} }, 'up').refused!.message).toBe('The clip has no points yet');
  });
});
