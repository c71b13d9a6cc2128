import type { Clip, Role } from '../core/model/clip';
import { copyClips, KNOWN_OF_CLIPS } from '../core/model/copied-clips';
import { performerKey } from '../core/model/performer';
import type { Session } from '../core/model/session';
import { allStoredSessions } from '../storage/sessions';
import { baseOf } from './derived';
import { edit, whenStored, useDocument } from './document-store';
import { openSources } from './session-use-cases';

/** A trial of another session. */
export interface StoredTrial {
  readonly session: Session;
  /** Its first camera. */
  readonly clip: Clip;
}

/** What makes two clips one trial: the same person in the same video. */
const trialKey = ({ mediaId, id, performer }: Clip): string => `${mediaId ?? id} ${performerKey(performer)}`;

/**
 * Trials of the other sessions of this browser, the session changed last first. One that several sessions use
 * stands once, as it was last worked on; those of the open session are left out.
 */
export async function trialsElsewhere(openId: string): Promise<readonly StoredTrial[]> {
  await whenStored();
  const stored = (await allStoredSessions()).map(({ session }) => session);
  const known = new Set(stored.find((session) => session.id === openId)?.clips.map(trialKey));
  const all = stored
    .filter((session) => session.id !== openId)
    .flatMap((session) => session.clips.filter((clip) => clip.sync === null).map((clip) => ({ session, clip })));
  return all.filter(({ clip }) => {
    const key = trialKey(clip);
    return !known.has(key) && known.add(key);
  });
}

/**
 * Takes a trial of another session into the open one, with all its cameras and points; with its moments,
 * repetitions and answers where both sessions are of one movement. The video is kept once. One undoable step; returns
 * the id of its first camera here.
 * @param first whether it comes before the others of its role, as the one that is compared
 */
export async function takeTrial({ session: from, clip }: StoredTrial, role: Role, first = false): Promise<string> {
  const cameras = from.clips.filter((c) => c.id === clip.id || c.sync?.to === clip.id);
  const sameMovement = baseOf(from).id === baseOf(useDocument.getState().session!).id;
  const copied = copyClips(from, cameras, () => crypto.randomUUID(), sameMovement);
  const taken = copied.clips.map((camera) => ({ ...camera, role, onBench: true }));
  edit((session) => {
    session.clips = first ? [...taken, ...session.clips] : [...session.clips, ...taken];
    for (const kind of KNOWN_OF_CLIPS) Object.assign(session[kind], copied[kind]);
    if (first) session.referenceModel = { kind: 'one', without: [], phases: {}, own: null };
  });
  await openSources();
  return copied.ids.get(clip.id)!;
}
