import { produce } from 'immer';
import { temporal } from 'zundo';
import { create } from 'zustand';
import { faultOfChange } from '../core/model/check-session';
import type { Session } from '../core/model/session';
import { saveLeaving, saveSession } from '../storage/sessions';
import { notify } from './notices';
import { mayWrite, tellStored } from './windows';

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
    notify('error', `This cannot be kept, and nothing was changed. ${fault}`);
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

/** The session as it was taken from the store, which needs no saving. */
let taken: Session | null = null;

/** Opens a session with an empty history. */
export function setSession(session: Session | null): void {
  taken = session;
  const history = useDocument.temporal.getState();
  history.pause();
  useDocument.setState({ session });
  history.clear();
  history.resume();
}

export const undo = (): void => void (mayWrite() && useDocument.temporal.getState().undo());
export const redo = (): void => void (mayWrite() && useDocument.temporal.getState().redo());

/** Why what is on the screen is not stored yet; it is tried again until it is. */
export const useSaving = create<{ readonly problem: string | null }>(() => ({ problem: null }));
/** How often a save that failed is tried again, ms. */
const TRY_AGAIN = 5000;

let saving: Promise<void> | null = null;
let pending: Session | null = null;

function tryAgain(): void {
  const { session } = useDocument.getState();
  if (useSaving.getState().problem === null || !session) return;
  pending = session;
  saving ??= saveAll();
}

async function saveAll(): Promise<void> {
  while (pending) {
    const session = pending;
    pending = null;
    const saved = await saveSession(session, new Date().toISOString());
    if (saved.ok) {
      useSaving.setState({ problem: null });
      tellStored(session.id);
      continue;
    }
    const { code, message } = saved.issue;
    const waits = code === 'storage-full' || code === 'storage-failed';
    if (!waits) notify('error', message);
    else {
      useSaving.setState({ problem: message });
      setTimeout(tryAgain, TRY_AGAIN);
    }
  }
  saving = null;
}

/**
 * Keeps the stored copy equal to the open session; a change during a save is saved right after it. What is not stored yet
 * when the page is left, or changes while it is left, is stored at once.
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
    if (!state.session || state.session === before.session || state.session === taken) return;
    if (leaving) saveLeaving(state.session);
    pending = state.session;
    saving ??= saveAll();
  });
  return () => {
    window.removeEventListener('pagehide', leave);
    window.removeEventListener('pageshow', comeBack);
    stop();
  };
}

/** Resolves when all that was changed is stored. */
export async function settled(): Promise<void> {
  while (saving) await saving;
}
