import { MOVEMENTS, movementOf } from './index';
import { momentsOf, movementSchema } from '../core/model/movement';

const unique = (ids: readonly string[]): boolean => new Set(ids).size === ids.length;

describe.each(MOVEMENTS.map((m) => [m.id, m] as const))('movement %s', (id, movement) => {
  it('is valid, found by its id, and has no id twice', () => {
    expect(movementSchema.safeParse(movement).error?.issues ?? []).toEqual([]);
    expect(movementOf(id)).toBe(movement);
    for (const list of [movement.moments, movement.measures, movement.cautions]) expect(unique(list.map((x) => x.id))).toBe(true);
    expect(unique(movement.moments.map((m) => m.key))).toBe(true);
  });

  it('has causes that are never later than their effects and go round in no circle', () => {
    const order = movement.moments.map((m) => m.id);
    const when = (measureId: string): number => order.indexOf(momentsOf(movement.measures.find((m) => m.id === measureId)!)[0]!);
    for (const { cause, effect } of movement.causes) expect(when(cause)).toBeLessThanOrEqual(when(effect));
    const reaches = (from: string, to: string): boolean => movement.causes.some((c) => c.cause === from && (c.effect === to || reaches(c.effect, to)));
    for (const { id: measure } of movement.measures) expect(reaches(measure, measure)).toBe(false);
  });

  it('gives every target a source and every risk a caution', () => {
    for (const measure of movement.measures) {
      if (measure.target) expect(measure.target.source.length).toBeGreaterThan(8);
      if (measure.risk) expect(movement.cautions.map((c) => c.id)).toContain(measure.risk);
    }
  });

  it('has phases that join its moments in order, without a hole', () => {
    movement.phases.forEach((phase, i) => {
      expect(phase.from).toBe(movement.moments[i]!.id);
      expect(phase.to).toBe(movement.moments[i + 1]!.id);
    });
  });
});

describe('a movement document', () => {
  it('that names an unknown moment is refused with its name', () => {
    const broken = structuredClone(MOVEMENTS[0]!) as { phases: { from: string }[] };
    broken.phases[0]!.from = 'take-off';
    const issue = movementSchema.safeParse(broken).error!.issues[0]!;
    expect(issue.message).toContain('"take-off"');
  });
});

describe('the laws of cricket', () => {
  // Published: ICC playing conditions, illegal bowling action: the elbow may straighten by at most 15 degrees.
  it('allow the elbow 15 degrees from arm horizontal to release', () => {
    const measure = movementOf('pace-delivery')!.measures.find((m) => m.id === 'bowling-elbow-extension')!;
    expect(measure).toMatchObject({ kind: 'joint-change', from: 'arm-horizontal', to: 'release', target: { type: 'at-most', value: 15 } });
  });
});
