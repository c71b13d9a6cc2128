import { expect, test } from '@playwright/test';
import { addClip, clipFile, detectAllPoints, goToStep } from '../../demo/drive-job';
import { watchErrors } from './pages';

/**
 * The whole way on the two other movements of the academy, from their files, at the fast setting. The pace delivery has
 * a test of its own.
 */
for (const { movement, clips, travel, moments } of [
  { movement: 'Athletics: Race walking stride', clips: 'walk-side', travel: 'right', moments: 6 },
  { movement: 'Athletics: Hurdle clearance', clips: 'hurdle-side', travel: 'right', moments: 5 },
] as const) {
  test(`${movement}: files in, points detected with moments proposed, compared, decided, reported`, async ({
    page,
  }) => {
    const errors = watchErrors(page);
    await page.goto('/');
    await page.getByLabel('Name').fill(movement);
    await page.getByRole('combobox', { name: 'Movement' }).click();
    await page.getByRole('option', { name: movement }).click();
    await page.getByRole('button', { name: 'Create' }).click();
    await addClip(page, 'athlete', clipFile(`${clips}-athlete`), { name: 'Athlete', travel });
    await addClip(page, 'reference', clipFile(`${clips}-reference`), { name: 'Reference', travel });
    await goToStep(page, 'Review');
    await page.getByLabel('First impressions').fill('Looks tidy at full speed.');
    await detectAllPoints(page, 'Fast');
    await goToStep(page, 'Moments');
    if (moments === 6) {
      // A stride repeats: every whole one is found, and their mean counts.
      for (const role of ['athlete', 'reference']) {
        await page.getByTestId(`repetitions-${role}`).getByRole('button', { name: 'Find repetitions' }).click();
        await expect(page.getByText(new RegExp(`repetitions? of the ${role} found`))).toBeVisible();
      }
    } else {
      // They were proposed as the points came.
      await expect(page.getByRole('button', { name: 'Propose moments of the athlete' })).toBeDisabled();
    }
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
    // Each has a planted difference that even the fast setting sees: a bent knee, an upright trunk.
    await expect(
      page.getByTestId(moments === 6 ? 'reading-knee-least-in-front-support' : 'reading-trunk-over-hurdle'),
    ).toHaveAttribute('data-state', 'gap');
    await page.getByRole('tab', { name: 'Curves' }).click();
    await expect(page.getByRole('img', { name: /both sides in matched time/ })).toBeVisible();
    await goToStep(page, 'Decide');
    await expect(page.getByTestId('proposed').first()).toBeVisible();
    await goToStep(page, 'Report');
    await expect(page.getByTestId('still')).toHaveCount(2 * moments);
    await expect(page.getByTestId('report')).toContainText('Looks tidy at full speed.');
    await expect(page.getByTestId('report-correction').first()).toContainText('First:');
    await expect(page.getByTestId('cautions')).toContainText('not a diagnosis');
    expect(errors).toEqual([]);
  });
}
