import { expect, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { addClip, clipFile, createSession, goToStep, shownFrame } from '../../demo/drive-job';
import type { ClipTruth } from '../../demo/truth';
import { seriousFindings, watchErrors } from './pages';

/** A window that goes over a demo clip, as a camera that follows would see it. */
function panned(name: string, to: string): string {
  const filter = `fps=30,trim=0:2,crop=iw*0.8:ih:iw*0.2*t/2:0,scale=1024:720`;
  const coded = ['-c:v', 'libvpx-vp9', '-b:v', '0', '-crf', '24', '-cpu-used', '8', '-deadline', 'realtime'];
  execFileSync('ffmpeg', ['-y', '-v', 'error', '-i', clipFile(name), '-vf', filter, ...coded, to]);
  return to;
}

test('moments of a camera that pans are proposed after its motion is taken out, as the points come', async ({
  page,
  baseURL,
}) => {
  await page.goto(baseURL!);
  await page.getByLabel('Name').fill('Panned walk');
  await page.getByRole('combobox', { name: 'Movement' }).click();
  await page.getByRole('option', { name: /Race walking/ }).click();
  await page.getByRole('button', { name: 'Create' }).click();
  await expect(page.getByTestId('intake-athlete')).toBeVisible();
  await addClip(page, 'athlete', clipFile('walk-side-athlete-pans'), { name: 'Robin Vale', travel: 'right' });
  await goToStep(page, 'Measure');
  await page.getByLabel('Setting').click();
  await page.getByRole('option', { name: 'Fast' }).click();
  await page.getByRole('button', { name: 'Detect points of the athlete' }).click();
  await expect(page.getByText(/Points detected on/)).toBeVisible();
  await goToStep(page, 'Moments');
  const truth = JSON.parse(
    readFileSync(clipFile('walk-side-athlete-pans').replace('.webm', '.truth.json'), 'utf8'),
  ) as ClipTruth;
  // Without it no foot comes to rest where it does: the other foot leaves a tenth of a second early, this one never.
  for (const [id, name] of [
    ['opposite-toe-off', 'other foot leaves'],
    ['toe-off', 'toe off'],
  ] as const) {
    const frame = Number(await page.getByRole('button', { name: `Go to ${name} in athlete` }).innerText()) - 1;
    expect(Math.abs(frame - truth.moments[id]! * truth.frameRate)).toBeLessThanOrEqual(3);
  }
});

test('a camera that follows is noticed and taken out: contacts are proposed, paths measured, and it can be overruled', async ({
  page,
  baseURL,
}, info) => {
  const errors = watchErrors(page);
  await createSession(page, baseURL!, 'Followed');
  await addClip(page, 'athlete', panned('pace-side-athlete', info.outputPath('panned.webm')), { name: 'Robin Vale' });
  await goToStep(page, 'Measure');
  await page.getByLabel('Setting').click();
  await page.getByRole('option', { name: 'Fast' }).click();
  await page.getByRole('button', { name: 'Detect points of the athlete' }).click();
  const camera = page.getByText(/^Camera of the athlete: follows over 0\.\d+ of the picture’s width/);
  await expect(camera).toBeVisible();

  await expect(page.getByText(/taken out of the points by the background.*body height from end to end/)).toBeVisible();

  // Under the ribbon it says when the camera moved, and how fast.
  await expect(page.getByTestId('camera-strip-athlete').locator('title').nth(20)).toHaveText(
    /^The camera turns at \d+ degrees a second/,
  );

  await goToStep(page, 'Moments');
  // Contacts need the ground: they are proposed once the camera is taken out, as the points come.
  await expect(page.getByRole('button', { name: 'Unmark front foot contact in athlete' })).toBeVisible();
  await goToStep(page, 'Measure');
  // A mark that stands still, pressed in two frames, ties the camera down; it is drawn where it is in others.
  await goToStep(page, 'Match');
  await page.getByRole('button', { name: 'Follow the body' }).click();
  await page.getByRole('button', { name: 'Mark that stands still' }).click();
  const pane = (await page.getByTestId('pane-athlete').boundingBox())!;
  const press = (share: number): Promise<void> =>
    page.mouse.click(pane.x + share * pane.width, pane.y + 0.6 * pane.height);
  await press(0.5);
  await expect(page.getByText(/^Mark 1 in frame \d+ /)).toBeVisible();
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
  await expect.poll(() => shownFrame(page, 'athlete')).toBe(5);
  await press(0.51);
  await expect(page.getByText(/^Mark 1 in frames \d+, \d+ /)).toBeVisible();
  await page.getByRole('button', { name: 'That is all' }).click();
  expect(await seriousFindings(page, 'Marks that stand still')).toEqual([]);
  await page.getByRole('button', { name: 'Forget mark 1' }).click();
  await expect(page.getByText(/^Mark 1 in frames/)).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.getByText(/^Mark 1 in frames \d+, \d+ /)).toBeVisible();
  await goToStep(page, 'Measure');
  await page.getByRole('button', { name: 'It stood still' }).click();
  await expect(camera).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(camera).toBeVisible();
  expect(errors).toEqual([]);
});
