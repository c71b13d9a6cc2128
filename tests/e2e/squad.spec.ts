import { expect, test, type Locator } from '@playwright/test';
import { addClip, createSession, goToStep } from '../../demo/drive-job';
import { rows } from './database';
import { fixtureClip, openDemo, seriousFindings, watchErrors } from './pages';

test('the start page shows each athlete with the picture, what is worked on, and when it is due', async ({ page }) => {
  const errors = watchErrors(page);
  await openDemo(page);
  await page.goto('/');
  const kip = page.getByTestId('athlete-name:kip marlowe');
  await expect(kip).toContainText('Pace delivery, 3 sessions');
  // Measured in the background, and there at once the next time.
  await expect(kip).toContainText('Front knee');
  await expect(kip).toContainText('Improving');
  await expect(kip.locator('img')).toHaveAttribute('src', /^data:image\/webp/);
  await expect(kip.getByRole('img', { name: /^Front knee, 3 sessions: last 15\d° ±\d+$/ })).toBeVisible();
  await page.reload();
  await expect(kip).toContainText('Front knee');
  await expect(page.getByText('Measuring sessions')).toHaveCount(0);
  // References are nobody's athletes: they stand on no row of their own.
  await expect(page.getByRole('table', { name: 'Athletes' }).getByRole('row')).toHaveCount(2);
  expect(await seriousFindings(page, 'Home')).toEqual([]);
  // In one column what begins a session stands before the list, however long that is.
  await page.setViewportSize({ width: 768, height: 1024 });
  const topOf = async (what: Locator): Promise<number> => (await what.boundingBox())!.y;
  const begin = page.getByRole('button', { name: 'Begin with one or two videos' });
  await expect.poll(async () => (await topOf(begin)) < (await topOf(kip))).toBe(true);
  await page.setViewportSize({ width: 1280, height: 800 });
  await kip.getByRole('link', { name: 'Kip Marlowe', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Kip Marlowe' })).toBeVisible();
  await expect(page.getByRole('table').first().getByRole('row')).toHaveCount(3);
  expect(await seriousFindings(page, 'Athlete')).toEqual([]);
  expect(errors).toEqual([]);
});

test('one search goes through athletes and sessions', async ({ page, baseURL }) => {
  await openDemo(page);
  await createSession(page, baseURL!, 'Una at the nets');
  await addClip(page, 'athlete', fixtureClip('coded-vp9-120.webm'), { name: 'Una Brandt' });
  await page.goto('/');
  const athletes = page.getByRole('table', { name: 'Athletes' }).getByRole('row');
  const sessions = page.getByRole('table', { name: 'Sessions' }).getByRole('row');
  await expect(athletes).toHaveCount(3);
  await page.getByLabel('Find an athlete or a session').fill('nets');
  await expect(athletes).toHaveCount(2);
  await expect(athletes.last()).toContainText('Una Brandt');
  await expect(sessions).toHaveCount(2);
  await page.getByLabel('Find an athlete or a session').fill('nobody');
  await expect(page.getByText('No athlete matches.')).toBeVisible();
});

test('a record is kept, says what is wrong, and tells the next clip what it knows', async ({ page, baseURL }) => {
  await openDemo(page);
  await page.goto('/athlete/name%3Akip%20marlowe');
  await page.getByLabel('Birth year').fill('209');
  await page.getByRole('button', { name: 'Save the record' }).click();
  await expect(page.getByText('A birth year lies between 1900 and 2199.')).toBeVisible();
  await page.getByLabel('Birth year').fill('2010');
  await page.getByLabel('Squad').fill('Colts');
  await page.getByLabel('Name').fill('Kip Marlowe-Reed');
  await page.getByLabel('Dominant side').click();
  await page.getByRole('option', { name: 'Left' }).click();
  await page.getByRole('button', { name: 'Save the record' }).click();
  await expect(page.getByRole('heading', { name: 'Kip Marlowe-Reed' })).toBeVisible();
  await expect(page.getByText('Colts, born 2010, may be under age')).toBeVisible();
  // No box moves under whoever ticks one after the other.
  const analysed = page.getByLabel('To be analysed');
  await analysed.scrollIntoViewIfNeeded();
  const [place, note] = [await analysed.boundingBox(), page.getByText('Nothing is written down here')];
  await expect(note).toBeVisible();
  await page.getByLabel('To be filmed').check();
  await expect(note).toBeHidden();
  expect(await analysed.boundingBox()).toEqual(place);
  await analysed.check();
  await expect(analysed).toBeChecked();

  // What was not agreed to is said where things are handed out.
  await page.getByRole('link', { name: 'Kip Marlowe, pace delivery, early season', exact: true }).click();
  await goToStep(page, 'Report');
  await expect(page.getByText('Kip Marlowe-Reed has not agreed that pictures and reports are given')).toBeVisible();

  // The new name stands in the sessions, and a new clip takes what the record says.
  await page.goto('/');
  await expect(page.getByRole('table', { name: 'Sessions' })).toContainText('Kip Marlowe-Reed, Oren Tavish');
  await createSession(page, baseURL!, 'Spring');
  const card = page.getByTestId('intake-athlete');
  await card.locator('input[type=file]').setInputFiles(fixtureClip('coded-vp9-120.webm'));
  await card.getByRole('combobox', { name: 'Name' }).fill('marl');
  await page.getByRole('option', { name: /Kip Marlowe-Reed Colts, born 2010, 3 sessions/ }).click();
  await expect(card.getByRole('combobox', { name: 'Dominant side' })).toHaveText('Left');
  await expect(card.getByLabel(/under age/i)).toBeChecked();
  await expect(card.getByLabel('Consent to film and analyse is given')).toBeChecked();
  await card.getByRole('button', { name: 'Use as athlete' }).click();
  await page.goto('/');
  await expect(page.getByTestId('athlete-name:kip marlowe')).toContainText('4 sessions');
});

test('two of one name are told apart at Intake, and made one again', async ({ page, baseURL }) => {
  await openDemo(page);
  await createSession(page, baseURL!, 'Another one');
  const card = page.getByTestId('intake-athlete');
  await card.locator('input[type=file]').setInputFiles(fixtureClip('coded-vp9-120.webm'));
  await card.getByRole('combobox', { name: 'Name' }).fill('Kip Marlowe');
  await page.getByRole('option', { name: 'Another person called Kip Marlowe' }).click();
  await card.getByLabel('Consent to film and analyse is given').check();
  await card.getByRole('button', { name: 'Use as athlete' }).click();
  await expect(card.getByRole('button', { name: 'Use as athlete' })).toHaveCount(0);
  await page.goto('/');
  const both = page.getByRole('table', { name: 'Athletes' }).getByRole('link', { name: 'Kip Marlowe', exact: true });
  await expect(both).toHaveCount(2);
  await page
    .getByRole('row', { name: /Kip Marlowe.*1 session/ })
    .getByRole('link', { name: 'Kip Marlowe', exact: true })
    .click();
  await page.getByLabel('Is the same person as').fill('Kip');
  await page.getByRole('option', { name: /Kip Marlowe \(3 sessions\)/ }).click();
  await page.getByRole('button', { name: 'Merge' }).click();
  await expect(page.getByText('Kip Marlowe and Kip Marlowe are one athlete now.')).toBeVisible();
  await page.goto('/');
  await expect(both).toHaveCount(1);
  await expect(page.getByTestId('athlete-name:kip marlowe')).toContainText('4 sessions');
});

test('a withdrawn consent leaves no video of the athlete, and no new one is taken', async ({ page }) => {
  await openDemo(page);
  const before = (await rows(page, 'media')).length;
  await page.goto('/athlete/name%3Akip%20marlowe');
  await page.getByRole('button', { name: 'It was withdrawn' }).click();
  await page.getByRole('button', { name: 'Remove for good' }).click();
  await expect(page.getByText('Every video of Kip Marlowe is removed.')).toBeVisible();
  // One video in each of the three sessions.
  expect((await rows(page, 'media')).length).toBe(before - 3);
  await expect(page.getByText(/^Withdrawn on/)).toBeVisible();
  // The numbers stay: the latest session still judges.
  await page.goto('/');
  const kip = page.getByTestId('athlete-name:kip marlowe');
  await expect(kip).toContainText('Consent withdrawn');
  await expect(kip).toContainText('Front knee');
  await expect(kip.locator('img')).toHaveCount(0);
  await page.getByLabel('Videos to begin with').setInputFiles(fixtureClip('coded-vp9-120.webm'));
  await page.getByLabel('Name of the athlete').fill('Kip Marlowe');
  await page.getByRole('button', { name: 'Consent is given: start' }).click();
  await expect(page.getByText('Kip Marlowe has withdrawn the consent: no new footage of them is taken.')).toBeVisible();
});

test('a reference is kept in the library, and found by its level in another session', async ({ page, baseURL }) => {
  await openDemo(page);
  await goToStep(page, 'Intake');
  const card = page.getByTestId('intake-reference');
  await card.getByLabel('Keep Reference in the reference library').check();
  await card.getByLabel('Level').fill('National');
  await card.getByLabel('Tags').fill('braced leg');
  await card.getByLabel('Tags').press('Enter');
  await expect(card.getByText('braced leg')).toBeVisible();
  await createSession(page, baseURL!, 'Spring');
  await page.getByRole('button', { name: 'Take from another session' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Find by performer, session, level or tag').fill('national braced');
  await expect(dialog.getByRole('row')).toHaveCount(2);
  await expect(dialog.getByRole('row').last()).toContainText('In the library: National, braced leg');
  await dialog.getByLabel('Find by performer, session, level or tag').fill('');
  await expect(dialog.getByRole('row')).toHaveCount(7);
  await dialog.getByLabel('Reference library only').check();
  await expect(dialog.getByRole('row')).toHaveCount(2);
  expect(await seriousFindings(page, 'Reference library')).toEqual([]);
  await dialog.getByRole('button', { name: /^Oren Tavish of .* as reference$/ }).click();
  await expect(page.getByTestId('intake-reference')).toContainText('pace-side-reference.webm');
});
