import { expect, test, type Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { addClip, createSession, goToStep } from '../../demo/drive-job';
import { fixtureClip, openDemo, watchErrors } from './pages';
import { rows, putRow } from './database';

test.describe('two windows on one session', () => {
  test('one writes and the other follows live, takes over, and nothing of either is lost', async ({
    context,
    page,
  }) => {
    await openDemo(page);
    const other = await context.newPage();
    await other.goto(page.url());
    await expect(other.getByText('what is changed there shows here')).toBeVisible();
    await expect(page.getByText('what is changed there shows here')).toBeHidden();

    await goToStep(page, 'Moments');
    await page.getByRole('button', { name: 'Unmark release in athlete' }).click();
    await goToStep(other, 'Moments');
    await expect(other.getByText('Still to mark: release (athlete).')).toBeVisible();

    // A change in the one that follows is refused with words, and changes nothing.
    await other.getByRole('button', { name: 'Unmark release in reference' }).click();
    await expect(other.getByText('Press \u201cWork here\u201d above').first()).toBeVisible();
    await expect(other.getByText('Still to mark: release (athlete).')).toBeVisible();

    await other.getByRole('button', { name: 'Work here' }).click();
    await expect(page.getByText('what is changed there shows here')).toBeVisible();
    await expect(other.getByText('what is changed there shows here')).toBeHidden();
    await other.getByRole('button', { name: 'Unmark release in reference' }).click();
    await expect(page.getByText('Still to mark: release (athlete), release (reference).')).toBeVisible();

    // The writer closes: the other writes on by itself.
    await other.close();
    await expect(page.getByText('what is changed there shows here')).toBeHidden();
    await page.reload();
    await expect(page.getByText('Still to mark: release (athlete), release (reference).')).toBeVisible();
  });

  test('a session deleted in one does not come back through the other', async ({ context, page }) => {
    await openDemo(page);
    const other = await context.newPage();
    await other.goto('/');
    const name = await page.locator('.session-name').innerText();
    await other.getByRole('button', { name: `Delete ${name}` }).click();
    await other.getByRole('button', { name: 'Delete', exact: true }).click();
    await expect(page.getByText('This session was deleted in another window.')).toBeVisible();
    await expect(other.getByRole('link', { name })).toHaveCount(0);
    await other.reload();
    expect((await rows(other, 'sessions')).map(({ id }) => id)).not.toContain(
      new URL(page.url()).pathname.split('/')[2],
    );
  });
});

test.describe('footage', () => {
  test('of clips that were replaced and of a session that is deleted is gone', async ({ page, baseURL }) => {
    await createSession(page, baseURL!, 'Replaced');
    await addClip(page, 'athlete', fixtureClip('coded-vp9-120.webm'), { name: 'First' });
    const card = page.getByTestId('intake-athlete');
    for (const name of ['Second', 'Third']) {
      await card.locator('input[type=file]').setInputFiles(fixtureClip('coded-vp9-120.webm'));
      await expect(card.getByRole('button', { name: 'Do not use this file' })).toBeVisible();
      await card.getByRole('combobox', { name: 'Name' }).fill(name);
      await card.getByLabel('Consent to film and analyse is given').check();
      await card.getByRole('button', { name: 'Use as athlete' }).click();
      await expect(card.getByRole('button', { name: 'Do not use this file' })).toHaveCount(0);
    }
    expect(await rows(page, 'media')).toHaveLength(3);
    // What a step back could bring again stays until the history is gone.
    await page.reload();
    await expect.poll(async () => (await rows(page, 'media')).length).toBe(1);
    await page.goto('/');
    await page.getByRole('button', { name: 'Delete Replaced' }).click();
    await page.getByRole('button', { name: 'Delete', exact: true }).click();
    await expect.poll(async () => (await rows(page, 'media')).length).toBe(0);
  });

  test('of somebody who no longer consents is removed with all that was measured on it', async ({ page }) => {
    await openDemo(page);
    await goToStep(page, 'Intake');
    const card = page.getByTestId('intake-athlete');
    const before = (await rows(page, 'media')).length;
    await card.getByRole('checkbox', { name: 'Consent to film and analyse is given' }).first().uncheck();
    await card.getByRole('button', { name: 'Remove the footage' }).click();
    await page.getByRole('button', { name: 'Remove for good' }).click();
    await expect(page.getByText(/^The footage of .* is removed/)).toBeVisible();
    await expect.poll(async () => (await rows(page, 'media')).length).toBe(before - 1);
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  });

  test('is listed with all else that is kept, can be saved as a file, and be removed', async ({ page }) => {
    await openDemo(page);
    await page.goto('/kept');
    await expect(page.getByRole('heading', { name: 'What is kept here' })).toBeVisible();
    const row = page.getByRole('row').nth(1);
    await expect(row).toContainText('.webm');
    await expect(row).toContainText('MB');
    const saving = page.waitForEvent('download');
    await row.getByRole('button', { name: /^Save .* as a file$/ }).click();
    expect((await readFile(await (await saving).path())).subarray(0, 2).toString()).toBe('PK');
  });
});

const sessionRows = (page: Page) => page.getByRole('table', { name: 'Sessions' }).getByRole('row');

test('everything is saved as one file and is there again in another browser, videos and all', async ({
  page,
  browser,
}, info) => {
  await openDemo(page);
  await createSession(page, '/', 'Nets / early, \u201cA\u201d');
  await page.goto('/');
  await expect(sessionRows(page)).toHaveCount(5);
  // What was never saved for two weeks is pointed out, until it is.
  await expect(page.getByText('in no backup yet')).toHaveCount(0);
  await page.clock.install({ time: Date.now() + 15 * 86_400_000 });
  await page.reload();
  await expect(page.getByText('4 sessions stand in this browser only, in no backup yet.')).toBeVisible();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save everything as one file' }).click();
  await expect(page.getByText('in no backup yet')).toHaveCount(0);
  const file = info.outputPath('backup.zip');
  await (await saving).saveAs(file);

  const context = await browser.newContext();
  const other = await context.newPage();
  const open = async (): Promise<void> => {
    await other.goto(new URL('/', page.url()).href);
    await other.getByLabel('Session file').setInputFiles(file);
  };
  await open();
  await expect(other.getByText('4 sessions opened from the backup.')).toBeVisible();
  await expect(sessionRows(other)).toHaveCount(5);
  expect((await rows(other, 'media')).length).toBe((await rows(page, 'media')).length);
  // What is here already and the same is not doubled.
  await open();
  await expect(other.getByText('4 sessions opened from the backup.')).toBeVisible();
  await expect(sessionRows(other)).toHaveCount(5);
  await context.close();
});

test('a session that cannot be opened says why, is handed out as it is, and is repaired', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByText('Begin with the demo')).toBeVisible();
  const document = {
    schemaVersion: 1,
    id: 'odd',
    name: 'Odd',
    createdAt: 'yesterday',
    movementId: 'race-walking',
    daysToCompetition: null,
    clips: [],
    tracks: {},
    marks: {},
    cutoff: 'low',
    impressions: 'high hips',
    notes: [7],
    decisions: [],
    order: [],
  };
  await putRow(page, { id: 'odd', name: 'Odd', updatedAt: 'never', document });
  await putRow(page, { id: '..', name: { odd: 1 }, updatedAt: 5, document: { clips: 3 } });
  await page.reload();
  const row = page.getByRole('row', { name: /Odd/ });
  await expect(row).toContainText('cutoff');
  await expect(page.getByRole('row', { name: /A session without a name/ })).toBeVisible();
  await page.goto('/s/odd/measure');
  await expect(page.getByText(/cannot be opened as it is: cutoff/)).toBeVisible();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as it is' }).click();
  expect(await readFile(await (await saving).path(), 'utf8')).toContain('"cutoff": "low"');
  await page.getByRole('button', { name: 'Repair' }).click();
  await expect(page.getByText(/Left out: .*notes 1/)).toBeVisible();
  await expect(page.locator('.session-name')).toHaveText('Odd');
});

test('an address that leads nowhere shows words, not an empty page', async ({ page }) => {
  const errors = watchErrors(page);
  for (const address of [
    '/s/%E0%A4%A/measure',
    '/s/gone/constructor',
    '/s/__proto__/measure',
    '/demo/constructor',
    '/%',
  ]) {
    await page.goto(address);
    await expect(page.locator('main')).not.toBeEmpty();
  }
  expect(errors.filter((e) => !e.includes('Failed to load resource'))).toEqual([]);
});
