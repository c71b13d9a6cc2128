import type { Clip } from '../core/model/clip';
import { performerKey } from '../core/model/performer';
import { dayOf, type Session } from '../core/model/session';
import { slotsOf } from '../core/model/slots';
import { captureRateAt } from '../core/timing/clip-time';
import type { StoredSummary, StoredTrialSummary } from './database';
import { mediaNamedIn } from './media';

export interface SessionSummary extends StoredSummary {
  /** Why it cannot be opened as it is; null for one that can, as far as is known. */
  readonly damage: string | null;
}

export const textOr = (value: unknown, other: string): string => (typeof value === 'string' ? value : other);

/** Bytes that a value takes, about. */
function sizeOf(value: unknown): number {
  if (ArrayBuffer.isView(value)) return value.byteLength;
  if (typeof value === 'string') return 2 * value.length;
  if (typeof value !== 'object' || value === null) return 8;
  return Object.entries(value).reduce((sum, [key, part]) => sum + 2 * key.length + sizeOf(part), 0);
}

const trialSummary = (clip: Clip, all: readonly Clip[]): StoredTrialSummary => ({
  clipId: clip.id,
  fileName: clip.fileName,
  mediaId: clip.mediaId,
  role: clip.role,
  name: clip.performer.name,
  performer: performerKey(clip.performer),
  view: clip.view.kind,
  rate: captureRateAt(clip, 0),
  cameras: 1 + all.filter(({ sync }) => sync?.to === clip.id).length,
  library: clip.library,
});

/** What is listed of a session. */
export function summaryOf(session: Session, updatedAt: string): StoredSummary {
  const athlete = slotsOf(session.clips).find((slot) => slot.id === 'athlete')?.clip;
  return {
    id: session.id,
    name: session.name,
    updatedAt,
    on: dayOf(session),
    movementId: session.movementId,
    movementName: session.ownMovement?.name ?? null,
    measuredBy: session.ownMovement?.id ?? session.movementId,
    performers: session.clips.map((clip) => clip.performer.name),
    performerKeys: session.clips.map((clip) => performerKey(clip.performer)),
    athlete: athlete ? performerKey(athlete.performer) : null,
    trials: session.clips.filter((clip) => clip.sync === null).map((clip) => trialSummary(clip, session.clips)),
    media: mediaNamedIn(session),
    bytes: sizeOf(session),
  };
}

/** What can be listed of a document that makes no session. */
export const unreadable = (document: unknown): Omit<StoredSummary, 'id' | 'name' | 'updatedAt'> => ({
  on: '',
  movementId: '',
  movementName: null,
  measuredBy: '',
  performers: [],
  performerKeys: [],
  athlete: null,
  trials: [],
  media: mediaNamedIn(document),
  bytes: sizeOf(document),
});
