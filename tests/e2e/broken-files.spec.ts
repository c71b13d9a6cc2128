import { expect, test } from '@playwright/test';
import { mkdirSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { addClip, createSession, goToStep, shownFrame } from '../../demo/drive-job';
import { ffmpeg, makeCodedClip } from '../fixtures/coded-clips';
import { damagePacket } from '../fixtures/damaged-packet';
import { fixtureClip, watchErrors } from './pages';

const folder = path.join(import.meta.dirname, '..', '..', 'test-results', 'broken');
const at = (name: string): string => path.join(folder, name);

/** A copy of a file cut off after a share of its bytes. */
function cut(whole: string, name: string, share: number): void {
  const bytes = readFileSync(whole);
  writeFileSync(at(name), bytes);
  truncateSync(at(name), Math.floor(bytes.length * share));
}

/** Gives the media data of an MP4 file a size that it does not have (ISO/IEC 14496-12, 4.2: 64-bit size). */
function claimHugeSize(whole: string, name: string): void {
  const bytes = readFileSync(whole);
  const mdat = bytes.indexOf('mdat');
  // A 32-bit size of nearly 4 GB.
  bytes.writeUInt32BE(0xfffffff0, mdat - 4);
  writeFileSync(at(name), bytes);
}

test.describe('files that are not what they should be', () => {
  test.beforeAll(() => {
    mkdirSync(folder, { recursive: true });
    const behind = makeCodedClip(folder, {
      file: 'whole.mp4',
      codec: 'h264',
      rate: 60,
      frames: 120,
      group: 12,
      size: '512x288',
    });
    ffmpeg(['-i', behind, '-c', 'copy', '-movflags', '+faststart', at('index-first.mp4')]);
    for (const share of [10, 50, 90]) {
      cut(behind, `index-last-${share}.mp4`, share / 100);
      cut(at('index-first.mp4'), `index-first-${share}.mp4`, share / 100);
      cut(fixtureClip('coded-vp9-120.webm'), `webm-${share}.webm`, share / 100);
    }
    makeCodedClip(folder, {
      file: 'one-group.mp4',
      codec: 'h264',
      rate: 60,
      frames: 120,
      group: 60,
      size: '512x288',
    });
    writeFileSync(at('zero.mp4'), '');
    writeFileSync(at('letter.mp4'), 'Dear analyst, the video is on the other card.\n');
    makeCodedClip(folder, { file: 'one-frame.mp4', codec: 'h264', rate: 60, frames: 1, group: 1, size: '512x288' });
    writeFileSync(at('really-webm.mov'), readFileSync(fixtureClip('coded-vp9-120.webm')));
    claimHugeSize(at('index-first.mp4'), 'huge-claim.mp4');
  });

  test('a clip of 3 GB opens without being read whole', async ({ page, baseURL }) => {
    const errors = watchErrors(page);
    // The frames in front, then a box of nearly 3 GB that holds nothing and takes no room on the disk.
    const whole = readFileSync(at('index-first.mp4'));
    const box = Buffer.alloc(8);
    box.writeUInt32BE(3_000_000_000);
    box.write('free', 4, 'latin1');
    writeFileSync(at('three-gigabytes.mp4'), Buffer.concat([whole, box]));
    truncateSync(at('three-gigabytes.mp4'), whole.length + 3_000_000_000);
    await createSession(page, baseURL!, 'Large');
    const card = page.getByTestId('intake-athlete');
    await card.locator('input[type=file]').setInputFiles(at('three-gigabytes.mp4'));
    await expect(card).toContainText('three-gigabytes.mp4: 512 × 288, 120 frames');
    // Reading it whole would have put it into the page's memory.
    const used = await page.evaluate(
      () => (performance as unknown as { memory: { usedJSHeapSize: number } }).memory.usedJSHeapSize,
    );
    expect(used).toBeLessThan(300e6);
    rmSync(at('three-gigabytes.mp4'));
    expect(errors).toEqual([]);
  });

  const REFUSED: readonly (readonly [name: string, says: RegExp])[] = [
    ['zero.mp4', /“zero\.mp4” is empty \(0 bytes\)\. Copy it/],
    ['letter.mp4', /“letter\.mp4” is not a video file/],
    ...[10, 50, 90].flatMap((share): [string, RegExp][] => [
      ...(share === 10 ? [[`webm-10.webm`, /“webm-10\.webm” holds no frame\. Copy it/] as [string, RegExp]] : []),
      [`index-last-${share}.mp4`, new RegExp(`“index-last-${share}\\.mp4” .*Copy it from the camera again`)],
      [
        `index-first-${share}.mp4`,
        new RegExp(
          `“index-first-${share}\\.mp4” (lists 120 frames but its data ends earlier|ends before).*Copy it from the camera again`,
        ),
      ],
    ]),
  ];

  test('are refused with a message that names them and says what to do; the session stays as it was', async ({
    page,
    baseURL,
  }) => {
    const errors = watchErrors(page);
    await createSession(page, baseURL!, 'Broken');
    await addClip(page, 'athlete', fixtureClip('coded-vp9-120.webm'), { name: 'Sela Orr' });
    const card = page.getByTestId('intake-athlete');
    for (const [name, says] of REFUSED) {
      await card.locator('input[type=file]').setInputFiles(at(name));
      await expect(card.getByRole('alert'), name).toContainText(says);
      await card.getByRole('alert').getByRole('button', { name: 'Close' }).click();
    }
    await page.reload();
    await expect(card.getByRole('combobox', { name: 'Name' })).toHaveValue('Sela Orr');
    await goToStep(page, 'Match');
    await expect(page.getByTestId('frame-athlete')).toContainText('frame 1 of 360');
    expect(errors).toEqual([]);
  });

  test('are used as far as they are sound: one frame, a wrong name, a false size, a cut file that has all it lists', async ({
    page,
    baseURL,
  }) => {
    const errors = watchErrors(page);
    await createSession(page, baseURL!, 'Odd');
    const card = page.getByTestId('intake-athlete');
    const offer = async (name: string): Promise<void> => card.locator('input[type=file]').setInputFiles(at(name));
    await offer('one-frame.mp4');
    await expect(card).toContainText('one-frame.mp4: 512 × 288, 1 frame,');
    await offer('really-webm.mov');
    await expect(card).toContainText('really-webm.mov: 512 × 288, 360 frames');
    await offer('huge-claim.mp4');
    await expect(card).toContainText('huge-claim.mp4: 512 × 288, 120 frames');
    // A stream has no list in front: what is there can be used, and what is missing is said.
    for (const share of [50, 90]) {
      await offer(`webm-${share}.webm`);
      await expect(card.getByText(`webm-${share}.webm: 512 × 288`)).toBeVisible();
      const frames = Number(/(\d+) frames,/.exec(await card.innerText())![1]);
      expect(frames).toBeGreaterThan(3.6 * share * 0.5);
      expect(frames).toBeLessThan(360);
      await expect(card.getByRole('alert')).toContainText(
        new RegExp(
          `“webm-${share}\\.webm” says it lasts 3\\.00 s but its pictures end after .*copy it from the camera again`,
        ),
      );
    }
    expect(errors).toEqual([]);
  });

  test('a frame that cannot be decoded is stepped over, said once and marked on the ribbon', async ({
    page,
    baseURL,
  }) => {
    const errors = watchErrors(page);
    const time = damagePacket(at('one-group.mp4'), at('damaged.mp4'), 30);
    const bad = Math.round(time * 60);
    await createSession(page, baseURL!, 'Damaged');
    await addClip(page, 'athlete', at('damaged.mp4'), { name: 'Sela Orr' });
    await goToStep(page, 'Review');
    await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
    // Over it in a hurry first: whoever comes while it is searched loses nothing by it.
    for (let n = 0; n < 45; n++) await page.keyboard.press('ArrowRight');
    await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
    for (let n = 0; n < 8; n++) await page.keyboard.press('Control+ArrowLeft');
    await expect.poll(() => shownFrame(page, 'athlete')).toBe(0);
    const seen = new Set<number>();
    for (let n = 0; n < 150 && (await shownFrame(page, 'athlete')) < 60; n++) {
      const shown = await shownFrame(page, 'athlete');
      seen.add(shown);
      await page.keyboard.press('ArrowRight');
      await expect.poll(() => shownFrame(page, 'athlete')).toBeGreaterThan(shown);
    }
    // Every frame but the damaged one, as another decoder shows them.
    const missing = Array.from({ length: 60 }, (_, i) => i).filter((i) => !seen.has(i));
    expect(missing).toEqual([bad]);
    await expect(page.getByText(/of “damaged.mp4” cannot be decoded/)).toHaveCount(1);
    await expect(page.getByTestId('gap-athlete')).toHaveCount(1);
    // Back over it, too.
    await page.keyboard.press('Control+ArrowLeft');
    for (let n = 0; n < 20; n++) await page.keyboard.press('ArrowLeft');
    await expect.poll(() => shownFrame(page, 'athlete')).toBeLessThan(bad);
    expect(errors).toEqual([]);
  });

  test('an odd clip on the bench does no harm', async ({ page, baseURL }) => {
    const errors = watchErrors(page);
    await createSession(page, baseURL!, 'Odd on the bench');
    await addClip(page, 'athlete', at('one-frame.mp4'), { name: 'One' });
    await addClip(page, 'reference', at('webm-50.webm'), { name: 'Half' });
    await goToStep(page, 'Match');
    await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
    for (const key of ['ArrowRight', 'ArrowLeft', 'Control+ArrowRight', 'Space', 'Space', 'End', 'c', '1'])
      await page.keyboard.press(key);
    await expect(page.getByTestId('frame-athlete')).toContainText('frame 1 of 1');
    expect(errors).toEqual([]);
  });
});
