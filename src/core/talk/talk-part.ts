import { z } from 'zod';
import type { Primitive } from '../geometry/primitives';
import { coordinateSchema, keySchema } from '../model/fields';
import { LIMITS } from '../model/limits';
import { fail, ok, type Issue, type Result } from '../result';
import { TEXT } from '../../text/core/talk';

const vec2Schema = z.object({ x: coordinateSchema, y: coordinateSchema });
const sideSchema = z.number().nonnegative().max(LIMITS.pictureSide);

const primitiveSchema = z.discriminatedUnion('shape', [
  z.object({
    shape: z.literal('segment'),
    from: vec2Schema,
    to: vec2Schema,
    weight: z.enum(['bone', 'faint', 'measure', 'guide']),
  }),
  z.object({
    shape: z.literal('arc'),
    centre: vec2Schema,
    radius: z.number().nonnegative(),
    start: z.number(),
    sweep: z.number(),
  }),
  z.object({ shape: z.literal('dot'), at: vec2Schema, sure: z.boolean() }),
  z.object({ shape: z.literal('label'), at: vec2Schema, text: z.string(), drawn: z.boolean().optional() }),
  z.object({ shape: z.literal('path'), points: z.array(vec2Schema), thin: z.boolean().optional() }),
  z.object({ shape: z.literal('ring'), centre: vec2Schema, radius: z.number().nonnegative() }),
]);

const paneSchema = z.object({
  clipId: keySchema,
  frame: z.number().int().nonnegative().max(LIMITS.frames),
  /** Where the pane stood among the panes, pixels of the screen. */
  box: z.object({ x: coordinateSchema, y: coordinateSchema, width: sideSchema, height: sideSchema }),
  /** The picture position at the pane's middle, and pane pixels per picture pixel. */
  viewport: z.object({
    x: coordinateSchema,
    y: coordinateSchema,
    scale: z.number().positive(),
    mirrored: z.boolean(),
    turn: z.number(),
  }),
  /** How much of the picture is seen (0 to 1), and whether only its outlines are. */
  opacity: z.number().min(0).max(1),
  edges: z.boolean(),
  /** Which of the part's scenes lies over the picture. */
  scene: z.number().int().nonnegative(),
});

const pictureSchema = z.object({
  /** From when on it stood on the screen, seconds from the beginning of the section. */
  at: z.number().nonnegative().max(LIMITS.talkSeconds),
  panes: z.array(paneSchema),
  /** The room that all panes had together, pixels of the screen. */
  room: z.object({ width: sideSchema, height: sideSchema }),
  /** Where the pointer stood in that room; null where it was outside. */
  pointer: vec2Schema.nullable(),
  /** The moment of the movement that had been reached. */
  moment: z.string().nullable(),
});

/** Some seconds of what the screen showed; nothing of the videos themselves, only which frame of them. */
const talkPartSchema = z
  .object({
    scenes: z.array(z.array(primitiveSchema)),
    pictures: z.array(pictureSchema).min(1),
    /** Findings that were noted meanwhile, by id, and when. */
    notes: z.array(z.object({ at: z.number().nonnegative(), id: keySchema })),
  })
  .refine(
    ({ scenes, pictures }) => pictures.every(({ panes }) => panes.every(({ scene }) => scene < scenes.length)),
    TEXT.pictureNamesSceneThat,
  );
export type TalkPart = z.infer<typeof talkPartSchema>;
export type TalkPicture = TalkPart['pictures'][number];
export type TalkPane = TalkPicture['panes'][number];

/** Reads a part as `SectionRecorder` cuts it, from its text. */
export function readTalkPart(text: string): Result<TalkPart, Issue<'damaged'>> {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch {
    return fail('damaged', TEXT.partOfWhatWasShown);
  }
  const part = talkPartSchema.safeParse(document);
  if (part.success) return ok(part.data);
  const { path, message } = part.error.issues[0]!;
  return fail('damaged', TEXT.partOfWhatWasShownWhile(path.join(' '), message));
}

/** Shapes that can be kept: those that have a place. */
export const keptScene = (scene: readonly Primitive[]): readonly Primitive[] =>
  scene.filter((shape) => primitiveSchema.safeParse(shape).success);
