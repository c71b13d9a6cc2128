import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import { trackFromDetections } from '../../src/core/detections/track-from-detections';
import { figureOf, proposeFigure } from '../../src/core/tracks/figure';
import { ORIGIN } from '../../src/core/tracks/track';
import { readPointFile } from '../../src/formats/points';
import { clipFile, root } from '../../demo/drive-job';
import type { Harness } from '../harness/harness';
import { serveHarness } from '../harness/serve';

declare const harness: Harness;

const folder = mkdtempSync(path.join(tmpdir(), 'falcon-find-'));
const CLIPS = ['walk-side-athlete', 'walk-side-reference', 'hurdle-side-athlete'];
const shortOf = (id: string): string => path.join(folder, `${id}.webm`);
const COMMAND = ['--import', 'tsx', 'cli/main.ts', 'find'];

/** A part of a second of each demo clip. */
test.beforeAll(() => {
  for (const id of CLIPS) {
    const cut = ['-v', 'error', '-ss', '0.4', '-i', clipFile(id), '-t', '0.3', '-c:v', 'libvpx-vp9', '-cpu-used', '8'];
    const made = spawnSync('ffmpeg', [...cut, shortOf(id)]);
    if (made.status !== 0) throw new Error(String(made.stderr));
  }
});
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

function find(out: string, ...more: string[]): { readonly code: number | null; readonly said: string } {
  const args = [...COMMAND, ...CLIPS.map(shortOf), '--out', out, '--setting', 'fast', ...more];
  const { status, stdout, stderr } = spawnSync(process.execPath, args, { cwd: root, encoding: 'utf8' });
  return { code: status, said: stdout + stderr };
}

/** Starts a run and ends it when its first clip is done. */
const endedAfterOne = (out: string, ...more: string[]): Promise<void> =>
  new Promise((resolve) => {
    const args = [...COMMAND, ...CLIPS.map(shortOf), '--out', out, '--setting', 'fast', ...more];
    const child = spawn(process.execPath, args, { cwd: root });
    child.stdout.on('data', (data: Buffer) => /^1 of /m.test(data.toString()) && child.kill());
    child.on('exit', () => resolve());
  });

test('points of many clips from a terminal: two shards, ended and resumed, are one run; they are the browser’s', async ({
  page,
}) => {
  const [whole, parts] = [path.join(folder, 'whole'), path.join(folder, 'parts')];
  const all = find(whole);
  expect(all.said).toContain('3 of 3 clips done');
  expect(all.code).toBe(0);

  await endedAfterOne(parts, '--shard', '1/2', '--jobs', '1');
  expect(readdirSync(parts).filter((name) => name.endsWith('.csv'))).toHaveLength(1);
  expect(find(parts, '--shard', '1/2').said).toContain('1 of 1 clips of shard 1 of 2 done');
  expect(find(parts, '--shard', '2/2').said).toContain('1 of 1 clips of shard 2 of 2 done');
  expect(find(parts).said).toContain('are there already');
  for (const id of CLIPS)
    expect(readFileSync(path.join(parts, `${id}.csv`), 'utf8')).toBe(
      readFileSync(path.join(whole, `${id}.csv`), 'utf8'),
    );

  const served = await serveHarness(folder, true);
  try {
    await page.goto(served.address);
    const id = CLIPS[0]!;
    const { detections, times } = await page.evaluate(
      async (address) => ({ ...(await harness.find(address, 'fast')), ...(await harness.timesOf(address)) }),
      `/demo-data/${id}.webm`,
    );
    const own = trackFromDetections({}, Float64Array.from(times), new Map(detections), 'fast');
    const read = readPointFile(readFileSync(path.join(whole, `${id}.csv`)), `${id}.csv`);
    if (!read.ok) throw new Error(read.issue.message);
    const { track } = figureOf(proposeFigure(read.value.recordings[0]!, null));
    for (const joint of ['left-knee', 'right-wrist', 'left-heel'] as const) {
      const [a, b] = [own[joint]!, track[joint]!];
      expect(b.x.length).toBe(a.x.length);
      a.x.forEach((x, i) => {
        if (!Number.isNaN(x)) expect(Math.hypot(x - b.x[i]!, a.y[i]! - b.y[i]!)).toBeLessThan(0.5);
      });
      // Read again, they err as a detector does, and not as a marker.
      expect(b.origin[5]).toBe(ORIGIN.detected);
      expect(b.confidence[5]).toBeCloseTo(a.confidence[5]!, 3);
    }
  } finally {
    served.stop();
  }
});

test('what cannot be done from a terminal is said in one line', () => {
  expect(find(path.join(folder, 'none'), '--shard', '3/2')).toMatchObject({
    code: 2,
    said: expect.stringContaining('--shard is “3/2”') as unknown,
  });
  const missing = spawnSync(process.execPath, [...COMMAND, 'no.webm', '--out', folder], {
    cwd: root,
    encoding: 'utf8',
  });
  expect([missing.status, missing.stderr]).toEqual([3, expect.stringContaining('“no.webm” cannot be read')]);
  const twice = spawnSync(process.execPath, [...COMMAND, shortOf(CLIPS[0]!), clipFile(CLIPS[0]!), '--out', folder], {
    cwd: root,
    encoding: 'utf8',
  });
  expect([twice.status, twice.stderr]).toEqual([2, expect.stringContaining('would both be written to')]);
});
