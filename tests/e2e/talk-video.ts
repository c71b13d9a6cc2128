import { execFileSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect, type Page } from '@playwright/test';
import { writeWav } from '../../src/core/sound/wav';
import { BITS, BLOCK, CODED, readCode, ROWS } from '../fixtures/coded-clip';

/** What the simulated microphone hears: a quarter of a second of 1 kHz every two seconds, from the first on. */
export const TONE = { rate: 48_000, hertz: 1000, every: 2, first: 1, length: 0.25, seconds: 40 } as const;
export const toneFile = path.join(os.tmpdir(), 'falcon-tone', 'tone.wav');
mkdirSync(path.dirname(toneFile), { recursive: true });
writeFileSync(
  toneFile,
  writeWav({
    rate: TONE.rate,
    samples: Int16Array.from({ length: TONE.rate * TONE.seconds }, (_, i) => {
      const t = i / TONE.rate;
      const inCycle = (t - TONE.first + TONE.every) % TONE.every;
      return inCycle < TONE.length ? 16_000 * Math.sin(2 * Math.PI * TONE.hertz * t) : 0;
    }),
  }),
);

export interface Heard {
  /** The page's time at which a tone began, and at which the picture stepped after it, ms. */
  readonly tone: number;
  stepped: number | null;
}

/** Has the page step by one frame at every tone that the microphone hears, and remember when it did. */
export async function stepAtTones(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const heard: { tone: number; stepped: number | null }[] = [];
    Object.assign(window, { heard });
    const ask = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);
    navigator.mediaDevices.getUserMedia = async (wish) => {
      const stream = await ask(wish);
      const context = new AudioContext();
      const analyser = new AnalyserNode(context, { fftSize: 256 });
      context.createMediaStreamSource(stream).connect(analyser);
      const samples = new Float32Array(256);
      let loudAt = -Infinity;
      // The context renders sound in runs, some milliseconds at once: its clock stands between them, and the least
      // distance to the page's clock is the true one. On a busy machine the clock stands still for longer, and loses
      // that time: only the last half a second tells.
      let apart: number[] = [];
      setInterval(() => {
        const [now, time] = [performance.now(), 1000 * context.currentTime];
        apart = [...apart, now - time].slice(-120);
        analyser.getFloatTimeDomainData(samples);
        const first = samples.findIndex((s) => Math.abs(s) > 0.05);
        if (first < 0) return;
        if (now - loudAt > 1000) {
          const tone = Math.min(...apart) + time - (1000 * (samples.length - first)) / context.sampleRate;
          heard.push({ tone, stepped: null });
          document.body.dispatchEvent(
            new KeyboardEvent('keydown', { key: 'ArrowRight', code: 'ArrowRight', bubbles: true }),
          );
        }
        loudAt = now;
      }, 2);
      return stream;
    };
    new MutationObserver(() => {
      const last = heard.at(-1);
      // On the screen it stands with the browser's next picture.
      if (last && last.stepped === null) requestAnimationFrame(() => (last.stepped ??= performance.now()));
    }).observe(document, { subtree: true, characterData: true, childList: true });
  });
}

/** The samples of a file's sound, and its rate. */
export function soundOf(file: string): Float32Array {
  const raw = execFileSync(
    'ffmpeg',
    ['-v', 'error', '-i', file, '-f', 'f32le', '-ac', '1', '-ar', String(TONE.rate), '-'],
    { maxBuffer: 1e9 },
  );
  return new Float32Array(raw.buffer.slice(raw.byteOffset, raw.byteOffset + raw.length));
}

/** When the tones of a file begin, seconds. */
export function tonesOf(file: string): number[] {
  const sound = soundOf(file);
  const begins: number[] = [];
  sound.forEach((sample, i) => {
    if (Math.abs(sample) < 0.05) return;
    const t = i / TONE.rate;
    if (begins.length === 0 || t - begins.at(-1)! > 1) begins.push(t);
  });
  return begins;
}

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The number in the athlete's pane of each picture of a video, whose panes stood on the screen as given. */
export function codesOf(file: string, room: Box, pane: Box): (number | null)[] {
  const [width, height, filmed] = [1280, 720, { width: 1280, height: 680 }];
  const grey = execFileSync('ffmpeg', ['-v', 'error', '-i', file, '-f', 'rawvideo', '-pix_fmt', 'gray', '-'], {
    maxBuffer: 2e9,
  });
  const scale = Math.min(filmed.width / room.width, filmed.height / room.height);
  const left = (filmed.width - room.width * scale) / 2 + (pane.x - room.x) * scale;
  const top = (filmed.height - room.height * scale) / 2 + (pane.y - room.y) * scale;
  const fit = scale * Math.min(pane.width / CODED.width, pane.height / CODED.height);
  return Array.from({ length: grey.length / (width * height) }, (_, picture) => {
    const line = (row: number): number[] => {
      const y = Math.round(top + (pane.height * scale) / 2 + ((row + 0.5) * BLOCK - CODED.height / 2) * fit);
      return Array.from({ length: BITS }, (_unused, k) => {
        const x = Math.round(left + (pane.width * scale) / 2 + ((k + 0.5) * BLOCK - CODED.width / 2) * fit);
        return grey[picture * width * height + y * width + x]!;
      });
    };
    return readCode(line(ROWS.bits), line(ROWS.complement));
  });
}

/** Waits nine seconds, and on a busy machine until the page stepped that often in all. */
export async function untilStepped(page: Page, times: number): Promise<void> {
  await page.waitForTimeout(9000);
  await expect
    .poll(() =>
      page.evaluate(
        () => (window as unknown as { heard: Heard[] }).heard.filter(({ stepped }) => stepped !== null).length,
      ),
    )
    .toBeGreaterThanOrEqual(times);
}

export const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!;
