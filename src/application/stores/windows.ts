import { create } from 'zustand';
import { notify } from './notices';
import { TEXT } from '../../text/application/stores';

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
  notify('error', TEXT.anotherWindowWritesThisSession);
  return false;
}

type Message = { readonly kind: 'stored' | 'deleted' | 'wanted'; readonly id: string };

/** Between the windows of this browser, once they are watched. */
let channel: BroadcastChannel | null = null;
const tell = (message: Message): void => channel?.postMessage(message);
export const tellStored = (id: string): void => tell({ kind: 'stored', id });
export const tellDeleted = (id: string): void => tell({ kind: 'deleted', id });

/** Absent in old browsers and outside them. */
const locks: LockManager | undefined = globalThis.navigator?.locks;
const OPEN = 'proud-falcon-open';
const lockName = (id: string): string => `proud-falcon-session-${id}`;
/** A window that does not give a session away in this time is asleep, ms. */
const PATIENCE = 3000;

let counted: Promise<void> = Promise.resolve();

/** Counts this window among those that are open, until it is closed. */
function countWindow(): void {
  counted = new Promise((resolve) => {
    void locks?.request(OPEN, { mode: 'shared' }, () => {
      resolve();
      return new Promise(() => undefined);
    });
  });
}

/** Whether another window of the application is open in this browser; true where nobody can say. */
export async function otherWindows(): Promise<boolean> {
  if (!locks) return true;
  await counted;
  const { held: all = [] } = await locks.query();
  return all.filter((lock) => lock.name === OPEN).length > 1;
}

export interface SessionWindow {
  /** Shows what is stored now; called where another window has stored something, and before this one writes. */
  readonly reload: (id: string) => Promise<void>;
  /** Resolves when all that was changed here is stored. */
  readonly whenStored: () => Promise<void>;
  /** The session is gone. */
  readonly close: (id: string) => void;
}
let own: SessionWindow | null = null;

/** Connects the windows of this browser; once, at the start. */
export function watchWindows(session: SessionWindow): void {
  own = session;
}

/** Counts this window among the open ones, which hear of each other from then on. */
export function joinWindows(): void {
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
    await own.whenStored();
    follow(id);
  }
}

/** Whether this window holds the session's lock, so that no other one can have written it. */
export const writesAlone = (id: string): boolean =>
  locks !== undefined && held?.id === id && useWindow.getState().role === 'writer';

/** The session that this window writes or waits for; aborting gives it up. */
let held: { readonly id: string; readonly stop: AbortController } | null = null;

function begin(id: string): AbortSignal {
  held?.stop.abort();
  held = { id, stop: new AbortController() };
  return held.stop.signal;
}

/**
 * Asks for the lock of a session and writes it from then on, until the signal is aborted or another window takes the
 * lock.
 * @param before is done between getting the lock and writing
 * @returns whether the lock was got; false where it was not free, or waiting for it was given up
 */
function writeLocked(
  id: string,
  options: LockOptions,
  signal: AbortSignal,
  before: () => Promise<void> = () => Promise.resolve(),
): Promise<boolean> {
  return new Promise((resolve) => {
    const request = locks!.request(lockName(id), options, async (lock) => {
      if (!lock || signal.aborted) return resolve(false);
      await before().catch(() => undefined);
      useWindow.setState({ role: 'writer' });
      resolve(true);
      await new Promise((released) => signal.addEventListener('abort', released));
    });
    request.catch(() => {
      resolve(false);
      if (signal.aborted) return;
      // Another window took it from this one.
      follow(id);
      void own?.reload(id);
    });
  });
}

const reload = (id: string) => (): Promise<void> => own?.reload(id) ?? Promise.resolve();

/** Shows the session as another window writes it, and writes it once that one is closed. */
function follow(id: string): void {
  const signal = begin(id);
  useWindow.setState({ role: 'follower' });
  void writeLocked(id, { signal }, signal, reload(id));
}

/**
 * Takes a session for this window: it writes it if no other window does, else it follows that one. Where the browser
 * has no locks every window writes, and a save that is overtaken is refused.
 */
export async function holdSession(id: string): Promise<void> {
  const signal = begin(id);
  useWindow.setState({ role: 'writer', deleted: null });
  if (!locks) return;
  const free = await writeLocked(id, { ifAvailable: true }, signal);
  if (!free && !signal.aborted) follow(id);
}

/** Resolves when this window writes, or after a time in which it did not come to that. */
function untilWriting(ms: number): Promise<void> {
  return new Promise((resolve) => {
    const done = (): void => {
      clearTimeout(timer);
      unsubscribe();
      resolve();
    };
    const unsubscribe = useWindow.subscribe(({ role }) => role === 'writer' && done());
    const timer = setTimeout(done, ms);
  });
}

/** Has this window write the session: the one that does is asked to give it up, and overruled if it is asleep. */
export async function workHere(): Promise<void> {
  if (!held || !locks) return;
  const { id } = held;
  tell({ kind: 'wanted', id });
  await untilWriting(PATIENCE);
  if (useWindow.getState().role === 'writer' || held?.id !== id) return;
  await writeLocked(id, { steal: true }, begin(id), reload(id));
}
