import { BlobReader, BlobWriter, TextReader, ZipReader, ZipWriter } from '@zip.js/zip.js';
import { stickClip } from '../../../tests/fixtures/stick-trial';
import { newSession, type Note, type Session } from '../../core/model/session';
import { sessionJson } from '../session-json/session-json';
import { isArchive } from './is-archive';
import { readSessionArchive, writeSessionArchive, type ArchivedVideo } from './session-archive';

const video = Uint8Array.from({ length: 70_000 }, (_, i) => (i * 31) % 251);
const session: Session = {
  ...newSession('s1', 'Nets', 'pace-delivery', '2026-03-02T09:00:00.000Z'),
  clips: [
    stickClip({ id: 'a', mediaId: 'm/1', workMediaId: 'copy' }),
    stickClip({ id: 'b', mediaId: 'gone', role: 'reference' }),
    stickClip({ id: 'c', mediaId: null, role: 'reference' }),
  ],
};
const noted: Note = {
  id: 'n',
  kind: 'good',
  text: '',
  clipId: 'a',
  frame: 0,
  region: null,
  panes: {},
  measureId: null,
  voice: null,
};
const load = (id: string): Promise<ArchivedVideo | undefined> =>
  Promise.resolve(id === 'm/1' ? { fileName: 'at/the\\nets.webm', blob: new Blob([video]) } : undefined);
const written = async (): Promise<Blob> => {
  const archive = await writeSessionArchive(session, load);
  if (!archive.ok) throw new Error(archive.issue.message);
  return archive.value;
};

describe('a session with its videos', () => {
  it('comes back whole, video bytes too; what was not there is missing, work copies are left out', async () => {
    const file = await written();
    expect(await isArchive(file)).toBe(true);
    const back = await readSessionArchive(file, 'nets.falcon.zip');
    if (!back.ok) throw new Error(back.issue.message);
    const kept = (of: typeof session): unknown => JSON.parse(sessionJson.write(of));
    const clips = session.clips.map((c) => ({ ...c, workMediaId: null }));
    expect(kept(back.value.session)).toEqual(kept({ ...session, clips }));
    expect([...back.value.videos.keys()]).toEqual(['m/1']);
    const { fileName, blob } = back.value.videos.get('m/1')!;
    expect(fileName).toBe('at_the_nets.webm');
    expect(new Uint8Array(await blob.arrayBuffer())).toEqual(video);
  });

  it('takes along what was recorded while talking', async () => {
    const talk = [
      { id: 't', seconds: 2, from: 0.5, to: 2, parts: [{ at: 0, pictures: 'shown', sound: 'said' }] },
      { id: 'u', seconds: 1, from: 0, to: 1, parts: [{ at: 0, pictures: 'silent', sound: null }] },
    ];
    const said = (id: string): Promise<ArchivedVideo> =>
      Promise.resolve({ fileName: `${id}.wav`, blob: new Blob([id]) });
    const notes: Note[] = [{ ...noted, voice: { mediaId: 'aloud', seconds: 3 } }];
    const archive = await writeSessionArchive({ ...session, clips: [], talk, notes }, said);
    const back = await readSessionArchive(archive.ok ? archive.value : new Blob(), 'talk.falcon.zip');
    if (!back.ok) throw new Error(back.issue.message);
    expect(back.value.session.talk).toEqual(talk);
    expect([...back.value.videos.keys()]).toEqual(['shown', 'said', 'silent', 'aloud']);
    expect(await back.value.videos.get('said')!.blob.text()).toBe('said');
  });

  it('stores videos as they are, so that any program takes them out', async () => {
    const entries = await new ZipReader(new BlobReader(await written())).getEntries();
    expect(entries.map((e) => [e.filename, e.compressionMethod])).toEqual([
      ['session.falcon.json', 8],
      ['video/m%2F1/at_the_nets.webm', 0],
    ]);
  });

  it('says how far it is, and writes nothing when it is cancelled', async () => {
    const seen: [number, number][] = [];
    await writeSessionArchive(session, load, { onProgress: (done, all) => seen.push([done, all]) });
    expect(seen.at(-1)).toEqual([video.length, video.length]);
    const stop = new AbortController();
    stop.abort();
    expect(await writeSessionArchive(session, load, { signal: stop.signal })).toMatchObject({
      ok: false,
      issue: { code: 'cancelled' },
    });
  });

  it('refuses what is none, and what is damaged', async () => {
    const zip = new ZipWriter(new BlobWriter());
    await zip.add('notes.txt', new TextReader('nothing'));
    expect(await readSessionArchive(await zip.close(), 'other.zip')).toMatchObject({
      ok: false,
      issue: { code: 'not-an-archive', message: expect.stringContaining('other.zip') },
    });
    const file = await written();
    const cut = await readSessionArchive(file.slice(0, 40_000), 'cut.zip');
    expect(cut).toMatchObject({
      ok: false,
      issue: { code: 'damaged-archive', message: expect.stringContaining('cut.zip') },
    });
    const bytes = new Uint8Array(await file.arrayBuffer());
    bytes[bytes.length >> 1]! ^= 1;
    expect(await readSessionArchive(new Blob([bytes]), 'bit.zip')).toMatchObject({
      ok: true,
      value: { damaged: [expect.stringContaining('the video')] },
    });
    expect(await isArchive(new Blob(['{"format"']))).toBe(false);
  });
});
