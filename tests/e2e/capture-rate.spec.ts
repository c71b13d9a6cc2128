import { expect, test, type Page } from '@playwright/test';
import { clipFile, createSession, goToStep } from '../../demo/drive-job';
import { openDemo, watchErrors } from './pages';

const time = (page: Page) => page.getByTestId('frame-athlete');

test('where a clip is slowed within itself its times go by each stretch; where nobody knows, none is measured', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openDemo(page);
  await goToStep(page, 'Match');
  await expect(time(page)).toHaveText('frame 97 of 243, 800 ms at 120/s');
  await page.getByRole('button', { name: 'Rate changes at this frame' }).first().click();
  const change = page.getByLabel('From frame 97, frames per second');
  await change.fill('240');
  await change.blur();
  await expect(time(page)).toHaveText('frame 97 of 243, 800 ms at 120, 240/s');
  await page.getByTestId('pane-athlete').click();
  for (let i = 0; i < 12; i++) await page.keyboard.press('Shift+ArrowRight');
  await expect(time(page)).toHaveText('frame 109 of 243, 850 ms at 120, 240/s');

  // A second at the same frame is told, and nothing is lost by what is no rate.
  await change.fill('0');
  await change.blur();
  await expect(change).toHaveValue('240');
  await change.fill('');
  await change.blur();
  await expect(page.getByText('Not known: no times are measured over it')).toBeVisible();
  await goToStep(page, 'Compare');
  await expect(page.getByText('The capture rate is not known from frame 97 to 243').first()).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('The capture rate is not known from frame 97 to 243')).toHaveCount(0);
  await goToStep(page, 'Match');
  await page.getByRole('button', { name: 'Remove the change at frame 97' }).click();
  await expect(time(page)).toHaveText('frame 109 of 243, 900 ms at 120/s');

  // Of a film from elsewhere it may not be known at all.
  const first = page.getByLabel('Capture rate, frames per second').first();
  await first.fill('');
  await first.blur();
  await expect(time(page)).toHaveText('frame 109 of 243, 900 ms at ?/s');
  await goToStep(page, 'Compare');
  await expect(page.getByText('The capture rate is not known from frame 1 to 243').first()).toBeVisible();
  await goToStep(page, 'Match');
  await expect(first).toHaveValue('');
  await first.fill('120');
  await first.blur();
  await expect(time(page)).toHaveText('frame 109 of 243, 900 ms at 120/s');
  await expect(page.getByText('Not known: no times are measured over it')).toHaveCount(0);
  expect(errors).toEqual([]);
});

test('a clip is taken at Intake at a rate that nobody knows, and known when it is said', async ({ page, baseURL }) => {
  await createSession(page, baseURL!, 'From elsewhere');
  const card = page.getByTestId('intake-athlete');
  const rate = card.getByLabel('Capture rate, frames per second');
  await card.locator('input[type=file]').setInputFiles(clipFile('pace-side-athlete'));
  await card.getByRole('combobox', { name: 'Name' }).fill('Robin Vale');
  await card.getByRole('combobox', { name: 'Name' }).press('Tab');
  await rate.fill('');
  await expect(card.getByText('Not known: no times are measured')).toBeVisible();
  await card.getByLabel('Consent to film and analyse is given').check();
  await card.getByRole('button', { name: 'Use as athlete' }).click();
  await expect(card.getByText('243 frames')).toBeVisible();
  await goToStep(page, 'Match');
  await expect(time(page)).toHaveText('frame 1 of 243, 0 ms at ?/s');
  await goToStep(page, 'Intake');
  await expect(rate).toHaveValue('');
  await rate.fill('240');
  await card.getByRole('button', { name: 'Save' }).click();
  await goToStep(page, 'Match');
  await expect(time(page)).toHaveText('frame 1 of 243, 0 ms at 240/s (file 120/s)');
});
