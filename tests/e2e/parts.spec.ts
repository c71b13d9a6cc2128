import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { createSession, goToStep } from '../../demo/drive-job';
import { asInt16, writeWav } from '../../src/core/sound/wav';
import { clapRecording } from '../fixtures/claps';
import { CODED, codedPicture } from '../fixtures/coded-clip';
import { codedInput, ffmpeg } from '../fixtures/coded-clips';
import { codesIn, seriousFindings, watchErrors } from './pages';

const RATE = 30;
const SECONDS = 40;
/** Still but for these seconds. */
const ACTIVE = [
  [10, 13],
  [25, 29],
] as const;

const CONTACTS = [12.2, 27.5] as const;

/**
 * A long recording of numbered pictures, with B-frames, whose groups begin each second; below the numbers stripes
 * move in two stretches and stand still otherwise.
 */
function longRecording(folder: string): string {
  const file = path.join(folder, 'nets.mp4');
  if (existsSync(file)) return file;
  mkdirSync(folder, { recursive: true });
  const pictures = Array.from({ length: RATE * SECONDS }, (_, i) => {
    const picture = codedPicture(i);
    const t = i / RATE;
    const moved = ACTIVE.reduce((sum, [from, to]) => sum + 250 * Math.max(0, Math.min(t, to) - from), 0);
    for (let y = 140; y < CODED.height; y++)
      for (let x = 0; x < CODED.width; x++) picture[y * CODED.width + x] = (x + moved) % 100 < 50 ? 220 : 60;
    for (let y = 0; y < 40; y++) picture.fill(90, y * CODED.width, (y + 1) * CODED.width);
    return picture;
  });
  const coding = ['-c:v', 'libx264', '-bf', '2', '-g', String(RATE), '-sc_threshold', '0', '-pix_fmt', 'yuv420p'];
  ffmpeg([...codedInput(RATE), ...coding, file], Buffer.concat(pictures));
  return file;
}

/** The same with a sound track in which two contacts are heard. */
function heardRecording(folder: string): string {
  const pictures = longRecording(folder);
  const { samples, rate } = clapRecording({
    rate: 16_000,
    seconds: SECONDS,
    claps: CONTACTS,
    decibels: 20,
    shape: 5,
    seed: 11,
  });
  const wav = path.join(folder, 'contacts.wav');
  writeFileSync(wav, writeWav({ rate, samples: Int16Array.from(samples, asInt16) }));
  const file = path.join(folder, 'heard.mp4');
  ffmpeg(['-i', pictures, '-i', wav, '-c:v', 'copy', '-c:a', 'aac', file]);
  return file;
}

async function dropLong(page: Page, baseURL: string, file: string): Promise<void> {
  await createSession(page, baseURL, 'From a recording');
  await page.getByTestId('intake-athlete').locator('input[type=file]').setInputFiles(file);
  await expect(page.getByRole('group', { name: 'Parts of the file' })).toBeVisible();
}

/** Goes to a time of the recording and presses a key there. */
async function press(page: Page, seconds: number, key: string): Promise<void> {
  const video = page.getByRole('group', { name: 'Parts of the file' }).locator('video');
  await video.evaluate(async (element: HTMLVideoElement, at) => {
    if (element.currentTime === at) return;
    const there = new Promise((resolve) => element.addEventListener('seeked', resolve, { once: true }));
    element.currentTime = at;
    await there;
  }, seconds);
  await page.getByRole('button', { name: 'Begins here (I)' }).focus();
  await page.keyboard.press(key);
}

const answer = async (page: Page, name: string): Promise<void> => {
  const card = page.getByTestId('intake-athlete');
  await card.getByLabel('Name').fill(name);
  await card.getByLabel(/^Consent/).check();
  await card.getByRole('button', { name: 'Use as athlete' }).click();
};

test('parts of a long recording are clips: their own frames, the file kept once', async ({ page, baseURL }, info) => {
  const errors = watchErrors(page);
  await dropLong(page, baseURL!, longRecording(info.outputPath('long')));
  expect(await seriousFindings(page, 'Parts')).toEqual([]);
  // Neither begins or ends at a group.
  for (const [from, to] of [
    [12.34, 14.56],
    [3.21, 4.87],
  ] as const) {
    await press(page, from, 'i');
    await press(page, to, 'o');
  }
  await expect(page.getByText('0:03.21 to 0:04.87, 1.66 s')).toBeVisible();
  await page.getByRole('button', { name: 'Use 2 parts' }).click();
  await expect(page.getByText('3.21 to 4.87 s of the file, 50 frames')).toBeVisible();
  await expect(page.getByText(/One further part becomes a clip/)).toBeVisible();
  await answer(page, 'Sela Orr');
  await goToStep(page, 'Review');
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  const names = await page
    .locator('.panes canvas')
    .evaluateAll((all) => all.map((c) => (c as HTMLElement).dataset['testid']!));
  const panes = names.map((name) => name.replace('pane-', ''));
  const first = (seconds: number): number => Math.ceil(seconds * RATE);
  expect((await codesIn(page, panes)).map(Number)).toEqual([first(3.21), first(12.34)]);
  // The last frame of each, and back over the edge of a group.
  const seen: number[] = [];
  for (const key of ['Control+ArrowRight', 'Control+ArrowRight', 'ArrowLeft', 'Control+ArrowLeft']) {
    await page.keyboard.press(key);
    await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
    seen.push((await codesIn(page, [panes[0]!]))[0]!);
  }
  expect(seen).toEqual([10, 20, 19, 9].map((n) => first(3.21) + n));
  const kept = await page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const open = indexedDB.open('proud-falcon');
        open.onsuccess = () => {
          const count = open.result.transaction('media').objectStore('media').count();
          count.onsuccess = () => resolve(count.result);
        };
      }),
  );
  expect(kept).toBe(1);
  await page.reload();
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  await expect.poll(() => codesIn(page, panes)).not.toContain(null);
  expect(errors).toEqual([]);
  // Lost, and given back: each part has its own frames of it again.
  await page.evaluate(
    () =>
      new Promise((resolve) => {
        const open = indexedDB.open('proud-falcon');
        open.onsuccess = () => {
          open.result.transaction('media', 'readwrite').objectStore('media').clear().onsuccess = resolve;
        };
      }),
  );
  await page.reload();
  await expect(page.getByText(/not in this browser/).first()).toBeVisible();
  await goToStep(page, 'Intake');
  await page
    .getByTestId('intake-athlete')
    .locator('input[type=file]')
    .setInputFiles(longRecording(info.outputPath('long')));
  await expect(page.getByText(/it has its video again/)).toBeVisible();
  await goToStep(page, 'Review');
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  await expect.poll(async () => (await codesIn(page, panes)).includes(null)).toBe(false);
});

test('attempts are proposed round each contact that is heard; a file without sound says so', async ({
  page,
  baseURL,
}, info) => {
  await dropLong(page, baseURL!, longRecording(info.outputPath('long')));
  await page.getByRole('button', { name: 'Propose by sound' }).click();
  await expect(page.getByText('The file has no sound that can be heard here.')).toBeVisible();
  await page.getByRole('button', { name: 'Do not use this file' }).click();
  await page
    .getByTestId('intake-athlete')
    .locator('input[type=file]')
    .setInputFiles(heardRecording(info.outputPath('long')));
  await page.getByRole('button', { name: 'Propose by sound' }).click();
  const parts = page.locator('.parts-list li');
  await expect(parts).toHaveCount(CONTACTS.length);
  const texts = await parts.allInnerTexts();
  CONTACTS.forEach((contact, i) => {
    const [from, to] = [...texts[i]!.matchAll(/0:(\d+\.\d+)/g)].map((match) => Number(match[1])) as [number, number];
    expect(contact - from).toBeGreaterThan(2);
    expect(contact - from).toBeLessThan(4);
    expect(to - contact).toBeGreaterThan(1);
  });
});

test('attempts are proposed from what moves', async ({ page, baseURL }, info) => {
  await dropLong(page, baseURL!, longRecording(info.outputPath('long')));
  await page.getByRole('button', { name: 'Propose attempts' }).click();
  const parts = page.locator('.parts-list li');
  await expect(parts).toHaveCount(2);
  const times = (await parts.allInnerTexts()).map((text) =>
    [...text.matchAll(/0:(\d+\.\d+)/g)].map((match) => Number(match[1])),
  );
  times.forEach(([from, to], i) => {
    const [begin, end] = ACTIVE[i]!;
    // A group of a second is what can be told apart, and three quarters of one are kept around.
    expect(from).toBeLessThanOrEqual(begin);
    expect(from).toBeGreaterThan(begin - 2);
    expect(to).toBeGreaterThanOrEqual(end);
    expect(to).toBeLessThan(end + 2);
  });
  await page.getByRole('button', { name: 'Remove part 2' }).click();
  await page.getByRole('button', { name: 'Use this part' }).click();
  await answer(page, 'Sela Orr');
  await expect(page.getByText(/s of the file/)).toBeVisible();
});
