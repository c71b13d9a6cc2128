import { newSession, type Session } from '../../core/model/session';
import { fail, ok, type Result } from '../../core/result';
import { movementOf } from '../../movements';
import { loadSession, saveSession } from '../../storage/sessions';
import type { StorageIssue } from '../../storage/storage-issue';
import { player } from '../bench/bench-player';
import { askToPersist } from '../stores/browser';
import { redoEdit, setSession, undoEdit, useDocument } from '../stores/document-store';
import { whenStored } from '../stores/saving';
import { notify } from '../stores/notices';
import { openStoredClip } from '../files/stored-clips';
import { adoptUnderway } from '../talk/talk-underway';
import { setView } from '../stores/view-store';
import { holdSession, watchWindows } from '../stores/windows';
import { TEXT } from '../../text/application/session';

/** Makes an empty session and stores it. */
export async function createSession(name: string, movementId: string): Promise<Result<string, StorageIssue>> {
  const session = newSession(crypto.randomUUID(), name, movementId, new Date().toISOString());
  const saved = await saveSession(session, session.createdAt);
  // Whether the browser agrees or not, *What is kept here* says it.
  if (saved.ok) void askToPersist();
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
    return fail('newer', TEXT.sessionNameWasMadeFor(name, movementId));
  player.dropSources([]);
  setView({ shown: firstFrames(loaded.value), playing: false, selectedMeasure: null });
  setSession(loaded.value);
  await holdSession(id);
  adoptUnderway();
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
export const shareSessions = (): void => watchWindows({ reload, whenStored, close: () => setSession(null) });

/** A step through the history; a clip that it brings back gets its pictures back. */
function goThroughHistory(step: () => void): void {
  const before = new Set(useDocument.getState().session?.clips.map(({ id }) => id));
  step();
  if (useDocument.getState().session?.clips.some(({ id }) => !before.has(id))) void openSources();
}
export const undo = (): void => goThroughHistory(undoEdit);
export const redo = (): void => goThroughHistory(redoEdit);

/** Opens what the session's clips need and is not open yet. */
export async function openSources(): Promise<void> {
  const clips = useDocument.getState().session?.clips ?? [];
  player.dropSources(clips.map((clip) => clip.id));
  const opened = await Promise.all(
    clips
      .filter((clip) => !player.hasSource(clip.id))
      .map(async (clip) => {
        const source = await openStoredClip(clip, {
          workCopy: true,
          forDrawing: true,
          onRestart: (message) => notify('info', message),
        });
        if (source.ok) player.addSource(clip.id, source.value);
        return { clip, source };
      }),
  );
  const failed = opened.flatMap(({ clip, source }) => (source.ok ? [] : [{ clip, issue: source.issue }]));
  const missing = failed.filter(({ issue }) => issue.code === 'no-media').map(({ clip }) => clip.fileName);
  // One notice for all of them: several would push out what was said before.
  if (missing.length > 1)
    notify('error', TEXT.videosOfMissingAreNot(missing.map((name) => `\u201c${name}\u201d`).join(', ')));
  for (const { issue } of failed) if (issue.code !== 'no-media' || missing.length === 1) notify('error', issue.message);
}
