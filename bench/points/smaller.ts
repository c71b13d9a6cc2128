import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import type { Browser } from '@playwright/test';
import { DEMO_CLIPS, type DemoClip } from '../../demo/scenario';
import type { ClipTruth } from '../../demo/truth';
import { serveHarness } from '../../tests/harness/serve';
import { round, type Figure } from '../figure';
import { percentile } from '../percentile';
import { compareWithTruth, together, type DetectedAndTrue } from './accuracy';
import { folder, nearOf, run, share } from './detected-run';

/** Where clips of one size are made. */
const smallerFolder = (by: number): string =>
  path.join(import.meta.dirname, '..', '..', 'test-results', `smaller-${by}`);

/** A rendered clip as one filmed from farther away, or with fewer lines: its sides and its truth divided. */
function makeSmaller(id: string, by: number): DemoClip {
  const demo = DEMO_CLIPS.find((c) => c.id === id)!;
  const to = smallerFolder(by);
  mkdirSync(to, { recursive: true });
  const [width, height] = [demo.camera.width, demo.camera.height].map((side) => 2 * Math.round(side / by / 2)) as [
    number,
    number,
  ];
  const truth = JSON.parse(readFileSync(path.join(folder, `${id}.truth.json`), 'utf8')) as ClipTruth;
  const pixels = truth.pixels.map((frame) =>
    frame.map(([x, y]) => [(x * width) / demo.camera.width, (y * height) / demo.camera.height] as const),
  );
  writeFileSync(path.join(to, `${id}.truth.json`), JSON.stringify({ ...truth, pixels }));
  const made = spawnSync('ffmpeg', [
    ...['-y', '-v', 'error', '-i', path.join(folder, `${id}.webm`), '-vf', `scale=${width}:${height}:flags=area`],
    ...['-c:v', 'libvpx-vp9', '-crf', '24', '-b:v', '0', '-cpu-used', '6', '-row-mt', '1'],
    path.join(to, `${id}.webm`),
  ]);
  if (made.status !== 0) throw new Error(`ffmpeg: ${made.stderr.toString()}`);
  return { ...demo, camera: { ...demo.camera, width, height } };
}

/** Clips that no constant was chosen on, filmed from two and three times as far. */
const HELD_BACK = ['pace-side-athlete-winter', 'walk-side-reference-2', 'hurdle-side-reference-2'];
const ANGLES = ['knee', 'hip', 'elbow', 'ankle', 'trunk'] as const;

/** How far off angles are on small bodies, and whether the stated errors say so. */
export async function onSmallerBodies(browser: Browser): Promise<readonly Figure[]> {
  const figures: Figure[] = [];
  for (const by of [2, 3]) {
    const found: DetectedAndTrue[] = [];
    for (const id of HELD_BACK) {
      const demo = makeSmaller(id, by);
      const server = await serveHarness(smallerFolder(by), true);
      const page = await browser.newPage();
      await page.goto(server.address);
      found.push((await run(page, demo, 'accurate', 'enough', smallerFolder(by))).both);
      await page.close();
      server.stop();
    }
    const heights = found.map(({ truth }) => Math.round(truth.bodyHeight)).join(', ');
    for (const name of ANGLES) {
      const all = together(found.map((both) => compareWithTruth(both, nearOf(both)[name])));
      figures.push({
        bench: 'points',
        figure: `accurate, bodies ${by} times smaller: near ${name}, truth inside the 95 % interval`,
        value: round(100 * share(all), 1),
        unit: '%',
        goal: 'at least 90',
        holds: share(all) >= 0.9,
        against: `bodies of ${heights} pixels; median error ${percentile(all.errors, 0.5).toFixed(1)} deg`,
      });
    }
  }
  return figures;
}
