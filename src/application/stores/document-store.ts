import { produce } from 'immer';
import { temporal } from 'zundo';
import { create } from 'zustand';
import { faultOfChange } from '../../core/model/check-session';
import type { Session } from '../../core/model/session';
import { saveLeaving, saveSession } from '../../storage/sessions';
import { notify } from './notices';
import { isSaving, setSaving, useSaving } from './saving';
import { mayWrite, tellStored, writesAlone } from './windows';
import { TEXT } from '../../text/application/stores';

interface DocumentState {
  readonly session: Session | null;
}

/** The open session. Every change goes through `edit` and can be undone; nothing needs saving. */
export const useDocument = create<DocumentState>()(
  temporal(() => ({ session: null }) as DocumentState, {
    limit: 300,
    equality: (past, current) => past.session === current.session,
  }),
);

/**
 * One undoable step. A change that could not be opened again is refused where it is made, with words.
 * @returns whether the session is now as the change wanted it
 */
export function edit(change: (session: Session) => void): boolean {
  const { session } = useDocument.getState();
  if (!session || !mayWrite()) return false;
  const changed = produce(session, change as (draft: unknown) => void);
  const fault = faultOfChange(session, changed);
  if (fault !== null) {
    notify('error', TEXT.thisCannotBeKeptAnd(fault));
    return false;
  }
  useDocument.setState({ session: changed });
  return true;
}

/** Has a change belong to the step before it: one undo takes back both. */
export function inSameStep(change: () => void): void {
  const history = useDocument.temporal.getState();
  history.pause();
  try {
    change();
  } finally {
    history.resume();
  }
}

/** What is opened is stored already. */
let opening = false;

/** Opens a session with an empty history. */
export function setSession(session: Session | null): void {
  const history = useDocument.temporal.getState();
  history.pause();
  opening = true;
  useDocument.setState({ session });
  opening = false;
  history.clear();
  history.resume();
}

/** One step back or on in the document alone; `session-use-cases` has them for the interface, pictures and all. */
export const undoEdit = (): void => void (mayWrite() && useDocument.temporal.getState().undo());
export const redoEdit = (): void => void (mayWrite() && useDocument.temporal.getState().redo());

/** How often a save that failed is tried again, ms. */
const TRY_AGAIN = 5000;

/** The latest state of each session that is not stored yet. */
const pending = new Map<string, Session>();
/** Those of them that the browser had no room for. */
const refused = new Map<string, Session>();
let again: ReturnType<typeof setTimeout> | null = null;

function save(session: Session): void {
  pending.set(session.id, session);
  if (!isSaving()) setSaving(saveAll());
}

/** Stores what waits, one after the other; what there was no room for waits on. */
async function saveAll(): Promise<void> {
  for (let [next] = pending.values(); next; [next] = pending.values()) {
    pending.delete(next.id);
    const saved = await saveSession(next, new Date().toISOString(), { alone: writesAlone(next.id) });
    if (saved.ok) {
      refused.delete(next.id);
      tellStored(next.id);
      continue;
    }
    const { code, message } = saved.issue;
    if (code !== 'storage-full' && code !== 'storage-failed') notify('error', message);
    else {
      refused.set(next.id, next);
      useSaving.setState({ problem: message });
    }
  }
  setSaving(null);
  if (again) clearTimeout(again);
  again = refused.size > 0 ? setTimeout(tryAgain, TRY_AGAIN) : null;
  if (refused.size === 0) useSaving.setState({ problem: null });
}

/** What was changed since stands in its place. */
function tryAgain(): void {
  for (const session of refused.values()) if (!pending.has(session.id)) save(session);
}

/**
 * Keeps the stored copy equal to the open session; a change during a save is saved right after it. What is not stored
 * yet when the page is left, or changes while it is left, is stored at once.
 */
export function keepSaved(): () => void {
  let leaving = false;
  const leave = (): void => {
    leaving = true;
    const { session } = useDocument.getState();
    if (session) saveLeaving(session);
  };
  const comeBack = (): void => {
    leaving = false;
  };
  window.addEventListener('pagehide', leave);
  window.addEventListener('pageshow', comeBack);
  const stop = useDocument.subscribe((state, before) => {
    if (opening || !state.session || state.session === before.session) return;
    if (leaving) saveLeaving(state.session);
    save(state.session);
  });
  return () => {
    window.removeEventListener('pagehide', leave);
    window.removeEventListener('pageshow', comeBack);
    stop();
  };
}
