import { expect, test, type Page } from '@playwright/test';
import { goToStep } from '../../demo/drive-job';
import { seriousFindings } from './pages';
import { savedPdf, type PdfFacts } from './pdf';

const DEMOS = ['', '/walk', '/hurdle'];

async function openReport(page: Page, demo: string): Promise<void> {
  await page.goto(`/demo${demo}`);
  await expect(page).toHaveURL(/measure$/);
  await goToStep(page, 'Report');
}

/** Nothing reaches into the margins, and no page but the last is under a third full. */
function expectWellFilled({ inked }: PdfFacts): void {
  for (const { left, right } of inked) {
    expect(left).toBeGreaterThan(0.05);
    expect(right).toBeLessThan(0.95);
  }
  for (const { bottom } of inked.slice(0, -1)) expect(bottom).toBeGreaterThan(1 / 3);
}

function expectReadable(file: PdfFacts): void {
  expect(file.tagged).toBe(true);
  expect(file.looseFonts).toEqual([]);
  expectWellFilled(file);
}

/** At most four pages, both pictures of every correction, bookmarks from its headings. */
async function checkCoachsReport(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Coach\u2019s report' }).click();
  const report = page.getByTestId('report');
  const corrections = await report.getByTestId('report-correction').count();
  expect(corrections).toBeGreaterThanOrEqual(1);
  await expect(report.getByTestId('athlete-still')).toHaveCount(2 * corrections);
  await expect(report.getByRole('heading', { name: 'Measures' })).toHaveCount(0);
  await expect(report.getByTestId('cautions')).toBeVisible();
  const file = await savedPdf(page);
  expect(file.pages).toBeLessThanOrEqual(4);
  expectReadable(file);
  const headings = await report.locator('h1, h2').allTextContents();
  expect(file.bookmarks).toEqual(headings.map((text) => text.trim()));
}

/** Breaks well, names its method and when the session was made. */
async function checkLaboratorysReport(page: Page): Promise<PdfFacts> {
  await page.getByRole('button', { name: 'Laboratory\u2019s report' }).click();
  const file = await savedPdf(page);
  expectReadable(file);
  expect(file.made).toBe('2026-03-02T12:00:00Z');
  expect(file.title).toMatch(/, report$/);
  expect(file.text).toContain('zero-lag Butterworth filter of second order');
  return file;
}

/** One side of either paper. */
async function checkAthletesPage(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Athlete\u2019s page' }).click();
  for (const size of ['A4', 'Letter']) {
    await page.getByRole('button', { name: size, exact: true }).click();
    const file = await savedPdf(page);
    expect(file.pages).toBe(1);
    expectReadable(file);
  }
}

for (const demo of DEMOS)
  test(`the three papers of /demo${demo} are PDF files: of few pages, well filled, readable`, async ({ page }) => {
    await openReport(page, demo);
    await page.getByText('What it holds').click();
    await checkCoachsReport(page);
    const file = await checkLaboratorysReport(page);
    if (demo === '') {
      expect(file.text).toContain('Since earlier sessions');
      await page.reload();
      expect((await savedPdf(page)).bytes.equals(file.bytes)).toBe(true);
    }
    await checkAthletesPage(page);
  });

test('a server that makes no PDF says why, and the report stays', async ({ page }) => {
  await openReport(page, '');
  await page.route('**/papers?*', (route) => route.abort());
  await page.getByRole('button', { name: 'Save as PDF' }).click();
  await expect(page.getByRole('alert')).toContainText('use Print and choose');
  await expect(page.getByTestId('report')).toBeVisible();
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
