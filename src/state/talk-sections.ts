import type { TalkSection } from '../core/model/talk';
import { ok, type Issue, type Result } from '../core/result';
import { talkSound } from '../core/talk/talk-film';
import { writeWav } from '../core/talk/wav';
import { edit, useDocument } from './document-store';
import { recordedSections } from './talk-film';
import { startTalking } from './talk-recorder';

export function removeSection(id: string): void {
  edit((session) => {
    session.talk = session.talk.filter((section) => section.id !== id);
  });
}

/** Records a section again in the place of the one that there is. */
export function recordAnew(id: string): void {
  const place = useDocument.getState().session?.talk.findIndex((section) => section.id === id) ?? -1;
  if (place < 0) return;
  removeSection(id);
  void startTalking(place);
}

/** Keeps a stretch of a section, seconds from its beginning; nothing of it is thrown away. */
export function trimSection(id: string, [from, to]: readonly [number, number]): void {
  edit((session) => {
    session.talk = session.talk.map((section) => (section.id === id ? { ...section, from, to } : section));
  });
}

/** The whole of what was said in a section as one file; null where no microphone was open. */
export async function soundOfSection(
  parts: TalkSection['parts'],
  seconds: number,
): Promise<Result<Blob | null, Issue<'damaged'>>> {
  const recorded = await recordedSections([{ id: '', seconds, from: 0, to: seconds, parts }]);
  if (!recorded.ok) return recorded;
  const sound = talkSound(recorded.value);
  return ok(sound && new Blob([writeWav(sound)], { type: 'audio/wav' }));
}
