import type { Clip, Role } from './clip';

/** Looks that tell trials apart: the athlete's, the reference's, and those of further ones. */
export const STYLE_KEYS = [
  'athlete',
  'athlete-2',
  'athlete-3',
  'athlete-4',
  'reference',
  'reference-2',
  'reference-3',
  'reference-4',
] as const;
export type StyleKey = (typeof STYLE_KEYS)[number];

/** A clip's place in a session: whose trial it shows, and from which of its cameras. */
export interface Slot {
  readonly clip: Clip;
  /** Unique in the session; the first athlete and the first reference have their role's name. */
  readonly id: string;
  readonly styleKey: StyleKey;
  /** The clip that this one is another camera of; itself where it stands alone. */
  readonly main: Clip;
}

/** As many pictures as can be followed at once. */
export const MOST_PANES = 4;

/** The first performance of a role, by its main camera; undefined where there is none. */
export const firstOf = (clips: readonly Clip[], role: Role): Clip | undefined =>
  clips.find((clip) => clip.role === role && clip.sync === null);

/** The clip whose trial a clip shows. */
export function mainOf(clips: readonly Clip[], clip: Clip): Clip {
  const main = clip.sync && clips.find((other) => other.id === clip.sync!.to);
  return main && !main.sync ? main : clip;
}

/** Every clip's place: trials first (athletes, then references), then their further cameras. */
export function slotsOf(clips: readonly Clip[]): readonly Slot[] {
  const mains = clips.filter((clip) => mainOf(clips, clip) === clip);
  const ordered = (['athlete', 'reference'] as const).flatMap((role: Role) =>
    mains
      .filter((clip) => clip.role === role)
      .map((clip, n): Slot => {
        const styleKey = (n === 0 ? role : `${role}-${Math.min(4, n + 1)}`) as StyleKey;
        return { clip, id: n === 0 ? role : `${role}-${n + 1}`, styleKey, main: clip };
      }),
  );
  const views = ordered.flatMap((slot) =>
    clips
      .filter((clip) => clip !== slot.clip && mainOf(clips, clip) === slot.clip)
      .map((clip, n): Slot => ({ clip, id: `${slot.id}-view-${n + 2}`, styleKey: slot.styleKey, main: slot.clip })),
  );
  return [...ordered, ...views];
}
