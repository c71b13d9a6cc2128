import { expect, test, type Page } from '@playwright/test';
import { goToStep } from '../../demo/drive-job';
import { seriousFindings } from './pages';

const pagesOf = async (page: Page): Promise<number> =>
  (await page.pdf({ preferCSSPageSize: true })).toString('latin1').match(/\/Type\s*\/Page[^s]/g)!.length;

test('a coach\u2019s report is at most four pages, with both pictures of every correction', async ({ page }) => {
  for (const demo of ['', '/walk', '/hurdle']) {
    await page.goto(`/demo${demo}`);
    await expect(page).toHaveURL(/measure$/);
    await goToStep(page, 'Report');
    await page.getByText('What it holds').click();
    await page.getByRole('button', { name: 'Coach\u2019s report' }).click();
    const report = page.getByTestId('report');
    const corrections = await report.getByTestId('report-correction').count();
    expect(corrections).toBeGreaterThanOrEqual(1);
    await expect(report.getByTestId('athlete-still')).toHaveCount(2 * corrections, { timeout: 30_000 });
    await expect(report.getByRole('heading', { name: 'Measures' })).toHaveCount(0);
    await expect(report.getByTestId('cautions')).toBeVisible();
    expect(await pagesOf(page)).toBeLessThanOrEqual(4);
  }
});

test('what a report holds, the club and a line at its foot are chosen and kept', async ({ page }) => {
  await page.goto('/demo');
  await expect(page).toHaveURL(/measure$/);
  await goToStep(page, 'Report');
  const report = page.getByTestId('report');
  await expect(report.getByRole('heading', { name: 'Timing' })).toBeVisible();
  await expect(report.getByTestId('methods')).toHaveCount(0);
  await page.getByText('What it holds').click();
  await page.getByRole('checkbox', { name: 'Timing' }).click();
  await expect(report.getByRole('heading', { name: 'Timing' })).toHaveCount(0);
  await page.getByRole('checkbox', { name: 'Methods' }).click();
  await expect(report.getByTestId('methods')).toContainText('zero-lag Butterworth filter of second order at 20 Hz');
  await expect(report.getByTestId('methods')).toContainText(/side view, .* 243 frames, 8\.3 ms apart/);
  await page.getByLabel('Club over the report').fill('Harrow Lane Academy');
  await page.getByLabel('Line at its foot').fill('For the athlete and the coach');
  expect(await seriousFindings(page, 'What a report holds')).toEqual([]);
  await page.reload();
  await expect(report).toContainText('Harrow Lane Academy');
  await expect(report).toContainText('For the athlete and the coach');
  await expect(report.getByRole('heading', { name: 'Timing' })).toHaveCount(0);
});
