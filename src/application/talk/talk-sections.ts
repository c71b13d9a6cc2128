import type { TalkSection } from '../../core/model/talk';
import { edit } from '../stores/document-store';

/** @param place which section it becomes; null is the last */
export const addSection = (section: TalkSection, place: number | null = null): boolean =>
  edit((session) => {
    session.talk.splice(place ?? session.talk.length, 0, section);
  });

export function removeSection(id: string): void {
  edit((session) => {
    session.talk = session.talk.filter((section) => section.id !== id);
  });
}

/** Keeps a stretch of a section, seconds from its beginning; nothing of it is thrown away. */
export function trimSection(id: string, [from, to]: readonly [number, number]): void {
  edit((session) => {
    session.talk = session.talk.map((section) => (section.id === id ? { ...section, from, to } : section));
  });
}
