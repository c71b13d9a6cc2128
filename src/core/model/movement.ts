import { z } from 'zod';
import { todaysMovement } from './earlier-measures';
import { idSchema } from './document-id';
import { LIMITS } from './limits';
import { measureSchema, eventsOf, type Measure } from './measure';
import { bodyPointRefSchema } from './quantity';
import { keyEventRuleSchema } from './key-event-rule';
import { targetSchema } from './target';
import { TEXT } from '../../text/core/model';

/**
 * A movement is a document: what its moments are, what is measured on them, and what the numbers should be.
 * Points are named by function: `dominant-elbow` is the throwing arm's, `opposite-knee` the other leg's;
 * `mid-hip` and `mid-shoulder` lie halfway.
 */
/** A point beside the body: placed once by hand, then followed. */
const ownPointSchema = z.object({
  id: z.templateLiteral(['own-', z.string().regex(/^[a-z0-9]+(-[a-z0-9]+)*$/)]),
  name: z.string(),
  /** Where exactly it is, for whoever places it. */
  hint: z.string(),
  /** The same as this point of another person of the same picture, where one has a pane. */
  partner: bodyPointRefSchema.optional(),
});
export type OwnPointOfMovement = z.infer<typeof ownPointSchema>;

export const keyEventSchema = z.object({
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
  /** It may change places with a neighbour, as a foot that leaves before another lands, or after. */
  eitherOrder: z.boolean().default(false),
  /** How it is proposed from the points; null where only an eye can tell. */
  rule: keyEventRuleSchema.nullable().default(null),
});
export type KeyEvent = z.infer<typeof keyEventSchema>;

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
  /** Who does it so is known by a measure: inside these limits (display unit) it is this way. */
  when: z.object({ measure: idSchema, from: z.number(), to: z.number() }).optional(),
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
  z.array(part).max(most, TEXT.movementHasAtMost(most, what));

/** A movement as it is written today. */
export const movementDocumentSchema = z
  .object({
    schemaVersion: z.literal(1),
    id: idSchema,
    name: z.string(),
    sport: z.string(),
    /** Points of the movement beside the body's. */
    points: atMost(ownPointSchema, MOST.others, 'points').default([]),
    moments: atMost(keyEventSchema, MOST.moments, 'moments').min(2),
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
          message: TEXT.isNotMomentOfThis(id, moments.join(', ')),
        });
      }
    };
    movement.phases.forEach((p, i) => [p.from, p.to].forEach((id) => known(id, ['phases', i])));
    movement.measures.forEach((m, i) => eventsOf(m).forEach((id) => known(id, ['measures', i])));
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
          message: TEXT.twoSAreCalledGive(what, twice),
        });
    }
    const measured = (id: string, where: (string | number)[]): void => {
      if (!measures.includes(id))
        context.addIssue({ code: 'custom', path: where, message: TEXT.isNotMeasureOfThis(id) });
    };
    if (movement.repeats) known(movement.repeats.by, ['repeats']);
    movement.schools.forEach((school, i) => {
      const { when, targets } = school;
      [...Object.keys(targets), ...(when ? [when.measure] : [])].forEach((id) => measured(id, ['schools', i]));
      if (when && when.to <= when.from)
        context.addIssue({
          code: 'custom',
          path: ['schools', i, 'when'],
          message: TEXT.limitsAreTheWrongWay(when.from, when.to),
        });
    });
    const criteria = movement.sheet?.criteria.map((c) => c.id) ?? [];
    movement.sheet?.criteria.forEach((c, i) => measured(c.measure, ['sheet', 'criteria', i]));
    movement.sheet?.gates.forEach((gate, i) =>
      gate.needs.forEach((id) => {
        if (!criteria.includes(id))
          context.addIssue({
            code: 'custom',
            path: ['sheet', 'gates', i],
            message: TEXT.isNotCriterionOfThis(id, criteria.join(', ')),
          });
      }),
    );
    movement.causes.forEach((link, i) => [link.cause, link.effect].forEach((id) => measured(id, ['causes', i])));
    // A cause comes no later than what follows from it.
    movement.causes.forEach((link, i) => {
      const [cause, effect] = [link.cause, link.effect].map((id) => movement.measures.find((m) => m.id === id));
      if (!cause || !effect) return;
      const when = (m: Measure): number => Math.min(...eventsOf(m).map((id) => moments.indexOf(id)));
      const done = (m: Measure): number => Math.max(...eventsOf(m).map((id) => moments.indexOf(id)));
      if (when(cause) > done(effect))
        context.addIssue({
          code: 'custom',
          path: ['causes', i],
          message: TEXT.comesAfterAndCannot(link.cause, link.effect),
        });
    });
  });
export type Movement = z.infer<typeof movementDocumentSchema>;
/** A movement as it is written: what has a usual value may be left out. */
export type MovementDocument = z.input<typeof movementDocumentSchema>;

/** A movement that is read, in today's form or an earlier one (`earlier-measures.ts`). */
export const movementSchema = z.preprocess(todaysMovement, movementDocumentSchema);

/** What a measure is called in a list: with the moment at which it is read. */
export const measureName = (movement: Movement, measure: Measure): string => {
  const moment = movement.moments.find((m) => m.id === eventsOf(measure)[0]);
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
