import { expect, test, type Locator, type Page } from '@playwright/test';
import { clipFile, detectAllPoints, goToStep } from '../../demo/drive-job';
import { fixtureClip, watchErrors } from './pages';
import { checkToReport } from './to-report';

/**
 * Seconds of what a hand and a head do (Card, Moran and Newell 1980, *The keystroke-level model*): a key by an average
 * typist, pointing, pressing or letting go of the button, a hand that goes from keys to mouse or back, and getting ready
 * for an act.
 */
const OPERATORS = { key: 0.28, point: 1.1, button: 0.1, home: 0.4, mental: 1.35 } as const;

/** Counts what a hand does: a drop, a press, a key, a run of typing are one act each. */
class Acts {
  count = 0;
  /** How long they take by the keystroke-level model, the machine left out. */
  seconds = 0;
  private hand: 'keys' | 'mouse' = 'mouse';
  constructor(private readonly page: Page) {}
  private act(hand: 'keys' | 'mouse', seconds: number): void {
    this.count++;
    this.seconds += OPERATORS.mental + seconds + (hand === this.hand ? 0 : OPERATORS.home);
    this.hand = hand;
  }
  async drop(files: readonly string[]): Promise<void> {
    this.act('mouse', 2 * (OPERATORS.point + OPERATORS.button));
    await this.page.getByLabel('Videos to begin with').setInputFiles([...files]);
  }
  async type(text: string): Promise<void> {
    this.act('keys', text.length * OPERATORS.key);
    await this.page.keyboard.type(text);
  }
  async key(key: string): Promise<void> {
    this.act('keys', key.split('+').length * OPERATORS.key);
    await this.page.keyboard.press(key);
  }
  async press(name: string | RegExp): Promise<void> {
    await this.pressOn(this.page.getByRole('button', { name, exact: typeof name === 'string' }).first());
  }
  async pressOn(on: Locator): Promise<void> {
    this.act('mouse', OPERATORS.point + 2 * OPERATORS.button);
    await on.click();
  }
  async drag(from: readonly [number, number], to: readonly [number, number]): Promise<void> {
    this.act('mouse', 2 * (OPERATORS.point + OPERATORS.button));
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

test('by eye from two files to a report with three findings, pictures and drawings in under two minutes of acts', async ({
  page,
  baseURL,
}) => {
  const errors = watchErrors(page);
  const file = fixtureClip('coded-vp9-120.webm');
  const acts = await begin(page, baseURL!, [file, file]);
  for (const [i, words] of ['leans back at the start', 'front arm drops early', 'knee gives way'].entries()) {
    // The next position by eye: one key, and both pictures are there.
    await acts.key('Control+ArrowRight');
    await expect(page.getByTestId('frame-athlete')).toContainText(`frame ${10 * i + 11}`);
    await expect(page.getByTestId('frame-reference')).toContainText(`frame ${10 * i + 11}`);
    await acts.key('w');
    await acts.type(words);
    await acts.key('Enter');
    // The line stays chosen.
    if (i === 0) await acts.press('Line');
    const { x, y } = (await page.getByTestId('panes').boundingBox())!;
    await acts.drag([x + 100, y + 100 + 70 * i], [x + 240, y + 130 + 70 * i]);
    await expect(page.getByRole('button', { name: 'Remove the line' })).toHaveCount(i + 1);
  }
  await acts.pressOn(page.getByRole('link', { name: /^Report/ }));
  const report = page.getByTestId('report');
  await expect(report.getByTestId('report-finding')).toHaveCount(3);
  const [download] = await Promise.all([page.waitForEvent('download'), acts.press('Save as PDF')]);
  await expect(report.getByTestId('note-still')).toHaveCount(6);
  expect((await download.path()).length).toBeGreaterThan(0);
  await expect(report).toContainText('knee gives way');
  await expect(report).not.toContainText('No measured difference');
  console.log(`By eye to a report: ${acts.count} acts, ${acts.seconds.toFixed(0)} s by the keystroke-level model`);
  expect(acts.seconds).toBeLessThan(120);
  expect(errors).toEqual([]);
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

test('two files to readings with confirmed moments in at most twenty acts, both moment by moment, and on to a report', async ({
  page,
  baseURL,
}) => {
  const errors = watchErrors(page);
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

  await goToStep(page, 'Moments');
  // A stride repeats: every whole one is found, and their mean counts.
  for (const role of ['athlete', 'reference']) {
    await page.getByTestId(`repetitions-${role}`).getByRole('button', { name: 'Find repetitions' }).click();
    await expect(page.getByText(new RegExp(`repetitions? of the ${role} found`))).toBeVisible();
  }
  await checkToReport(page, { moments: 6, planted: 'knee-least-in-front-support' });
  expect(errors).toEqual([]);
});
