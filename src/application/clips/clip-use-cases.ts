import { performerKey } from '../../core/model/performer';
import { firstOf } from '../../core/model/slots';
import { saidOf } from '../../core/judgement/by-performer';
import { otherPerson } from '../../core/model/partner';
import type { Clip, Part, Performer, Repeats, Role, View } from '../../core/model/clip';
import type { Session } from '../../core/model/session';
import { fail, type Issue, ok, type Result } from '../../core/result';
import { withFirstRate } from '../../core/timing/clip-time';
import { openClipSource } from '../../media/clip-source';
import { convertClip, converterState, type ConvertIssue } from '../../media/convert-clip';
import type { FrameIndex, IntakeIssue } from '../../media/frame-index';
import { clipOfPictures, isPicture, type PictureIssue } from '../../media/picture-clip';
import { observeRepeats } from '../../media/observe-repeats';
import { wholeFile } from '../../media/video-file';
import type { CrashIssue } from '../../media/worker-client';
import { storeMedia } from '../../storage/media';
import type { StorageIssue } from '../../storage/storage-issue';
import { player } from '../bench/bench-player';
import { edit } from '../stores/document-store';
import { startJob } from '../stores/jobs';
import { notify } from '../stores/notices';
import { openSources } from '../session/session-use-cases';
import { setView, useView } from '../stores/view-store';
import { TEXT } from '../../text/application/clips';

export interface ProbedFile extends ProbedPart {
  readonly file: File;
  /** Made of still pictures. */
  readonly pictures: boolean;
  /** Further parts of the file that become clips of their own. */
  readonly furtherParts: readonly ProbedPart[];
}

/** What of a file becomes one clip. */
export interface ProbedPart {
  readonly index: FrameIndex;
  /** The part of the file; null is all of it. */
  readonly part: Part | null;
  /** Frames that are left out since they repeat a picture. */
  readonly repeats: Repeats | null;
  /** Frames repeat, but in no cycle: nothing is left out. */
  readonly unevenRepeats: boolean;
}

/** Looks into a file, or a part of it. @param repeats frames to leave out; left out, they are looked for */
async function probePart(
  file: File,
  part: Part | null,
  repeats?: Repeats | null,
): Promise<Result<ProbedPart, IntakeIssue | CrashIssue>> {
  const indexOf = async (known: Repeats | null): Promise<Result<FrameIndex, IntakeIssue | CrashIssue>> => {
    const source = await openClipSource({ ...wholeFile(file), part, repeats: known });
    if (!source.ok) return source;
    source.value.close();
    return ok(source.value.index);
  };
  const index = await indexOf(repeats ?? null);
  if (!index.ok || repeats !== undefined)
    return index.ok ? ok({ index: index.value, part, repeats: repeats ?? null, unevenRepeats: false }) : index;
  const { cycle, uneven } = await observeRepeats({ ...wholeFile(file), part });
  const once = cycle ? await indexOf(cycle) : index;
  return once.ok ? ok({ index: once.value, part, repeats: cycle, unevenRepeats: uneven }) : once;
}

/**
 * Looks into parts of a file: each is a performance, and the file is kept once.
 * @param repeats frames to leave out; left out, they are looked for
 */
export async function probeParts(
  file: File,
  [first, ...further]: readonly Part[],
  repeats?: Repeats | null,
): Promise<Result<ProbedFile, IntakeIssue | CrashIssue>> {
  const own = await probePart(file, first ?? null, repeats);
  if (!own.ok) return own;
  const furtherParts: ProbedPart[] = [];
  for (const part of further) {
    const probed = await probePart(file, part, repeats);
    if (!probed.ok) return probed;
    furtherParts.push(probed.value);
  }
  return ok({ ...own.value, file, pictures: false, furtherParts });
}

/** Looks into a file that the user chose, or into several still pictures; nothing of the session changes. */
export async function probeFile(
  chosen: File,
  further: readonly File[] = [],
): Promise<Result<ProbedFile, IntakeIssue | CrashIssue | PictureIssue>> {
  const pictures = isPicture(chosen);
  const made = pictures ? await clipOfPictures([chosen, ...further.filter(isPicture)]) : ok(chosen);
  if (!made.ok) return made;
  // Pictures have nothing to do with one another, alike or not.
  const probed = await probeParts(made.value, [], pictures ? null : undefined);
  return probed.ok ? ok({ ...probed.value, pictures }) : probed;
}

export { converterState };

export const SERVER_AWAY = TEXT.waitsForServerWhichDoes;

/** Has a clip that the browser cannot decode converted on the server; nothing of the session changes. */
export async function convertFile(file: File): Promise<Result<File, ConvertIssue>> {
  const job = startJob(`convert-${file.name}`, TEXT.convertingName(file.name));
  try {
    return await convertClip(file, {
      signal: job.signal,
      onProgress: (share) => job.progress(100 * share, 100),
      onNote: (message) => notify('info', `\u201c${file.name}\u201d: ${message}`),
      onWaiting: (waiting) => job.waitsFor(waiting ? SERVER_AWAY : null),
    });
  } finally {
    job.end();
  }
}

/** Whether two files have the same frames. */
export const sameTimes = (a: Float64Array, b: Float64Array): boolean =>
  a.length === b.length && a.every((t, i) => Math.abs(t - b[i]!) <= ROUNDED);
/** Containers round a time to a millisecond at worst, microseconds. */
const ROUNDED = 1000;

export interface IntakeAnswers {
  readonly performer: Performer;
  readonly view: View;
  readonly travel: 'left' | 'right';
  /** Frames per second as the camera took them; null where nobody knows. */
  readonly captureRate: number | null;
}

/** Where a new clip goes: in place of another, beside what is there, or as one more camera of a trial. */
export interface ClipPlace {
  readonly replace?: string | null;
  readonly cameraOf?: string | null;
}

/** Adds a probed clip to the session. */
export async function addClip(
  role: Role,
  probed: ProbedFile,
  answers: IntakeAnswers,
  place: ClipPlace = {},
): Promise<Result<string, StorageIssue | Issue<'no-consent'>>> {
  if (!answers.performer.consent) {
    return fail('no-consent', TEXT.withoutConsentFootageOfName(answers.performer.name));
  }
  const { file, pictures, furtherParts, ...own } = probed;
  const mediaId = crypto.randomUUID();
  const stored = await storeMedia(mediaId, file.name, file);
  if (!stored.ok) return stored;
  const video = { fileName: file.name, mediaId };
  const id = await placeClip(role, { ...video, ...own, pictures }, answers, place);
  for (const further of furtherParts) await placeClip(role, { ...video, ...further }, answers, {});
  return ok(id);
}

/** Puts a clip into the session and opens it; `also` belongs to the same undoable step. */
export async function placeClip(
  role: Role,
  {
    fileName,
    mediaId,
    index,
    pictures = false,
    part = null,
    repeats = null,
    unevenRepeats = false,
  }: {
    readonly fileName: string;
    readonly mediaId: string | null;
    readonly index: FrameIndex;
    readonly pictures?: boolean;
    readonly part?: Part | null;
    readonly repeats?: Repeats | null;
    readonly unevenRepeats?: boolean;
  },
  { captureRate, ...answers }: IntakeAnswers,
  { replace = null, cameraOf = null }: ClipPlace,
  also?: (session: Session, clip: Clip) => void,
): Promise<string> {
  const clip: Clip = {
    id: crypto.randomUUID(),
    role,
    fileName,
    mediaId,
    part,
    repeats,
    codec: index.codec,
    width: index.width,
    height: index.height,
    rotation: index.rotation,
    frameTimes: index.frameTimes,
    fileRate: index.fileRate,
    mirrored: false,
    levelDegrees: 0,
    brightness: 1,
    contrast: 1,
    sync: cameraOf === null ? null : { to: cameraOf, pairs: [] },
    onBench: true,
    scale: null,
    figure: null,
    ground: null,
    tiePoints: [],
    workMediaId: null,
    result: null,
    setUp: [],
    pictures,
    timesUnsure: unevenRepeats,
    ...withFirstRate({ captureRate: index.captureRate ?? index.fileRate, rateChanges: [] }, captureRate),
    camera: null,
    soundMetres: null,
    carryCorrections: true,
    library: null,
    ...answers,
  };
  setView({ shown: { ...useView.getState().shown, [clip.id]: 0 } });
  edit((session) => {
    also?.(session, clip);
    const replaced = session.clips.findIndex((c) => c.id === replace);
    if (replaced < 0) session.clips.push(clip);
    else {
      const old = session.clips[replaced]!.id;
      session.clips = session.clips.map((c, i) =>
        i === replaced ? clip : c.sync?.to === old ? { ...c, sync: { to: clip.id, pairs: [] } } : c,
      );
    }
  });
  await openSources();
  return clip.id;
}

export function changeClip(clipId: string, change: Partial<Clip>): void {
  edit((session) => {
    session.clips = session.clips.map((clip) => (clip.id === clipId ? { ...clip, ...change } : clip));
  });
}

/**
 * Adds another person of the same picture as a trial of its own; the video is kept once. Returns the new clip's
 * id.
 */
export async function addPersonOf(clip: Clip, name: string): Promise<string> {
  const person: Clip = {
    ...clip,
    id: crypto.randomUUID(),
    performer: otherPerson(clip.performer, name),
    partnerId: undefined,
    sync: null,
    onBench: true,
  };
  setView({ shown: { ...useView.getState().shown, [person.id]: player.pendingFrame(clip.id) }, activeClip: person.id });
  edit((session) => {
    session.clips.push(person as never);
  });
  await openSources();
  return person.id;
}

/** Takes a clip out of the session; what was measured on it goes with it and comes back on undo. */
export function removeClip(clipId: string): void {
  edit((session) => {
    const judged = (): string | null => {
      const first = firstOf(session.clips, 'athlete');
      return first ? performerKey(first.performer) : null;
    };
    const before = judged();
    session.clips = session.clips.filter((c) => c.id !== clipId && c.sync?.to !== clipId);
    Object.assign(session, saidOf(session, before, judged()));
  });
}
