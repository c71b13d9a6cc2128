import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sessionJson } from '../src/formats/session-json/session-json';
import type { Session } from '../src/core/model/session';
import { addClip, clipFile, createSession, findAllPoints, goToStep, markMoments, openBrowser, root, startServer } from './drive-job';
import { DEMO_CLIPS } from './scenario';
import type { ClipTruth } from './truth';

/**
 * Makes the demo session by doing the job through the interface on the two demo files, and writes it beside them:
 * `npm run demo:session` (after `npm run demo` has built the application).
 */
const folder = path.join(root, 'demo', 'clips');
const truthOf = async (id: string): Promise<ClipTruth> => JSON.parse(await readFile(path.join(folder, `${id}.truth.json`), 'utf8')) as ClipTruth;
const performer = (id: string): string => DEMO_CLIPS.find((clip) => clip.id === id)!.performer;

/** Fixed ids and file names, so that making it again changes only what was measured. */
function settle(session: Session): Session {
  const id = (old: string): string => {
    const clip = session.clips.find((c) => c.id === old)!;
    return `demo-${clip.role}`;
  };
  const rename = <T,>(record: Record<string, T>): Record<string, T> => Object.fromEntries(Object.entries(record).map(([k, v]) => [id(k), v]));
  return {
    ...session,
    id: 'demo-pace',
    createdAt: '2026-03-02T09:00:00.000Z',
    daysToCompetition: 210,
    impressions: 'Runs in well and lands tall on the back foot. Seems to sink as the ball goes; the front arm looks hurried.',
    clips: session.clips.map((clip) => ({ ...clip, id: id(clip.id), mediaId: `demo-media-${clip.role}` })),
    tracks: rename(session.tracks),
    marks: rename(session.marks),
  };
}

const userData = await mkdtemp(path.join(tmpdir(), 'falcon-'));
const server = await startServer();
const browser = await openBrowser(userData);
try {
  const page = await browser.newPage();
  page.on('pageerror', (error) => console.error(error));
  await createSession(page, server.address, 'Kip Marlowe, pace delivery, early season');
  await addClip(page, 'athlete', clipFile('pace-side-athlete'), { name: performer('pace-side-athlete') });
  await addClip(page, 'reference', clipFile('pace-side-reference'), { name: performer('pace-side-reference') });
  await goToStep(page, 'Moments');
  await markMoments(page, 'athlete', await truthOf('pace-side-athlete'));
  await markMoments(page, 'reference', await truthOf('pace-side-reference'));
  const started = Date.now();
  await findAllPoints(page, 'Accurate');
  console.log(`points found in ${((Date.now() - started) / 1000).toFixed(0)} s`);
  await goToStep(page, 'Report');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the session without video' }).click();
  const read = sessionJson.read!(await readFile(await (await download).path(), 'utf8'), 'download');
  if (!read.ok) throw new Error(read.issue.message);
  await writeFile(path.join(folder, 'pace-session.falcon.json'), sessionJson.write!(settle(read.value)));
} finally {
  await browser.close();
  server.stop();
  await rm(userData, { recursive: true, force: true });
}
