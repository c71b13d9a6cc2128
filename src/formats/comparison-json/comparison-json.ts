import { z } from 'zod';
import { cautionsFor } from '../../core/judgement/cautions';
import type { Priorities, RankedGap } from '../../core/judgement/priority';
import type { Judged } from '../../core/judgement/state';
import { eventsOf } from '../../core/model/measure';
import type { Movement } from '../../core/model/movement';
import type { Trial } from '../../core/trial/trial';
import type { Reading } from '../../core/reading';
import { captureRateAt, timeAtFrame } from '../../core/timing/clip-time';
import { fromSi, type DisplayUnit } from '../../core/units';

const readingSchema = z.object({
  /** In the measure's unit; null where it could not be measured, and why. */
  value: z.number().nullable(),
  sd: z.number().nullable(),
  frame: z.number().nullable(),
  note: z.string().nullable(),
});

const gapSchema = z.object({
  measure: z.string(),
  score: z.number(),
  parts: z.object({
    size: z.number(),
    confidence: z.number(),
    importance: z.number(),
    fromConsequences: z.number(),
    affordable: z.number(),
    risk: z.boolean(),
  }),
  reason: z.string(),
  willFollow: z.array(z.object({ measure: z.string(), because: z.string() })),
});

const trialSchema = z.object({
  file: z.string(),
  /** As the camera took them from the first frame; null where nobody knows. */
  framesPerSecond: z.number().nullable(),
  /** Seconds from the first frame; how sure a proposal is, null where the moment was given. */
  moments: z.record(z.string(), z.object({ seconds: z.number(), proposed: z.number().nullable() })),
  warnings: z.array(z.string()),
});

/** One athlete against one reference, every number and every part of the judgement, for other programs. */
export const comparisonSchema = z.object({
  format: z.literal('proud-falcon-comparison'),
  version: z.literal(1),
  movement: z.object({ id: z.string(), name: z.string() }),
  athlete: trialSchema,
  /** Null where only published targets are judged. */
  reference: trialSchema.nullable(),
  /** Further trials of the reference; the mean of all counts. */
  furtherReferences: z.array(trialSchema).default([]),
  measures: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      kind: z.string(),
      moment: z.string(),
      unit: z.string(),
      state: z.string(),
      athlete: readingSchema,
      reference: readingSchema,
      difference: z.number().nullable(),
      /** Half width of the 95 % interval of the difference. */
      plusMinus: z.number().nullable(),
      band: z.object({ low: z.number().nullable(), high: z.number().nullable() }).nullable(),
      /** How far outside the band, and how probably. */
      excess: z.number(),
      confidence: z.number(),
      source: z.string().nullable(),
      /** How the trials of the reference differ, where there are several. */
      spread: z.object({ n: z.number(), sd: z.number() }).nullable().default(null),
      /** How the reference stands against a target that does not come from it. */
      referenceState: z.string().nullable().default(null),
    }),
  ),
  proposed: z.array(gapSchema),
  parked: z.array(gapSchema.extend({ why: z.string() })),
  cautions: z.array(z.string()),
});
export type ComparisonDocument = z.infer<typeof comparisonSchema>;

/** A trial with where it came from. */
export interface ComparedTrial {
  readonly trial: Trial;
  readonly file: string;
  readonly proposed: Readonly<Record<string, number>>;
  readonly warnings: readonly string[];
}

const round = (value: number): number => Number(value.toPrecision(8));

function readingOf(reading: Reading): z.infer<typeof readingSchema> {
  if (!reading.measurable) return { value: null, sd: null, frame: null, note: `${reading.message}. ${reading.remedy}` };
  return {
    value: round(fromSi(reading.value, reading.unit)),
    sd: round(fromSi(reading.sd, reading.unit)),
    frame: round(reading.provenance.frames[0]! + 1),
    note: null,
  };
}

const trialOf = ({ trial, file, proposed, warnings }: ComparedTrial): z.infer<typeof trialSchema> => ({
  file,
  framesPerSecond: captureRateAt(trial.clip, 0),
  moments: Object.fromEntries(
    Object.entries(trial.marks).map(([id, frame]) => [
      id,
      { seconds: round(timeAtFrame(trial.times, frame)), proposed: proposed[id] ?? null },
    ]),
  ),
  warnings: [...warnings],
});

const gapOf = ({ judged, score, parts, reason, willFollow }: RankedGap): z.infer<typeof gapSchema> => ({
  measure: judged.measure.id,
  score: round(score),
  parts,
  reason,
  willFollow: willFollow.map((f) => ({ measure: f.judged.measure.id, because: f.because })),
});

/** @param references the first, and further ones whose mean counts with it */
export function comparisonDocument(
  movement: Movement,
  athlete: ComparedTrial,
  references: readonly ComparedTrial[],
  judged: readonly Judged[],
  priorities: Priorities,
): ComparisonDocument {
  return {
    format: 'proud-falcon-comparison',
    version: 1,
    movement: { id: movement.id, name: movement.name },
    athlete: trialOf(athlete),
    reference: references[0] ? trialOf(references[0]) : null,
    furtherReferences: references.slice(1).map(trialOf),
    measures: judged.map((j) => {
      const unit: DisplayUnit = j.athlete.measurable
        ? j.athlete.unit
        : j.reference.measurable
          ? j.reference.unit
          : 'deg';
      const shown = (si: number | null): number | null =>
        si === null || !Number.isFinite(si) ? null : round(fromSi(si, unit));
      return {
        id: j.measure.id,
        name: j.measure.name,
        kind: j.measure.kind,
        moment: eventsOf(j.measure)[0] ?? '',
        unit,
        state: j.state,
        athlete: readingOf(j.athlete),
        reference: readingOf(j.reference),
        difference: shown(j.difference),
        plusMinus: shown(j.plusMinus),
        band: j.band && { low: shown(j.band.low), high: shown(j.band.high) },
        excess: shown(j.excess) ?? 0,
        confidence: round(j.confidence),
        source: j.measure.target?.source ?? null,
        spread: j.spread.reference && { n: j.spread.reference.n, sd: shown(j.spread.reference.sd) ?? 0 },
        referenceState: j.referenceState,
      };
    }),
    proposed: priorities.proposed.map(gapOf),
    parked: priorities.parked.map(({ gap, why }) => ({ ...gapOf(gap), why })),
    cautions: [...cautionsFor(movement, priorities.proposed, athlete.trial.clip.performer.minor)],
  };
}
