import { z } from 'zod';
import { attemptResultSchema, setUpSchema } from './conditions';
import { samples } from './samples';
import { athleteIdSchema, coordinateSchema, isIncreasing, keySchema, pictureSideSchema, rateSchema } from './fields';
import { LIMITS } from './limits';
import { TEXT } from '../../text/core/model';

export const sideSchema = z.enum(['left', 'right']);

/** From where a camera sees the plane of the movement. */
export const viewKindSchema = z.enum(['side', 'front', 'back', 'overhead']);
export type ViewKind = z.infer<typeof viewKindSchema>;

export const viewSchema = z.object({
  kind: viewKindSchema,
  /** Degrees by which the camera is off the named view, horizontally; null where nobody knows. */
  offPlaneDegrees: z.number().min(-90).max(90).nullable(),
  /** How sure that is; left out where somebody stated it. */
  offPlaneSdDegrees: z.number().positive().max(45).optional(),
  /** Degrees by which the camera looks down on the performer, negative up; left out where nobody knows. */
  downDegrees: z.number().min(-60).max(60).optional(),
  /** How sure that is; left out where somebody stated it. */
  downSdDegrees: z.number().positive().max(45).optional(),
});
export type View = z.infer<typeof viewSchema>;

/** The table of segment masses by which a centre of mass is computed. */
export const segmentTableSchema = z.enum(['male', 'female']);

/** The performer as asked for at intake. */
export const performerSchema = z.object({
  /** The athlete's record; left out where the name alone tells who it is. */
  athleteId: athleteIdSchema.optional(),
  name: z.string().trim().min(1, TEXT.givePerformerName).max(LIMITS.name, TEXT.nameHasAtMostCharacters(LIMITS.name)),
  dominantSide: sideSchema,
  /** Standing height, metres; left out where nobody stated it. */
  heightMetres: z.number().min(0.5).max(2.6).optional(),
  /** Whether the performer is under age: it changes cautions and consent. */
  minor: z.boolean(),
  /** The table by which the centre of mass is computed. */
  segmentTable: segmentTableSchema.default('male'),
  /** Whether consent to film and analyse was given (by a guardian for a minor). */
  consent: z.boolean(),
});
export type Performer = z.infer<typeof performerSchema>;

export const roleSchema = z.enum(['athlete', 'reference']);
export type Role = z.infer<typeof roleSchema>;

const TURNED = ['x', 'y', 'z', 'zoom', 'own', 'drift'] as const;

/**
 * How what stands still moved in the picture, which tells how the camera moved: for each frame that was looked at, a
 * similarity from the first of them, about the picture's middle.
 */
export const cameraPathSchema = z
  .object({
    /** Frames that were looked at, increasing. */
    frames: samples(Float64Array),
    /** Shift to the right and down, shares of the picture's width. */
    x: samples(Float64Array),
    y: samples(Float64Array),
    /** Growth: above 1 the camera has zoomed in. */
    scale: samples(Float64Array),
    /** Clockwise turn, radians. */
    roll: samples(Float64Array),
    /** Share of the corners of the background that moved so, 0..1. */
    share: samples(Float64Array),
    /** First frames of further shots: the film is cut before each. */
    cuts: z.array(z.number().int().positive()).max(LIMITS.frames).default([]),
    /**
     * The same as a camera that turns about its place and zooms, by which points are brought to one picture; null where
     * it was not told.
     */
    turned: z
      .object({
        /** Rotation vector from the first picture's directions to each one's, radians. */
        x: samples(Float64Array),
        y: samples(Float64Array),
        z: samples(Float64Array),
        /** Focal length over that of the first picture. */
        zoom: samples(Float64Array),
        /** How far a place may be off, widths of the picture, one standard deviation: by the look itself ... */
        own: samples(Float64Array),
        /** ... and by the chain of looks before it, which grows. */
        drift: samples(Float64Array),
        /** Focal length of the first picture, widths, and the standard deviation of its natural logarithm. */
        focal: z.number().positive(),
        focalLogSd: z.number().nonnegative(),
      })
      .nullable()
      .default(null),
  })
  .refine(
    ({ frames, x, y, scale, roll, share, turned }) =>
      isIncreasing(frames) &&
      [x, y, scale, roll, share, ...(turned ? TURNED.map((key) => turned[key]) : [])].every(
        (values) => values.length === frames.length && values.every(Number.isFinite),
      ),
    TEXT.cameraPathHasAsMany,
  );
export type TurnedPath = NonNullable<z.infer<typeof cameraPathSchema>['turned']>;
export type CameraPath = z.infer<typeof cameraPathSchema>;

export const partSchema = z
  .object({ from: z.number().nonnegative(), to: z.number().positive() })
  .refine(({ from, to }) => from < to, TEXT.partOfFileEndsAfter);
export type Part = z.infer<typeof partSchema>;

/**
 * Frames of a file that were not filmed: those whose number is one of `again` in the cycle. They show the picture before
 * them again, or blend the ones before and after them.
 */
export const repeatsSchema = z
  .object({
    cycle: z.number().int().min(2).max(12),
    again: z.array(z.number().int().nonnegative()).min(1),
    blended: z.boolean().default(false),
  })
  .refine(({ cycle, again }) => again.length < cycle && again.every((place) => place < cycle), {
    error: TEXT.notAllFramesOfCycle,
  });
export type Repeats = z.infer<typeof repeatsSchema>;

/** From a frame on the camera took another number of frames per second; null where nobody knows how many. */
export const rateChangeSchema = z.object({
  from: z.number().int().nonnegative(),
  captureRate: rateSchema.nullable(),
});
export type RateChange = z.infer<typeof rateChangeSchema>;

/** What a performance in the reference library is known by. */
export const libraryEntrySchema = z.object({
  /** How good it is, in the words of whoever keeps it: under 16, national, world. */
  level: z.string().trim().max(60).default(''),
  tags: z.array(z.string().trim().min(1).max(40)).max(20).default([]),
});
export type LibraryEntry = z.infer<typeof libraryEntrySchema>;

/** One video file of one trial. */
export const clipSchema = z.object({
  id: keySchema,
  role: roleSchema,
  fileName: z.string().max(1000),
  /** The stored video; null for a figure drawn from points. */
  mediaId: z.string().nullable(),
  /**
   * The part of the file that the clip is: the frames from one time of the container until before another, seconds;
   * null is all of it. Frames and their times count from the part's first.
   */
  part: partSchema.nullable().default(null),
  /** Frames that are left out since they repeat a picture, counted from the part's first; null where none does. */
  repeats: repeatsSchema.nullable().default(null),
  codec: z.string(),
  /** Displayed picture, rotation applied, pixels. */
  width: pictureSideSchema,
  height: pictureSideSchema,
  rotation: z.union([z.literal(0), z.literal(90), z.literal(180), z.literal(270)]),
  /** Presentation time of every frame in file time, microseconds from the first frame, increasing. */
  frameTimes: z.custom<Float64Array>(
    (value) =>
      value instanceof Float64Array && value.length > 0 && value.length <= LIMITS.frames && isIncreasing(value),
    TEXT.frameTimesAreList(LIMITS.frames),
  ),
  /** Frames per second as the file plays, and as the camera took them. */
  fileRate: rateSchema,
  captureRate: rateSchema,
  /** Where a clip is slowed, runs on at full speed, or is not known: `captureRate` holds until the first of them. */
  rateChanges: z
    .array(rateChangeSchema)
    .max(LIMITS.rateChanges)
    .refine((changes) => isIncreasing(Float64Array.from(changes, ({ from }) => from)), TEXT.changesOfRateComeOne)
    .refine(([first]) => first?.from !== 0 || first.captureRate === null, TEXT.rateOfFirstFrame)
    .default([]),
  performer: performerSchema,
  view: viewSchema,
  /** Which way the performer travels in the picture. */
  travel: sideSchema,
  /** Shown as in a mirror, to put a left-hander beside a right-hander; measured values do not change. */
  mirrored: z.boolean(),
  /** Degrees by which the picture is turned clockwise to be level; measured values follow it. */
  levelDegrees: z.number().min(-45).max(45).default(0),
  /** Only the picture on the screen: 1 is as filmed. */
  brightness: z.number().min(0.5).max(4).default(1),
  contrast: z.number().min(0.5).max(3).default(1),
  /**
   * Another camera's clip of the same trial: frame positions (fractions lie between two frames) that are one
   * instant in both. One pair fixes the offset of the two clocks, two or more their drift as well.
   */
  sync: z
    .object({
      to: keySchema,
      pairs: z.array(z.object({ own: coordinateSchema, other: coordinateSchema })).max(LIMITS.commonInstants),
    })
    .nullable()
    .default(null),
  /** Whether the clip has a pane on the bench. */
  onBench: z.boolean().default(true),
  /** A length measured in the plane of the movement: so many pixels of the picture are so many metres. */
  scale: z
    .object({
      pixels: z.number().positive(),
      metres: z.number().positive(),
      /** The line's angle to the level picture's horizontal, degrees 0..90; left out where it was not kept. */
      alongDegrees: z.number().min(0).max(90).optional(),
      /** The frame in whose picture it was drawn, which a camera that moves needs. */
      frame: z.number().int().nonnegative().optional(),
    })
    .nullable()
    .default(null),
  /** From where a figure drawn from points in space is seen; null for a video or points of a picture. */
  figure: z.object({ azimuthDegrees: z.number(), elevationDegrees: z.number() }).nullable().default(null),
  /**
   * A rectangle on the ground: its corners in the picture, one after the other, its length from the first to the second
   * and its width, metres.
   */
  ground: z
    .object({
      corners: z.array(z.object({ x: coordinateSchema, y: coordinateSchema })).length(4),
      length: z.number().positive(),
      width: z.number().positive(),
      /** The frame in whose picture it was marked, which a camera that moves needs. */
      frame: z.number().int().nonnegative().optional(),
    })
    .nullable()
    .default(null),
  /** A copy of the same frames in short groups, which jumps quicker; measuring uses the original. */
  workMediaId: z.string().nullable().default(null),
  /** What came of the attempt, where it counts, and what of the set-up was otherwise than in its session. */
  result: attemptResultSchema.nullable().default(null),
  setUp: setUpSchema.default([]),
  /** Kept as a reference for any session; null where it is this session's alone. */
  library: libraryEntrySchema.nullable().default(null),
  /** Still pictures: each frame is one by itself, and nothing is known of the time between them. */
  pictures: z.boolean().default(false),
  /** The file repeats pictures in no cycle: times between its frames are not those of the movement. */
  timesUnsure: z.boolean().default(false),
  /** How the camera moved; null where nobody has looked, or the user says that it stood still. */
  camera: cameraPathSchema.nullable().default(null),
  /** Places that stand still, pressed in the pictures of frames: they tie a camera that moves down. */
  tiePoints: z
    .array(
      z.object({
        id: keySchema,
        seen: z
          .array(z.object({ frame: z.number().int().nonnegative(), x: coordinateSchema, y: coordinateSchema }))
          .min(1)
          .max(LIMITS.tiePoints),
      }),
    )
    .max(LIMITS.tiePoints)
    .default([]),
  /** How far the microphone is from what is heard, metres, which sound needs time for; null where nobody said so. */
  soundMetres: z.number().nonnegative().max(LIMITS.soundMetres).nullable().default(null),
  /** What a correction by hand tells of how the detector errs is carried to the other frames. */
  carryCorrections: z.boolean().default(false),
  /** The clip of the partner among several other people of the picture; the first of them where nobody said. */
  partnerId: keySchema.optional(),
});
export type Clip = z.infer<typeof clipSchema>;

/** Which side of the body is turned away from a camera at the side; null for the other views. */
export function farSide(clip: Pick<Clip, 'view' | 'travel'>): 'left' | 'right' | null {
  if (clip.view.kind !== 'side') return null;
  return clip.travel === 'right' ? 'left' : 'right';
}

/** How a camera sees a joint: of the side towards it or of the other, from before or behind the body, from above. */
export type SeenFrom = 'near' | 'far' | 'front' | 'above';

/** @param side of the body that the joint belongs to; null for those of neither */
export function seenFrom(clip: Pick<Clip, 'view' | 'travel'>, side: 'left' | 'right' | null): SeenFrom {
  if (clip.view.kind === 'overhead') return 'above';
  if (clip.view.kind !== 'side') return 'front';
  return side !== null && side === farSide(clip) ? 'far' : 'near';
}
