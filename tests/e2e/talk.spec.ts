import { execFileSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { ALL_FORMATS, FilePathSource, Input } from 'mediabunny';
import { addClip, CHROMIUM, CHROMIUM_ARGS, createSession, goToStep, shownFrame } from '../../demo/drive-job';
import { writeWav } from '../../src/core/sound/wav';
import { BITS, BLOCK, CODED, readCode, ROWS } from '../fixtures/coded-clip';
import { fixtureClip, seriousFindings, watchErrors } from './pages';

/** What the simulated microphone hears: a quarter of a second of 1 kHz every two seconds, from the first on. */
const TONE = { rate: 48_000, hertz: 1000, every: 2, first: 1, length: 0.25, seconds: 40 } as const;
const toneFile = path.join(os.tmpdir(), 'falcon-tone', 'tone.wav');
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

test.use({
  permissions: ['microphone'],
  launchOptions: {
    executablePath: CHROMIUM,
    args: [
      ...CHROMIUM_ARGS,
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      `--use-file-for-fake-audio-capture=${toneFile}`,
    ],
  },
});

interface Heard {
  /** The page's time at which a tone began, and at which the picture stepped after it, ms. */
  readonly tone: number;
  stepped: number | null;
}

/** Has the page step by one frame at every tone that the microphone hears, and remember when it did. */
async function stepAtTones(page: Page): Promise<void> {
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
function soundOf(file: string): Float32Array {
  const raw = execFileSync(
    'ffmpeg',
    ['-v', 'error', '-i', file, '-f', 'f32le', '-ac', '1', '-ar', String(TONE.rate), '-'],
    { maxBuffer: 1e9 },
  );
  return new Float32Array(raw.buffer.slice(raw.byteOffset, raw.byteOffset + raw.length));
}

/** When the tones of a file begin, seconds. */
function tonesOf(file: string): number[] {
  const sound = soundOf(file);
  const begins: number[] = [];
  sound.forEach((sample, i) => {
    if (Math.abs(sample) < 0.05) return;
    const t = i / TONE.rate;
    if (begins.length === 0 || t - begins.at(-1)! > 1) begins.push(t);
  });
  return begins;
}

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The number in the athlete's pane of each picture of a video, whose panes stood on the screen as given. */
function codesOf(file: string, room: Box, pane: Box): (number | null)[] {
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
async function untilStepped(page: Page, times: number): Promise<void> {
  await page.waitForTimeout(9000);
  await expect
    .poll(
      () =>
        page.evaluate(
          () => (window as unknown as { heard: Heard[] }).heard.filter(({ stepped }) => stepped !== null).length,
        ),
      { timeout: 60_000 },
    )
    .toBeGreaterThanOrEqual(times);
}

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!;

test('talking over the pictures becomes one video: steps and voice within a picture of each other', async ({
  page,
  baseURL,
}, info) => {
  test.setTimeout(240_000);
  const errors = watchErrors(page);
  await stepAtTones(page);
  await createSession(page, baseURL!, 'Talked over');
  await addClip(page, 'athlete', fixtureClip('coded-vp9-120.webm'), { name: 'Sela Orr' });
  await addClip(page, 'reference', fixtureClip('coded-vp9-120.webm'), { name: 'Tam Weil' });
  await goToStep(page, 'Review');
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  await page.getByRole('button', { name: 'Talk', exact: true }).click();
  await page.keyboard.press('r');
  const talk = page.getByRole('region', { name: 'Talk' });
  await expect(talk.getByRole('button', { name: 'Pause (R)' })).toBeVisible();
  await expect(talk.getByLabel('Loudness of the microphone')).toBeVisible();
  expect(await seriousFindings(page, 'Talking')).toEqual([]);
  const boxOf = async (selector: string): Promise<Box> => (await page.locator(selector).boundingBox())!;
  const [room, pane] = [await boxOf('.panes'), await boxOf('[data-testid=pane-athlete]')];
  await untilStepped(page, 4);
  // A line in the reference's picture, below the rows that carry the numbers, and a finding in words.
  const other = await boxOf('[data-testid=pane-reference]');
  await page.getByRole('button', { name: 'Line', exact: true }).click();
  for (const share of [0.3, 0.7]) await page.mouse.click(other.x + share * other.width, other.y + 0.62 * other.height);
  await page.keyboard.press('w');
  await page.keyboard.type('Front foot opens early');
  await page.keyboard.press('Enter');
  await untilStepped(page, 8);
  const last = await shownFrame(page, 'athlete');
  await page.keyboard.press('r');
  await expect(talk.getByRole('button', { name: /^Section 1/ })).toBeVisible();
  const heard = await page.evaluate(() => (window as unknown as { heard: Heard[] }).heard);
  const steps = heard.filter((h): h is { tone: number; stepped: number } => h.stepped !== null);
  expect(steps.length).toBeGreaterThan(6);

  const files: string[] = [];
  page.on('download', (file) => {
    const to = info.outputPath(file.suggestedFilename());
    void file.saveAs(to).then(() => files.push(to));
  });
  await talk.getByRole('button', { name: /^Make the video/ }).click();
  await expect.poll(() => files.length, { timeout: 150_000 }).toBe(3);
  const video = files.find((name) => /\.(webm|mp4)$/.test(name))!;
  expect(execFileSync('ffmpeg', ['-v', 'warning', '-i', video, '-f', 'null', '-'], { encoding: 'utf8' })).toBe('');
  const input = new Input({ source: new FilePathSource(video), formats: ALL_FORMATS });
  const seconds = await input.computeDuration();
  expect(seconds).toBeGreaterThan(18);

  const codes = codesOf(video, room, pane);
  expect(codes.filter((code) => code === null)).toEqual([]);
  // In order, none left out.
  expect([...new Set(codes)]).toEqual(Array.from({ length: last + 1 - codes[0]! }, (_, i) => codes[0]! + i));
  // Each step as long after its tone as it was on the screen.
  const tones = tonesOf(video);
  const changes = codes.flatMap((code, i) => (i > 0 && code !== codes[i - 1] ? [i / 30] : []));
  // Neither the first nor the last tone of the video need be those that the page heard: most of them meet.
  const meet = (late: number): number =>
    heard.filter(({ tone }) => tones.some((t) => Math.abs(t * 1000 - late - tone) < 150)).length;
  const late = [tones.at(-1)! * 1000 - heard.at(-1)!.tone]
    .concat(tones.flatMap((t) => heard.map(({ tone }) => t * 1000 - tone)))
    .reduce((best, other) => (meet(other) > meet(best) ? other : best));
  const off = steps.flatMap(({ tone, stepped }) => {
    const at = tones.find((t) => Math.abs(t * 1000 - late - tone) < 300);
    const change = at === undefined ? undefined : changes.find((t) => t > at - 0.2 && t < at + 1);
    return at === undefined || change === undefined ? [] : [change - at - (stepped - tone) / 1000];
  });
  expect(off.length).toBeGreaterThan(6);
  // One picture, and what the median itself may be off by: on a busy machine each step is told less well.
  const middle = median(off);
  const sd = 1.4826 * median(off.map((o) => Math.abs(o - middle)));
  const unsure = (1.253 * sd) / Math.sqrt(off.length);
  expect(Math.abs(middle)).toBeLessThan(1 / 30 + 2 * unsure);

  // The files beside it, as the browser itself reads them.
  const cues = async (kind: string): Promise<readonly { text: string; from: number; to: number }[]> => {
    const { readFileSync } = await import('node:fs');
    const text = readFileSync(
      files.find((name) => name.endsWith(`.${kind}.vtt`))!,
      'utf8',
    );
    return page.evaluate(async (vtt) => {
      const track = document.createElement('track');
      track.src = URL.createObjectURL(new Blob([vtt], { type: 'text/vtt' }));
      const player = document.createElement('video');
      player.append(track);
      document.body.append(player);
      track.track.mode = 'hidden';
      await new Promise((resolve, reject) => {
        track.onload = resolve;
        track.onerror = reject;
      });
      player.remove();
      return [...track.track.cues!].map((cue) => ({
        text: (cue as VTTCue).text,
        from: cue.startTime,
        to: cue.endTime,
      }));
    }, text);
  };
  expect(await cues('captions')).toMatchObject([{ text: 'Front foot opens early' }]);
  expect(await cues('chapters')).toMatchObject([{ text: 'Before the first moment', from: 0 }]);

  // Trimmed, listened to, undone, opened again.
  const chip = talk.getByRole('button', { name: /^Section 1/ });
  const length = async (): Promise<number> =>
    Number(/(\d+) seconds/.exec((await chip.getAttribute('aria-label'))!)![1]);
  const whole = await length();
  await chip.click();
  await expect(page.getByLabel('Listen to the section')).toBeVisible();
  for (let second = 0; second < 3; second++) await page.getByRole('slider', { name: 'Begins at' }).press('PageUp');
  await page.keyboard.press('Escape');
  await expect.poll(length).toBe(whole - 3);
  await page.reload();
  await page.getByRole('button', { name: 'Talk', exact: true }).click();
  await expect.poll(length).toBe(whole - 3);
  expect(errors).toEqual([]);
});

test('a page that ends while somebody talks keeps what was recorded', async ({ page, baseURL }) => {
  test.setTimeout(240_000);
  await createSession(page, baseURL!, 'Cut off');
  await addClip(page, 'athlete', fixtureClip('coded-vp9-120.webm'), { name: 'Sela Orr' });
  await goToStep(page, 'Review');
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  await page.keyboard.press('r');
  const talk = page.getByRole('region', { name: 'Talk' });
  await expect(talk.getByRole('button', { name: 'Pause (R)' })).toBeVisible();
  await expect
    .poll(() => page.evaluate(() => localStorage.getItem('proud-falcon-talking')), { timeout: 60_000 })
    .not.toBeNull();
  await page.reload();
  await expect(page.getByText(/The page ended while you talked/)).toBeVisible();
  await page.getByRole('button', { name: 'Talk', exact: true }).click();
  await expect(talk.getByRole('button', { name: 'Section 1, 15 seconds' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(talk.getByRole('button', { name: /^Section/ })).toHaveCount(0);
});

test('a finding is said aloud, heard again, and goes with its session', async ({ page, baseURL }) => {
  const errors = watchErrors(page);
  await createSession(page, baseURL!, 'Said');
  await addClip(page, 'athlete', fixtureClip('coded-vp9-120.webm'), { name: 'Sela Orr' });
  await goToStep(page, 'Review');
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  await page.keyboard.press('w');
  await page.keyboard.type('Late');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Say it' }).click();
  const stop = page.getByRole('button', { name: 'Stop', exact: true });
  await expect(stop).toBeEnabled();
  await page.waitForTimeout(3200);
  await stop.click();
  const voice = page.getByLabel(/^Voice note, [34] seconds/);
  await expect(voice).toBeVisible();
  // The tone of every other second is in it.
  const loudest = await page.evaluate(async () => {
    const database = await new Promise<IDBDatabase>((resolve) => {
      const open = indexedDB.open('proud-falcon');
      open.onsuccess = () => resolve(open.result);
    });
    const kept = await new Promise<{ fileName: string; blob: Blob }[]>((resolve) => {
      const all = database.transaction('media').objectStore('media').getAll();
      all.onsuccess = () => resolve(all.result as { fileName: string; blob: Blob }[]);
    });
    const bytes = await kept.find(({ fileName }) => fileName === 'voice note.wav')!.blob.arrayBuffer();
    return new Int16Array(bytes.slice(44)).reduce((most, s) => Math.max(most, Math.abs(s)), 0);
  });
  expect(loudest).toBeGreaterThan(1000);
  await page.reload();
  await expect(voice).toBeVisible();
  await page.getByRole('button', { name: 'Remove what was said' }).click();
  await page.keyboard.press('Control+z');
  await expect(voice).toBeVisible();
  expect(errors).toEqual([]);
});
