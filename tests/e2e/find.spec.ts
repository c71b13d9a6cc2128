import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import { ORIGIN } from '../../src/core/tracks/track';
import { clipFile } from '../../demo/drive-job';
import { ffmpeg } from '../fixtures/coded-clips';
import { cutClips, endedAfter, farthest, find, tracksIn, tracksOfPage } from '../fixtures/found-points';
import { serveHarness } from '../harness/serve';

/** A third of a second plays nearly three times as long. */
const SLOWED = "setpts='if(lt(T,0.2),PTS,if(lt(T,0.5),0.2/TB+(PTS-0.2/TB)*2.7,PTS+0.51/TB))',fps=120";

let folder = '';
const IDS = ['walk-side-athlete', 'walk-side-reference', 'hurdle-side-athlete'];
let clips: readonly string[] = [];

/** A part of a second of each demo clip. */
test.beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'falcon-find-'));
  clips = cutClips(IDS, folder);
});
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

test('points of many clips from a terminal: two shards, ended and resumed, are one run; they are the browser’s', async ({
  page,
}) => {
  const [whole, parts] = [path.join(folder, 'whole'), path.join(folder, 'parts')];
  const all = find(clips, whole);
  expect(all.said).toContain('3 of 3 clips done');
  expect(all.code).toBe(0);

  await endedAfter(1, clips, parts, '--shard', '1/2', '--jobs', '1');
  expect(readdirSync(parts).filter((name) => name.endsWith('.csv'))).toHaveLength(1);
  expect(find(clips, parts, '--shard', '1/2').said).toContain('1 of 1 clips of shard 1 of 2 done');
  expect(find(clips, parts, '--shard', '2/2').said).toContain('1 of 1 clips of shard 2 of 2 done');
  expect(find(clips, parts).said).toContain('are there already');
  for (const id of IDS)
    expect(readFileSync(path.join(parts, `${id}.csv`), 'utf8')).toBe(
      readFileSync(path.join(whole, `${id}.csv`), 'utf8'),
    );

  const served = await serveHarness(folder, true);
  try {
    await page.goto(served.address);
    const id = IDS[0]!;
    const [own, track] = [await tracksOfPage(page, id), tracksIn(path.join(whole, `${id}.csv`))];
    for (const joint of ['left-knee', 'right-wrist', 'left-heel'] as const) {
      const [a, b] = [own[joint]!, track[joint]!];
      expect(b.x.length).toBe(a.x.length);
      expect(farthest(a, b)).toBeLessThan(0.5);
      // Read again, they err as a detector does, and not as a marker.
      expect(b.origin[5]).toBe(ORIGIN.detected);
      expect(b.confidence[5]).toBeCloseTo(a.confidence[5]!, 3);
    }
  } finally {
    served.stop();
  }
});

test('what is to know of a file is said: where nobody knows its times', () => {
  const slowed = path.join(folder, 'slowed.mp4');
  ffmpeg(['-ss', '0.4', '-t', '0.8', '-i', clipFile(IDS[0]!), '-vf', SLOWED, '-c:v', 'libx264', slowed]);
  const { code, said } = find([slowed], path.join(folder, 'told'));
  expect(code).toBe(0);
  expect(said).toContain('Some frames show the picture before them again');
  expect(said).toContain('with --rate ?');
});

test('what cannot be done from a terminal is said in one line', () => {
  expect(find(clips, path.join(folder, 'none'), '--shard', '3/2')).toMatchObject({
    code: 2,
    said: expect.stringContaining('--shard is “3/2”') as unknown,
  });
  const missing = find(['no.webm'], folder);
  expect([missing.code, missing.said]).toEqual([3, expect.stringContaining('“no.webm” cannot be read')]);
  const twice = find([clips[0]!, clipFile(IDS[0]!)], folder);
  expect([twice.code, twice.said]).toEqual([2, expect.stringContaining('would both be written to')]);
});
