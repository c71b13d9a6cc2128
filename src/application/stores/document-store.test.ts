import 'fake-indexeddb/auto';
import { useNotices } from './notices';
import { newSession } from '../../core/model/session';
import { database } from '../../storage/database';
import { forgetVersions, loadSession, saveSession } from '../../storage/sessions';
import { edit, keepSaved, redoEdit, setSession, undoEdit, useDocument } from './document-store';
import { whenStored, useSaving } from './saving';

const kept = new Map<string, string>();
Object.assign(globalThis, {
  window: new EventTarget(),
  localStorage: {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
    removeItem: (key: string) => kept.delete(key),
  },
});

const now = () => useDocument.getState().session!;
const write = (text: string): boolean => edit((session) => void (session.impressions = text));
let stop: () => void;

beforeEach(async () => {
  kept.clear();
  forgetVersions();
  await database.sessions.clear();
  await saveSession(newSession('s', 'Session', 'pace-delivery', '2026-01-01T00:00:00Z'), '2026-01-01T00:00:00Z');
  const opened = await loadSession('s');
  if (!opened.ok) throw new Error(opened.issue.message);
  setSession(opened.value);
  stop = keepSaved();
});
afterEach(async () => {
  await whenStored();
  stop();
});

test('every change is one step back and forth; opening a session begins a new history', () => {
  write('one');
  write('two');
  undoEdit();
  expect(now().impressions).toBe('one');
  undoEdit();
  expect(now().impressions).toBe('');
  redoEdit();
  redoEdit();
  expect(now().impressions).toBe('two');
  setSession(newSession('t', 'Other', 'pace-delivery', '2026-01-01T00:00:00Z'));
  undoEdit();
  expect(now().id).toBe('t');
});

test('a change that changes nothing is no step', () => {
  write('one');
  edit(() => undefined);
  undoEdit();
  expect(now().impressions).toBe('');
});

test('all changes are stored, those made while one is stored as well', async () => {
  for (const text of ['one', 'two', 'three']) write(text);
  await whenStored();
  expect((await database.sessions.get('s'))!.document.impressions).toBe('three');
  undoEdit();
  await whenStored();
  expect((await database.sessions.get('s'))!.document.impressions).toBe('two');
});

test('what is being stored when the page is left, or changes while it is left, is kept; after coming back it goes on as before', async () => {
  write('one');
  window.dispatchEvent(new Event('pagehide'));
  expect([...kept.values()].join()).toContain('one');
  write('at the very end');
  expect([...kept.values()].join()).toContain('at the very end');
  window.dispatchEvent(new Event('pageshow'));
  await whenStored();
  kept.clear();
  write('later');
  expect(kept.size).toBe(0);
  await whenStored();
  expect((await database.sessions.get('s'))!.document.impressions).toBe('later');
});

describe('a change that could not be opened again', () => {
  it('is refused where it is made, with words, and nothing changes', () => {
    const before = now();
    expect(edit((session) => void (session.passes = ['x'.repeat(41)]))).toBe(false);
    expect(edit((session) => void (session.cutoff = Number.NaN))).toBe(false);
    expect(edit((session) => void session.order.push(...Array<string>(3).fill('')))).toBe(true);
    expect(now().cutoff).toBe(before.cutoff);
    expect(useNotices.getState().notices.at(-1)!.text).toMatch(/cutoff/);
  });
});

describe('what is stored', () => {
  const storedText = async (id: string): Promise<string> => (await database.sessions.get(id))!.document.impressions;

  it('follows a step back to the very state that was opened', async () => {
    write('falls away');
    await whenStored();
    undoEdit();
    await whenStored();
    expect(await storedText('s')).toBe('');
  });

  it('is not written by opening alone', async () => {
    const before = (await database.sessions.get('s'))!.updatedAt;
    const opened = await loadSession('s');
    if (!opened.ok) throw new Error(opened.issue.message);
    setSession(opened.value);
    await whenStored();
    expect((await database.sessions.get('s'))!.updatedAt).toBe(before);
  });

  it('is tried again for every session that could not be, also after another was opened', async () => {
    jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick', 'performance', 'Date'] });
    const full = jest.spyOn(database.sessions, 'put').mockRejectedValue(new DOMException('full', 'QuotaExceededError'));
    write('falls away');
    await whenStored();
    expect(useSaving.getState().problem).toMatch(/no room/);
    setSession(newSession('t', 'Other', 'pace-delivery', '2026-01-01T00:00:00Z'));
    write('late hands');
    await whenStored();
    full.mockRestore();
    jest.advanceTimersByTime(5000);
    await whenStored();
    jest.useRealTimers();
    expect([await storedText('s'), await storedText('t')]).toEqual(['falls away', 'late hands']);
    expect(useSaving.getState().problem).toBeNull();
  });
});
