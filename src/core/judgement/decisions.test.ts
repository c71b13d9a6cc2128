import fc from 'fast-check';
import { movementSchema, type Movement } from '../model/movement';
import type { Decision } from '../model/session';
import { planOf } from '../coaching/plan';
import { MOST_CORRECTIONS, prioritise } from './priority';
import type { Judged, State } from './state';

/** Whatever is measured anew, what the analyst decided stays. */
const IDS = ['a', 'b', 'c', 'd', 'e', 'f'] as const;
const movement: Movement = movementSchema.parse({
  schemaVersion: 1,
  id: 'm',
  name: 'M',
  sport: 'S',
  moments: [
    { id: 'one', name: 'One', key: '1', hint: '' },
    { id: 'two', name: 'Two', key: '2', hint: '' },
  ],
  phases: [],
  cautions: [{ id: 'load', text: 'Load', always: false }],
  measures: IDS.map((id, i) => ({
    id,
    name: id,
    kind: 'duration',
    region: 'timing',
    plane: 'any',
    from: 'one',
    to: 'two',
    importance: 0.3 + 0.1 * i,
    cost: i % 3 === 0 ? 'season' : 'weeks',
    margin: 1,
    ...(id === 'e' ? { risk: 'load' } : {}),
  })),
  causes: [
    { cause: 'a', effect: 'b', share: 0.5, because: 'x' },
    { cause: 'b', effect: 'c', share: 0.4, because: 'y' },
  ],
});

const judged = fc
  .array(
    fc.record({
      state: fc.constantFrom<State>('gap', 'on-target', 'within-error', 'borderline'),
      excess: fc.double({ min: 0.001, max: 0.2, noNaN: true }),
      sure: fc.double({ min: 0.5, max: 1, noNaN: true }),
    }),
    { minLength: IDS.length, maxLength: IDS.length },
  )
  .map((rows) =>
    rows.map(
      ({ state, excess, sure }, i) =>
        ({
          measure: movement.measures[i]!,
          state,
          excess: state === 'gap' ? excess : 0,
          tolerance: 0.02,
          confidence: sure,
          excessPlusMinus: 0.01,
          band: { low: 0, high: 1 },
          referenceState: null,
          athlete: {
            measurable: true,
            value: 1,
            sd: 0.01,
            systematicSd: 0,
            unit: 'ms',
            provenance: { clipId: 'x', frames: [1], points: [] },
          },
          reference: { measurable: false },
          difference: null,
          plusMinus: null,
          spread: { athlete: null, reference: null },
        }) as unknown as Judged,
    ),
  );
const decisions = fc.uniqueArray(
  fc.record({
    measureId: fc.constantFrom(...IDS),
    verdict: fc.constantFrom<Decision['verdict']>('keep', 'drop', 'style'),
    reason: fc.constantFrom('injured', 'his own way'),
  }),
  { selector: (d) => d.measureId, maxLength: 4 },
);
const order = fc.shuffledSubarray([...IDS]);
const days = fc.option(fc.integer({ min: 0, max: 300 }));

const property = (
  check: (
    rows: readonly Judged[],
    session: { decisions: Decision[]; order: string[]; daysToCompetition: number | null },
  ) => void,
): void =>
  fc.assert(
    fc.property(judged, decisions, order, days, (rows, d, o, n) =>
      check(rows, { decisions: d, order: o, daysToCompetition: n }),
    ),
    { seed: 20261125, numRuns: 400 },
  );

test('a gap that was dropped is never proposed, and its reason stays with it', () => {
  property((rows, session) => {
    const { proposed, parked, dropped } = prioritise(movement, rows, session);
    for (const { measureId, verdict, reason } of session.decisions) {
      if (verdict !== 'drop') continue;
      expect(proposed.map((g) => g.judged.measure.id)).not.toContain(measureId);
      expect(parked.map((p) => p.gap.judged.measure.id)).not.toContain(measureId);
      const entry = dropped.find((x) => x.gap.judged.measure.id === measureId);
      if (entry) expect(entry.reason).toBe(reason);
    }
  });
});

test('the analyst\u2019s order is the order, as far as there are gaps; no more than three; every root gap is somewhere, once', () => {
  property((rows, session) => {
    const { proposed, parked, dropped } = prioritise(movement, rows, session);
    const ids = proposed.map((g) => g.judged.measure.id);
    const placed = ids.filter((id) => session.order.includes(id));
    expect(placed).toEqual(session.order.filter((id) => placed.includes(id)));
    expect(ids.length).toBeLessThanOrEqual(MOST_CORRECTIONS);
    const all = [
      ...ids,
      ...parked.map((p) => p.gap.judged.measure.id),
      ...dropped.map((d) => d.gap.judged.measure.id),
      ...[...proposed, ...parked.map((p) => p.gap), ...dropped.map((d) => d.gap)].flatMap((g) =>
        g.willFollow.map((f) => f.judged.measure.id),
      ),
    ];
    expect([...all].sort()).toEqual(
      rows
        .filter((r) => r.state === 'gap')
        .map((r) => r.measure.id)
        .sort(),
    );
  });
});

test('a risk is never parked for want of time, nor what the analyst keeps', () => {
  property((rows, session) => {
    for (const { gap, why } of prioritise(movement, rows, session).parked) {
      if (!why.includes('days')) continue;
      expect(gap.parts.risk).toBe(false);
      expect(session.decisions.some((d) => d.measureId === gap.judged.measure.id && d.verdict === 'keep')).toBe(false);
    }
  });
});

test('own corrections are always in the plan, and gaps fill it up to three', () => {
  property((rows, session) => {
    const own = ['own-1', 'own-2'].map((id) => ({
      id,
      title: id,
      seen: '',
      shouldBe: '',
      why: '',
      cue: '',
      drills: [],
      selfCheck: '',
      change: 'technique' as const,
      noteId: null,
    }));
    const priorities = prioritise(movement, rows, session);
    const plan = planOf(priorities, own, ['own-2', ...session.order]);
    expect(plan.items.map((i) => i.id)).toEqual(expect.arrayContaining(['own-1', 'own-2']));
    expect(plan.items[0]!.id).toBe('own-2');
    expect(plan.items.filter((i) => i.gap).length).toBe(Math.min(1, priorities.proposed.length));
    expect(plan.items.length + plan.crowdedOut.length).toBe(priorities.proposed.length + 2);
  });
});
