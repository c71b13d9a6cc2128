import { z } from 'zod';
import { pointIdSchema } from './point-id';
import { checkSchema } from './check';
import { todaysSession } from './earlier-session';
import { clipSchema } from './clip';
import { setUpSchema } from './conditions';
import { drawingSchema } from './drawing';
import { addressIdSchema, filmingDaySchema, isFilmingDay, keySchema, nameSchema, textSchema } from './fields';
import { LIMITS } from './limits';
import { keptDetectionsSchema } from './kept-detections';
import { movementSchema } from './movement';
import { FIRST_REFERENCE, referenceModelSchema } from './reference-model';
import { samples } from './samples';
import { cameraPlanSchema } from './camera-plan';
import { NO_PRACTICE, practiceSchema } from './practice';
import { talkSectionSchema } from './talk';
import { TEXT } from '../../text/core/model';

const seriesSchema = z.object({
  x: samples(Float64Array),
  y: samples(Float64Array),
  confidence: samples(Float32Array),
  origin: samples(Uint8Array),
});

const spatialSchema = z.object({ x: samples(Float64Array), y: samples(Float64Array), z: samples(Float64Array) });

const trackSchema = z.partialRecord(pointIdSchema, seriesSchema);

/** A moment of one clip: the frame at which it happens; fractions lie between two frames. */
const markSchema = z.object({
  frame: z.number().nonnegative().max(LIMITS.frames),
  /** How sure a proposal is, 0..1; null where a person marked or confirmed it. */
  proposed: z.number().min(0).max(1).nullable().default(null),
  /** Standard deviation of a proposal's time, seconds, where its rule gives one. */
  sd: z.number().nonnegative().optional(),
  /** The systematic part of it: what the rule does in every clip, seconds. */
  systematic: z.number().nonnegative().optional(),
  /**
   * What a whole frame marked by hand is: the first in which it has happened, the last in which it has not; else the
   * nearest.
   */
  seen: z.enum(['first', 'last']).optional(),
});
export type Mark = z.infer<typeof markSchema>;

/** The repetitions that one clip holds, in time order; the marks of the chosen one are those of the clip. */
export const repetitionsSchema = z.object({
  all: z.array(z.record(keySchema, markSchema)).min(1),
  chosen: z.number().int().nonnegative(),
  /** Whether the clip counts with the mean of all of them, or with the chosen one alone. */
  average: z.boolean(),
});
export type Repetitions = z.infer<typeof repetitionsSchema>;

/** A correction that the analyst adds; it has no measure behind it. */
export const ownCorrectionSchema = z.object({
  id: keySchema,
  title: textSchema,
  seen: textSchema,
  shouldBe: textSchema,
  why: textSchema,
  cue: textSchema,
  drills: z.array(textSchema),
  selfCheck: textSchema,
  /** Whether the technique is to change, or equipment and conditions. */
  change: z.enum(['technique', 'set-up']).default('technique'),
  /** The finding by eye that it was made of; null for one that was written. */
  noteId: keySchema.nullable().default(null),
});
export type OwnCorrection = z.infer<typeof ownCorrectionSchema>;

export const noteSchema = z.object({
  id: keySchema,
  kind: z.enum(['good', 'work-on']),
  text: textSchema,
  clipId: keySchema,
  frame: z.number().nonnegative().max(LIMITS.frames),
  /** Body region of the pass in which it was noted. */
  region: z.string().nullable().default(null),
  /** Clip id -> the frame that its pane showed, for every pane: the pictures that were compared. */
  panes: z.record(keySchema, z.number().int().nonnegative().max(LIMITS.frames)).default({}),
  /** The measure that shows the same as a number; null where none was named. */
  measureId: keySchema.nullable().default(null),
  /** The same said aloud: a sound file, and how long it is. */
  voice: z
    .object({ mediaId: keySchema, seconds: z.number().positive().max(LIMITS.talkSeconds) })
    .nullable()
    .default(null),
});
export type Note = z.infer<typeof noteSchema>;

/** What the analyst decided about a gap; decisions outlive every recomputation. */
export const decisionSchema = z.object({
  measureId: keySchema,
  verdict: z.enum(['keep', 'drop', 'style']),
  reason: textSchema,
  /** Whose gap it is (`performerKey`); left out for whoever is judged. */
  performer: z.string().optional(),
});
export type Decision = z.infer<typeof decisionSchema>;

/** What the analyst says of a correction, whatever the numbers of its session say. */
export const correctionVerdictSchema = z.object({ verdict: z.enum(['closed', 'open']), reason: textSchema.min(1) });
export type CorrectionVerdict = z.infer<typeof correctionVerdictSchema>;

/** Criterion id -> what the analyst says of it by eye, and why. */
const criteriaSchema = z.record(
  z.string(),
  z.object({ met: z.enum(['yes', 'partly', 'no']), reason: textSchema.min(1) }),
);

/** What is said of one performer, and of nobody else in the session. */
const ownOfPerformerSchema = z.object({
  criteria: criteriaSchema.default({}),
  /** Correction id -> what the analyst says of it at this session. */
  correctionVerdicts: z.record(keySchema, correctionVerdictSchema).default({}),
  practice: practiceSchema.default(NO_PRACTICE),
  /** Measure ids of corrections in the analyst's own order; measures not named here follow by score. */
  order: z.array(z.string()).default([]),
});
export type OwnOfPerformer = z.infer<typeof ownOfPerformerSchema>;
/** What nothing was said of yet has. */
export const NOBODYS: OwnOfPerformer = ownOfPerformerSchema.parse({});

/** One comparison of an athlete with a reference: everything that is kept, edited and undone. */
export const sessionDocumentSchema = z.object({
  schemaVersion: z.literal(1),
  id: addressIdSchema,
  name: nameSchema,
  createdAt: z.string(),
  /**
   * The day it was filmed; null takes the day the session was made, and so does one that is no day: a session is never
   * locked by it.
   */
  filmedOn: filmingDaySchema.nullable().catch(null).default(null),
  movementId: keySchema,
  /**
   * A movement of the user's own; kept with the session, so that changing the file changes nothing here. Null takes one
   * that ships.
   */
  ownMovement: movementSchema.nullable().default(null),
  /** Equipment and conditions. */
  setUp: setUpSchema.default([]),
  daysToCompetition: z.number().int().nonnegative().max(10_000).nullable(),
  clips: z.array(clipSchema),
  tracks: z.record(keySchema, trackSchema),
  /** Clip id -> what the detectors said of it, from which its points were derived. */
  detections: z.record(keySchema, keptDetectionsSchema).default({}),
  /** Points in space of clips that were read from them, metres. */
  spatial: z.record(keySchema, z.partialRecord(pointIdSchema, spatialSchema)).default({}),
  /** Points kept as one digitising of a clip, to be compared with those placed anew. */
  digitisings: z
    .array(z.object({ id: keySchema, clipId: keySchema, by: nameSchema, at: z.string(), track: trackSchema }))
    .default([]),
  /** Measure id -> standard error of measurement from two digitisings (SI), taken in place of the propagated error. */
  measuredErrors: z.record(keySchema, z.number().positive()).default({}),
  /** Answers by eye: clip id -> measure id -> answer. */
  checks: z.record(keySchema, z.record(keySchema, checkSchema)).default({}),
  /** Clip id -> moment id -> mark. */
  marks: z.record(keySchema, z.record(keySchema, markSchema)),
  /** Clip id -> its repetitions, where it holds several. */
  repetitions: z.record(keySchema, repetitionsSchema).default({}),
  referenceModel: referenceModelSchema.default(FIRST_REFERENCE),
  /** The way of doing it by which is judged; null is the movement's own. */
  school: z.string().nullable().default(null),
  /** Of whoever is judged: these, and the verdicts, the practice and the order below. */
  criteria: criteriaSchema.default({}),
  /** The same of other athletes who were judged before (`performerKey`). */
  setAside: z.array(ownOfPerformerSchema.extend({ performer: z.string() })).default([]),
  /** Measure id -> importance in place of the movement's. */
  importances: z.record(keySchema, z.number().min(0).max(1)).default({}),
  ownCorrections: z.array(ownCorrectionSchema).default([]),
  /** Correction id -> what the analyst says of it at this session. */
  correctionVerdicts: z.record(keySchema, correctionVerdictSchema).default({}),
  /** Cut-off frequency of the smoothing filter, Hz. */
  cutoff: z.number().positive().max(LIMITS.rate.most),
  impressions: textSchema,
  notes: z.array(noteSchema),
  drawings: z.array(drawingSchema).default([]),
  /** Talking over the pictures, section after section. */
  talk: z.array(talkSectionSchema).default([]),
  /** Body regions to go through one at a time; null takes the movement's. */
  passes: z.array(z.string().min(1).max(40)).nullable().default(null),
  decisions: z.array(decisionSchema),
  practice: practiceSchema.default(NO_PRACTICE),
  /** Where the camera is to stand next time. */
  cameraPlan: cameraPlanSchema.nullable().default(null),
  /** Measure ids of corrections in the analyst's own order; measures not named here follow by score. */
  order: z.array(z.string()),
});
export type Session = z.infer<typeof sessionDocumentSchema>;

/** A session that is read, in today's form or an earlier one. */
export const sessionSchema = z.preprocess(todaysSession, sessionDocumentSchema);

/** A part of a session that does not agree with the rest. */
export interface Disagreement {
  readonly path: readonly (string | number)[];
  readonly message: string;
}

const samplesOf = (track: Session['tracks'][string]): readonly number[] =>
  Object.values(track).flatMap((s) => (s ? [s.x.length, s.y.length, s.confidence.length, s.origin.length] : []));

/**
 * What the parts of a session say of each other that cannot be: two clips of one id, tracks of another length than
 * their clip.
 */
export function disagreements(session: Session): readonly Disagreement[] {
  const found: Disagreement[] = [];
  const frames = new Map<string, number>();
  session.clips.forEach((clip, i) => {
    if (frames.has(clip.id)) found.push({ path: ['clips', i], message: TEXT.twoClipsHaveId(clip.id) });
    frames.set(clip.id, clip.frameTimes.length);
  });
  session.clips.forEach(({ sync }, i) => {
    const other = sync && session.clips.find((c) => c.id === sync.to);
    if (sync && (!other || other.sync !== null))
      found.push({ path: ['clips', i, 'sync'], message: TEXT.itIsFurtherCamera });
  });
  for (const [id, track] of Object.entries(session.tracks)) {
    const length = frames.get(id);
    if (length !== undefined && samplesOf(track).some((n) => n !== length))
      found.push({ path: ['tracks', id], message: TEXT.itsPointsDoNotHave });
  }
  for (const [id, { frames: at, derived }] of Object.entries(session.detections)) {
    const length = frames.get(id);
    const isOff = Object.values(derived).some((places) => places && places.length !== length);
    if (length !== undefined && (isOff || (at[at.length - 1] ?? 0) >= length))
      found.push({ path: ['detections', id], message: TEXT.itsPointsWereDetected });
  }
  for (const [id, { all, chosen }] of Object.entries(session.repetitions)) {
    if (chosen >= all.length) found.push({ path: ['repetitions', id], message: TEXT.itShowsRepetitionThat });
  }
  return found;
}

/** Hz; lower ones flatten the arm of a throw at release (against rendered truth, `docs/decisions`). */
export const DEFAULT_CUTOFF = 20;

export function newSession(id: string, name: string, movementId: string, createdAt: string): Session {
  return {
    schemaVersion: 1,
    id,
    name,
    createdAt,
    filmedOn: null,
    movementId,
    ownMovement: null,
    setUp: [],
    daysToCompetition: null,
    clips: [],
    tracks: {},
    detections: {},
    spatial: {},
    digitisings: [],
    measuredErrors: {},
    checks: {},
    marks: {},
    repetitions: {},
    referenceModel: FIRST_REFERENCE,
    school: null,
    criteria: {},
    setAside: [],
    importances: {},
    ownCorrections: [],
    correctionVerdicts: {},
    cutoff: DEFAULT_CUTOFF,
    impressions: '',
    notes: [],
    drawings: [],
    talk: [],
    passes: null,
    decisions: [],
    practice: NO_PRACTICE,
    cameraPlan: null,
    order: [],
  };
}

/** The day of a session, as an ISO date; empty where neither of its dates is one. */
export const dayOf = ({ filmedOn, createdAt }: Pick<Session, 'filmedOn' | 'createdAt'>): string =>
  [filmedOn, createdAt?.slice(0, 10)].find((day): day is string => typeof day === 'string' && isFilmingDay(day)) ?? '';
