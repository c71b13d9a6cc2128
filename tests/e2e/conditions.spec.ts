import { expect, test } from '@playwright/test';
import { addClip, createSession, goToStep } from '../../demo/drive-job';
import { fixtureClip, openDemo, seriousFindings, watchErrors } from './pages';

test('results and set-up are kept; the worst attempt is put against the best in two acts', async ({
  page,
  baseURL,
}) => {
  const errors = watchErrors(page);
  await createSession(page, baseURL!, 'Two attempts');
  const clip = fixtureClip('coded-vp9-120.webm');
  await addClip(page, 'athlete', clip, { name: 'Sela Orr' });
  await page.getByText('Set-up and equipment of the session').click();
  const ofSession = page.getByRole('group', { name: 'Set-up of the session' });
  await ofSession.getByLabel('What').fill('Shoes');
  await ofSession.getByLabel('How it was').fill('spikes');
  await page.keyboard.press('Enter');
  await expect(ofSession.getByLabel('Shoes', { exact: true })).toHaveValue('spikes');
  await ofSession.getByLabel('What').fill('shoes');
  await expect(ofSession.getByText('It is there already')).toBeVisible();
  await ofSession.getByLabel('What').fill('');

  await page.getByRole('button', { name: 'Another attempt of the athlete' }).click();
  const added = page.getByTestId('intake-new');
  await added.locator('input[type=file]').setInputFiles(clip);
  await added.getByLabel('Name').fill('Sela Orr');
  await added.getByLabel(/^Consent/).check();
  await added.getByRole('button', { name: 'Use as athlete' }).click();
  const result = async (id: string, value: string): Promise<void> => {
    const card = page.getByTestId(`intake-${id}`);
    await card.getByText('Result and set-up of this attempt').click();
    await card.getByRole('combobox', { name: 'Result' }).click();
    await page.getByRole('option', { name: 'Distance' }).click();
    await card.getByLabel('How much, m').fill(value);
    await card.getByLabel('How much, m').blur();
    await expect(card.getByText(`attempt: ${Number(value.replace(',', '.'))} m`)).toBeVisible();
  };
  await result('athlete', '6,42');
  const cards = await page
    .locator('[data-testid^=intake-]')
    .evaluateAll((all) => all.map((card) => (card as HTMLElement).dataset['testid']!.replace('intake-', '')));
  const second = cards.find((id) => id !== 'athlete' && id !== 'reference')!;
  await result(second, '5.9');
  expect(await seriousFindings(page, 'Set-up')).toEqual([]);

  await goToStep(page, 'Compare');
  await page.getByRole('button', { name: 'Worst attempt against best' }).click();
  await expect(page.getByRole('combobox', { name: 'Repetition' })).toContainText('6.42 m');
  await goToStep(page, 'Intake');
  await expect(page.getByTestId('intake-athlete').getByText('attempt: 5.9 m')).toBeVisible();
  await page.reload();
  await expect(page.getByTestId('intake-athlete').getByText('attempt: 5.9 m')).toBeVisible();
  expect(errors).toEqual([]);
});

test('other shoes stand beside what changed over time', async ({ page }) => {
  await openDemo(page);
  await goToStep(page, 'Intake');
  const shoes = async (value: string): Promise<void> => {
    await page.getByText('Set-up and equipment of the session').click();
    const facts = page.getByRole('group', { name: 'Set-up of the session' });
    await facts.getByLabel('What').fill('Shoes');
    await facts.getByLabel('How it was').fill(value);
    await page.keyboard.press('Enter');
    await expect(facts.getByLabel('Shoes', { exact: true })).toHaveValue(value);
  };
  await shoes('half spikes');
  await goToStep(page, 'Follow up');
  await expect(page.getByTestId('conditions').getByRole('row')).toHaveCount(4);
  // The first session, two before.
  await page.locator('.trend-chart a').first().press('Enter');
  await expect(page).toHaveURL(/demo-pace-autumn\/measure$/);
  await goToStep(page, 'Intake');
  await shoes('flats');
  await page.goto('/s/demo-pace/follow-up');
  await expect(page.getByTestId('conditions').getByRole('row').last()).toContainText(
    'Other shoes: half spikes before: flats',
  );
});
