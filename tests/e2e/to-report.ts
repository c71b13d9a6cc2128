import { expect, type Page } from '@playwright/test';
import { goToStep } from '../../demo/drive-job';

/** From proposed moments of both clips on: confirmed, compared, decided, reported. */
export async function checkToReport(
  page: Page,
  { moments, planted }: { readonly moments: number; readonly planted: string },
): Promise<void> {
  for (const role of ['athlete', 'reference'])
    await expect(page.locator(`[data-testid^="pin-${role}-"]`)).toHaveCount(moments);
  // What is only a guess is measured once somebody has confirmed it.
  for (const role of ['athlete', 'reference'])
    await page.getByRole('button', { name: new RegExp(`^Confirm all \\d+ of the ${role}`) }).click();
  await goToStep(page, 'Compare');
  const rows = page.locator('tbody[data-testid^=reading-]');
  await expect(rows.first()).toBeVisible();
  expect(
    await rows.evaluateAll((all) => all.filter((row) => row.getAttribute('data-state') !== 'not-measurable').length),
  ).toBeGreaterThanOrEqual(10);
  // Each has a planted difference that even the fast setting sees.
  await expect(page.getByTestId(`reading-${planted}`)).toHaveAttribute('data-state', 'gap');
  await page.getByRole('tab', { name: 'Curves' }).click();
  await expect(page.getByRole('img', { name: /both sides in matched time/ })).toBeVisible();
  await goToStep(page, 'Decide');
  await expect(page.getByTestId('proposed').first()).toBeVisible();
  await goToStep(page, 'Report');
  await expect(page.getByTestId('still')).toHaveCount(2 * moments);
  await expect(page.getByTestId('report-correction').first()).toContainText('First:');
  await expect(page.getByTestId('cautions')).toContainText('not a diagnosis');
}
