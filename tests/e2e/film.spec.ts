import { execFileSync } from 'node:child_process';
import { expect, test, type Page } from '@playwright/test';
import { ALL_FORMATS, EncodedPacketSink, FilePathSource, Input } from 'mediabunny';
import { addClip, createSession, goToStep } from '../../demo/drive-job';
import { nearestFrame } from '../../src/core/timing/clip-time';
import { BITS, BLOCK, CODED, readCode, ROWS } from '../fixtures/coded-clip';
import { fixtureClip, openDemo, seriousFindings, watchErrors } from './pages';

async function openDialog(page: Page): Promise<void> {
  await openDemo(page);
  await goToStep(page, 'Report');
  await page.getByRole('button', { name: 'Save a film' }).click();
}
const choose = async (page: Page, label: string, option: string): Promise<void> => {
  await page.getByRole('dialog').getByLabel(label, { exact: true }).click();
  await page.getByRole('option', { name: option, exact: true }).click();
};
async function make(page: Page, file: string, meanwhile = async (): Promise<void> => undefined): Promise<void> {
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Make the film' }).click();
  await meanwhile();
  await (await download).saveAs(file);
}
async function trackOf(file: string) {
  const track = (await new Input({ source: new FilePathSource(file), formats: ALL_FORMATS }).getPrimaryVideoTrack())!;
  return { codec: track.codec, size: [track.displayWidth, track.displayHeight] };
}

/** Presentation times of a file's frames, seconds from the first. */
async function timesOf(file: string): Promise<Float64Array> {
  const input = new Input({ source: new FilePathSource(file), formats: ALL_FORMATS });
  const times: number[] = [];
  for await (const packet of new EncodedPacketSink((await input.getPrimaryVideoTrack())!).packets(
    undefined,
    undefined,
    { metadataOnly: true },
  ))
    times.push(packet.timestamp);
  times.sort((a, b) => a - b);
  return Float64Array.from(times, (t) => t - times[0]!);
}

/**
 * Every picture of a film has its time, a thirtieth of a second after the one before (WebM rounds to a millisecond).
 */
async function expectEvenTimes(file: string): Promise<number> {
  const times = await timesOf(file);
  expect(Array.from(times).flatMap((t, i) => (Math.abs(t - i / 30) <= 0.001 ? [] : [[i, t]]))).toEqual([]);
  return times.length;
}

/** How many pixels of one picture of a film have nearly a colour, in its left and its right half. */
function coloured(
  file: string,
  seconds: number,
  [r, g, b]: readonly [number, number, number],
): readonly [number, number] {
  const [width, height] = [1280, 720];
  const pixels = execFileSync(
    'ffmpeg',
    ['-v', 'error', '-ss', String(seconds), '-i', file, '-frames:v', '1', '-f', 'rawvideo', '-pix_fmt', 'rgb24', '-'],
    { maxBuffer: 4 * width * height },
  );
  const counts: [number, number] = [0, 0];
  // Below the names, above the words: lines and values only.
  for (let y = 40; y < height - 50; y++) {
    for (let x = 0; x < width; x++) {
      const at = 3 * (y * width + x);
      if (Math.abs(pixels[at]! - r) + Math.abs(pixels[at + 1]! - g) + Math.abs(pixels[at + 2]! - b) < 60)
        counts[x < width / 2 ? 0 : 1]++;
    }
  }
  return counts;
}
const AMBER = [0xff, 0xb4, 0x54] as const;
const BLUE = [0x9c, 0xc9, 0xff] as const;

test('a film of both performers stands still at every moment, each with its lines', async ({ page }, info) => {
  const errors = watchErrors(page);
  await openDialog(page);
  await choose(page, 'Speed', 'full');
  await choose(page, 'At each moment', 'still for 1 s');
  await choose(page, 'File', 'WebM (VP9)');
  expect(await seriousFindings(page, 'Save a film')).toEqual([]);
  const length = await page.getByTestId('film-length').innerText();
  const file = info.outputPath('film.webm');
  await make(page, file);
  const { codec, size } = await trackOf(file);
  const pictures = await expectEvenTimes(file);
  // Five moments of a second each, and what lies between them in real time.
  expect(length).toContain(`${(pictures / 30).toFixed(1)} s`);
  expect(pictures).toBeGreaterThan(5 * 30 + 10);
  expect({ codec, size }).toEqual({ codec: 'vp9', size: [1280, 720] });
  const [amber, blue] = [coloured(file, 0.5, AMBER), coloured(file, 0.5, BLUE)];
  expect(amber[0]).toBeGreaterThan(300);
  expect(blue[1]).toBeGreaterThan(300);
  expect(amber[1] + blue[0]).toBeLessThan(0.2 * (amber[0] + blue[1]));
  expect(errors).toEqual([]);
});

/** The numbers that the pictures of both panes carry in every picture of a film. */
function codesOf(file: string): readonly (readonly [number | null, number | null])[] {
  const [width, height, pane] = [1280, 720, { width: 639, height: 680 }];
  const grey = execFileSync('ffmpeg', ['-v', 'error', '-i', file, '-f', 'rawvideo', '-pix_fmt', 'gray', '-'], {
    maxBuffer: 1e9,
  });
  const scale = Math.min(pane.width / CODED.width, pane.height / CODED.height);
  const read = (picture: number, left: number): number | null => {
    const line = (row: number): number[] => {
      const y = Math.round(pane.height / 2 + ((row + 0.5) * BLOCK - CODED.height / 2) * scale);
      return Array.from(
        { length: BITS },
        (_, k) =>
          grey[
            picture * width * height +
              y * width +
              Math.round(left + pane.width / 2 + ((k + 0.5) * BLOCK - CODED.width / 2) * scale)
          ]!,
      );
    };
    return readCode(line(ROWS.bits), line(ROWS.complement));
  };
  return Array.from({ length: grey.length / (width * height) }, (_, i) => [read(i, 0), read(i, 641)] as const);
}

test('every picture of a film holds the frame of its time, of both clips, whatever their rates and whatever the bench does meanwhile', async ({
  page,
  baseURL,
}, info) => {
  const files = [fixtureClip('coded-vp9-120.webm'), fixtureClip('coded-h264-variable.mp4')] as const;
  await createSession(page, baseURL!, 'Numbered');
  await addClip(page, 'athlete', files[0], { name: 'Sela Orr' });
  await addClip(page, 'reference', files[1], { name: 'Tam Weil' });
  // Without a common moment nothing says which pictures belong together.
  await goToStep(page, 'Report');
  await page.getByRole('button', { name: 'Save a film' }).click();
  await page.getByRole('button', { name: 'Make the film' }).click();
  await expect(page.getByText(/Nothing ties Tam Weil to Sela Orr/)).toBeVisible();
  await goToStep(page, 'Match');
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  await page.getByRole('combobox', { name: 'Matching' }).click();
  await page.getByRole('option', { name: 'Locked as they stand' }).click();
  await goToStep(page, 'Report');
  await page.getByRole('button', { name: 'Save a film' }).click();
  await choose(page, 'Speed', 'half');
  await choose(page, 'File', 'WebM (VP9)');
  const file = info.outputPath('numbered.webm');
  // The bench goes on in another way of matching, with other moments, while the film is made.
  await make(page, file, async () => {
    await page.locator('.job').waitFor();
    await goToStep(page, 'Match');
    await page.getByRole('combobox', { name: 'Matching' }).click();
    await page.getByRole('option', { name: 'Free' }).click();
    for (const key of ['Shift+ArrowRight', 'Shift+ArrowRight', '1', 'Tab', 'ArrowRight', '1', 'Shift+ArrowRight', '2'])
      await page.keyboard.press(key);
  });
  const codes = codesOf(file);
  expect(await expectEvenTimes(file)).toBe(codes.length);
  const [first, second] = await Promise.all(files.map(timesOf));
  const end = first!.at(-1)!;
  expect(codes).toHaveLength(Math.round(end * 2 * 30) + 1);
  const frames = codes.map((_, i) => nearestFrame(first!, (end * i) / (codes.length - 1)));
  expect(codes.map(([left]) => left)).toEqual(frames);
  // Halfway between two frames of the other clip either is right; containers round times to a millisecond.
  const away = (frame: number | null, i: number): number =>
    frame === null ? Infinity : Math.abs(second![frame]! - first![frames[i]!]!);
  const wrong = codes.flatMap(([, right], i) =>
    away(right, i) <= away(nearestFrame(second!, first![frames[i]!]!), i) + 0.001 ? [] : [[i, right]],
  );
  expect(wrong).toEqual([]);
});

test('as MP4, without stops and lines; and one that is cancelled leaves no file', async ({ page }, info) => {
  await openDialog(page);
  await choose(page, 'Speed', 'full');
  await choose(page, 'At each moment', 'no stop');
  await page.getByLabel('Measured lines and values').uncheck();
  const file = info.outputPath('film.mp4');
  await make(page, file);
  expect((await trackOf(file)).codec).toBe('avc');
  expect(await expectEvenTimes(file)).toBeGreaterThan(10);
  const amber = coloured(file, 0.1, AMBER);
  expect(amber[0] + amber[1]).toBeLessThan(100);

  await page.getByRole('button', { name: 'Save a film' }).click();
  await choose(page, 'Speed', 'a sixteenth');
  await page.getByRole('button', { name: 'Make the film' }).click();
  await page.locator('.job').getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('The film was cancelled; no file was written.')).toBeVisible();
});
