import 'fake-indexeddb/auto';
import { takeCloneHere } from '../../../tests/fixtures/clone-here';
import { performerNamed, stickClip } from '../../../tests/fixtures/stick-trial';
import { newSession, type Session } from '../../core/model/session';
import { database } from '../../storage/database';
import { storeMedia, sweepVideos } from '../../storage/media';
import { deleteSession, forgetVersions, loadSession, saveSession } from '../../storage/sessions';
import { setSession, useDocument } from '../stores/document-store';
import { withdrawConsent } from '../season/consent';
import { keptByAthlete } from './kept';
import { mediaUnderway } from '../talk/talk-underway';

// Pictures are not the matter here.
jest.mock('../../media/clip-source', () => ({
  openClipSource: () => Promise.resolve({ ok: false, issue: { code: 'not-a-video', message: '' } }),
}));

const session = (id: string, change: Partial<Session> = {}): Session => ({
  ...newSession(id, id, 'pace-delivery', '2026-01-01T00:00:00Z'),
  ...change,
});
const clip = (id: string, name: string) => stickClip({ id, mediaId: `m-${id}`, ...performerNamed(name) });
const video = (id: string) => storeMedia(id, `${id}.webm`, new Blob(['video']));
const videos = async (): Promise<readonly string[]> => (await database.media.toCollection().primaryKeys()).sort();

takeCloneHere();

beforeEach(async () => {
  Object.assign(globalThis, {
    localStorage: { getItem: () => null, setItem: () => undefined, removeItem: () => undefined },
  });
  forgetVersions();
  setSession(null);
  await Promise.all([database.sessions.clear(), database.media.clear()]);
});

it('a session is deleted with its videos though another row is damaged, and so is the damaged one', async () => {
  await video('m-a');
  await saveSession(session('a', { clips: [clip('a', 'Kip')] }), '1');
  await database.sessions.bulkPut([
    { id: 'none', name: 'None', updatedAt: '2', document: null as never },
    { id: 'odd', name: 'Odd', updatedAt: '3', document: { clips: [null, { mediaId: 7 }] } as never },
  ]);
  await deleteSession('a');
  await deleteSession('odd');
  await deleteSession('none');
  expect(await database.sessions.count()).toBe(0);
  expect(await videos()).toEqual([]);
});

it('what was said goes with its session, also what is not in it yet', async () => {
  const section = (sound: string) => ({
    id: sound,
    seconds: 1,
    from: 0,
    to: 1,
    parts: [{ at: 0, pictures: 'shown', sound }],
  });
  await Promise.all(['shown', 'said', 'saying'].map(video));
  await saveSession(session('a', { talk: [section('said')] }), '1');
  forgetVersions();
  const underway = { a: section('saying') };
  Object.assign(globalThis, { localStorage: { ...localStorage, getItem: () => JSON.stringify(underway) } });
  await sweepVideos(new Set(mediaUnderway()));
  expect(await videos()).toEqual(['said', 'saying', 'shown']);
  await deleteSession('a');
  await sweepVideos();
  expect(await videos()).toEqual([]);
});

it('a sweep leaves a video that was just stored and is not named yet', async () => {
  await video('m-old');
  forgetVersions();
  await video('m-a');
  await sweepVideos();
  expect(await videos()).toEqual(['m-a']);
  // Once a session has named it, it goes with that.
  await saveSession(session('a', { clips: [clip('a', 'Kip')] }), '1');
  await saveSession(session('a'), '2');
  await sweepVideos();
  expect(await videos()).toEqual([]);
});

it('consent that is withdrawn removes every clip of that person, and names the sessions that still know of them', async () => {
  for (const id of ['a', 'b', 'c']) await video(`m-${id}`);
  const clips = [clip('a', 'Kip Marlowe'), clip('b', 'Oren Tavish'), clip('c', ' kip  marlowe')];
  await saveSession(session('other', { name: 'Nets', clips: [clip('c', 'Kip Marlowe')] }), '1');
  await saveSession(session('s', { clips, marks: { a: {}, b: {} } }), '2');
  const loaded = await loadSession('s');
  if (!loaded.ok) throw new Error(loaded.issue.message);
  setSession(loaded.value);
  expect(await withdrawConsent(clips[0]!)).toEqual({ ok: true, value: ['Nets'] });
  const { session: left } = useDocument.getState();
  expect(left!.clips.map(({ id }) => id)).toEqual(['b']);
  expect(Object.keys(left!.marks)).toEqual(['b']);
  expect(await videos()).toEqual(['m-b']);
  expect(useDocument.temporal.getState().pastStates).toEqual([]);
});

it('what is kept of an athlete counts a video once that several sessions show', () => {
  const shown = (id: string, bytes: number) => ({ id, fileName: `${id}.webm`, bytes, sessions: [] });
  const kip = { key: 'name:kip', name: 'Kip' };
  const kept = keptByAthlete([
    { id: 'a', name: 'A', athlete: kip, bytes: 10, videos: [shown('m-a', 100)] },
    { id: 'b', name: 'B', athlete: kip, bytes: 20, videos: [shown('m-a', 100), shown('m-b', 50)] },
    { id: 'c', name: 'C', athlete: { key: 'o', name: 'Oren' }, bytes: 5, videos: [shown('m-c', 300)] },
    { id: 'd', name: 'D', athlete: null, bytes: 5, videos: [] },
  ]);
  expect(kept).toEqual([
    { key: 'o', name: 'Oren', count: 1, bytes: 5, videoBytes: 300 },
    { key: 'name:kip', name: 'Kip', count: 2, bytes: 30, videoBytes: 150 },
  ]);
});
