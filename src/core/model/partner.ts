import type { Clip, Performer } from './clip';
import { performerKey } from './performer';

const samePart = (a: Clip['part'], b: Clip['part']): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Other people of the same picture who have clips of their own. */
export const othersOf = (clips: readonly Clip[], clip: Clip): readonly Clip[] =>
  clips.filter(
    (other) =>
      other.id !== clip.id &&
      other.mediaId === clip.mediaId &&
      samePart(other.part, clip.part) &&
      performerKey(other.performer) !== performerKey(clip.performer),
  );

/** The partner in the same picture: whom the analyst chose, else the first other person; null where there is nobody. */
export function partnerOf(clips: readonly Clip[], clip: Clip): Clip | null {
  const others = othersOf(clips, clip);
  return others.find(({ id }) => id === clip.partnerId) ?? others[0] ?? null;
}

/** Somebody else in the picture of a performer: their record and their height are not this one's. */
export const otherPerson = ({ dominantSide, minor, segmentTable, consent }: Performer, name: string): Performer => ({
  name,
  dominantSide,
  minor,
  segmentTable,
  consent,
});
