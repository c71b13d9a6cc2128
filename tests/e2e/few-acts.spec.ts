import { expect, test, type Page } from '@playwright/test';
import { clipFile, detectAllPoints, goToStep } from '../../demo/drive-job';
import { fixtureClip, watchErrors } from './pages';

/** Counts what a hand does: a drop, a press, a key, a run of typing are one act each. */
class Acts {
  count = 0;
  constructor(private readonly page: Page) {}
  async drop(files: readonly string[]): Promise<void> {
    this.count++;
    await this.page.getByLabel('Videos to begin with').setInputFiles([...files]);
  }
  async type(text: string): Promise<void> {
    this.count++;
    await this.page.keyboard.type(text);
  }
  async key(key: string): Promise<void> {
    this.count++;
    await this.page.keyboard.press(key);
  }
  async press(name: string | RegExp): Promise<void> {
    this.count++;
    await this.page
      .getByRole('button', { name, exact: typeof name === 'string' })
      .first()
      .click();
  }
  async drag(from: readonly [number, number], to: readonly [number, number]): Promise<void> {
    this.count++;
    await this.page.mouse.move(...from);
    await this.page.mouse.down();
    await this.page.mouse.move(...to, { steps: 5 });
    await this.page.mouse.up();
  }
}

async function begin(page: Page, baseURL: string, files: readonly string[], movement?: RegExp): Promise<Acts> {
  await page.goto(baseURL);
  const acts = new Acts(page);
  await acts.drop(files);
  await expect(page.getByLabel('Name of the athlete')).toBeFocused();
  await acts.type('Robin Vale');
  if (movement) {
    acts.count += 2;
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Movement').click();
    await page.getByRole('option', { name: movement }).click();
    await dialog.getByLabel('Name of the athlete').press('Enter');
    acts.count++;
  } else await acts.key('Enter');
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  return acts;
}

test('two files to both pictures in three acts, to a difference in words with a line in at most twelve', async ({
  page,
  baseURL,
}) => {
  const errors = watchErrors(page);
  const file = fixtureClip('coded-vp9-120.webm');
  const acts = await begin(page, baseURL!, [file, file]);
  await expect(page.getByTestId('frame-athlete')).toContainText('frame 1');
  await expect(page.getByTestId('frame-reference')).toContainText('frame 1');
  expect(acts.count).toBeLessThanOrEqual(3);

  await acts.key('Control+ArrowRight');
  await expect(page.getByTestId('frame-athlete')).toContainText('frame 11');
  await acts.key('w');
  await acts.type('leans back');
  await acts.key('Enter');
  await acts.press('Line');
  const { x, y } = (await page.getByTestId('panes').boundingBox())!;
  await acts.drag([x + 120, y + 150], [x + 200, y + 300]);
  await expect(page.getByRole('button', { name: 'Remove the line' })).toBeVisible();
  expect(acts.count).toBeLessThanOrEqual(12);
  expect(errors).toEqual([]);

  // What was said is offered the next time.
  await page.goto(baseURL!);
  await page.getByLabel('Videos to begin with').setInputFiles([file]);
  await expect(page.getByLabel('Name of the athlete')).toHaveValue('Robin Vale');
});

test('a file that is no video is said, and nothing is made of it', async ({ page, baseURL }) => {
  await page.goto(baseURL!);
  await page
    .getByLabel('Videos to begin with')
    .setInputFiles([{ name: 'notes.mp4', mimeType: 'video/mp4', buffer: Buffer.from('no video') }]);
  await page.getByLabel('Name of the athlete').fill('Robin Vale');
  await page.getByRole('button', { name: 'Consent is given: start' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'notes.mp4' })).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('Begin with the demo')).toBeVisible();
});

test('two files to readings with confirmed moments in at most twenty acts, one moment after the other in both', async ({
  page,
  baseURL,
}) => {
  test.setTimeout(300_000);
  const acts = await begin(
    page,
    baseURL!,
    [clipFile('walk-side-athlete'), clipFile('walk-side-reference')],
    /Race walking/,
  );
  await detectAllPoints(page, 'Fast');
  await goToStep(page, 'Moments');
  await acts.press(/^Go through the \d+ proposed moments$/);
  const run = page.getByTestId('proposals-run');
  await expect(run).toContainText('Other foot leaves: athlete');
  // The picture of the proposal is shown, and one that is off is moved by stepping.
  await acts.key('Shift+ArrowRight');
  for (let n = 0; n < 40 && (await run.isVisible()); n++) await acts.key('Enter');
  await expect(page.getByRole('button', { name: /: confirm$/ })).toHaveCount(0);
  await goToStep(page, 'Compare');
  await expect(page.getByText(/\d+ of \d+ measures judged/)).toBeVisible();
  // Beside those counted: to Measure, points of the one, of the other, to Moments, to Compare. The fast detector is
  // chosen for the test's sake, and nobody has to close a notice.
  const steps = 5;
  expect(acts.count + steps).toBeLessThanOrEqual(20);
});
