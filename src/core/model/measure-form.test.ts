import { MEASURE_KINDS } from '../measures';
import { QUANTITIES } from '../quantities';
import {
  ALL_KINDS,
  ALL_QUANTITIES,
  ALL_RULES,
  asKind,
  blankMeasure,
  blankQuantity,
  blankRule,
  fieldsOfKind,
  fieldsOfQuantity,
  fieldsOfRule,
  freeId,
  pointRefs,
} from './measure-form';
import { measureSchema } from './measure';
import { keyEventRuleSchema, type KeyEventRule } from './key-event-rule';
import { movementSchema } from './movement';
import { quantitySchema } from './quantity';

const movement = movementSchema.parse({
  schemaVersion: 1,
  id: 'm',
  name: 'M',
  sport: 'S',
  points: [{ id: 'own-tip', name: 'Tip', hint: 'The tip.' }],
  moments: [
    { id: 'a', name: 'A', key: '1', hint: '' },
    { id: 'b', name: 'B', key: '2', hint: '' },
  ],
  phases: [],
  measures: [],
  causes: [],
  cautions: [],
});

describe('forms of measures are read off their schema', () => {
  it('for every kind and quantity of the registries', () => {
    expect([...ALL_KINDS].sort()).toEqual(Object.keys(MEASURE_KINDS).sort());
    expect([...ALL_QUANTITIES].sort()).toEqual(Object.keys(QUANTITIES).sort());
  });

  it.each(ALL_KINDS)('a blank %s is valid, and its form asks for all that it has', (kind) => {
    const blank = blankMeasure(kind, movement);
    expect(measureSchema.safeParse(blank).success).toBe(true);
    for (const field of fieldsOfKind(kind)) expect(blank).toHaveProperty(field.key);
  });

  it.each(ALL_QUANTITIES)('a blank %s is valid', (q) => {
    expect(quantitySchema.safeParse(blankQuantity(q, movement)).error?.issues ?? []).toEqual([]);
  });

  it('asks by what a part is', () => {
    const ask = (kind: Parameters<typeof fieldsOfKind>[0]) =>
      Object.fromEntries(fieldsOfKind(kind).map((f) => [f.key, f.ask]));
    expect(ask('symmetry')).toEqual({ of: 'quantity', at: 'moment', lengthIn: 'choice' });
    expect(ask('extreme')).toMatchObject({
      of: 'quantity',
      from: 'moment',
      to: 'moment',
      which: 'choice',
      output: 'choice',
    });
    expect(ask('speed')).toMatchObject({ point: 'point', relativeTo: 'point', along: 'choice' });
    expect(fieldsOfKind('extreme').find((f) => f.key === 'which')).toEqual({
      key: 'which',
      ask: 'choice',
      options: ['largest', 'smallest'],
      usual: 'largest',
    });
    expect(fieldsOfKind('speed').find((f) => f.key === 'relativeTo')).toMatchObject({ optional: true });
    expect(fieldsOfKind('speed').find((f) => f.key === 'line')).toEqual({
      key: 'line',
      ask: 'points',
      count: 2,
      optional: true,
    });
    expect(fieldsOfQuantity('line-separation')).toEqual([
      { key: 'points', ask: 'points', count: 2, optional: false },
      { key: 'from', ask: 'points', count: 2, optional: false },
    ]);
  });

  it('keeps what two kinds share when one becomes the other', () => {
    const angle = { ...blankMeasure('extreme', movement, 'Deepest knee'), importance: 0.9, which: 'smallest' as const };
    const range = asKind(angle as never, 'range', movement);
    expect(range).toMatchObject({ kind: 'range', id: 'deepest-knee', importance: 0.9, from: 'a', to: 'b' });
    expect(range).not.toHaveProperty('which');
  });

  it('finds ids that are free, and names every point', () => {
    expect(freeId('Front knee', ['front-knee', 'front-knee-2'])).toBe('front-knee-3');
    expect(freeId('\u00c4\u00f6', [])).toBe('measure');
    expect(pointRefs(movement)).toEqual(
      expect.arrayContaining(['dominant-knee', 'opposite-heel', 'centre-of-mass', 'own-tip']),
    );
  });
});

describe('forms of rules are read off their schema', () => {
  it.each(ALL_RULES)('a blank %s is valid, looks after the moment before, and its form asks for all of it', (rule) => {
    const blank = blankRule(rule, movement, 'b');
    expect(keyEventRuleSchema.safeParse(blank).success).toBe(true);
    expect(blank).toMatchObject({ after: 'a', before: null });
    for (const field of fieldsOfRule(rule)) expect(blank).toHaveProperty(field.key);
  });

  it('keeps what two rules have in common', () => {
    const extreme = blankRule('extreme', movement, 'b');
    const level = blankRule('crossing', movement, 'b', { ...extreme, after: null, before: 'a' } as KeyEventRule);
    expect(level).toMatchObject({ of: (extreme as { of: unknown }).of, after: null, before: 'a' });
  });

  it('starts lengths in standing heights', () => {
    expect(blankMeasure('value', movement)).toMatchObject({ lengthIn: '%BH' });
  });
});
