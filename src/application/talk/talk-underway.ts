import { z } from 'zod';
import { talkMedia, talkSectionSchema, type TalkSection } from '../../core/model/talk';
import { useDocument } from '../stores/document-store';
import { notify } from '../stores/notices';
import { addSection } from './talk-sections';
import { useWindow } from '../stores/windows';
import { TEXT } from '../../text/application/talk';

/**
 * The section that is being recorded to each session, until it belongs to it: a page that crashes meanwhile finds it
 * again. It is no part of the session yet, since a step back while one talks must not take away what was said.
 */
const KEY = 'proud-falcon-talking';

const underwaySchema = z.record(z.string(), talkSectionSchema);
type Underway = z.infer<typeof underwaySchema>;

function read(): Underway {
  try {
    return underwaySchema.parse(JSON.parse(localStorage.getItem(KEY) ?? '{}'));
  } catch {
    return {};
  }
}

/** Remembers what there is so far; null once it is in its session. */
export function setUnderway(sessionId: string, section: TalkSection | null): void {
  const all = read();
  if (section) all[sessionId] = section;
  else delete all[sessionId];
  if (Object.keys(all).length > 0) localStorage.setItem(KEY, JSON.stringify(all));
  else localStorage.removeItem(KEY);
}

/** Media that no session names yet and that are wanted all the same. */
export const mediaUnderway = (): readonly string[] => talkMedia(Object.values(read()));

/**
 * Gives a session that was just opened the section that was being recorded when its page ended. A window that follows
 * leaves it: the one that writes may be recording it right now.
 */
export function adoptUnderway(): void {
  const { session } = useDocument.getState();
  const section = session && read()[session.id];
  if (!section || useWindow.getState().role !== 'writer') return;
  if (!session.talk.some(({ id }) => id === section.id) && !addSection(section)) return;
  setUnderway(session.id, null);
  notify('info', TEXT.pageEndedWhileYouTalked);
}
