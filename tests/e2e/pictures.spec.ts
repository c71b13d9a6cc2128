import { execFileSync } from 'node:child_process';
import { readFile, writeFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { addClip, createSession, goToStep } from '../../demo/drive-job';
import { fixtureClip, watchErrors } from './pages';

/** A made picture as a file: a colour of its own, so that it can be told from others. */
async function picture(page: Page, name: string, colour: string, type: 'image/png' | 'image/jpeg' | 'image/webp') {
  const address = await page.evaluate(
    ([fill, as]) => {
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [641, 481];
      const context = canvas.getContext('2d')!;
      context.fillStyle = fill;
      context.fillRect(0, 0, 641, 481);
      return canvas.toDataURL(as);
    },
    [colour, type] as const,
  );
  return { name, mimeType: type, buffer: Buffer.from(address.split(',')[1]!, 'base64') };
}

/** The colour in the middle of a pane. */
const colourOf = (page: Page, pane: string): Promise<readonly number[]> =>
  page.getByTestId(`pane-${pane}`).evaluate((canvas: HTMLCanvasElement) =>
    Array.from(
      canvas
        .getContext('2d')!
        .getImageData(canvas.width / 2, canvas.height / 3, 1, 1)
        .data.slice(0, 3),
    ),
  );

test('pictures are the moments of a performance: read at them, and nothing of time', async ({
  page,
  baseURL,
}, info) => {
  const errors = watchErrors(page);
  await createSession(page, baseURL!, 'Pictures');
  await addClip(page, 'athlete', fixtureClip('coded-vp9-120.webm'), { name: 'One' });
  const card = page.getByTestId('intake-reference');
  // In the order of their names, not of the choosing; the second is a JPEG.
  await card
    .locator('input[type=file]')
    .setInputFiles([
      await picture(page, 'moment 10.jpg', '#2040c0', 'image/jpeg'),
      await picture(page, 'moment 9.png', '#c02020', 'image/png'),
    ]);
  await expect(card.getByText('642 \u00d7 482, 2 still pictures')).toBeVisible();
  await expect(card.getByLabel('Capture rate, frames per second')).toHaveCount(0);
  await card.getByRole('combobox', { name: 'Name' }).fill('Ideal');
  await card.getByLabel('Consent to film and analyse is given').check();
  await card.getByRole('button', { name: 'Use as reference' }).click();
  await expect(card.getByRole('button', { name: 'Use as reference' })).toHaveCount(0);

  await goToStep(page, 'Measure');
  await expect(page.getByTestId('frame-reference')).toHaveText('picture 1 of 2');
  await expect.poll(async () => (await colourOf(page, 'reference'))[0]).toBeGreaterThan(170);
  await page.getByTestId('pane-reference').click();
  const file = info.outputPath('points.csv');
  const columns = ['left_hip', 'left_knee', 'left_ankle'].flatMap((joint) => [`${joint}_x`, `${joint}_y`]);
  // A straight knee, then one bent by a right angle.
  await writeFile(file, `time,${columns}\n0,300,100,300,200,300,300\n1,300,100,300,200,400,200\n`);
  await page.getByLabel('Points of the reference from a file').setInputFiles(file);
  await expect(page.getByText('29 % known')).toBeVisible();

  await goToStep(page, 'Moments');
  await expect(page.getByRole('button', { name: 'Propose moments of the reference' })).toHaveCount(0);
  await page.getByTestId('pane-reference').click();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByTestId('frame-reference')).toHaveText('picture 2 of 2');
  await expect.poll(async () => (await colourOf(page, 'reference'))[2]).toBeGreaterThan(170);
  await page.keyboard.press('4');

  await page.getByTestId('pane-athlete').click();
  await page.keyboard.press('2');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('4');

  await goToStep(page, 'Compare');
  const knee = page.getByTestId('reading-front-knee-at-release');
  await expect(knee).toContainText('90\u00b0');
  await expect(page.getByTestId('reading-front-foot-to-release')).toContainText('Still pictures show no movement');
  await page.reload();
  await expect(knee).toContainText('90\u00b0');
  expect(errors).toEqual([]);
});

test('WebP and AVIF are pictures, too', async ({ page, baseURL }, info) => {
  await createSession(page, baseURL!, 'Other pictures');
  await goToStep(page, 'Intake');
  const png = info.outputPath('blue.png');
  const avif = info.outputPath('b.avif');
  await writeFile(png, (await picture(page, 'blue.png', '#2040c0', 'image/png')).buffer);
  execFileSync('ffmpeg', ['-v', 'error', '-i', png, '-c:v', 'libaom-av1', '-still-picture', '1', avif]);
  const card = page.getByTestId('intake-athlete');
  await card
    .locator('input[type=file]')
    .setInputFiles([
      await picture(page, 'a.webp', '#c02020', 'image/webp'),
      { name: 'b.avif', mimeType: 'image/avif', buffer: await readFile(avif) },
    ]);
  await expect(card.getByText('642 \u00d7 482, 2 still pictures')).toBeVisible();
  await card.getByRole('combobox', { name: 'Name' }).fill('One');
  await card.getByLabel('Consent to film and analyse is given').check();
  await card.getByRole('button', { name: 'Use as athlete' }).click();
  await goToStep(page, 'Measure');
  await expect.poll(async () => (await colourOf(page, 'athlete'))[0]).toBeGreaterThan(170);
  await page.keyboard.press('ArrowRight');
  await expect.poll(async () => (await colourOf(page, 'athlete'))[2]).toBeGreaterThan(170);
});

test('a picture that no browser can show is refused with what to do', async ({ page, baseURL }) => {
  await createSession(page, baseURL!, 'Broken picture');
  const card = page.getByTestId('intake-athlete');
  await card
    .locator('input[type=file]')
    .setInputFiles({ name: 'photo.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(card.getByText('\u201cphoto.png\u201d is no picture that this browser can show')).toBeVisible();
});
