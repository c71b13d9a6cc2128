import type { Clip, Performer, Role, View } from '../core/model/clip';
import type { Check } from '../core/model/check';
import type { Drawing } from '../core/model/drawing';
import type { Proposal } from '../core/events/propose-moments';
import { proposePerformance } from '../core/events/repetitions';
import type { Movement } from '../core/model/movement';
import { eventFrame, markByHand } from '../core/performance/moments';
import type { Performance } from '../core/performance/performance';
import { rootOf } from '../core/model/slots';
import { frameAtTime, realTimes, timeAtFrame } from '../core/timing/clip-time';
import { joinedMap } from '../core/timing/joined-map';
import { movementOf } from '../movements';
import { newSession, type Decision, type Note, type Session } from '../core/model/session';
import { fail, ok, type Issue, type Result } from '../core/result';
import { canConvert, convertClip, type ConvertIssue } from '../media/convert-clip';
import { openClipSource } from '../media/clip-source';
import type { FrameIndex, IntakeIssue } from '../media/frame-index';
import type { CrashIssue } from '../media/worker-client';
import { loadSession, saveSession, storeMedia, type StorageIssue } from '../storage/sessions';
import { player } from './bench-player';
import { baseOf } from './derived';
import { edit, setSession, settled, useDocument } from './document-store';
import { startJob } from './jobs';
import { takeProposals } from './proposals';
import { notify } from './notices';
import { openStoredClip, videoOf } from './stored-clips';
import { setView, useView } from './view-store';
import { holdSession, watchWindows } from './windows';

const newId = (): string => crypto.randomUUID();

/** Makes an empty session and stores it. */
export async function createSession(name: string, movementId: string): Promise<Result<string, StorageIssue>> {
  const session = newSession(newId(), name, movementId, new Date().toISOString());
  const saved = await saveSession(session, session.createdAt);
  return saved.ok ? ok(session.id) : saved;
}

/** Where each clip opens: at its first marked moment, or at its beginning. */
function firstFrames(session: Session): Record<string, number> {
  const first = (clipId: string): number => {
    const frames = Object.values(session.marks[clipId] ?? {}).map((mark) => mark.frame);
    return frames.length > 0 ? Math.round(Math.min(...frames)) : 0;
  };
  return Object.fromEntries(session.clips.map((clip) => [clip.id, first(clip.id)]));
}

/** Opens a stored session and the sources of its clips. */
export async function openSession(id: string): Promise<Result<null, StorageIssue>> {
  if (useDocument.getState().session?.id === id) return ok(null);
  const loaded = await loadSession(id);
  if (!loaded.ok) return loaded;
  const { ownMovement, movementId, name } = loaded.value;
  // Judged as another movement its numbers would be wrong in silence.
  if (ownMovement === null && !movementOf(movementId))
    return fail(
      'newer',
      `The session \u201c${name}\u201d was made for the movement \u201c${movementId}\u201d, which this application does not have. Open it with the version in which it was made; it stays here as it is.`,
    );
  player.dropSources([]);
  setView({ shown: firstFrames(loaded.value), playing: false, selectedMeasure: null });
  setSession(loaded.value);
  await holdSession(id);
  await openSources();
  return ok(null);
}

/** Shows the open session as it is stored now; where the window stands stays. */
async function reload(id: string): Promise<void> {
  const loaded = await loadSession(id);
  if (!loaded.ok || useDocument.getState().session?.id !== id) return;
  setSession(loaded.value);
  await openSources();
}

/** Has this window write or follow the sessions that others of the same browser have open, too. */
export const joinWindows = (): void => watchWindows({ reload, settled, close: () => setSession(null) });

/** Opens what the session's clips need and is not open yet. */
export async function openSources(): Promise<void> {
  const clips = useDocument.getState().session?.clips ?? [];
  player.dropSources(clips.map((clip) => clip.id));
  await Promise.all(
    clips
      .filter((clip) => !player.hasSource(clip.id))
      .map(async (clip) => {
        const source = await openStoredClip(clip, {
          workCopy: true,
          forDrawing: true,
          onRestart: (message) => notify('info', message),
        });
        if (source.ok) player.addSource(clip.id, source.value);
        else notify('error', source.issue.message);
      }),
  );
}

export interface ProbedFile {
  readonly file: File;
  readonly index: FrameIndex;
}

/** Looks into a file that the user chose; nothing of the session changes. */
export async function probeFile(file: File): Promise<Result<ProbedFile, IntakeIssue | CrashIssue>> {
  const source = await openClipSource(file, file.name);
  if (!source.ok) return source;
  source.value.close();
  return ok({ file, index: source.value.index });
}

export { canConvert };

/** Has a clip that the browser cannot decode converted on the server; nothing of the session changes. */
export async function convertFile(file: File): Promise<Result<File, ConvertIssue>> {
  const job = startJob(`convert-${file.name}`, `Converting ${file.name}`);
  try {
    return await convertClip(file, { signal: job.signal, onProgress: (share) => job.progress(100 * share, 100) });
  } finally {
    job.end();
  }
}

/** Whether two files have the same frames. */
export const sameTimes = (a: Float64Array, b: Float64Array): boolean =>
  a.length === b.length && a.every((t, i) => Math.abs(t - b[i]!) <= ROUNDED);
/** Containers round a time to a millisecond at worst, microseconds. */
const ROUNDED = 1000;

/**
 * Has a copy of a clip made whose groups of pictures are short, so that jumps are quick, and shows it on the bench.
 * Every frame must have its time; points are still found on the original.
 */
export async function makeWorkCopy(
  clip: Clip,
): Promise<Result<null, ConvertIssue | StorageIssue | Issue<'frames-differ' | 'no-media' | 'no-converter'>>> {
  const video = await videoOf(clip);
  if (!video.ok) return video;
  if (!(await canConvert()))
    return fail(
      'no-converter',
      'Work copies are made by the server with ffmpeg, which is not installed there. Install it (on Debian: apt-get install ffmpeg) and start the application again; the clip works without.',
    );
  const job = startJob(`work-${clip.id}`, `Work copy of ${clip.fileName}`);
  try {
    const copy = await convertClip(new File([video.value], clip.fileName), {
      signal: job.signal,
      onProgress: (share) => job.progress(100 * share, 100),
    });
    if (!copy.ok) return copy;
    const probed = await probeFile(copy.value);
    if (!probed.ok || !sameTimes(probed.value.index.frameTimes, clip.frameTimes)) {
      return fail(
        'frames-differ',
        `The work copy of \u201c${clip.fileName}\u201d does not have the same frames (${probed.ok ? probed.value.index.frameTimes.length : 0} of ${clip.frameTimes.length}); the original stays in use.`,
      );
    }
    const workMediaId = newId();
    const stored = await storeMedia(workMediaId, copy.value.name, copy.value);
    if (!stored.ok) return stored;
    changeClip(clip.id, { workMediaId });
    await reopen(clip.id);
    return ok(null);
  } finally {
    job.end();
  }
}

/** Shows the original of a clip again. */
export async function dropWorkCopy(clip: Clip): Promise<void> {
  changeClip(clip.id, { workMediaId: null });
  await reopen(clip.id);
}

async function reopen(clipId: string): Promise<void> {
  player.dropSources((useDocument.getState().session?.clips ?? []).map((c) => c.id).filter((id) => id !== clipId));
  await openSources();
}

export interface IntakeAnswers {
  readonly performer: Performer;
  readonly view: View;
  readonly travel: 'left' | 'right';
  readonly captureRate: number;
}

/** Where a new clip goes: in place of another, beside what is there, or as one more camera of a performance. */
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
    return fail(
      'no-consent',
      `Without consent the footage of ${answers.performer.name} must not be analysed. Ask first, then tick the box.`,
    );
  }
  const { file, index } = probed;
  const mediaId = newId();
  const stored = await storeMedia(mediaId, file.name, file);
  if (!stored.ok) return stored;
  return ok(await placeClip(role, { fileName: file.name, mediaId, index }, answers, place));
}

/** Puts a clip into the session and opens it; `also` belongs to the same undoable step. */
export async function placeClip(
  role: Role,
  {
    fileName,
    mediaId,
    index,
  }: { readonly fileName: string; readonly mediaId: string | null; readonly index: FrameIndex },
  answers: IntakeAnswers,
  { replace = null, cameraOf = null }: ClipPlace,
  also?: (session: Session, clip: Clip) => void,
): Promise<string> {
  const clip: Clip = {
    id: newId(),
    role,
    fileName,
    mediaId,
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
    joined: cameraOf === null ? null : { to: cameraOf, pairs: [] },
    onBench: true,
    scale: null,
    figure: null,
    ground: null,
    workMediaId: null,
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
        i === replaced ? clip : c.joined?.to === old ? { ...c, joined: { to: clip.id, pairs: [] } } : c,
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

/** Adds another person of the same picture as a performance of its own; the video is kept once. Returns the new clip's id. */
export async function addPersonOf(clip: Clip, name: string): Promise<string> {
  const person: Clip = { ...clip, id: newId(), performer: { ...clip.performer, name }, joined: null, onBench: true };
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
    session.clips = session.clips.filter((c) => c.id !== clipId && c.joined?.to !== clipId);
  });
}

/** Makes a reference the one that the athlete is compared with: the first of its role. */
export function compareWith(clipId: string): void {
  edit((session) => {
    const chosen = session.clips.find((c) => c.id === clipId);
    if (chosen) session.clips = [chosen, ...session.clips.filter((c) => c.id !== clipId)];
  });
}

/** Notes that another camera's clip and the first camera's show the same instant in the frames shown. */
export function joinHere(clip: Clip): void {
  const { joined } = clip;
  if (!joined) return;
  const pair = { own: player.pendingFrame(clip.id), other: player.pendingFrame(joined.to) };
  changeClip(clip.id, {
    joined: {
      to: joined.to,
      pairs: [...joined.pairs.filter((p) => p.own !== pair.own && p.other !== pair.other), pair],
    },
  });
}

/** Moves what is chosen against the rest by frames (fractions too): another camera against its first one, else a performance. */
export function nudge(frames: number): void {
  const { session } = useDocument.getState();
  const chosen = session?.clips.find((c) => c.id === useView.getState().activeClip);
  if (!chosen?.joined) return player.nudge(frames);
  const { to, pairs } = chosen.joined;
  const known = pairs.length > 0 ? pairs : [{ own: 0, other: 0 }];
  changeClip(chosen.id, {
    joined: { to, pairs: known.map((p) => ({ ...p, own: Math.round((p.own + frames) * 1e6) / 1e6 })) },
  });
}

/** The first camera's clip and frame for those of any camera of a performance. */
function atRoot(session: Session, clipId: string, frame: number): { clipId: string; frame: number } {
  const clip = session.clips.find((c) => c.id === clipId);
  const root = clip && rootOf(session.clips, clip);
  if (!clip || !root || root === clip) return { clipId, frame };
  const time = joinedMap(root, clip, clip.joined!.pairs).inverse(timeAtFrame(realTimes(clip), frame));
  const inside = Math.min(root.frameTimes.length - 1, Math.max(0, frameAtTime(realTimes(root), time)));
  return { clipId: root.id, frame: Math.round(inside * 100) / 100 };
}

/** Marks a moment at a frame of any camera of a performance, or takes the mark away; it is kept with the first camera. */
export function markMoment(onClip: string, momentId: string, at: number | null): void {
  edit((session) => {
    const as = baseOf(session).moments.find((m) => m.id === momentId)?.frame ?? 'nearest';
    const own = markByHand(at ?? 0, as);
    const whole = atRoot(session, onClip, own.frame);
    const elsewhere = whole.clipId !== onClip;
    // What a whole frame of another camera stands for is known there, and not after it was carried to the first one's clock.
    const { clipId } = whole;
    const marks = { ...session.marks[clipId] };
    if (at === null) delete marks[momentId];
    else marks[momentId] = elsewhere ? { frame: atRoot(session, onClip, eventFrame(own)).frame, proposed: null } : own;
    session.marks[clipId] = marks;
  });
}

/** Proposes the moments that are not marked yet, by the movement's rules; one undoable step. */
export function proposeMomentsOf(movement: Movement, performance: Performance): readonly Proposal[] {
  const proposals = proposePerformance(movement, performance);
  if (proposals.length > 0) takeProposals(performance, proposals);
  return proposals;
}

/** Answers a question about a clip by eye, or takes the answer back. */
export function answerCheck(clipId: string, measureId: string, answer: Check | null): void {
  edit((session) => {
    const answers = { ...session.checks[clipId] };
    if (answer === null) delete answers[measureId];
    else answers[measureId] = answer;
    session.checks[clipId] = answers;
  });
}

/** A person has looked at every proposed moment of a clip, in all its repetitions, and leaves them. */
export function confirmAllMoments(clipId: string): void {
  const confirmed = (marks: Session['marks'][string]): Session['marks'][string] =>
    Object.fromEntries(Object.entries(marks).map(([id, mark]) => [id, { ...mark, proposed: null }]));
  edit((session) => {
    session.marks[clipId] = confirmed(session.marks[clipId] ?? {});
    const repetitions = session.repetitions[clipId];
    if (repetitions) repetitions.all = repetitions.all.map(confirmed);
  });
}

/** A person has looked at a proposed mark and leaves it. */
export function confirmMoment(clipId: string, momentId: string): void {
  edit((session) => {
    const mark = session.marks[clipId]?.[momentId];
    if (mark) session.marks[clipId] = { ...session.marks[clipId], [momentId]: { ...mark, proposed: null } };
  });
}

export function addDrawing(drawing: Omit<Drawing, 'id'>): string {
  const id = newId();
  edit((session) => {
    session.drawings.push({ ...drawing, id });
  });
  return id;
}

export function changeDrawing(id: string, change: Partial<Drawing> | null): void {
  edit((session) => {
    session.drawings =
      change === null
        ? session.drawings.filter((d) => d.id !== id)
        : session.drawings.map((d) => (d.id === id ? { ...d, ...change } : d));
  });
}

export function addNote(note: Omit<Note, 'id'>): void {
  edit((session) => {
    session.notes.push({ id: newId(), ...note });
  });
}

/** Records what the analyst decided about a measure, or takes the decision back. */
export function decide(measureId: string, decision: Omit<Decision, 'measureId'> | null): void {
  edit((session) => {
    session.decisions = session.decisions.filter((d) => d.measureId !== measureId);
    if (decision) session.decisions.push({ measureId, ...decision });
  });
}

/** Keeps the analyst's own order of corrections. */
export function reorder(measureIds: readonly string[]): void {
  edit((session) => {
    session.order = [...measureIds];
  });
}
