import { create } from 'zustand';
import { notify } from './notices';

/** What this window is to the session that is open in it. */
interface WindowState {
  /** A *writer* alone changes the session; a *follower* shows what the writer stores. */
  readonly role: 'writer' | 'follower';
  /** The session that another window deleted while it was open here. */
  readonly deleted: string | null;
}

export const useWindow = create<WindowState>(() => ({ role: 'writer', deleted: null }));

/** Whether a change may be made here; where not it says why. */
export function mayWrite(): boolean {
  if (useWindow.getState().role === 'writer') return true;
  notify('error', 'Another window writes this session. Press \u201cWork here\u201d above to change it in this one.');
  return false;
}

type Message = { readonly kind: 'stored' | 'deleted' | 'wanted'; readonly id: string };

/** Between the windows of this browser, once they are watched. */
let channel: BroadcastChannel | null = null;
const tell = (message: Message): void => channel?.postMessage(message);
export const tellStored = (id: string): void => tell({ kind: 'stored', id });
export const tellDeleted = (id: string): void => tell({ kind: 'deleted', id });

const OPEN = 'proud-falcon-open';

let counted: Promise<void> = Promise.resolve();

/** Counts this window among those that are open, until it is closed. */
function countWindow(): void {
  if (typeof navigator === 'undefined' || !('locks' in navigator)) return;
  counted = new Promise((resolve) => {
    void navigator.locks.request(OPEN, { mode: 'shared' }, () => {
      resolve();
      return new Promise(() => undefined);
    });
  });
}

/** Whether another window of the application is open in this browser; true where nobody can say. */
export async function otherWindows(): Promise<boolean> {
  if (typeof navigator === 'undefined' || !('locks' in navigator)) return true;
  await counted;
  const { held: locks = [] } = await navigator.locks.query();
  return locks.filter((lock) => lock.name === OPEN).length > 1;
}

const lockName = (id: string): string => `proud-falcon-session-${id}`;
/** A window that does not give a session away in this time is asleep, ms. */
const PATIENCE = 3000;

interface Held {
  readonly id: string;
  /** Gives the session up, or stops waiting for it. */
  readonly release: () => void;
}
let held: Held | null = null;

export interface SessionWindow {
  /** Shows what is stored now; called where another window has stored something, and before this one writes. */
  readonly reload: (id: string) => Promise<void>;
  /** Resolves when all that was changed here is stored. */
  readonly settled: () => Promise<void>;
  /** The session is gone. */
  readonly close: (id: string) => void;
}
let own: SessionWindow | null = null;

/** Connects the windows of this browser; once, at the start. */
export function watchWindows(session: SessionWindow): void {
  own = session;
  countWindow();
  if ('BroadcastChannel' in globalThis) channel = new BroadcastChannel('proud-falcon');
  channel?.addEventListener('message', ({ data }: MessageEvent<Message>) => void onMessage(data));
}

async function onMessage({ kind, id }: Message): Promise<void> {
  if (!held || held.id !== id || !own) return;
  const { role } = useWindow.getState();
  if (kind === 'stored' && role === 'follower') return own.reload(id);
  if (kind === 'deleted') {
    useWindow.setState({ deleted: id });
    own.close(id);
  } else if (kind === 'wanted' && role === 'writer') {
    useWindow.setState({ role: 'follower' });
    await own.settled();
    await follow(id);
  }
}

/** Holds the lock until it is released or stolen. */
function keep(id: string, stop: AbortController): Promise<void> {
  return new Promise((resolve) => {
    held = { id, release: () => stop.abort() };
    stop.signal.addEventListener('abort', () => resolve());
  });
}

async function write(
  id: string,
  options: LockOptions,
  stop: AbortController,
  before?: () => Promise<void>,
): Promise<boolean> {
  try {
    return await navigator.locks.request(lockName(id), options, async (lock) => {
      if (!lock || stop.signal.aborted) return false;
      await before?.();
      useWindow.setState({ role: 'writer' });
      await keep(id, stop);
      return true;
    });
  } catch {
    // Another window took it from this one, or this one waits no more.
    if (!stop.signal.aborted && held?.id === id) {
      void follow(id);
      void own?.reload(id);
    }
    return true;
  }
}

/** Shows the session as another window writes it, and writes it once that one is closed. */
async function follow(id: string): Promise<void> {
  held?.release();
  const stop = new AbortController();
  held = { id, release: () => stop.abort() };
  useWindow.setState({ role: 'follower' });
  void write(id, { signal: stop.signal }, stop, () => own?.reload(id) ?? Promise.resolve());
}

/**
 * Takes a session for this window: it writes it if no other window does, else it follows that one. Where the browser has no locks every window
 * writes, and a save that is overtaken is refused.
 */
export async function holdSession(id: string): Promise<void> {
  held?.release();
  useWindow.setState({ role: 'writer', deleted: null });
  if (typeof navigator === 'undefined' || !('locks' in navigator)) return;
  const stop = new AbortController();
  held = { id, release: () => stop.abort() };
  const free = await new Promise<boolean>((resolve) => {
    void write(id, { ifAvailable: true }, stop, () => Promise.resolve(resolve(true))).then(() => resolve(false));
  });
  if (!free && !stop.signal.aborted) await follow(id);
}

/** Has this window write the session: the one that does is asked to give it up, and overruled if it is asleep. */
export async function workHere(): Promise<void> {
  if (!held) return;
  const { id } = held;
  tell({ kind: 'wanted', id });
  await new Promise<void>((resolve) => {
    const done = (): void => {
      clearTimeout(timer);
      unsubscribe();
      resolve();
    };
    const unsubscribe = useWindow.subscribe(({ role }) => role === 'writer' && done());
    const timer = setTimeout(done, PATIENCE);
  });
  if (useWindow.getState().role === 'writer' || held?.id !== id) return;
  held.release();
  const stop = new AbortController();
  held = { id, release: () => stop.abort() };
  await new Promise<void>((resolve) => {
    void write(id, { steal: true }, stop, async () => {
      await own?.reload(id);
      resolve();
    }).then(() => resolve());
  });
}
