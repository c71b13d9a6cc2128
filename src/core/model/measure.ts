import { ladderSchema } from './practice';
import { z } from 'zod';
import { idSchema } from './document-id';
import { base, line, pointRefSchema, quantitySchema, type Quantity } from './quantity';
import { targetSchema } from './target';

export const planeSchema = z.enum(['sagittal', 'frontal', 'transverse', 'any']);
export type Plane = z.infer<typeof planeSchema>;

export const COSTS = ['minutes', 'weeks', 'season'] as const;

const coachingSchema = z.object({
  /** What is seen when the value is too small, and when it is too large. */
  seenLow: z.string(),
  seenHigh: z.string(),
  why: z.string(),
  cue: z.string(),
  /** Hold the position, slow, full. */
  drills: z.array(z.string()).min(1),
  /** Empty: follows from the measure's camera, moment and range. */
  selfCheck: z.string().default(''),
  /** Stages with doses and pass marks in place of those that are made of the drills. */
  ladder: ladderSchema.optional(),
});

const common = {
  id: idSchema,
  name: z.string(),
  region: z.enum(['legs', 'hips', 'trunk', 'arms', 'head', 'timing']),
  plane: planeSchema,
  target: targetSchema.optional(),
  /** How far outside the band a value may lie and still be borderline, display unit. */
  margin: z.number().nonnegative().default(0),
  /** On which side of the reference an athlete is better rather than other; nothing where both sides are faults. */
  better: z.enum(['higher', 'lower']).optional(),
  /** Weight for the movement's result, 0..1. */
  importance: z.number().min(0).max(1),
  cost: z.enum(COSTS),
  /** Caution that applies when this measure is a gap. */
  risk: z.string().optional(),
  coaching: coachingSchema.optional(),
};

/** What can be counted. */
const occurrenceSchema = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('contact'),
    side: z.enum(['dominant', 'opposite', 'either']),
    edge: z.enum(['touch-down', 'lift-off']),
  }),
  z.object({
    type: z.literal('crossing'),
    of: quantitySchema,
    level: z.number(),
    direction: z.enum(['rising', 'falling']),
  }),
]);
export type Occurrence = z.infer<typeof occurrenceSchema>;

/** Lengths are given in metres where a length in the picture is known, or in shares of standing height. */
const lengthIn = z.enum(['m', '%BH']).default('%BH');
const phase = { from: idSchema, to: idSchema };
/** The value, or when it comes, counted from the beginning of the phase. */
const output = z.enum(['value', 'time']).default('value');
/**
 * A point, alone or as seen from another one that moves along, and on axes that turn along: a craft, an animal, a
 * machine.
 */
const moving = { point: pointRefSchema, relativeTo: pointRefSchema.nullable().default(null), line, lengthIn };

export const measureSchema = z.discriminatedUnion('kind', [
  z.object({ ...common, kind: z.literal('duration'), from: idSchema, to: idSchema }),
  /** So many of something between two moments, per minute. */
  z.object({ ...common, kind: z.literal('rate'), from: idSchema, to: idSchema, count: z.number().positive() }),
  z.object({ ...common, kind: z.literal('share'), from: idSchema, to: idSchema, whole: z.tuple([idSchema, idSchema]) }),
  z.object({
    ...common,
    kind: z.literal('event-offset'),
    of: quantitySchema,
    lengthIn,
    /** The quantity passes this level (its display unit) in this direction ... */
    crossing: z.number(),
    direction: z.enum(['rising', 'falling']),
    /** ... within this much time (ms) of this moment. */
    moment: idSchema,
    within: z.number().positive(),
  }),
  z.object({
    ...common,
    kind: z.literal('value'),
    of: quantitySchema,
    at: idSchema,
    /** Not at the moment itself but this share of the way to another one. */
    towards: z
      .object({ moment: idSchema, share: z.number().min(0).max(1) })
      .nullable()
      .default(null),
    lengthIn,
  }),
  z.object({
    ...common,
    kind: z.literal('extreme'),
    of: quantitySchema,
    ...phase,
    which: z.enum(['largest', 'smallest']),
    output,
    lengthIn,
  }),
  z.object({ ...common, kind: z.literal('range'), of: quantitySchema, ...phase, lengthIn }),
  z.object({
    ...common,
    kind: z.literal('peak-rate'),
    of: quantitySchema,
    ...phase,
    direction: z.enum(['rising', 'falling', 'either']),
    output,
    lengthIn,
  }),
  z.object({ ...common, kind: z.literal('rotation'), of: quantitySchema, ...phase }),
  z.object({ ...common, kind: z.literal('symmetry'), of: quantitySchema, at: idSchema, lengthIn }),
  z.object({
    ...common,
    kind: z.literal('lag'),
    first: quantitySchema,
    second: quantitySchema,
    event: z.enum(['peak-rate', 'largest', 'smallest']),
    ...phase,
  }),
  z.object({
    ...common,
    kind: z.literal('speed'),
    ...moving,
    along: z.enum(['straight', 'forward', 'up']),
    ...phase,
    output,
  }),
  z.object({
    ...common,
    kind: z.literal('path'),
    ...moving,
    ...phase,
    what: z.enum(['length', 'straightness', 'sideways']),
  }),
  /** Where a point goes at the end or the beginning of a phase, or along the line that its whole path lies nearest to. */
  z.object({
    ...common,
    kind: z.literal('path-angle'),
    ...moving,
    ...phase,
    take: z.enum(['end', 'start', 'whole']),
    against: base,
  }),
  /** How steep the plane is that the path of a point in space lies nearest to. */
  z.object({
    ...common,
    kind: z.literal('path-plane'),
    point: pointRefSchema,
    relativeTo: pointRefSchema.nullable().default(null),
    ...phase,
  }),
  z.object({ ...common, kind: z.literal('dispersion'), ...moving, ...phase }),
  /** A question that only an eye can answer. */
  z.object({ ...common, kind: z.literal('checkpoint'), question: z.string().min(1), at: idSchema }),
  /** Where something faces, set by eye on a dial. */
  z.object({ ...common, kind: z.literal('facing-by-eye'), question: z.string().min(1), at: idSchema }),
  /** When each of several comes: the smallest lag from one to the next. */
  z.object({
    ...common,
    kind: z.literal('order'),
    steps: z
      .array(
        z.object({ name: z.string().min(1), of: quantitySchema, event: z.enum(['peak-rate', 'largest', 'smallest']) }),
      )
      .min(2)
      .max(8),
    ...phase,
  }),
  /** How often something happens in a phase: contacts of feet, or a quantity passing a level. */
  z.object({ ...common, kind: z.literal('count'), occurrence: occurrenceSchema, ...phase }),
  /** Time from the start to a gate of a course. */
  z.object({ ...common, kind: z.literal('split'), from: idSchema, to: idSchema }),
  /** Longest time for which a point is slower than this, metres or standing heights a second. */
  z.object({ ...common, kind: z.literal('dwell'), ...moving, ...phase, slower: z.number().positive() }),
]);
export type Measure = z.infer<typeof measureSchema>;
export type MeasureKind = Measure['kind'];

type EventsOf<K extends MeasureKind> = (measure: Extract<Measure, { kind: K }>) => readonly string[];
const ofPhase = ({ from, to }: { readonly from: string; readonly to: string }): readonly string[] => [to, from];
const atOne = ({ at }: { readonly at: string }): readonly string[] => [at];

/** The moments that each kind of measure refers to. */
const MOMENTS: { readonly [K in MeasureKind]: EventsOf<K> } = {
  value: ({ at, towards }) => (towards ? [at, towards.moment] : [at]),
  symmetry: atOne,
  checkpoint: atOne,
  'facing-by-eye': atOne,
  'event-offset': ({ moment }) => [moment],
  share: ({ from, to, whole }) => [to, from, ...whole],
  duration: ofPhase,
  split: ofPhase,
  rate: ofPhase,
  extreme: ofPhase,
  range: ofPhase,
  'peak-rate': ofPhase,
  rotation: ofPhase,
  lag: ofPhase,
  order: ofPhase,
  count: ofPhase,
  speed: ofPhase,
  path: ofPhase,
  'path-angle': ({ from, to, take }) => (take === 'start' ? [from, to] : [to, from]),
  'path-plane': ofPhase,
  dispersion: ofPhase,
  dwell: ofPhase,
};

/** Quantities that a measure is taken of; none where it is of a point, a time or an answer. */
export function quantitiesOf(measure: Measure): readonly Quantity[] {
  switch (measure.kind) {
    case 'lag':
      return [measure.first, measure.second];
    case 'order':
      return measure.steps.map(({ of }) => of);
    case 'count':
      return measure.occurrence.type === 'crossing' ? [measure.occurrence.of] : [];
    default:
      return 'of' in measure ? [measure.of] : [];
  }
}

/** Moments that a measure needs, the one it is shown at first. */
export const eventsOf = (measure: Measure): readonly string[] =>
  (MOMENTS[measure.kind] as EventsOf<MeasureKind>)(measure);
