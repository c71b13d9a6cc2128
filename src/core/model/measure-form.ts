import type { z } from 'zod';
import { measureSchema, type Measure, type MeasureKind } from './measure';
import type { Movement } from './movement';
import { keyEventRuleSchema, type KeyEventRule } from './key-event-rule';
import { JOINTS, quantitySchema, type PointRef, type Quantity } from './quantity';
import { TEXT } from '../../text/core/model';

/** What a form asks for one part of a measure; read off the schema, so that a new kind needs no form of its own. */
export type Field =
  | { readonly key: string; readonly ask: 'text' | 'quantity' | 'steps' | 'occurrence' | 'share-of-way' }
  | { readonly key: string; readonly ask: 'moment' | 'number'; readonly optional: boolean }
  | { readonly key: string; readonly ask: 'point'; readonly optional: boolean }
  | { readonly key: string; readonly ask: 'points'; readonly count: number | null; readonly optional: boolean }
  | { readonly key: string; readonly ask: 'moments'; readonly count: number }
  | { readonly key: string; readonly ask: 'choice'; readonly options: readonly string[]; readonly usual: string };

/** Parts that every measure has; forms ask for them in a place of their own. */
export const COMMON_PARTS = [
  'id',
  'name',
  'region',
  'plane',
  'target',
  'margin',
  'better',
  'importance',
  'cost',
  'risk',
  'coaching',
  'kind',
  'type',
  'each',
] as const;

interface Described {
  readonly def: {
    readonly type: string;
    readonly innerType?: Described;
    readonly defaultValue?: unknown;
    readonly entries?: Readonly<Record<string, string>>;
    readonly items?: readonly unknown[];
  };
}

const MOMENT_PARTS = ['at', 'from', 'to', 'moment', 'after', 'before'];
const BY_NAME: Readonly<Record<string, 'quantity' | 'steps' | 'occurrence' | 'share-of-way'>> = {
  of: 'quantity',
  first: 'quantity',
  second: 'quantity',
  steps: 'steps',
  occurrence: 'occurrence',
  towards: 'share-of-way',
};

function fieldOf(key: string, schema: Described, inQuantity: boolean): Field {
  let { def } = schema;
  let optional = false;
  let usual: unknown;
  while (def.innerType) {
    if (def.type === 'nullable') optional = true;
    usual ??= def.defaultValue;
    def = def.innerType.def;
  }
  if (!inQuantity && BY_NAME[key]) return { key, ask: BY_NAME[key] };
  if (key === 'whole') return { key, ask: 'moments', count: 2 };
  // In a quantity, *from* is a second pair of points.
  if (key === 'points' || key === 'line' || key === 'axes' || (inQuantity && key === 'from'))
    return { key, ask: 'points', count: def.items?.length ?? null, optional };
  if (key === 'point' || key === 'relativeTo') return { key, ask: 'point', optional };
  if (def.type === 'enum') {
    const options = Object.values(def.entries ?? {});
    return { key, ask: 'choice', options, usual: typeof usual === 'string' ? usual : options[0]! };
  }
  if (def.type === 'number') return { key, ask: 'number', optional };
  return MOMENT_PARTS.includes(key) ? { key, ask: 'moment', optional } : { key, ask: 'text' };
}

const shapeOf = (schema: z.ZodObject): readonly (readonly [string, Described])[] =>
  Object.entries(schema.shape) as never;
const literal = (schema: unknown): string => [...(schema as { values: Set<string> }).values][0]!;

/** What is asked for a kind of measure beside the parts that all have. */
export function fieldsOfKind(kind: MeasureKind): readonly Field[] {
  const schema = measureSchema.options.find((option) => literal(option.shape.kind) === kind)!;
  return shapeOf(schema as never)
    .filter(([key]) => key === 'each' || !(COMMON_PARTS as readonly string[]).includes(key))
    .map(([key, part]) => fieldOf(key, part, false));
}

/** What is asked for a quantity. */
export function fieldsOfQuantity(type: Quantity['type']): readonly Field[] {
  const schema = quantitySchema.options.find((option) => literal(option.shape.type) === type)!;
  return shapeOf(schema as never)
    .filter(([key]) => key !== 'type')
    .map(([key, part]) => fieldOf(key, part, true));
}

/** What is asked for a rule that proposes a moment. */
export function fieldsOfRule(rule: KeyEventRule['rule']): readonly Field[] {
  const schema = keyEventRuleSchema.options.find((option) => literal(option.shape.rule) === rule)!;
  return shapeOf(schema as never)
    .filter(([key]) => key !== 'rule')
    .map(([key, part]) => fieldOf(key, part, false));
}

export const ALL_RULES: readonly KeyEventRule['rule'][] = keyEventRuleSchema.options.map(
  (option) => literal(option.shape.rule) as KeyEventRule['rule'],
);
export const ALL_KINDS: readonly MeasureKind[] = measureSchema.options.map(
  (option) => literal(option.shape.kind) as MeasureKind,
);
export const ALL_QUANTITIES: readonly Quantity['type'][] = quantitySchema.options.map(
  (option) => literal(option.shape.type) as Quantity['type'],
);

/** Every point that a movement can name. */
export const pointRefs = (movement: Pick<Movement, 'points'>): readonly PointRef[] => [
  ...(['dominant', 'opposite'] as const).flatMap((side) => JOINTS.map((joint) => `${side}-${joint}` as const)),
  'mid-hip',
  'mid-shoulder',
  'nose',
  'centre-of-mass',
  ...movement.points.map((p) => p.id),
];

const USUAL_POINTS: readonly PointRef[] = [
  'dominant-hip',
  'dominant-knee',
  'dominant-ankle',
  'dominant-foot-index',
  'dominant-shoulder',
  'dominant-elbow',
  'dominant-wrist',
];

/** Where the first points of the list above would mean nothing: a second line, and axes that must not lie in one. */
const USUAL_BY_NAME: Readonly<Record<string, readonly PointRef[]>> = {
  from: ['opposite-hip', 'dominant-hip'],
  axes: ['mid-hip', 'mid-shoulder', 'dominant-shoulder'],
};

function blankPart(field: Field, movement: Pick<Movement, 'moments'>): unknown {
  const [first, second = first] = movement.moments.map((m) => m.id);
  switch (field.ask) {
    case 'moment':
      if (field.optional) return null;
      return field.key === 'to' ? second : first;
    case 'moments':
      return [first, movement.moments.at(-1)!.id];
    case 'points':
      return field.optional ? null : USUAL_POINTS.slice(0, field.count ?? 3);
    case 'point':
      return field.optional ? null : 'dominant-wrist';
    case 'choice':
      return field.usual;
    case 'number':
      if (field.optional) return null;
      return field.key === 'crossing' || field.key === 'level' ? 0 : 1;
    case 'text':
      return TEXT.isItThere;
    case 'quantity':
      return blankQuantity(field.key === 'second' ? 'segment-angle' : 'joint-angle', movement);
    case 'steps':
      return [
        { name: 'First', of: blankQuantity('joint-angle', movement), event: 'peak-rate' },
        { name: 'Second', of: blankQuantity('segment-angle', movement), event: 'peak-rate' },
      ];
    case 'occurrence':
      return { type: 'contact', side: 'either', edge: 'touch-down' };
    case 'share-of-way':
      return null;
  }
}

export function blankQuantity(type: Quantity['type'], movement: Pick<Movement, 'moments'>): Quantity {
  return {
    type,
    ...Object.fromEntries(
      fieldsOfQuantity(type).map((field) => [field.key, USUAL_BY_NAME[field.key] ?? blankPart(field, movement)]),
    ),
  } as Quantity;
}

/** A valid rule that looks after the moment before its own, to be changed from there: what both rules have is kept. */
export function blankRule(
  rule: KeyEventRule['rule'],
  movement: Pick<Movement, 'moments'>,
  eventId: string,
  before: KeyEventRule | null = null,
): KeyEventRule {
  const at = movement.moments.findIndex((m) => m.id === eventId);
  const blank = {
    ...Object.fromEntries(fieldsOfRule(rule).map((field) => [field.key, blankPart(field, movement)])),
    // Not before the next one, too: two rules that wait for each other propose neither.
    after: movement.moments[at - 1]?.id ?? null,
  };
  const kept = Object.fromEntries(Object.entries(before ?? {}).filter(([key]) => key in blank));
  const tried = keyEventRuleSchema.safeParse({ ...blank, ...kept, rule });
  return tried.success ? tried.data : keyEventRuleSchema.parse({ ...blank, rule });
}

/** An id made of a name that no other one in a list has. */
export function freeId(name: string, taken: readonly string[]): string {
  const base =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'measure';
  let id = base;
  for (let n = 2; taken.includes(id); n++) id = `${base}-${n}`;
  return id;
}

/** A valid measure of a kind, to be changed from there. */
export function blankMeasure(kind: MeasureKind, movement: Movement, name: string = TEXT.newMeasure): Measure {
  return measureSchema.parse({
    id: freeId(
      name,
      movement.measures.map((m) => m.id),
    ),
    name,
    kind,
    region: 'legs',
    plane: 'sagittal',
    importance: 0.5,
    cost: 'weeks',
    margin: 0,
    ...Object.fromEntries(fieldsOfKind(kind).map((field) => [field.key, blankPart(field, movement)])),
  });
}

/** The same measure as another kind: what both have is kept. */
export function asKind(measure: Measure, kind: MeasureKind, movement: Movement): Measure {
  const blank = blankMeasure(kind, movement, measure.name);
  const kept = Object.fromEntries(
    Object.entries(measure).filter(
      ([key]) => key !== 'kind' && (key in blank || (COMMON_PARTS as readonly string[]).includes(key)),
    ),
  );
  const tried = measureSchema.safeParse({ ...blank, ...kept, kind });
  return tried.success ? tried.data : { ...blank, id: measure.id, name: measure.name };
}
