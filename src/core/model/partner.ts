import type { Clip, Performer } from './clip';
import { performerKey } from './performer';

const samePart = (a: Clip['part'], b: Clip['part']): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The first other person of the same picture who has a clip of their own; null where there is nobody. */
export const partnerOf = (clips: readonly Clip[], clip: Clip): Clip | null =>
  clips.find(
    (other) =>
      other.id !== clip.id &&
      other.mediaId === clip.mediaId &&
      samePart(other.part, clip.part) &&
      performerKey(other.performer) !== performerKey(clip.performer),
  ) ?? null;

/** Somebody else in the picture of a performer: their record and their height are not this one's. */
export const otherPerson = ({ dominantSide, minor, segmentTable, consent }: Performer, name: string): Performer => ({
  name,
  dominantSide,
  minor,
  segmentTable,
  consent,
});
