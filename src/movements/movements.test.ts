import { MOVEMENTS, movementOf } from './index';
import { eventsOf } from '../core/model/measure';
import { movementGaps } from '../core/coaching/movement-gaps';
import { movementSchema, withImportances, withSchool } from '../core/model/movement';
import { family } from './families/parts';
import { raceWalking } from './race-walking';
import { hurdleRace } from './hurdle-race';
import { HURDLE_RACES } from './hurdles';

const unique = (ids: readonly string[]): boolean => new Set(ids).size === ids.length;

describe.each(MOVEMENTS.map((m) => [m.id, m] as const))('movement %s', (id, movement) => {
  it('is valid, found by its id, and has no id twice', () => {
    expect(movementSchema.safeParse(movement).error?.issues ?? []).toEqual([]);
    expect(movementOf(id)).toBe(movement);
    for (const list of [movement.moments, movement.measures, movement.cautions])
      expect(unique(list.map((x) => x.id))).toBe(true);
    expect(unique(movement.moments.map((m) => m.key))).toBe(true);
  });

  it('has causes that are never later than their effects and go round in no circle', () => {
    const order = movement.moments.map((m) => m.id);
    const when = (measureId: string): number =>
      order.indexOf(eventsOf(movement.measures.find((m) => m.id === measureId)!)[0]!);
    for (const { cause, effect } of movement.causes) expect(when(cause)).toBeLessThanOrEqual(when(effect));
    const reaches = (from: string, to: string): boolean =>
      movement.causes.some((c) => c.cause === from && (c.effect === to || reaches(c.effect, to)));
    for (const { id: measure } of movement.measures) expect(reaches(measure, measure)).toBe(false);
  });

  it('gives every target a source and every risk a caution', () => {
    for (const measure of movement.measures) {
      if (measure.target) expect(measure.target.source.length).toBeGreaterThan(8);
      if (measure.risk) expect(movement.cautions.map((c) => c.id)).toContain(measure.risk);
    }
  });

  it('lacks nothing that a coach would have to add: words for what is judged, roots, a caution that always stands', () => {
    expect(movementGaps(movement)).toEqual([]);
    for (const { coaching } of movement.measures) {
      if (!coaching) continue;
      // What is called out fits into a breath, and drills go from the part to the whole.
      expect(coaching.cue.length).toBeLessThanOrEqual(60);
      expect(coaching.drills.length).toBeGreaterThanOrEqual(2);
    }
  });

  it('has phases that join its moments in order, without a hole', () => {
    movement.phases.forEach((phase, i) => {
      expect(phase.from).toBe(movement.moments[i]!.id);
      expect(phase.to).toBe(movement.moments[i + 1]!.id);
    });
  });
});

it('words that are of no measure of their family are refused', () => {
  const words = { elbow: { low: 'x', high: 'x', why: 'x', cue: 'x', drills: ['x', 'x', 'x'] as const } };
  const parts = { id: 'x', name: 'X', points: [], moments: [], measures: [], causes: [], words };
  expect(() => family(parts)).toThrow('elbow');
});

describe('a movement document', () => {
  it('that names an unknown moment is refused with its name', () => {
    const broken = structuredClone(MOVEMENTS[0]!) as { phases: { from: string }[] };
    broken.phases[0]!.from = 'take-off';
    const issue = movementSchema.safeParse(broken).error!.issues[0]!;
    expect(issue.message).toContain('“take-off”');
  });
});

describe('the laws of cricket', () => {
  // Published: ICC playing conditions, illegal bowling action: the elbow may straighten by at most 15 degrees.
  it('allow the elbow 15 degrees from arm horizontal to release', () => {
    const measure = movementOf('pace-delivery')!.measures.find((m) => m.id === 'bowling-elbow-extension')!;
    expect(measure).toMatchObject({
      kind: 'rotation',
      from: 'arm-horizontal',
      to: 'release',
      target: { type: 'at-most', value: 15 },
    });
  });
});

describe('schools', () => {
  const movement = movementSchema.parse({
    ...raceWalking,
    schools: [
      {
        id: 'long',
        name: 'Long step',
        because: 'Reach is speed.',
        targets: { 'step-rate': null, reach: { type: 'at-least', value: 22, source: 'test' } },
      },
    ],
  });

  it('put their own targets in place, say so in the source, and leave the rest alone', () => {
    const long = withSchool(movement, 'long');
    const of = (id: string) => long.measures.find((m) => m.id === id)!;
    expect(of('reach').target).toEqual({ type: 'at-least', value: 22, source: 'Long step: test' });
    expect(of('step-rate').target).toBeUndefined();
    expect(of('trunk-lean')).toBe(movement.measures.find((m) => m.id === 'trunk-lean'));
    expect(withSchool(movement, null)).toBe(movement);
    expect(withImportances(movement, { reach: 0.1 }).measures.find((m) => m.id === 'reach')!.importance).toBe(0.1);
  });

  it('name measures and moments that are there; a late measure is no cause of an early one', () => {
    const wrong = (change: object): string =>
      movementSchema.safeParse({ ...movement, ...change }).error?.issues[0]?.message ?? 'none';
    expect(wrong({ schools: [{ id: 'x', name: 'X', because: '', targets: { nothing: null } }] })).toBe(
      '“nothing” is not a measure of this movement.',
    );
    expect(wrong({ repeats: { by: 'nowhere', cycle: false } })).toContain('“nowhere” is not a moment of this movement');
    expect(
      wrong({ causes: [{ cause: 'hip-behind', effect: 'knee-at-heel-strike', share: 0.5, because: 'x' }] }),
    ).toContain('“hip-behind” comes after “knee-at-heel-strike” and cannot be its cause');
    expect(wrong({ measures: [movement.measures[0], movement.measures[0]], causes: [], schools: [] })).toContain(
      'Two measures are called “knee-at-heel-strike”',
    );
  });
});

describe('the rules of athletics', () => {
  // Published: World Athletics technical rules, hurdle races: 13.00 / 8.50 / 10.50 m and 13.72 / 9.14 / 14.02 m.
  it.each(Object.entries(HURDLE_RACES))('hurdles of %s stand so that the parts add up to the race', (_, race) => {
    expect(race.toFirst + (race.hurdles - 1) * race.between + race.toFinish).toBeCloseTo(race.distance, 9);
  });

  it('a hurdle race has a gate for every hurdle, and the finish', () => {
    expect(movementOf('hurdle-race')!.moments).toHaveLength(HURDLE_RACES['women-100'].hurdles + 2);
    expect(new Set(hurdleRace.moments.map((m) => m.key)).size).toBe(hurdleRace.moments.length);
  });

  // Published: World Athletics technical rules, TR54: straight from first contact until vertical; contact that is not
  // visibly lost.
  it('ask the walker for a straight leg from contact to vertical and for contact', () => {
    const of = (id: string) => movementOf('race-walking')!.measures.find((m) => m.id === id)!;
    expect(of('knee-at-heel-strike')).toMatchObject({ at: 'heel-strike', target: { type: 'at-least' } });
    expect(of('knee-least-in-front-support')).toMatchObject({
      kind: 'extreme',
      which: 'smallest',
      from: 'heel-strike',
      to: 'vertical',
      target: { type: 'at-least' },
    });
    expect(of('loss-of-contact')).toMatchObject({ kind: 'duration', target: { type: 'at-most' } });
    expect(movementOf('race-walking')!.sheet!.gates[0]!.needs).toHaveLength(3);
  });

  // Published: Portus et al. 2004: shoulder counter-rotation above 30 degrees marks a mixed action.
  it('warn of shoulders that turn back by more than 30 degrees', () => {
    expect(movementOf('pace-delivery')!.measures.find((m) => m.id === 'shoulder-counter-rotation')).toMatchObject({
      plane: 'transverse',
      target: { type: 'at-most', value: 30 },
      risk: 'spinal-loading',
    });
  });
});
