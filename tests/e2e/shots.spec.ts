import { execFileSync } from 'node:child_process';
import { expect, test, type Page } from '@playwright/test';
import { addClip, chooseOption, clipFile, createSession, goToStep } from '../../demo/drive-job';
import { seriousFindings, watchErrors } from './pages';

/** A film of two demo clips, one after the other, so many pictures of each. */
function film(to: string, rate: number, shots: readonly (readonly [name: string, frames: number])[]): string {
  const inputs = shots.flatMap(([name]) => ['-stream_loop', '-1', '-i', clipFile(name)]);
  const cut = shots.map(
    ([, frames], i) => `[${i}:v]fps=${rate},trim=end_frame=${frames},scale=640:360,setsar=1[s${i}]`,
  );
  const joined = `${cut.join(';')};${shots.map((_, i) => `[s${i}]`).join('')}concat=n=${shots.length}[out]`;
  const coded = ['-map', '[out]', '-c:v', 'libx264', '-preset', 'veryfast', '-pix_fmt', 'yuv420p'];
  execFileSync('ffmpeg', ['-y', '-v', 'error', ...inputs, '-filter_complex', joined, ...coded, to]);
  return to;
}

/** The brightest sample of the picture that a pane shows, 0 to 255. */
const brightestOf = (page: Page, pane: string): Promise<number> =>
  page.getByTestId(`pane-${pane}`).evaluate((canvas: HTMLCanvasElement) => {
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
    return data.reduce((most, sample, i) => (i % 4 === 3 ? most : Math.max(most, sample)), 0);
  });

test('a clip that is cut becomes clips of its shots: a replay is another camera of the attempt, at its own rate', async ({
  page,
  baseURL,
}, info) => {
  const errors = watchErrors(page);
  await createSession(page, baseURL!, 'Cut together');
  const file = film(info.outputPath('film.mp4'), 30, [
    ['pace-side-athlete', 44],
    ['pace-front-athlete', 37],
    ['walk-side-reference', 20],
  ]);
  await addClip(page, 'athlete', file, { name: 'Robin Vale' });
  await goToStep(page, 'Match');
  const frame = page.getByTestId('frame-athlete');
  await expect(frame).toContainText('of 101');
  await page.getByRole('button', { name: 'Look for cuts' }).click();
  const shots = page.getByRole('group', { name: 'Shots of film.mp4' });
  await expect(shots).toContainText('37 frames from frame 45');
  await expect(shots).toContainText('20 frames from frame 82');
  await shots.getByRole('button', { name: 'Show shot 2' }).click();
  await expect(frame).toContainText('frame 63 of 101');
  expect(await seriousFindings(page, 'Shots')).toEqual([]);

  // The first that is used has to be an attempt.
  const make = shots.getByRole('button', { name: /^Make|^Take/ });
  await chooseOption(page, shots.getByRole('combobox', { name: 'Shot 1 is' }), 'The first attempt from another side');
  await expect(make).toBeDisabled();
  await chooseOption(page, shots.getByRole('combobox', { name: 'Shot 1 is' }), 'An attempt');
  await chooseOption(page, shots.getByRole('combobox', { name: 'Shot 2 is' }), 'The first attempt from another side');
  await shots.getByLabel('Capture rate').nth(1).fill('120');
  await chooseOption(page, shots.getByRole('combobox', { name: 'Shot 3 is' }), 'Left out');
  await make.click();
  await expect(frame).toContainText('of 44');
  await expect(page.getByText('frame 1 of 37, 0 ms at 120/s (file 30/s)')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Same instant here' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(frame).toContainText('of 101');
  await expect.poll(() => brightestOf(page, 'athlete')).toBeGreaterThan(100);

  // How a replay was slowed is not known more often than not.
  await page.getByRole('button', { name: 'Look for cuts' }).click();
  await expect(shots).toContainText('20 frames from frame 82');
  await shots.getByLabel('Capture rate').nth(1).fill('');
  await make.click();
  await expect(page.getByText('frame 1, 0 ms at ?/s')).toBeVisible();
  expect(errors).toEqual([]);
});

test('a long film is taken in its shots', async ({ page, baseURL }, info) => {
  await createSession(page, baseURL!, 'Long film');
  const file = film(info.outputPath('long.mp4'), 10, [
    ['pace-side-athlete', 120],
    ['hurdle-side-reference', 110],
  ]);
  await page.getByTestId('intake-athlete').locator('input[type=file]').setInputFiles(file);
  const parts = page.getByRole('group', { name: 'Parts of the file' });
  await parts.getByRole('button', { name: 'Propose shots' }).click();
  await expect(parts.getByRole('listitem')).toHaveText([/0:00.00 to 0:11.95/, /0:11.95 to 0:23.00/]);
  await expect(parts.getByRole('button', { name: 'Use 2 parts' })).toBeEnabled();
});
