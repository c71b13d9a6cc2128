import { expect, test } from '@playwright/test';
import { addClip, createSession, goToStep } from '../../demo/drive-job';
import { fixtureClip, watchErrors } from './pages';

test('what the eye found is in the report with both pictures, its words and its line, and nothing is said of numbers that were not measured', async ({
  page,
  baseURL,
}) => {
  const errors = watchErrors(page);
  await createSession(page, baseURL!, 'By eye');
  await addClip(page, 'athlete', fixtureClip('coded-vp9-120.webm'), { name: 'One' });
  await addClip(page, 'reference', fixtureClip('coded-vp9-120.webm'), { name: 'Other' });
  await goToStep(page, 'Review');
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  // The key makes a note and gives it the keys; Enter gives them back to the bench.
  await page.keyboard.press('w');
  await page.keyboard.type('falls away');
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByTestId('frame-athlete')).toContainText('frame 2');
  await page.keyboard.press('g');
  await page.keyboard.type('high arm');
  await page.keyboard.press('Enter');
  // What the eye found becomes a correction in one act, and is tied to a number that cannot be read yet.
  await page.getByRole('button', { name: 'Details of \u201cfalls away\u201d' }).click();
  await page.getByLabel('The number that shows the same').click();
  await page.getByRole('option', { name: 'Front knee, release' }).click();
  await expect(page.getByTestId('number-says')).toContainText('Not measurable: front knee, release');
  await page.getByRole('button', { name: 'Make it a correction' }).click();
  await expect(page.getByText('Among the corrections at Decide.')).toBeVisible();
  await goToStep(page, 'Decide');
  await expect(page.getByTestId('proposed')).toContainText('First: falls away');
  await expect(page.getByTestId('proposed')).toContainText('the eye found it');
  await expect(page.getByTestId('strength-by-eye')).toContainText('high arm');
  await goToStep(page, 'Report');
  await expect(page.getByTestId('report-correction')).toContainText('falls away');
  const findings = page.getByTestId('report-finding');
  await expect(findings).toHaveCount(2);
  await expect(findings.first().getByRole('heading')).toHaveText('Work on: falls away');
  await expect(findings.last().getByRole('heading')).toHaveText('Good: high arm');
  await expect(findings.first().getByTestId('note-still')).toHaveCount(2);
  await expect(findings.last().getByText('frame 2')).toHaveCount(2);
  const report = page.getByTestId('report');
  await expect(report).not.toContainText('No measured difference');
  await expect(report).not.toContainText('stands clear of the measuring error');
  await expect(report.getByRole('heading', { name: 'Measures' })).toHaveCount(0);
  await expect(report).toContainText('What the eye found good stands above');
  expect(errors).toEqual([]);
});

test('an athlete alone is a report, too', async ({ page, baseURL }) => {
  await createSession(page, baseURL!, 'Alone');
  await addClip(page, 'athlete', fixtureClip('coded-vp9-120.webm'), { name: 'One' });
  await goToStep(page, 'Review');
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  // Nobody is asked for, no room is kept for anybody, and there is nothing to match.
  await expect(page.getByText('Run it through a few times')).toBeVisible();
  const [panes, pane] = [page.getByTestId('panes'), page.getByTestId('panes').locator('canvas').first()];
  expect((await pane.boundingBox())!.width).toBeGreaterThan(0.95 * (await panes.boundingBox())!.width);
  await expect(page.getByRole('combobox', { name: 'Matching' })).toHaveCount(0);
  await page.keyboard.press('w');
  await page.keyboard.type('late hands');
  await page.keyboard.press('Enter');
  await goToStep(page, 'Report');
  await expect(page.getByTestId('report-finding')).toContainText('late hands');
  await expect(page.getByTestId('note-still')).toHaveCount(1);
});
