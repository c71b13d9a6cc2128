import type { Clip, Role } from './clip';

/** Looks that tell performances apart: the athlete's, the reference's, and those of further ones. */
export const LOOKS = [
  'athlete',
  'athlete-2',
  'athlete-3',
  'athlete-4',
  'reference',
  'reference-2',
  'reference-3',
  'reference-4',
] as const;
export type Look = (typeof LOOKS)[number];

/** A clip's place in a session: whose performance it shows, and from which of its cameras. */
export interface Slot {
  readonly clip: Clip;
  /** Unique in the session; the first athlete and the first reference have their role's name. */
  readonly id: string;
  readonly look: Look;
  /** The clip that this one is another camera of; itself where it stands alone. */
  readonly root: Clip;
}

/** As many pictures as can be followed at once. */
export const MOST_PANES = 4;

/** The clip whose performance a clip shows. */
export function rootOf(clips: readonly Clip[], clip: Clip): Clip {
  const root = clip.joined && clips.find((other) => other.id === clip.joined!.to);
  return root && !root.joined ? root : clip;
}

/** Every clip's place: performances first (athletes, then references), then their further cameras. */
export function slotsOf(clips: readonly Clip[]): readonly Slot[] {
  const roots = clips.filter((clip) => rootOf(clips, clip) === clip);
  const ordered = (['athlete', 'reference'] as const).flatMap((role: Role) =>
    roots
      .filter((clip) => clip.role === role)
      .map((clip, n): Slot => {
        const look = (n === 0 ? role : `${role}-${Math.min(4, n + 1)}`) as Look;
        return { clip, id: n === 0 ? role : `${role}-${n + 1}`, look, root: clip };
      }),
  );
  const views = ordered.flatMap((slot) =>
    clips
      .filter((clip) => clip !== slot.clip && rootOf(clips, clip) === slot.clip)
      .map((clip, n): Slot => ({ clip, id: `${slot.id}-view-${n + 2}`, look: slot.look, root: slot.clip })),
  );
  return [...ordered, ...views];
}
