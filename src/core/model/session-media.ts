import type { Session } from './session';
import { talkMedia } from './talk';
import { TEXT } from '../../text/core/model';

/** One file that a session names, and what it is called where it is missing. */
interface NamedMedia {
  readonly mediaId: string;
  readonly name: string;
}

/**
 * Every file that a session cannot do without: videos, what was recorded while talking, voice notes. Work copies are no
 * part of it, since they can be made again.
 */
export const mediaOf = ({ clips, talk, notes }: Session): readonly NamedMedia[] => [
  ...clips.flatMap(({ mediaId, fileName }) => (mediaId === null ? [] : [{ mediaId, name: fileName }])),
  ...talk.flatMap((section, i) =>
    talkMedia([section]).map((mediaId) => ({ mediaId, name: TEXT.sectionOfTalk(i + 1) })),
  ),
  ...notes.flatMap(({ voice }) => (voice === null ? [] : [{ mediaId: voice.mediaId, name: TEXT.voiceNote }])),
];

/** The same session with other media ids, and without work copies. */
export const withMedia = (session: Session, idOf: (mediaId: string) => string): Session => ({
  ...session,
  clips: session.clips.map((clip) => ({
    ...clip,
    mediaId: clip.mediaId === null ? null : idOf(clip.mediaId),
    workMediaId: null,
  })),
  talk: session.talk.map((section) => ({
    ...section,
    parts: section.parts.map(({ at, pictures, sound }) => ({
      at,
      pictures: idOf(pictures),
      sound: sound === null ? null : idOf(sound),
    })),
  })),
  notes: session.notes.map((note) => ({
    ...note,
    voice: note.voice && { ...note.voice, mediaId: idOf(note.voice.mediaId) },
  })),
});
