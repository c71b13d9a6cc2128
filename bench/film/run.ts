import { chromium } from '@playwright/test';
import { ALL_FORMATS, EncodedPacketSink, FilePathSource, Input } from 'mediabunny';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { CHROMIUM, CHROMIUM_ARGS, goToStep, startServer } from '../../demo/drive-job';
import { printFigures, round, type Figure } from '../figure';

/**
 * Making a film of the demo in the application itself, against recording the screen while it plays, which takes as long
 * as the film.
 */
const RATE = 30;

const folder = await mkdtemp(path.join(tmpdir(), 'falcon-film-'));
const server = await startServer();
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const figures: Figure[] = [];
try {
  const page = await (
    await browser.newContext({ viewport: { width: 1280, height: 800 }, acceptDownloads: true })
  ).newPage();
  await page.goto(`${server.address}/demo`);
  await page.locator('[data-testid=panes][aria-busy=false]').waitFor();
  await goToStep(page, 'Report');
  // The stills of the report are made first.
  await page.getByTestId('still').nth(9).waitFor();
  const choose = async (label: string, option: string): Promise<void> => {
    await page.getByRole('dialog').getByLabel(label, { exact: true }).click();
    await page.getByRole('option', { name: option, exact: true }).click();
  };
  for (const [format, name] of [
    ['webm', 'WebM (VP9)'],
    ['mp4', 'MP4 (H.264)'],
  ] as const) {
    await page.getByRole('button', { name: 'Save a film' }).click();
    await choose('From', 'the beginning');
    await choose('To', 'the end');
    await choose('At each moment', 'no stop');
    await choose('File', name);
    const file = path.join(folder, `film.${format}`);
    const download = page.waitForEvent('download', { timeout: 300_000 });
    const started = performance.now();
    await page.getByRole('button', { name: 'Make the film' }).click();
    await (await download).saveAs(file);
    const took = (performance.now() - started) / 1000;
    const track = (await new Input({ source: new FilePathSource(file), formats: ALL_FORMATS }).getPrimaryVideoTrack())!;
    let pictures = 0;
    for await (const packet of new EncodedPacketSink(track).packets(undefined, undefined, { metadataOnly: true }))
      pictures += packet ? 1 : 0;
    const ratio = pictures / RATE / took;
    figures.push({
      bench: 'film',
      figure: `${format}: a film of both, ${pictures} pictures of 1280 x 720, every one painted`,
      value: round(ratio),
      unit: 'of real time',
      against: 'recording the screen while it plays',
      goal: 'at least 0.5',
      holds: ratio >= 0.5,
    });
  }
} finally {
  await browser.close();
  server.stop();
  await rm(folder, { recursive: true, force: true });
}
printFigures(figures);
