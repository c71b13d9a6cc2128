import type { Clip, Performer, Role, View } from '../core/model/clip';
import type { Drawing } from '../core/model/drawing';
import type { PointId } from '../core/points/body-points';
import { withoutImpossible } from '../core/points/plausible';
import { repairSideSwaps } from '../core/points/side-swaps';
import { clearPoint, interpolateBetweenHands, mergeFound, placePoint } from '../core/points/track';
import { newSession, type Decision, type Note, type Session } from '../core/model/session';
import { fail, ok, type Issue, type Result } from '../core/result';
import { convertClip, type ConvertIssue } from '../media/convert-clip';
import { openClipSource } from '../media/clip-source';
import { findPoints, type FindIssue, type PoseSetting } from '../media/find-points';
import type { FrameIndex, IntakeIssue } from '../media/frame-index';
import type { CrashIssue } from '../media/worker-client';
import { loadMedia, loadSession, saveSession, storeMedia, type StorageIssue } from '../storage/sessions';
import { player } from './bench-player';
import { edit, setSession, useDocument } from './document-store';
import { startJob } from './jobs';
import { notify } from './notices';
import { setView, useView } from './view-store';

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
  player.dropSources([]);
  setView({ shown: firstFrames(loaded.value), playing: false, selectedMeasure: null });
  setSession(loaded.value);
  await openSources();
  return ok(null);
}

/** Opens what the session's clips need and is not open yet. */
export async function openSources(): Promise<void> {
  const clips = useDocument.getState().session?.clips ?? [];
  player.dropSources(clips.map((clip) => clip.id));
  await Promise.all(
    clips
      .filter((clip) => !player.hasSource(clip.id))
      .map(async (clip) => {
        const blob = await loadMedia(clip.mediaId);
        if (!blob) return notify('error', `The video of \u201c${clip.fileName}\u201d is not in this browser. Add the file again at Intake.`);
        const source = await openClipSource(blob, clip.fileName);
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

export { canConvert } from '../media/convert-clip';

/** Has a clip that the browser cannot decode converted on the server; nothing of the session changes. */
export async function convertFile(file: File): Promise<Result<File, ConvertIssue>> {
  const job = startJob(`convert-${file.name}`, `Converting ${file.name}`);
  try {
    return await convertClip(file, { signal: job.signal, onProgress: (share) => job.progress(100 * share, 100) });
  } finally {
    job.end();
  }
}

export interface IntakeAnswers {
  readonly performer: Performer;
  readonly view: View;
  readonly travel: 'left' | 'right';
  readonly captureRate: number;
}

/** Adds a probed clip to the session in a role, in place of the one that had it. */
export async function addClip(
  role: Role,
  probed: ProbedFile,
  answers: IntakeAnswers,
): Promise<Result<string, StorageIssue | Issue<'no-consent'>>> {
  if (!answers.performer.consent) {
    return fail('no-consent', `Without consent the footage of ${answers.performer.name} must not be analysed. Ask first, then tick the box.`);
  }
  const { file, index } = probed;
  const mediaId = newId();
  const stored = await storeMedia(mediaId, file.name, file);
  if (!stored.ok) return stored;
  const clip: Clip = {
    id: newId(),
    role,
    fileName: file.name,
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
    ...answers,
  };
  setView({ shown: { ...useView.getState().shown, [clip.id]: 0 } });
  edit((session) => {
    session.clips = [...session.clips.filter((c) => c.role !== role), clip];
  });
  await openSources();
  return ok(clip.id);
}

export function changeClip(clipId: string, change: Partial<Clip>): void {
  edit((session) => {
    session.clips = session.clips.map((clip) => (clip.id === clipId ? { ...clip, ...change } : clip));
  });
}

/** Marks a moment of a clip at a frame, or takes the mark away. */
export function markMoment(clipId: string, momentId: string, frame: number | null): void {
  edit((session) => {
    const marks = { ...session.marks[clipId] };
    if (frame === null) delete marks[momentId];
    else marks[momentId] = { frame };
    session.marks[clipId] = marks;
  });
}

function changeTrack(clip: Clip, change: (track: Parameters<typeof placePoint>[0]) => ReturnType<typeof placePoint>): void {
  edit((session) => {
    session.tracks[clip.id] = change(session.tracks[clip.id] ?? {}) as never;
  });
}

export const movePoint = (clip: Clip, id: PointId, frame: number, x: number, y: number): void =>
  changeTrack(clip, (track) => placePoint(track, clip.frameTimes.length, id, frame, x, y));

export const hidePoint = (clip: Clip, id: PointId, frame: number): void =>
  changeTrack(clip, (track) => clearPoint(track, clip.frameTimes.length, id, frame));

export const interpolatePoint = (clip: Clip, id: PointId, frame: number): void =>
  changeTrack(clip, (track) => interpolateBetweenHands(track, id, frame));

/** Finds the points of a clip on every frame, with progress and cancel; one undoable step. */
export async function findPointsOf(clip: Clip, setting: PoseSetting): Promise<Result<number, FindIssue>> {
  const blob = await loadMedia(clip.mediaId);
  if (!blob) {
    return fail('unreadable', `The video of \u201c${clip.fileName}\u201d is not in this browser. Add the file again at Intake.`);
  }
  const job = startJob(`points-${clip.id}`, `Finding points: ${clip.performer.name}`);
  try {
    const found = await findPoints(blob, clip.fileName, { setting, signal: job.signal, onProgress: job.progress });
    if (!found.ok) return found;
    changeTrack(clip, (track) => repairSideSwaps(withoutImpossible(mergeFound(track, clip.frameTimes.length, found.value)).track).track);
    return ok(found.value.size);
  } finally {
    job.end();
  }
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
    session.drawings = change === null ? session.drawings.filter((d) => d.id !== id) : session.drawings.map((d) => (d.id === id ? { ...d, ...change } : d));
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
