import { execFileSync } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { ALL_FORMATS, FilePathSource, Input } from 'mediabunny';
import { addClip, CHROMIUM, CHROMIUM_ARGS, createSession, goToStep, shownFrame } from '../../demo/drive-job';
import { fixtureClip, seriousFindings, watchErrors } from './pages';
import { codesOf, median, stepAtTones, toneFile, tonesOf, untilStepped, type Heard, type Box } from './talk-video';

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

test('talking over the pictures becomes one video: steps and voice within a picture of each other', async ({
  page,
  baseURL,
}, info) => {
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
  await expect.poll(() => files.length).toBe(3);
  const video = files.find((name) => /\.(webm|mp4)$/.test(name))!;
  expect(execFileSync('ffmpeg', ['-v', 'warning', '-i', video, '-f', 'null', '-'], { encoding: 'utf8' })).toBe('');
  const input = new Input({ source: new FilePathSource(video), formats: ALL_FORMATS });
  const seconds = await input.computeDuration();
  expect(seconds).toBeGreaterThan(18);

  const codes = codesOf(video, room, pane);
  expect(codes.filter((code) => code === null)).toEqual([]);
  // In order, none left out; a step in the very moment of the stop may have come too late for its picture.
  const shown = [...new Set(codes)];
  expect(shown).toEqual(Array.from(shown, (_, i) => codes[0]! + i));
  expect(last - shown.at(-1)!).toBeLessThanOrEqual(1);
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
  await createSession(page, baseURL!, 'Cut off');
  await addClip(page, 'athlete', fixtureClip('coded-vp9-120.webm'), { name: 'Sela Orr' });
  await goToStep(page, 'Review');
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  await page.keyboard.press('r');
  const talk = page.getByRole('region', { name: 'Talk' });
  await expect(talk.getByRole('button', { name: 'Pause (R)' })).toBeVisible();
  await expect.poll(() => page.evaluate(() => localStorage.getItem('proud-falcon-talking'))).not.toBeNull();
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
