import { emptyBrowser, loaded, session } from '../../tests/fixtures/empty-browser';
import { type Session } from '../core/model/session';
import { stickClip } from '../../tests/fixtures/stick-trial';
import { database } from './database';
import {
  deleteSession,
  loadSession,
  rawSession,
  readSession,
  repairStored,
  saveLeaving,
  saveSession,
} from './sessions';
import { listSessions } from './session-list';
import { loadMedia, storeMedia } from './media';

const { kept } = emptyBrowser();

describe('sessions in the browser', () => {
  it('are read as they were stored, and listed with the latest change first', async () => {
    await saveSession({ ...session('a', 'First'), impressions: 'falls' }, '2026-01-01T10:00:00Z');
    await saveSession(session('b', 'Second'), '2026-01-01T11:00:00Z');
    expect(await loaded('a')).toEqual({ ...session('a', 'First'), impressions: 'falls' });
    const made = {
      on: '2026-01-01',
      movementId: 'pace-delivery',
      movementName: null,
      measuredBy: 'pace-delivery',
      performers: [],
      performerKeys: [],
      athlete: null,
      trials: [],
      media: [],
      damage: null,
      bytes: expect.any(Number),
    };
    expect(await listSessions()).toEqual([
      { id: 'b', name: 'Second', updatedAt: '2026-01-01T11:00:00Z', ...made },
      { id: 'a', name: 'First', updatedAt: '2026-01-01T10:00:00Z', ...made },
    ]);
  });

  it('that are not there, or were damaged, say so', async () => {
    expect(await loadSession('gone')).toMatchObject({
      ok: false,
      issue: { code: 'not-found', message: expect.stringContaining('\u201cgone\u201d') },
    });
    await database.sessions.put({
      id: 'bad',
      name: 'Bad',
      updatedAt: '',
      document: { ...session('bad'), cutoff: 'low' } as never,
    });
    expect(await loadSession('bad')).toMatchObject({
      ok: false,
      issue: { code: 'damaged', message: expect.stringContaining('cutoff') },
    });
  });

  it('take their videos with them when they are deleted, but not one that another uses', async () => {
    for (const id of ['own', 'shared']) await storeMedia(id, `${id}.webm`, new Blob([id]));
    const clip = (mediaId: string) => stickClip({ id: mediaId, mediaId });
    await saveSession({ ...session('a'), clips: [clip('own'), clip('shared')] }, '1');
    await saveSession({ ...session('b'), clips: [clip('shared')] }, '2');
    await deleteSession('a');
    expect(await loadMedia('own')).toBeUndefined();
    expect(await loadMedia('shared')).toBeDefined();
    expect((await listSessions()).map((s) => s.id)).toEqual(['b']);
  });
});

describe('what is not stored when the page is left', () => {
  beforeEach(async () => {
    await saveSession(session('a'), '2026-01-01T10:00:00Z');
  });

  it('is there when the session is opened again, and stored then', async () => {
    const open = await loaded('a');
    saveLeaving({ ...open, impressions: 'falls away' });
    expect((await database.sessions.get('a'))!.document.impressions).toBe('');
    expect((await loaded('a')).impressions).toBe('falls away');
    expect((await database.sessions.get('a'))!.document.impressions).toBe('falls away');
    expect(kept().items.size).toBe(0);
  });

  it('is there whether a save that was under way has ended or not', async () => {
    const open = await loaded('a');
    const saving = saveSession({ ...open, impressions: 'falls' }, '2026-01-01T10:00:01Z');
    saveLeaving({ ...open, impressions: 'falls away', name: 'Renamed' });
    const left = new Map(kept().items);
    await saving;
    expect(await loaded('a')).toMatchObject({ impressions: 'falls away', name: 'Renamed' });
    // The same where the page ended before that save.
    await database.sessions.put({ id: 'a', name: 'a', updatedAt: '2026-01-01T10:00:00Z', document: session('a') });
    for (const [key, value] of left) kept().setItem(key, value);
    expect(await loaded('a')).toMatchObject({ impressions: 'falls away', name: 'Renamed' });
  });

  it('is there where something was taken out, put in or changed', async () => {
    await saveSession(
      {
        ...session('a'),
        marks: { clip: { release: { frame: 12, proposed: null }, contact: { frame: 7, proposed: null } } },
      },
      '2026-01-01T10:00:02Z',
    );
    const open = await loaded('a');
    const marks = { clip: { contact: { frame: 8, proposed: null }, landing: { frame: 20, proposed: null } } };
    saveLeaving({ ...open, marks });
    expect((await loaded('a')).marks).toEqual(marks);
  });

  it('is nothing where all is stored', async () => {
    const open = await loaded('a');
    await saveSession({ ...open, impressions: 'falls' }, '2026-01-01T10:00:01Z').then(() => saveLeaving(open));
    expect(kept().items.size).toBe(1);
    kept().items.clear();
    const same = await loaded('a');
    saveLeaving(same);
    expect(kept().items.size).toBe(0);
  });

  it('is not put into a session that was changed since, elsewhere', async () => {
    const open = await loaded('a');
    saveLeaving({ ...open, impressions: 'of this page' });
    await database.sessions.put({
      id: 'a',
      name: 'a',
      updatedAt: '2026-01-02T00:00:00Z',
      document: { ...session('a'), impressions: 'of another page' },
    });
    expect((await loaded('a')).impressions).toBe('of another page');
  });

  it('does no harm where it cannot be kept(), or is no session any more', async () => {
    const open = await loaded('a');
    kept().room = 10;
    expect(() => saveLeaving({ ...open, impressions: 'falls' })).not.toThrow();
    kept().room = Infinity;
    kept().setItem(
      'proud-falcon:left:a',
      JSON.stringify([
        { updatedAt: '2026-01-01T10:00:00Z', changes: [{ op: 'replace', path: ['cutoff'], value: 'low' }] },
      ]),
    );
    expect((await loaded('a')).cutoff).toBe(open.cutoff);
    kept().setItem('proud-falcon:left:a', 'no json');
    expect((await loadSession('a')).ok).toBe(true);
  });

  it('goes with a session that is deleted', async () => {
    saveLeaving({ ...(await loaded('a')), impressions: 'falls' });
    await deleteSession('a');
    expect(kept().items.size).toBe(0);
  });
});

it('a save that does not follow what is stored is refused, whatever was read of it in between', async () => {
  await saveSession(session('a'), '2026-01-01T00:00:00Z');
  const open = await loaded('a');
  const elsewhere = { ...session('a'), impressions: 'of another window' };
  await database.sessions.put({ id: 'a', name: 'a', updatedAt: '2026-01-02T00:00:00Z', document: elsewhere });
  expect(await readSession('a')).toMatchObject({ ok: true, value: { impressions: 'of another window' } });
  expect(await saveSession({ ...open, impressions: 'stale' }, '2026-01-03T00:00:00Z')).toMatchObject({
    ok: false,
    issue: { code: 'overtaken' },
  });
  expect((await loaded('a')).impressions).toBe('of another window');
  await deleteSession('a');
});

describe('a session that cannot be opened', () => {
  const put = (id: string, document: unknown): Promise<unknown> =>
    database.sessions.put({ id, name: 'Bad', updatedAt: '2026-01-03T00:00:00Z', document: document as Session });

  it('is listed with why, whatever its row is, and does not hide the others', async () => {
    await saveSession(session('a'), '2026-01-04T00:00:00Z');
    await put('bad', { ...session('bad'), cutoff: 'low' });
    for (const [i, row] of [null, 7, [], { clips: [null] }].entries()) await put(`odd-${i}`, row);
    await database.sessions.put({ id: 'bare' } as never);
    const listed = await listSessions();
    expect(listed).toHaveLength(7);
    expect(listed[0]).toMatchObject({ id: 'a', damage: null });
    expect(listed.find((s) => s.id === 'bad')!.damage).toContain('cutoff');
    expect(listed.filter((s) => s.damage === null)).toHaveLength(1);
  });

  it('is repaired, what is left out named, or handed out as it is', async () => {
    await put('bad', { ...session('bad'), cutoff: 'low', notes: [3] });
    expect(JSON.parse((await rawSession('bad'))!.text)).toMatchObject({ document: { cutoff: 'low', notes: [3] } });
    const repaired = await repairStored('bad', '2026-01-05T00:00:00Z');
    expect(repaired).toMatchObject({
      ok: true,
      value: { id: 'bad', dropped: expect.arrayContaining([expect.stringContaining('notes 1')]) },
    });
    expect(await loaded('bad')).toMatchObject({ cutoff: 20, notes: [] });
  });

  it('because its id leads nowhere gets another', async () => {
    await put('..', session('..'));
    const repaired = await repairStored('..', '2026-01-05T00:00:00Z');
    if (!repaired.ok) throw new Error(repaired.issue.message);
    expect((await listSessions()).map((s) => s.id)).toEqual([repaired.value.id]);
    expect((await loaded(repaired.value.id)).name).toBe('..');
  });

  it('of which nothing can be read, or that is newer, is left as it is', async () => {
    await put('none', 'text');
    expect(await repairStored('none', '')).toMatchObject({ ok: false, issue: { code: 'damaged' } });
    await put('new', { ...session('new'), schemaVersion: 2 });
    expect(await loadSession('new')).toMatchObject({ ok: false, issue: { code: 'newer' } });
    expect(await database.sessions.get('new')).toMatchObject({ document: { schemaVersion: 2 } });
  });
});

describe('a date that is none', () => {
  it('locks no session and hides no list: the day is the one on which it was made, or none', async () => {
    const stored = (change: object): never => ({ ...session('late'), ...change }) as never;
    await database.sessions.put({
      id: 'late',
      name: 'late',
      updatedAt: '2026-01-03T00:00:00Z',
      document: stored({ filmedOn: '20255-01-01' }),
    });
    expect(await loaded('late')).toMatchObject({ filmedOn: null });
    await database.sessions.put({
      id: 'odd',
      name: 'odd',
      updatedAt: '2026-01-04T00:00:00Z',
      document: stored({ id: 'odd', filmedOn: '20255-01-01', createdAt: 'yesterday' }),
    });
    await database.sessions.put({ id: 'gone', name: 'gone', updatedAt: '2026-01-05T00:00:00Z', document: {} as never });
    const listed = await listSessions();
    expect(listed.find((s) => s.id === 'late')!.on).toBe(session('late').createdAt.slice(0, 10));
    expect(listed.find((s) => s.id === 'odd')).toMatchObject({ on: '' });
    expect(listed.find((s) => s.id === 'gone')).toMatchObject({ name: 'gone', performers: [] });
  });
});
