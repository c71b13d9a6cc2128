import type { Clip, Role } from '../../core/model/clip';
import { mayShare } from '../../core/model/athlete';
import { FIRST_REFERENCE } from '../../core/model/reference-model';
import { copyClips, KNOWN_OF_CLIPS } from '../../core/model/copied-clips';
import type { Session } from '../../core/model/session';
import { fail, ok, type Issue, type Result } from '../../core/result';
import { allAthletes } from '../../storage/athletes';
import type { StoredTrialSummary } from '../../storage/database';
import { readSession } from '../../storage/sessions';
import { listSessions, type SessionSummary } from '../../storage/session-list';
import type { StorageIssue } from '../../storage/storage-issue';
import { baseOf } from '../analysis/derived';
import { edit, useDocument } from '../stores/document-store';
import { whenStored } from '../stores/saving';
import { holdsWords } from '../session/search';
import { openSources } from '../session/session-use-cases';
import { TEXT } from '../../text/application/season';

/** A performance of another session, as it is listed. */
export interface ListedTrial extends StoredTrialSummary {
  readonly session: SessionSummary;
  /** Whether the performer has not agreed to be shown to others. */
  readonly notToShare: boolean;
}

/** What makes two of them one: the same person in the same video. */
const trialKey = ({ mediaId, clipId, performer }: StoredTrialSummary): string => `${mediaId ?? clipId} ${performer}`;

/**
 * Performances of the other sessions of this browser, the session changed last first. One that several sessions use
 * stands once, as it is in the reference library, else as it was last worked on; those of the open session are left
 * out. No document is opened.
 */
export async function trialsElsewhere(openId: string): Promise<readonly ListedTrial[]> {
  await whenStored();
  const [stored, records] = await Promise.all([listSessions(), allAthletes()]);
  const silent = new Set(records.filter((record) => !mayShare(record)).map(({ id }) => id));
  const known = new Set(stored.find(({ id }) => id === openId)?.trials.map(trialKey));
  const all = stored
    .filter(({ id, damage }) => id !== openId && damage === null)
    .flatMap((session) =>
      session.trials.map((trial) => ({ ...trial, session, notToShare: silent.has(trial.performer) })),
    );
  const inLibrary = all.filter(({ library }) => library !== null);
  const once = new Map([...all].reverse().map((trial) => [trialKey(trial), trial]));
  for (const trial of [...inLibrary].reverse()) once.set(trialKey(trial), trial);
  return all.filter((trial) => !known.has(trialKey(trial)) && once.get(trialKey(trial)) === trial);
}

/** Those in which every word stands: performer, session, file, level or tags; of one movement, or of the library. */
export function trialsFound(
  all: readonly ListedTrial[],
  {
    text,
    measuredBy,
    library,
  }: { readonly text: string; readonly measuredBy: string | null; readonly library: boolean },
): readonly ListedTrial[] {
  return all.filter((trial) => {
    if (measuredBy !== null && trial.session.measuredBy !== measuredBy) return false;
    if (library && trial.library === null) return false;
    const { level = '', tags = [] } = trial.library ?? {};
    return holdsWords(text, [trial.name, trial.session.name, trial.fileName, level, ...tags]);
  });
}

/** A trial of another session. */
export interface StoredTrial {
  readonly session: Session;
  /** Its first camera. */
  readonly clip: Clip;
}

/** Takes a listed performance into the open session; returns the id of its first camera here. */
export async function takeListed(
  { session, clipId }: Pick<ListedTrial, 'session' | 'clipId'>,
  role: Role,
): Promise<Result<string, StorageIssue | Issue<'gone'>>> {
  const read = await readSession(session.id);
  if (!read.ok) return read;
  const clip = read.value.clips.find(({ id }) => id === clipId);
  return clip
    ? ok(await takeTrial({ session: read.value, clip }, role))
    : fail('gone', TEXT.nameNoLongerHasThat(session.name));
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
  const taken = copied.clips.map((camera) => ({ ...camera, role, onBench: true, library: null }));
  edit((session) => {
    session.clips = first ? [...taken, ...session.clips] : [...session.clips, ...taken];
    for (const kind of KNOWN_OF_CLIPS) Object.assign(session[kind], copied[kind]);
    if (first) session.referenceModel = FIRST_REFERENCE;
  });
  await openSources();
  return copied.ids.get(clip.id)!;
}
