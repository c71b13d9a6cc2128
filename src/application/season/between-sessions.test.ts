import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { deserialize, serialize } from 'node:v8';
import { practised } from '../../../tests/fixtures/practised';
import { ladderOf } from '../../core/coaching/ladder';
import { practicePlan } from '../../core/coaching/practice-plan';
import type { SessionPractice } from '../../core/coaching/session-practice';
import { newSession, type Session } from '../../core/model/session';
import { takeCloneHere } from '../../../tests/fixtures/clone-here';
import { stickClip } from '../../../tests/fixtures/stick-trial';
import { writeSessionArchive } from '../../formats/session-archive/session-archive';
import { readSessionFile } from '../../formats/session-archive/session-file';
import { sessionJson } from '../../formats/session-json/session-json';
import { database } from '../../storage/database';
import { forgetVersions, loadSession, saveSession } from '../../storage/sessions';
import { loadVideo, storeMedia } from '../../storage/media';
import { derive } from '../analysis/derived';
import { redoEdit, setSession, undoEdit, useDocument } from '../stores/document-store';
import { settle, startNextSession } from './follow-up-use-cases';
import { openSessionFile } from '../keeping/session-files';
import { performerKey } from '../../core/model/performer';
import { resultOf } from '../analysis/session-result';
import { takeListed, takeTrial, trialsElsewhere, trialsFound } from './taken-trials';

// Pictures are not the matter here.
jest.mock('../../media/clip-source', () => ({
  openClipSource: () => Promise.resolve({ ok: false, issue: { code: 'not-a-video', message: '' } }),
}));

const clip = (id: string, mediaId: string | null = `m-${id}`) => stickClip({ id, mediaId, fileName: `${id}.webm` });
const base: Session = { ...newSession('s', 'Nets', 'pace-delivery', '2026-03-02T09:00:00.000Z'), clips: [clip('a')] };
const archive = async (session: Session, bytes = 'video'): Promise<File> => {
  const written = await writeSessionArchive(session, (id) =>
    Promise.resolve({ fileName: `${id}.webm`, blob: new Blob([bytes]) }),
  );
  if (!written.ok) throw new Error(written.issue.message);
  return new File([written.value], 'nets.falcon.zip');
};
const open = async (file: File) => {
  const opened = await openSessionFile(file, false, readSessionFile);
  if (!opened.ok) throw new Error(opened.issue.message);
  return opened.value;
};
const stored = async (id: string): Promise<Session> => {
  const read = await loadSession(id);
  if (!read.ok) throw new Error(read.issue.message);
  return read.value;
};
const demo = (name: string): Session => {
  const read = sessionJson.read(
    readFileSync(
      path.join(import.meta.dirname, '..', '..', '..', 'demo', 'clips', `${name}-session.falcon.json`),
      'utf8',
    ),
    name,
  );
  if (!read.ok) throw new Error(read.issue.message);
  return read.value;
};

takeCloneHere();

beforeEach(async () => {
  forgetVersions();
  setSession(null);
  await Promise.all([database.sessions.clear(), database.media.clear()]);
});

describe('a session file', () => {
  it('is taken in with its video, and is the same session when it is opened again', async () => {
    const file = await archive(base);
    expect(await open(file)).toEqual({ id: 's', missing: [], beside: false, dropped: [] });
    expect(await (await loadVideo('m-a'))!.blob.text()).toBe('video');
    expect(await open(file)).toEqual({ id: 's', missing: [], beside: false, dropped: [] });
    expect(await database.sessions.count()).toBe(1);
  });

  it('stands beside the session that is here in another state, which is not touched', async () => {
    await saveSession({ ...base, impressions: 'mine' }, '1');
    const { id, beside } = await open(await archive(base));
    expect(beside).toBe(true);
    expect((await stored('s')).impressions).toBe('mine');
    expect(await stored(id)).toMatchObject({ name: 'Nets (from a file)', impressions: '' });
  });

  it('does not replace another video of the same id', async () => {
    await storeMedia('m-a', 'a.webm', new Blob(['another video']));
    const { id } = await open(await archive(base));
    expect(await (await loadVideo('m-a'))!.blob.text()).toBe('another video');
    const mediaId = (await stored(id)).clips[0]!.mediaId!;
    expect(await (await loadVideo(mediaId))!.blob.text()).toBe('video');
  });

  it('says what was recorded and is missing; of videos the bench tells', async () => {
    const spoken = {
      id: 'n',
      kind: 'good' as const,
      text: '',
      clipId: 'a',
      frame: 0,
      region: null,
      panes: {},
      measureId: null,
      voice: { mediaId: 'm-voice', seconds: 2 },
    };
    const file = new File(
      [sessionJson.write({ ...base, clips: [clip('a'), clip('b'), clip('c', null)], notes: [spoken] })],
      'nets.falcon.json',
    );
    await storeMedia('m-b', 'b.webm', new Blob(['b']));
    expect(await open(file)).toEqual({ id: 's', missing: ['a voice note'], beside: false, dropped: [] });
  });

  it('that is none changes nothing', async () => {
    expect(await openSessionFile(new File(['{"format":"x"}'], 'x.json'), false, readSessionFile)).toMatchObject({
      ok: false,
      issue: { code: 'not-a-session', message: expect.stringContaining('x.json') },
    });
    expect(await openSessionFile(new File(['PK but no archive'], 'x.zip'), false, readSessionFile)).toMatchObject({
      ok: false,
      issue: { code: 'damaged-archive' },
    });
    expect(await database.sessions.count()).toBe(0);
  });
});

describe('a performance of another session', () => {
  it('comes with its cameras, points and moments, as one step that can be undone', async () => {
    const other: Session = { ...demo('pace'), id: 'other' };
    const [first] = other.clips as [Session['clips'][number]];
    const camera = { ...first, id: 'second-camera', sync: { to: first.id, pairs: [{ own: 3, other: 5 }] } };
    const filmed = { ...other, clips: [...other.clips, camera] };
    await saveSession(filmed, '1');
    setSession(base);
    const all = await trialsElsewhere('s');
    expect(all.map((p) => p.clipId)).toEqual(other.clips.map((c) => c.id));
    // One that several sessions use stands once, one of the open session not at all.
    await saveSession({ ...other, id: 'third' }, '2');
    await saveSession({ ...base, clips: [other.clips[1]!] }, '3');
    expect((await trialsElsewhere('s')).map((p) => [p.session.id, p.clipId])).toEqual(
      other.clips.filter((_, i) => i !== 1).map((c) => ['third', c.id]),
    );
    expect(all[0]).toMatchObject({ clipId: first.id, cameras: 2 });
    const id = await takeTrial({ session: filmed, clip: first }, 'reference', true);
    const now = useDocument.getState().session!;
    expect(now.clips.map((c) => [c.id, c.role])).toEqual([
      [id, 'reference'],
      [now.clips[1]!.id, 'reference'],
      ['a', 'athlete'],
    ]);
    expect(now.clips[1]!.sync).toEqual({ to: id, pairs: [{ own: 3, other: 5 }] });
    expect(now.marks[id]).toEqual(other.marks[first.id]);
    expect(Object.keys(now.tracks[id]!)).toEqual(Object.keys(other.tracks[first.id]!));
    undoEdit();
    expect(useDocument.getState().session).toEqual(base);
    redoEdit();
    expect(useDocument.getState().session!.clips).toHaveLength(3);
  });

  it('of the reference library stands once, as it is there, and is found by its level and tags', async () => {
    const other: Session = { ...demo('pace'), id: 'other' };
    const [first, second, ...rest] = other.clips as [Session['clips'][number], Session['clips'][number]];
    const kept = { ...first, library: { level: 'National', tags: ['braced leg'] } };
    await saveSession({ ...other, clips: [kept, second, ...rest] }, '1');
    // The same performance was worked on in another session since.
    await saveSession({ ...other, id: 'third', clips: [first] }, '2');
    setSession(base);
    const all = await trialsElsewhere('s');
    const found = (text: string, library = false): readonly string[] =>
      trialsFound(all, { text, measuredBy: 'pace-delivery', library }).map(
        ({ session, clipId }) => `${session.id} ${clipId}`,
      );
    expect(found('', true)).toEqual([`other ${first.id}`]);
    expect(found('national braced')).toEqual([`other ${first.id}`]);
    expect(found('national nobody')).toEqual([]);
    expect(trialsFound(all, { text: '', measuredBy: 'race-walking', library: false })).toEqual([]);
    // What is taken is this session's, and not a second entry of the library.
    const taken = await takeListed(
      all.find(({ library }) => library !== null)!,
      'reference',
    );
    if (!taken.ok) throw new Error(taken.issue.message);
    expect(useDocument.getState().session!.clips.find((c) => c.id === taken.value)!.library).toBeNull();
  });

  it('of another movement comes without moments', async () => {
    const walk = demo('walk');
    await saveSession(walk, '1');
    setSession(base);
    const taken = await takeListed((await trialsElsewhere('s'))[0]!, 'athlete');
    if (!taken.ok) throw new Error(taken.issue.message);
    const id = taken.value;
    const { marks, tracks, repetitions } = useDocument.getState().session!;
    expect([marks[id], repetitions[id]]).toEqual([undefined, undefined]);
    expect(tracks[id]).toBeDefined();
  });
});

describe('the next session', () => {
  it('has the references as they were measured and compared, and no athlete yet', async () => {
    const walk: Session = { ...demo('walk'), importances: { knee: 1 }, impressions: 'x' };
    const references = walk.clips.filter((c) => c.role === 'reference');
    setSession({ ...walk, referenceModel: { ...walk.referenceModel, without: [references[1]!.id] } });
    const ladder = ladderOf(['Hold it', 'At full speed'], { target: null, risk: false, minor: false });
    const practice: SessionPractice = {
      corrections: [practised({ ladder, passed: ['2026-02-20'] })],
      plan: practicePlan([], { perWeek: 3, daysToCompetition: null }),
    };
    const next = await startNextSession('Tess, today', practice);
    if (!next.ok) throw new Error(next.issue.message);
    const made = await stored(next.value);
    expect(made.clips.map((c) => c.performer.name)).toEqual(references.map((c) => c.performer.name));
    expect(made.referenceModel).toMatchObject({ kind: 'several', without: [made.clips[1]!.id] });
    expect(made).toMatchObject({ name: 'Tess, today', importances: { knee: 1 }, impressions: '', decisions: [] });
    expect(Object.keys(made.tracks).sort()).toEqual(made.clips.map((c) => c.id).sort());
    expect(made.practice).toMatchObject({ ladders: { knee: ladder }, passed: { knee: ['2026-02-20'] } });
    expect(made.marks[made.clips[0]!.id]).toEqual(walk.marks[references[0]!.id]);
  });
});

describe('what a session found', () => {
  it('has every reading with its state, what could not be read, and what was asked for', () => {
    const derived = derive({ ...demo('pace'), filmedOn: '2026-02-28' });
    const result = resultOf(derived);
    expect(result.on).toBe('2026-02-28');
    expect(result.readings.length + Object.keys(result.missing).length).toBe(derived.judged.length);
    expect(result.asked.map((a) => a.id)).toEqual(derived.plan.items.map((i) => i.id));
    // It goes through a worker: what a structured copy loses would be lost.
    expect(deserialize(serialize(result))).toEqual(result);
  });

  it('knows an athlete by name, however it is written, and by the record where there is one', () => {
    expect(performerKey({ name: ' Kip  Marlowe' })).toBe(performerKey({ name: 'kip marlowe' }));
    expect(performerKey({ name: 'Kip Marlowe' })).not.toBe(performerKey({ name: 'Kit Marlowe' }));
    const other = { name: 'Kip Marlowe', athleteId: 'another' };
    expect(performerKey(other)).not.toBe(performerKey({ name: 'Kip Marlowe' }));
  });

  it('keeps what the analyst says of a correction until it is taken back', () => {
    setSession(base);
    settle('knee', { verdict: 'closed', reason: 'good enough' });
    expect(useDocument.getState().session!.correctionVerdicts).toEqual({
      knee: { verdict: 'closed', reason: 'good enough' },
    });
    settle('knee', null);
    expect(useDocument.getState().session!.correctionVerdicts).toEqual({});
    undoEdit();
    expect(useDocument.getState().session!.correctionVerdicts['knee']).toBeDefined();
  });
});
