import { existsSync } from 'node:fs';
import { copyFile, mkdir, readFile, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS, root } from '../../demo/drive-job';
import { FURTHER_VIEWS } from '../../demo/scenario';
import type { ClipTruth } from '../../demo/truth';
import type { Harness } from '../../tests/harness/harness';
import { serveHarness } from '../../tests/harness/serve';
import { renderInto } from '../render';
import type { Detections } from './against-truth';

declare const harness: Harness;

/** Clips, their truth and their detections are kept here from run to run: rendering and detecting take minutes each. */
const FOLDER = path.join(root, 'test-results', 'space');
const SHIPPED = path.join(root, 'demo', 'clips');

export interface DetectedClip {
  readonly id: string;
  readonly truth: ClipTruth;
  readonly detections: Detections;
}

/** Puts every clip into the folder: those that ship are copied, the further views are rendered. */
async function gather(ids: readonly string[]): Promise<void> {
  await mkdir(FOLDER, { recursive: true });
  for (const id of ids)
    for (const part of ['webm', 'truth.json'])
      if (existsSync(path.join(SHIPPED, `${id}.${part}`)))
        await copyFile(path.join(SHIPPED, `${id}.${part}`), path.join(FOLDER, `${id}.${part}`));
  const further = FURTHER_VIEWS.map((c) => c.id).filter(
    (id) => ids.includes(id) && !existsSync(path.join(FOLDER, `${id}.truth.json`)),
  );
  renderInto(FOLDER, further);
}

/** The points that the accurate detectors see in each clip. */
export async function detectedClips(ids: readonly string[]): Promise<ReadonlyMap<string, DetectedClip>> {
  await gather(ids);
  const fileOf = (id: string): string => path.join(FOLDER, `${id}.detections.json`);
  const missing = ids.filter((id) => !existsSync(fileOf(id)));
  if (missing.length > 0) {
    const server = await serveHarness(FOLDER, true);
    const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
    try {
      const page = await browser.newPage();
      await page.goto(server.address);
      for (const id of missing) {
        const { detections, milliseconds } = await page.evaluate(
          (address) => harness.find(address, 'accurate'),
          `/demo-data/${id}.webm`,
        );
        await writeFile(fileOf(id), JSON.stringify(detections));
        console.log(`${id}: points detected in ${(milliseconds / 1000).toFixed(0)} s`);
      }
    } finally {
      await browser.close();
      server.stop();
    }
  }
  const clips = await Promise.all(
    ids.map(async (id): Promise<[string, DetectedClip]> => {
      const truth = JSON.parse(await readFile(path.join(FOLDER, `${id}.truth.json`), 'utf8')) as ClipTruth;
      const detections = JSON.parse(await readFile(fileOf(id), 'utf8')) as Detections;
      return [id, { id, truth, detections }];
    }),
  );
  return new Map(clips);
}
