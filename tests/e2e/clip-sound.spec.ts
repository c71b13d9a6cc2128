import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { addClip, createSession, goToStep } from '../../demo/drive-job';
import { writeWav } from '../../src/core/sound/wav';
import { clapRecording } from '../fixtures/claps';
import { codedPicture } from '../fixtures/coded-clip';
import { codedInput, ffmpeg } from '../fixtures/coded-clips';
import { seriousFindings, watchErrors } from './pages';

const folder = path.join(import.meta.dirname, '..', '..', 'test-results', 'sounds');

/** A clip of numbered pictures in which a clap is heard at a time of its own. */
function clapping(file: string, rate: number, clap: number, coding: readonly string[]): string {
  mkdirSync(folder, { recursive: true });
  const seconds = 3;
  const { samples, rate: heard } = clapRecording({
    rate: 48_000,
    seconds,
    claps: [clap],
    decibels: 20,
    shape: 7,
    seed: rate,
  });
  const wav = path.join(folder, `${file}.wav`);
  writeFileSync(wav, writeWav({ rate: heard, samples: Int16Array.from(samples, (s) => Math.round(s * 0x7fff)) }));
  const to = path.join(folder, file);
  const pictures = Buffer.concat(Array.from({ length: seconds * rate }, (_, i) => codedPicture(i)));
  ffmpeg([...codedInput(rate), '-i', wav, '-pix_fmt', 'yuv420p', ...coding, '-shortest', to], pictures);
  return to;
}

const AAC = ['-c:v', 'libx264', '-crf', '32', '-g', '30', '-c:a', 'aac', '-b:a', '96k'];
const FLAC = ['-c:v', 'libvpx-vp9', '-crf', '42', '-b:v', '0', '-cpu-used', '8', '-c:a', 'flac'];

/** The sound that the page plays, as it stands. */
const playing = (page: Page): Promise<{ paused: boolean; rate: number; pitch: boolean; at: number } | null> =>
  page.evaluate(() => {
    const audio = (window as unknown as { played: HTMLAudioElement[] }).played.at(-1);
    return audio
      ? { paused: audio.paused, rate: audio.playbackRate, pitch: audio.preservesPitch, at: audio.currentTime }
      : null;
  });

test('clips keep their sound: drawn, heard, a moment set on it, and cameras joined by it', async ({
  page,
  baseURL,
}) => {
  const errors = watchErrors(page);
  // What plays is no element of the page.
  await page.addInitScript(() => {
    const played: HTMLAudioElement[] = [];
    Object.assign(window, { played });
    const play = HTMLMediaElement.prototype.play;
    HTMLMediaElement.prototype.play = function (this: HTMLAudioElement) {
      if (!played.includes(this)) played.push(this);
      return play.call(this);
    };
  });
  await createSession(page, baseURL!, 'Heard');
  await addClip(page, 'athlete', clapping('first.mp4', 50, 1.2, AAC), { name: 'Sela Orr' });
  await page.getByRole('button', { name: 'Another camera of the athlete' }).click();
  const card = page.getByTestId('intake-new');
  await card.locator('input[type=file]').setInputFiles(clapping('second.mkv', 60, 0.85, FLAC));
  await card.getByRole('button', { name: 'Use this camera' }).click();
  await expect(page.getByTestId('intake-athlete-view-2')).toBeVisible();
  await goToStep(page, 'Moments');
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  await expect(page.getByTestId('sound-athlete')).toBeVisible();
  expect(await seriousFindings(page, 'Sound')).toEqual([]);

  // The clap is heard at 1.2 s: frame 60 of 50 a second, counted from 1 it is 61.
  await page.getByTestId('current-moment').click();
  for (let i = 0; i < 6; i++) await page.keyboard.press('Control+ArrowRight');
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowLeft');
  await page.getByRole('button', { name: 'Set back foot contact in athlete on the sound' }).click();
  await expect(page.getByText(/Set on a sound \d+ dB above what was heard before it/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Go to back foot contact in athlete' })).toHaveText('61');

  // Heard beside the pictures at half speed, its pitch kept; silent again with them.
  await page.keyboard.press('u');
  await page.getByRole('combobox', { name: 'Speed' }).click();
  await page.getByRole('option', { name: '1/2 speed' }).click();
  await page.keyboard.press('Space');
  await expect.poll(() => playing(page)).toMatchObject({ paused: false, rate: 0.5, pitch: true });
  await page.keyboard.press('Space');
  await expect.poll(() => playing(page)).toMatchObject({ paused: true });

  // The second camera hears it at 0.85 s of its own: 0.35 s earlier.
  await goToStep(page, 'Match');
  await page.getByRole('button', { name: 'Join by the sound' }).click();
  await expect(page.getByText(/Joined by the sound, to less than 1 ms/)).toBeVisible();
  const offset = page.getByText(/Starts .* against the first camera/);
  await expect(offset).toContainText(/−35[01] ms|−349 ms/);
  // Farther by 34.3 m it hears everything a tenth of a second later: what it films is another tenth earlier.
  const metres = page.getByLabel('Distance to what is heard, metres');
  await metres.nth(0).fill('0');
  await metres.nth(1).fill('34.3');
  await metres.nth(1).press('Tab');
  await page.getByRole('button', { name: 'Join by the sound' }).click();
  await expect(offset).toContainText(/−45[01] ms|−449 ms/);
  await page.keyboard.press('Control+z');
  await expect(offset).toContainText(/−35[01] ms|−349 ms/);
  expect(errors).toEqual([]);
});
