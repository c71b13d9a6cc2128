import { z } from 'zod';
import { todaysMovement } from './earlier-measures';
import { isReserved, LIMITS } from './limits';

/**
 * A movement is a document: what its moments are, what is measured on them, and what the numbers should be.
 * Points are named by function: `dominant-elbow` is the throwing arm's, `opposite-knee` the other leg's;
 * `mid-hip` and `mid-shoulder` lie halfway.
 */
const idSchema = z
  .string()
  .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'An id has lower-case letters, digits and hyphens.')
  .refine((id) => !isReserved(id), 'That name is reserved; choose another.');

export const JOINTS = ['shoulder', 'elbow', 'wrist', 'hip', 'knee', 'ankle', 'heel', 'foot-index', 'ear'] as const;
const pointRefSchema = z.union([
  z.enum(['mid-hip', 'mid-shoulder', 'nose']),
  z.templateLiteral([z.enum(['dominant', 'opposite']), '-', z.enum(JOINTS)]),
  z.literal('centre-of-mass'),
  z.templateLiteral(['own-', z.string().min(1)]),
]);
export type PointRef = z.infer<typeof pointRefSchema>;

/** A point beside the body: placed once by hand, then followed. */
const ownPointSchema = z.object({
  id: z.templateLiteral(['own-', z.string().regex(/^[a-z0-9]+(-[a-z0-9]+)*$/)]),
  name: z.string(),
  /** Where exactly it is, for whoever places it. */
  hint: z.string(),
});

/** Target values are in the measure's display unit (deg, ms, %). */
export const targetSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('same-as-reference'), tolerance: z.number().positive(), source: z.string() }),
  z.object({ type: z.literal('about'), value: z.number(), tolerance: z.number().positive(), source: z.string() }),
  z
    .object({ type: z.literal('between'), low: z.number(), high: z.number(), source: z.string() })
    .refine((t) => t.low < t.high, {
      error: ({ input }) =>
        `A range must begin below its end; it goes from ${(input as { low: number }).low} to ${(input as { high: number }).high}. Exchange the two.`,
    }),
  z.object({ type: z.literal('at-least'), value: z.number(), source: z.string() }),
  /** A question answered by eye with yes. */
  z.object({ type: z.literal('yes'), source: z.string() }),
  z.object({ type: z.literal('at-most'), value: z.number(), source: z.string() }),
  /** A range (or a circle, a deviation) that stays this small: held. */
  z.object({ type: z.literal('constant'), within: z.number().positive(), source: z.string() }),
  /** Each step of an order after the one before it. */
  z.object({ type: z.literal('in-order'), source: z.string() }),
]);
export type Target = z.infer<typeof targetSchema>;

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

const base = z.enum(['up', 'down', 'forward']);
const pair = z.tuple([pointRefSchema, pointRefSchema]);
const triple = z.tuple([pointRefSchema, pointRefSchema, pointRefSchema]);

/**
 * Axes that turn along: forward from the first point to the second, up to the left of it. Null for the axes of the
 * level picture.
 */
const line = pair.nullable().default(null);

const several = (least: number) => z.array(pointRefSchema).min(least).max(12);

/** A number that follows from points at one frame; the signs and conventions stand with each in `core/quantities`. */
export const quantitySchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('joint-angle'), points: triple }),
  z.object({ type: z.literal('segment-angle'), points: pair, against: base }),
  z.object({ type: z.literal('line-separation'), points: pair, from: pair }),
  /** Where a body faces, seen from above: square to the line from its left to its right point. */
  z.object({ type: z.literal('facing'), points: pair }),
  z.object({ type: z.literal('distance'), points: pair }),
  /** Between two points that lie on the ground, through the perspective of a marked rectangle; always metres. */
  z.object({ type: z.literal('ground-distance'), points: pair }),
  z.object({ type: z.literal('offset'), points: pair, axis: z.enum(['forward', 'up']), line }),
  z.object({ type: z.literal('height'), point: pointRefSchema }),
  z.object({ type: z.literal('box'), points: several(2), side: z.enum(['width', 'height']) }),
  z.object({ type: z.literal('alignment'), points: several(3) }),
  z.object({ type: z.literal('relative-inertia'), points: triple, limb: z.enum(['leg', 'arm']) }),
]);
export type Quantity = z.infer<typeof quantitySchema>;

/** Where a rule looks: after one moment and before another, where those are known; else in the whole clip. */
const within = { after: idSchema.nullable().default(null), before: idSchema.nullable().default(null) };

/** How a moment is proposed from the points. */
export const momentRuleSchema = z.discriminatedUnion('rule', [
  z.object({
    rule: z.literal('extreme'),
    of: quantitySchema,
    which: z.enum(['largest', 'smallest']),
    ...within,
    /**
     * The top of a flight: of the parabola through what lies so many seconds to either side, rather than of single
     * frames.
     */
    flight: z.number().positive().max(0.5).nullable().default(null),
  }),
  /** The first or the last time that a quantity passes a level (display unit). */
  z.object({
    rule: z.literal('crossing'),
    of: quantitySchema,
    level: z.number(),
    direction: z.enum(['rising', 'falling']),
    take: z.enum(['first', 'last']),
    ...within,
  }),
  /** A foot comes to rest on the ground, or leaves it. */
  z.object({
    rule: z.literal('contact'),
    side: z.enum(['dominant', 'opposite', 'either']),
    edge: z.enum(['touch-down', 'lift-off']),
    take: z.enum(['first', 'last']),
    ...within,
  }),
  z.object({
    rule: z.literal('peak-speed'),
    point: pointRefSchema,
    relativeTo: pointRefSchema.nullable().default(null),
    ...within,
  }),
]);
export type MomentRule = z.infer<typeof momentRuleSchema>;

export const momentSchema = z.object({
  id: idSchema,
  name: z.string(),
  /** One key that marks the moment on the bench. */
  key: z.string().length(1),
  /** What to look for in the picture. */
  hint: z.string(),
  /**
   * Which whole frame is marked by hand: the one nearest to it, the first in which it has happened, or the last in
   * which it has not yet.
   */
  frame: z.enum(['nearest', 'first', 'last']).default('nearest'),
  /** How it is proposed from the points; null where only an eye can tell. */
  rule: momentRuleSchema.nullable().default(null),
});
export type Moment = z.infer<typeof momentSchema>;

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
  z.object({ ...common, kind: z.literal('dispersion'), ...moving, ...phase }),
  /** A question that only an eye can answer. */
  z.object({ ...common, kind: z.literal('checkpoint'), question: z.string().min(1), at: idSchema }),
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

const sideOfRange = z.enum(['low', 'high']);

export const causeSchema = z.object({
  cause: idSchema,
  effect: idSchema,
  /** Share of the effect's score that belongs to the cause, 0..1. */
  share: z.number().min(0).max(1),
  because: z.string(),
  /** On which side of their ranges both must lie for one to follow from the other; left out, either side will do. */
  causeSide: sideOfRange.optional(),
  effectSide: sideOfRange.optional(),
});

/** A way of doing it that is taught: its own targets for some measures, and why. */
const schoolSchema = z.object({
  id: idSchema,
  name: z.string().min(1),
  because: z.string(),
  /** Measure id -> the target of this school; null shows the measure without judging it. */
  targets: z.record(idSchema, targetSchema.nullable()),
});
export type School = z.infer<typeof schoolSchema>;

/** One line of a criteria sheet, proved by a measure. */
const criterionSchema = z.object({
  id: idSchema,
  name: z.string().min(1),
  measure: idSchema,
  /** Must be there, or counts extra. */
  must: z.boolean(),
  points: z.number().positive(),
});
export type Criterion = z.infer<typeof criterionSchema>;

/** How a trial is marked: criteria, and what is not given without some of them. */
const sheetSchema = z.object({
  name: z.string().min(1),
  criteria: z.array(criterionSchema).min(1),
  /** Unless all of these hold, no more points than this. */
  gates: z
    .array(z.object({ needs: z.array(idSchema).min(1), most: z.number().nonnegative(), because: z.string() }))
    .default([]),
  source: z.string(),
});
export type CriteriaSheetDocument = z.infer<typeof sheetSchema>;

const MOST = LIMITS.movement;
const atMost = <T extends z.ZodType>(part: T, most: number, what: string): z.ZodArray<T> =>
  z.array(part).max(most, `A movement has at most ${most} ${what}.`);

/** A movement as it is written today. */
export const movementDocumentSchema = z
  .object({
    schemaVersion: z.literal(1),
    id: idSchema,
    name: z.string(),
    sport: z.string(),
    /** Points of the movement beside the body's. */
    points: atMost(ownPointSchema, MOST.others, 'points').default([]),
    moments: atMost(momentSchema, MOST.moments, 'moments').min(2),
    phases: atMost(z.object({ from: idSchema, to: idSchema, name: z.string() }), MOST.others, 'phases'),
    measures: atMost(measureSchema, MOST.measures, 'measures'),
    causes: atMost(causeSchema, MOST.links, 'causes'),
    cautions: atMost(z.object({ id: idSchema, text: z.string(), always: z.boolean() }), MOST.others, 'cautions'),
    schools: atMost(schoolSchema, MOST.others, 'schools').default([]),
    sheet: sheetSchema.nullable().default(null),
    /**
     * The moment by which repetitions are counted, where one clip holds several; in a cycle one ends where the next
     * begins.
     */
    repeats: z.object({ by: idSchema, cycle: z.boolean() }).nullable().default(null),
    /** Lengths that stand in the picture of this movement, metres. */
    knownLengths: atMost(
      z.object({ name: z.string().min(1), metres: z.number().positive() }),
      MOST.others,
      'known lengths',
    ).default([]),
  })
  .superRefine((movement, context) => {
    const moments = movement.moments.map((m) => m.id);
    const known = (id: string, where: (string | number)[]): void => {
      if (!moments.includes(id)) {
        context.addIssue({
          code: 'custom',
          path: where,
          message: `"${id}" is not a moment of this movement; it has ${moments.join(', ')}.`,
        });
      }
    };
    movement.phases.forEach((p, i) => [p.from, p.to].forEach((id) => known(id, ['phases', i])));
    movement.measures.forEach((m, i) => momentsOf(m).forEach((id) => known(id, ['measures', i])));
    const measures = movement.measures.map((m) => m.id);
    for (const [what, ids] of [
      ['moment', moments],
      ['measure', measures],
    ] as const) {
      const twice = ids.find((id, i) => ids.indexOf(id) !== i);
      if (twice !== undefined)
        context.addIssue({
          code: 'custom',
          path: [`${what}s`],
          message: `Two ${what}s are called "${twice}"; give one of them another id.`,
        });
    }
    const measured = (id: string, where: (string | number)[]): void => {
      if (!measures.includes(id))
        context.addIssue({ code: 'custom', path: where, message: `"${id}" is not a measure of this movement.` });
    };
    if (movement.repeats) known(movement.repeats.by, ['repeats']);
    movement.schools.forEach((school, i) => Object.keys(school.targets).forEach((id) => measured(id, ['schools', i])));
    const criteria = movement.sheet?.criteria.map((c) => c.id) ?? [];
    movement.sheet?.criteria.forEach((c, i) => measured(c.measure, ['sheet', 'criteria', i]));
    movement.sheet?.gates.forEach((gate, i) =>
      gate.needs.forEach((id) => {
        if (!criteria.includes(id))
          context.addIssue({
            code: 'custom',
            path: ['sheet', 'gates', i],
            message: `"${id}" is not a criterion of this sheet; it has ${criteria.join(', ')}.`,
          });
      }),
    );
    movement.causes.forEach((link, i) => [link.cause, link.effect].forEach((id) => measured(id, ['causes', i])));
    // A cause comes no later than what follows from it.
    movement.causes.forEach((link, i) => {
      const [cause, effect] = [link.cause, link.effect].map((id) => movement.measures.find((m) => m.id === id));
      if (!cause || !effect) return;
      const when = (m: Measure): number => Math.min(...momentsOf(m).map((id) => moments.indexOf(id)));
      const done = (m: Measure): number => Math.max(...momentsOf(m).map((id) => moments.indexOf(id)));
      if (when(cause) > done(effect))
        context.addIssue({
          code: 'custom',
          path: ['causes', i],
          message: `"${link.cause}" comes after "${link.effect}" and cannot be its cause; turn the link round or take it out.`,
        });
    });
  });
export type Movement = z.infer<typeof movementDocumentSchema>;
/** A movement as it is written: what has a usual value may be left out. */
export type MovementDocument = z.input<typeof movementDocumentSchema>;

/** A movement that is read, in today's form or an earlier one (`earlier-measures.ts`). */
export const movementSchema = z.preprocess(todaysMovement, movementDocumentSchema);

type MomentsOf<K extends MeasureKind> = (measure: Extract<Measure, { kind: K }>) => readonly string[];
const ofPhase = ({ from, to }: { readonly from: string; readonly to: string }): readonly string[] => [to, from];
const atOne = ({ at }: { readonly at: string }): readonly string[] => [at];

/** The moments that each kind of measure refers to. */
const MOMENTS: { readonly [K in MeasureKind]: MomentsOf<K> } = {
  value: ({ at, towards }) => (towards ? [at, towards.moment] : [at]),
  symmetry: atOne,
  checkpoint: atOne,
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
  dispersion: ofPhase,
  dwell: ofPhase,
};

/** Moments that a measure needs, the one it is shown at first. */
export const momentsOf = (measure: Measure): readonly string[] =>
  (MOMENTS[measure.kind] as MomentsOf<MeasureKind>)(measure);

/** What a measure is called in a list: with the moment at which it is read. */
export const measureName = (movement: Movement, measure: Measure): string => {
  const moment = movement.moments.find((m) => m.id === momentsOf(measure)[0]);
  return moment ? `${measure.name}, ${moment.name.toLowerCase()}` : measure.name;
};

/** The movement as a school teaches it: its targets in place of the movement's own, its name in their sources. */
export function withSchool(movement: Movement, schoolId: string | null): Movement {
  const school = movement.schools.find((s) => s.id === schoolId);
  if (!school) return movement;
  return {
    ...movement,
    measures: movement.measures.map((measure) => {
      const target = school.targets[measure.id];
      if (target === undefined) return measure;
      return {
        ...measure,
        target: target === null ? undefined : { ...target, source: `${school.name}: ${target.source}` },
      };
    }),
  };
}

/** The movement with some measures more or less important than it says. */
export const withImportances = (movement: Movement, importances: Readonly<Record<string, number>>): Movement =>
  Object.keys(importances).length === 0
    ? movement
    : {
        ...movement,
        measures: movement.measures.map((m) =>
          importances[m.id] === undefined ? m : { ...m, importance: importances[m.id]! },
        ),
      };
