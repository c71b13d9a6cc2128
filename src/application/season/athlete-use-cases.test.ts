import 'fake-indexeddb/auto';
import { performerKey } from '../../core/model/performer';
import { newSession, type Session } from '../../core/model/session';
import { takeCloneHere } from '../../../tests/fixtures/clone-here';
import { stickClip } from '../../../tests/fixtures/stick-trial';
import { database } from '../../storage/database';
import { storeMedia } from '../../storage/media';
import { allAthletes, putStanding } from '../../storage/athletes';
import { forgetVersions, readSession, saveSession } from '../../storage/sessions';
import {
  firstRecord,
  mergeAthletes,
  notToShare,
  performerOf,
  saveAthlete,
  splitAthlete,
  withdrawConsentOf,
} from './athlete-use-cases';
import { readSquad, type SquadMember } from './squad';

// No other window has a session open here.
jest.mock('../stores/windows', () => ({
  ...jest.requireActual<object>('../stores/windows'),
  otherWindows: () => Promise.resolve(false),
}));
takeCloneHere();

const performer = (name: string) => ({ ...stickClip().performer, name });
const clips = [
  stickClip({ id: 'front', mediaId: 'm-front', performer: performer('Kip') }),
  stickClip({ id: 'side', mediaId: 'm-side', performer: performer('Kip') }),
  stickClip({ id: 'ref', mediaId: 'm-ref', role: 'reference', performer: performer('Oren') }),
];
const session = (id: string): Session => ({
  ...newSession(id, `Session ${id}`, 'pace-delivery', '2026-01-01T00:00:00Z'),
  clips,
  tracks: { front: {}, ref: {} },
});
const here = async (key: string): Promise<SquadMember> => {
  const member = (await readSquad()).members.find((m) => m.key === key);
  if (!member) throw new Error(`no ${key}`);
  return member;
};
const stored = async (id: string): Promise<Session> => {
  const read = await readSession(id);
  if (!read.ok) throw new Error(read.issue.message);
  return read.value;
};
const namesIn = async (id: string): Promise<readonly string[]> =>
  (await stored(id)).clips.map((clip) => `${clip.performer.name} ${performerKey(clip.performer)}`);

beforeEach(async () => {
  forgetVersions();
  await Promise.all(database.tables.map((table) => table.clear()));
  for (const id of ['m-front', 'm-side', 'm-ref']) await storeMedia(id, `${id}.webm`, new Blob(['x']));
  await saveSession(session('one'), '2026-01-01T10:00:00Z');
  await saveSession(session('two'), '2026-01-02T10:00:00Z');
});

describe('the record of an athlete', () => {
  it('is kept, and a new name stands in all sessions of theirs and nowhere else', async () => {
    const record = firstRecord(await here('name:kip'), performer('Kip'));
    expect(await saveAthlete({ ...record, name: 'Kip Marlowe', birthYear: 2009 }, 'Kip')).toEqual({
      ok: true,
      value: null,
    });
    for (const id of ['one', 'two'])
      expect(await namesIn(id)).toEqual(['Kip Marlowe name:kip', 'Kip Marlowe name:kip', 'Oren name:oren']);
    expect((await here('name:kip')).name).toBe('Kip Marlowe');
  });

  it('tells a clip who may be under age on its day, and whether consent was given', () => {
    const record = { ...firstRecord({ key: 'k', name: 'Kip' }, null), birthYear: 2008 };
    // Born in 2008 somebody may still be 17 in 2026.
    expect(performerOf(record, '2026-06-01', null)).toMatchObject({ athleteId: 'k', minor: true, consent: false });
    expect(performerOf(record, '2027-01-01', null).minor).toBe(false);
    const consent = { on: '2026-01-01', film: true, analyse: true, share: false };
    expect(performerOf({ ...record, consent }, '2026-06-01', null).consent).toBe(true);
    expect(performerOf({ ...record, consent, withdrawnOn: '2026-02-01' }, '2026-06-01', null).consent).toBe(false);
  });
});

it('names those who have not agreed that what shows them is given to others', async () => {
  const record = firstRecord(await here('name:kip'), null);
  expect(await notToShare(clips)).toEqual([]);
  const consent = { on: '2026-01-01', film: true, analyse: true, share: false };
  await saveAthlete({ ...record, consent }, 'Kip');
  expect(await notToShare(clips)).toEqual([{ key: 'name:kip', name: 'Kip' }]);
  await saveAthlete({ ...record, consent: { ...consent, share: true } }, 'Kip');
  expect(await notToShare(clips)).toEqual([]);
});

describe('who somebody is', () => {
  it('two names of one person become one, and that can be taken back', async () => {
    await saveAthlete({ ...firstRecord(await here('name:kip'), null), notes: 'tall' }, 'Kip');
    const before = await Promise.all(['one', 'two'].map(stored));
    const merged = await mergeAthletes(await here('name:kip'), await here('name:oren'));
    if (!merged.ok) throw new Error(merged.issue.message);
    expect(await namesIn('one')).toEqual(['Oren name:oren', 'Oren name:oren', 'Oren name:oren']);
    expect(await allAthletes()).toEqual([]);
    await merged.value();
    expect(await Promise.all(['one', 'two'].map(stored))).toEqual(before);
    expect((await allAthletes()).map(({ notes }) => notes)).toEqual(['tall']);
  });

  it('two persons of one name are told apart by their sessions, and that can be taken back', async () => {
    const split = await splitAthlete(await here('name:kip'), ['two']);
    if (!split.ok) throw new Error(split.issue.message);
    const { record, takeBack } = split.value;
    expect((await here('name:kip')).sessions.map(({ id }) => id)).toEqual(['one']);
    expect((await here(record.id)).sessions.map(({ id }) => id)).toEqual(['two']);
    expect(record.name).toBe('Kip');
    await takeBack();
    expect((await here('name:kip')).sessions).toHaveLength(2);
    expect(await allAthletes()).toEqual([]);
  });
});

describe('a session that cannot be written', () => {
  it('leaves a split undone as a whole: the sessions before it are as they were, and there is no second record', async () => {
    const before = await stored('one');
    const split = await splitAthlete(await here('name:kip'), ['one', 'gone']);
    expect(split).toMatchObject({ ok: false });
    expect((await stored('one')).clips).toEqual(before.clips);
    expect(await allAthletes()).toEqual([]);
  });
});

describe('a consent that is withdrawn', () => {
  const mediaLeft = async (): Promise<readonly string[]> => (await database.media.toCollection().primaryKeys()).sort();
  beforeEach(() =>
    putStanding({
      id: 's',
      athlete: 'name:kip',
      measuredBy: 'pace-delivery',
      sessions: [],
      open: [],
      trend: null,
      picture: 'data:image/webp;base64,AAAA',
    }),
  );

  it('leaves no video and no picture of theirs in the database; the numbers stay where that is chosen', async () => {
    expect(await withdrawConsentOf(await here('name:kip'), 'stay', '2026-03-01')).toEqual({ ok: true, value: null });
    expect(await mediaLeft()).toEqual(['m-ref']);
    expect(await database.standings.count()).toBe(0);
    for (const id of ['one', 'two']) {
      const { clips: left, tracks } = await stored(id);
      expect(left.map(({ mediaId, performer: { consent } }) => [mediaId, consent])).toEqual([
        [null, false],
        [null, false],
        ['m-ref', true],
      ]);
      expect(Object.keys(tracks)).toEqual(['front', 'ref']);
    }
    expect((await allAthletes()).map(({ id, withdrawnOn }) => [id, withdrawnOn])).toEqual([['name:kip', '2026-03-01']]);
  });

  it('or go with the videos', async () => {
    await withdrawConsentOf(await here('name:kip'), 'go', '2026-03-01');
    expect(await mediaLeft()).toEqual(['m-ref']);
    const { clips: left, tracks } = await stored('one');
    expect(left.map(({ id }) => id)).toEqual(['ref']);
    expect(Object.keys(tracks)).toEqual(['ref']);
  });

  it('reaches the same video under another name in another session, and its work copy there', async () => {
    await storeMedia('w-other', 'w-other.webm', new Blob(['x']));
    const other = stickClip({ id: 'o', mediaId: 'm-front', workMediaId: 'w-other', performer: performer('Una') });
    await saveSession({ ...session('other'), clips: [other], tracks: {} }, '2026-01-03T10:00:00Z');
    await withdrawConsentOf(await here('name:kip'), 'stay', '2026-03-01');
    expect(await mediaLeft()).toEqual(['m-ref']);
    expect((await stored('other')).clips.map(({ mediaId, workMediaId }) => [mediaId, workMediaId])).toEqual([
      [null, null],
    ]);
  });

  it('reaches the videos of a session that cannot be opened, and leaves those of others in it', async () => {
    await storeMedia('m-lost', 'm-lost.webm', new Blob(['x']));
    await storeMedia('w-lost', 'w-lost.webm', new Blob(['x']));
    const lost = { ...clips[0]!, mediaId: 'm-lost', workMediaId: 'w-lost' };
    await saveSession({ ...session('lost'), clips: [lost, clips[2]!], tracks: {} }, '2026-01-03T10:00:00Z');
    const row = (await database.sessions.get('lost'))!;
    await database.summaries.delete('lost');
    await database.sessions.put({
      ...row,
      document: Object.assign({}, row.document, { movementId: 7, notes: 'torn' }),
    });
    await withdrawConsentOf(await here('name:kip'), 'stay', '2026-03-01');
    expect(await mediaLeft()).toEqual(['m-ref']);
  });

  it('reaches everybody whom the same video shows', async () => {
    const both = {
      ...session('three'),
      clips: [clips[0]!, stickClip({ id: 'o', mediaId: 'm-front', performer: performer('Una') })],
    };
    await saveSession({ ...both, tracks: {} }, '2026-01-03T10:00:00Z');
    await withdrawConsentOf(await here('name:kip'), 'stay', '2026-03-01');
    expect((await stored('three')).clips.map(({ mediaId }) => mediaId)).toEqual([null, null]);
  });
});
