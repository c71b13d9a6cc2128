import { emptyBrowser, loaded, session } from '../../tests/fixtures/empty-browser';
import { type Session } from '../core/model/session';
import { database, FalconDatabase } from './database';
import { withParts } from './session-parts';
import { listSessions } from './session-list';
import { deleteSession, forgetVersions, saveSession } from './sessions';

emptyBrowser();

describe('the samples of a session', () => {
  const FRAMES = 2400;
  const series = (n: number) => ({
    x: new Float64Array(FRAMES).fill(n),
    y: new Float64Array(FRAMES).fill(n),
    confidence: new Float32Array(FRAMES).fill(1),
    origin: new Uint8Array(FRAMES).fill(1),
  });
  const points = ['left-hip', 'right-hip', 'left-knee', 'right-knee', 'left-ankle', 'right-ankle'] as const;
  const track = (n: number): Session['tracks'][string] =>
    Object.fromEntries(points.map((id, i) => [id, series(n + i)]));
  const long: Session = { ...session('long'), tracks: { a: track(0), b: track(10), c: track(20), d: track(30) } };

  /** Bytes of samples that are written while something is done. */
  async function written(act: () => Promise<unknown>): Promise<number> {
    const put = jest.spyOn(database.parts, 'bulkPut');
    await act();
    const parts = put.mock.calls.flatMap(([rows]) => rows as readonly { readonly value: ReturnType<typeof series> }[]);
    put.mockRestore();
    return parts.reduce((sum, { value }) => sum + Object.values(value).reduce((all, v) => all + v.byteLength, 0), 0);
  }

  it('are written where they changed: one point of four long clips, and none for a word', async () => {
    expect(await written(() => saveSession(long, '2026-01-01T10:00:00Z'))).toBeGreaterThan(1e6);
    const moved = { ...long, tracks: { ...long.tracks, b: { ...long.tracks['b'], 'left-knee': series(99) } } };
    expect(await written(() => saveSession(moved, '2026-01-01T10:00:01Z'))).toBeLessThan(0.1e6);
    const named = { ...moved, impressions: 'falls away' };
    expect(await written(() => saveSession(named, '2026-01-01T10:00:02Z'))).toBe(0);
    forgetVersions();
    expect(await loaded('long')).toEqual(named);
  });

  it('are stored alike by a window that writes alone, in one go; a full browser refuses it whole', async () => {
    const alone = { alone: true };
    await saveSession(long, '2026-01-01T10:00:00Z');
    const { a, b, d } = long.tracks;
    const changed = {
      ...long,
      name: 'changed',
      tracks: { a: a!, b: { ...b, 'left-knee': series(99) }, d: d! },
    };
    expect((await saveSession(changed, '2026-01-01T10:00:01Z', alone)).ok).toBe(true);
    const put = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    expect(await saveSession({ ...changed, name: 'refused' }, '2026-01-01T10:00:02Z', alone)).toMatchObject({
      ok: false,
      issue: { code: 'storage-full' },
    });
    put.mockRestore();
    expect((await saveSession({ ...changed, impressions: 'x' }, '2026-01-01T10:00:03Z', alone)).ok).toBe(true);
    forgetVersions();
    expect(await loaded('long')).toEqual({ ...changed, impressions: 'x' });
    expect((await listSessions())[0]!.name).toBe('changed');
  });

  it('do not come back where another window has deleted the session in the moment before', async () => {
    await saveSession(long, '2026-01-01T10:00:00Z');
    await Promise.all([database.sessions.clear(), database.parts.clear(), database.summaries.clear()]);
    const late = await saveSession({ ...long, name: 'late' }, '2026-01-01T10:00:01Z', { alone: true });
    expect(late).toMatchObject({ ok: false, issue: { code: 'overtaken' } });
    expect(await Promise.all([database.sessions.count(), database.summaries.count()])).toEqual([0, 0]);
  });

  it('are gone where a clip or the session is', async () => {
    await saveSession(long, '2026-01-01T10:00:00Z');
    const { a } = long.tracks;
    await saveSession({ ...long, tracks: { a: a! } }, '2026-01-01T10:00:01Z');
    expect(await database.parts.count()).toBe(points.length);
    await deleteSession('long');
    expect(await Promise.all([database.parts.count(), database.summaries.count()])).toEqual([0, 0]);
  });

  it('are not read for a list, and no document is', async () => {
    await saveSession(long, '2026-01-01T10:00:00Z');
    const reads = [
      jest.spyOn(database.sessions, 'get'),
      jest.spyOn(database.sessions, 'toArray'),
      jest.spyOn(database.parts, 'where'),
    ];
    expect((await listSessions()).map(({ id }) => id)).toEqual(['long']);
    for (const read of reads) {
      expect(read).not.toHaveBeenCalled();
      read.mockRestore();
    }
  });

  it('lay in the documents in version 2 of the tables: such a browser opens, and says the same', async () => {
    const name = 'earlier';
    const { a } = long.tracks;
    const earlier = { ...long, tracks: { a: a! } };
    await new Promise<void>((resolve, reject) => {
      const opening = indexedDB.open(name, 20);
      opening.onupgradeneeded = () => {
        opening.result.createObjectStore('sessions', { keyPath: 'id' }).createIndex('updatedAt', 'updatedAt');
        for (const table of ['media', 'markerMaps']) opening.result.createObjectStore(table, { keyPath: 'id' });
      };
      opening.onerror = () => reject(opening.error!);
      opening.onsuccess = () => {
        const putting = opening.result.transaction('sessions', 'readwrite').objectStore('sessions');
        putting.put({ id: 'long', name: 'long', updatedAt: '2026-01-01T10:00:00Z', document: earlier });
        putting.put({ id: 'odd', name: 'Odd', updatedAt: 'never', document: { clips: 3, tracks: 'none' } });
        putting.transaction.oncomplete = () => {
          opening.result.close();
          resolve();
        };
      };
    });
    const opened = new FalconDatabase(name);
    const [row, odd, parts] = await Promise.all([
      opened.sessions.get('long'),
      opened.sessions.get('odd'),
      opened.parts.toArray(),
    ]);
    opened.close();
    expect(withParts(row!.document, parts)).toEqual(earlier);
    expect(row!.document.tracks['a']!['left-hip']).toBeNull();
    expect(odd!.document).toEqual({ clips: 3, tracks: 'none' });
  });
});
