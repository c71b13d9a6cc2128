import { expect, test } from '@playwright/test';
import { addClip, clipFile, createSession, goToStep } from '../../demo/drive-job';
import { seriousFindings, watchErrors } from './pages';

test('where the hips face is set by eye on a dial, for both, and is a measure like any other', async ({
  page,
  baseURL,
}) => {
  const errors = watchErrors(page);
  await createSession(page, baseURL!, 'Turned');
  await page.getByRole('combobox', { name: 'Movement' }).click();
  await page.getByRole('option', { name: /Jump with rotation/ }).click();
  await addClip(page, 'athlete', clipFile('hurdle-side-athlete'), { name: 'Noa Reed', travel: 'right' });
  await addClip(page, 'reference', clipFile('hurdle-side-reference'), { name: 'Ira Finch', travel: 'right' });
  await goToStep(page, 'Moments');
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  for (const role of ['athlete', 'reference']) {
    await page.getByTestId(`pane-${role}`).click({ position: { x: 40, y: 60 } });
    await page.keyboard.press('Control+ArrowRight');
    await page.keyboard.press('2');
    await expect(page.getByTestId(`pin-${role}-take-off`)).toBeVisible();
  }
  await goToStep(page, 'Measure');
  const row = page.getByTestId('reading-hips-at-take-off');
  await row.scrollIntoViewIfNeeded();
  await page.getByRole('button', { name: 'Athlete: set the dial' }).first().click();
  const dial = page.getByRole('slider', { name: 'Where do the hips face? Athlete' });
  await dial.click({ position: { x: 138, y: 88 } });
  await expect(dial).toHaveAttribute('aria-valuetext', '3 o\u2019clock, 90\u00b0 to the right');
  await dial.press('ArrowLeft');
  await expect(dial).toHaveAttribute('aria-valuenow', '-75');
  expect(await seriousFindings(page, 'Dial')).toEqual([]);
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: 'Reference: set the dial' }).first().click();
  await page.getByRole('slider', { name: 'Where do the hips face? Reference' }).press('ArrowLeft');
  await page.keyboard.press('Escape');
  await expect(row).toContainText('\u221275');
  await expect(row).toContainText('15');
  await expect(row).toHaveAttribute('data-state', 'gap');
  await page.keyboard.press('Control+z');
  await expect(row).not.toHaveAttribute('data-state', 'gap');
  expect(errors).toEqual([]);
});
