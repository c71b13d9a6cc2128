import { z } from 'zod';
import { talkMedia, talkSectionSchema, type TalkSection } from '../core/model/talk';
import { edit, useDocument } from './document-store';
import { notify } from './notices';

/**
 * The section that is being recorded, until it belongs to its session: a page that crashes meanwhile finds it again.
 * It is no part of the session yet, since a step back while one talks must not take away what was said.
 */
const KEY = 'proud-falcon-talking';

const underwaySchema = z.object({ session: z.string(), section: talkSectionSchema });
type Underway = z.infer<typeof underwaySchema>;

function read(): Underway | null {
  try {
    const parsed = underwaySchema.safeParse(JSON.parse(localStorage.getItem(KEY) ?? 'null'));
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}

/** Remembers what there is so far; null once it is in its session. */
export function setUnderway(underway: Underway | null): void {
  if (underway) localStorage.setItem(KEY, JSON.stringify(underway));
  else localStorage.removeItem(KEY);
}

/** Media that no session names yet and that are wanted all the same. */
export function mediaUnderway(): readonly string[] {
  const underway = read();
  return underway ? talkMedia([underway.section]) : [];
}

/** @param place which section it becomes; null is the last */
export const addSection = (section: TalkSection, place: number | null = null): boolean =>
  edit((session) => {
    session.talk.splice(place ?? session.talk.length, 0, section);
  });

/** Gives a session that was just opened the section that was being recorded when its page ended. */
export function adoptUnderway(): void {
  const underway = read();
  const { session } = useDocument.getState();
  if (!underway || underway.session !== session?.id) return;
  setUnderway(null);
  if (session.talk.some(({ id }) => id === underway.section.id) || !addSection(underway.section)) return;
  notify('info', 'The page ended while you talked. What was recorded until then is kept: see \u201cTalk\u201d.');
}
