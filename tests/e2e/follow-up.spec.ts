import { expect, test, type Page } from '@playwright/test';
import { goToStep } from '../../demo/drive-job';
import { openDemo, seriousFindings, watchErrors } from './pages';

/** Saves the demo's session by one of the report's buttons. */
async function saveDemo(page: Page, button: string, file: string): Promise<void> {
  await openDemo(page);
  await goToStep(page, 'Report');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: button }).click();
  await (await download).saveAs(file);
}

test('three sessions of an athlete: what was asked for, what became of it, and the frames of each value', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openDemo(page);
  await goToStep(page, 'Follow up');
  const knee = page.getByTestId('followed-front-knee-at-release');
  // Planted: the front knee gave way by 32 degrees in autumn, 26 in winter, 18 now.
  await expect(knee).toContainText('Improving');
  await expect(knee).toContainText('6 Oct 2025');
  await knee.getByRole('button', { name: /^Curve of/ }).click();
  const points = page.locator('.trend-chart a');
  await expect(points).toHaveCount(3);
  expect(await seriousFindings(page, 'Follow up')).toEqual([]);

  await knee.getByRole('button', { name: /^Close / }).click();
  await page.getByLabel('Reason').fill('Holds at match speed');
  await page.getByRole('button', { name: 'Close it' }).click();
  await expect(knee).toContainText('Closed by the analyst: Holds at match speed');
  await page.keyboard.press('Control+z');
  await expect(knee).toContainText('Improving');

  await goToStep(page, 'Report');
  await expect(page.getByTestId('since-before')).toContainText('Improving');
  await goToStep(page, 'Follow up');

  await points.first().press('Enter');
  await expect(page).toHaveURL(/demo-pace-autumn\/measure$/);
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  await expect(page.locator('.session-name')).toContainText('autumn');
  expect(errors).toEqual([]);
});

test('before and after: an earlier performance becomes the reference, with its moments and points, and it can be undone', async ({
  page,
}) => {
  await openDemo(page);
  await goToStep(page, 'Follow up');
  await page.getByRole('button', { name: 'Compare with 6 Oct 2025' }).click();
  await expect(page).toHaveURL(/demo-pace\/compare$/);
  await expect(page.getByRole('row', { name: /Front knee/ }).first()).toBeVisible();
  await goToStep(page, 'Measure');
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  await expect(page.locator('figure.reference figcaption')).toContainText('Kip Marlowe');
  await page.keyboard.press('Control+z');
  await expect(page.locator('figure.reference figcaption')).toContainText('Oren Tavish');
});

test('the next session takes the references along; what was asked last time stands at Intake', async ({ page }) => {
  await openDemo(page);
  await goToStep(page, 'Intake');
  await expect(page.getByTestId('asked-last-time')).toContainText('12 Jan 2026');
  await goToStep(page, 'Follow up');
  await page.getByRole('button', { name: 'Start the next session' }).click();
  await expect(page).toHaveURL(/intake$/);
  await expect(page).not.toHaveURL(/demo-pace\//);
  await expect(page.getByTestId('intake-reference')).toContainText('pace-side-reference.webm');
  // Something filmed for another session is good for this one too.
  await page.getByRole('button', { name: 'Take from another session' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(await seriousFindings(page, 'Take from another session')).toEqual([]);
  await page
    .getByRole('button', { name: 'Kip Marlowe of Kip Marlowe, pace delivery, winter block as athlete' })
    .click();
  await expect(page.getByTestId('intake-athlete')).toContainText('pace-side-athlete-winter.webm');
  await expect(page.getByTestId('asked-last-time')).toContainText('2 Mar 2026');
  await goToStep(page, 'Compare');
  await expect(page.getByRole('row', { name: /Front knee/ }).first()).toBeVisible();
});

test('a session is saved with its videos and opened in another browser', async ({ page, browser }, info) => {
  const file = info.outputPath('kip.falcon.zip');
  await saveDemo(page, 'Save the session with video', file);

  const context = await browser.newContext();
  const other = await context.newPage();
  const errors = watchErrors(other);
  await other.goto(new URL('/', page.url()).href);
  await other
    .getByLabel('Session file')
    .setInputFiles({ name: 'notes.json', mimeType: 'application/json', buffer: Buffer.from('{"a":1}') });
  await expect(other.getByText(/notes\.json.* is not a session file/)).toBeVisible();
  await other.getByLabel('Session file').setInputFiles(file);
  await expect(other).toHaveURL(/demo-pace\/measure$/);
  await expect(other.getByTestId('frame-athlete')).toContainText('of 243');
  await expect(other.getByRole('heading', { name: 'Back foot contact' })).toBeVisible();
  expect(errors).toEqual([]);
  await context.close();
});

test('a session without its videos takes them back at Intake, points and all', async ({ page, browser }, info) => {
  const file = info.outputPath('kip.falcon.json');
  await saveDemo(page, 'Save the session without video', file);
  const context = await browser.newContext();
  const other = await context.newPage();
  await other.goto(new URL('/', page.url()).href);
  await other.getByLabel('Session file').setInputFiles(file);
  // Once for all of them, and by nobody else.
  await expect(other.getByText(/The videos of “pace-side-athlete\.webm”, .* are not in this browser/)).toBeVisible();
  await expect(other.getByRole('alert')).toHaveCount(1);
  await goToStep(other, 'Intake');
  for (const role of ['athlete', 'reference'] as const) {
    await other
      .getByTestId(`intake-${role}`)
      .locator('input[type=file]')
      .setInputFiles(`demo/clips/pace-side-${role}.webm`);
    await expect(other.getByText(`pace-side-${role}.webm\u201d has the frames of this clip`)).toBeVisible();
  }
  await goToStep(other, 'Measure');
  await expect(other.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  await expect(other.getByRole('row', { name: /Back knee/ }).first()).toContainText('\u00b0');
  await context.close();
});

test('the page over time is printed on at most two pages, without what only a screen can do', async ({ page }) => {
  await openDemo(page);
  await goToStep(page, 'Follow up');
  await expect(page.getByRole('button', { name: 'Print' })).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  for (const name of ['Print', 'Start the next session', /^Compare with/, /^Curve of/])
    await expect(page.getByRole('button', { name }).first()).toBeHidden();
  await expect(page.getByRole('row', { name: /Front knee/ }).first()).toBeVisible();
  const pages = (await page.pdf({ preferCSSPageSize: true })).toString('latin1').match(/\/Type\s*\/Page[^s]/g)!;
  expect(pages.length).toBeLessThanOrEqual(2);
});
