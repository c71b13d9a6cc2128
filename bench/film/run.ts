import { chromium, type Page } from '@playwright/test';
import { ALL_FORMATS, EncodedPacketSink, FilePathSource, Input } from 'mediabunny';
import { mkdtemp, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { CHROMIUM, CHROMIUM_ARGS, goToStep, startServer } from '../../demo/drive-job';
import { printFigures, round, type Figure } from '../figure';

/**
 * Making a film of the demo in the application itself, against recording the screen while it plays, which takes as long
 * as the film.
 */
const RATE = 30;

/** How long somebody talks, ms. */
const TALK = 12_000;

/** How often a talk-through is made, each time followed by the bare encoder. */
const ROUNDS = 5;

/** Talks while both clips play, round and round. */
async function talk(page: Page): Promise<void> {
  await goToStep(page, 'Review');
  await page.locator('[data-testid=panes][aria-busy=false]').waitFor();
  await page.keyboard.press('r');
  await page.getByRole('button', { name: 'Pause (R)' }).waitFor();
  await page.keyboard.press('l');
  await page.keyboard.press('Space');
  await page.waitForTimeout(TALK);
  await page.keyboard.press('Space');
  await page.keyboard.press('r');
}

/** Makes the video of what was said; resolves with how long it took, ms. */
async function makeTalk(page: Page, file: string): Promise<number> {
  const make = page.getByRole('button', { name: /^Make the video/ });
  await make.waitFor();
  // Chapters come beside it.
  const download = page.waitForEvent('download', {
    timeout: 300_000,
    predicate: (one) => /\.(webm|mp4)$/.test(one.suggestedFilename()),
  });
  const started = performance.now();
  await make.click();
  await (await download).saveAs(file);
  return performance.now() - started;
}

/** The bare encoder: so many pictures of the bench drawn and encoded with nothing else to do; ms. */
const encodeBare = (page: Page, count: number, bitrate: number): Promise<number> =>
  page.evaluate(
    async (film) => {
      const from = document.querySelector<HTMLCanvasElement>('.panes canvas')!;
      const canvas = new OffscreenCanvas(1280, 720);
      const context = canvas.getContext('2d', { alpha: false })!;
      // Named functions would ask for a helper of this file's compiler, which the page does not have.
      const encoder = new VideoEncoder({ output() {}, error() {} });
      encoder.configure({
        codec: 'vp09.00.31.08',
        width: 1280,
        height: 720,
        bitrate: film.bitrate,
        framerate: film.rate,
      });
      const begun = performance.now();
      for (let i = 0; i < film.count; i++) {
        context.drawImage(from, i % 60, 0, from.width - 60, from.height, 0, 0, 1280, 720);
        const frame = new VideoFrame(canvas, { timestamp: (i * 1e6) / film.rate });
        encoder.encode(frame, { keyFrame: i % film.rate === 0 });
        frame.close();
        while (encoder.encodeQueueSize > 4)
          await new Promise((resolve) => encoder.addEventListener('dequeue', resolve, { once: true }));
      }
      await encoder.flush();
      encoder.close();
      return performance.now() - begun;
    },
    { count, bitrate, rate: RATE },
  );

const middleOf = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!;

/**
 * Making the video of a talk-through while both clips play, against the bare encoder: as many pictures of the bench, at
 * the same rate of bits. Both by turns, since what else a machine does comes and goes.
 */
async function talkSpeed(page: Page): Promise<Figure> {
  await talk(page);
  const file = path.join(folder, 'talk');
  const rounds: { readonly took: number; readonly bare: number }[] = [];
  let pictures = 0;
  for (let round = 0; round < ROUNDS; round++) {
    const took = await makeTalk(page, file);
    const { size } = await stat(file);
    const film = new Input({ source: new FilePathSource(file), formats: ALL_FORMATS });
    pictures = Math.round(RATE * (await film.computeDuration()));
    rounds.push({ took, bare: await encodeBare(page, pictures, Math.round((8 * size * RATE) / pictures)) });
  }
  const ratios = rounds.map(({ took, bare }) => bare / took);
  const ratio = middleOf(ratios);
  const seconds = (of: (round: (typeof rounds)[number]) => number): string =>
    (middleOf(rounds.map(of)) / 1000).toFixed(1);
  return {
    bench: 'film',
    figure: `a talk-through of ${pictures} pictures, its sound with it`,
    value: round(ratio),
    unit: 'of the encoder',
    against:
      `the bare encoder ${seconds((r) => r.bare)} s, here ${seconds((r) => r.took)} s; median of ${ROUNDS}, ` +
      `${Math.min(...ratios).toFixed(2)} to ${Math.max(...ratios).toFixed(2)}`,
    goal: 'at least 0.7',
    holds: ratio >= 0.7,
  };
}

const folder = await mkdtemp(path.join(tmpdir(), 'falcon-film-'));
const server = await startServer();
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  // A microphone that is simulated, and allowed.
  args: [...CHROMIUM_ARGS, '--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'],
});
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
  figures.push(await talkSpeed(page));
} finally {
  await browser.close();
  server.stop();
  await rm(folder, { recursive: true, force: true });
}
printFigures(figures);
