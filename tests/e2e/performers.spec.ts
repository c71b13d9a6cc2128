import { expect, test, type Locator } from '@playwright/test';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { chooseOption, goToStep, root } from '../../demo/drive-job';
import { seriousFindings, watchErrors } from './pages';

interface Saved {
  readonly session: { clips: { role: string }[] };
}

/** The demo of four people with the last as a second athlete: two against two. */
function twoAgainstTwo(): string {
  const saved = JSON.parse(readFileSync(path.join(root, 'demo/clips/pace-session.falcon.json'), 'utf8')) as Saved;
  const { session } = saved;
  session.clips = session.clips.slice(0, 4);
  session.clips[3]!.role = 'athlete';
  return JSON.stringify(saved);
}

test('two athletes and two references: a column each, a reference for each, and one is judged at a time', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await page.goto('/');
  await page
    .getByLabel('Session file')
    .setInputFiles({ name: 'two.falcon.json', mimeType: 'application/json', buffer: Buffer.from(twoAgainstTwo()) });
  await expect(page).toHaveURL(/\/s\//);
  await goToStep(page, 'Compare');
  await page.getByRole('tab', { name: 'Performers' }).click();
  const table = page.getByTestId('performers');
  await expect(table.getByRole('columnheader')).toHaveCount(5);
  const row = page.getByTestId('performers-front-arm-at-front-foot-contact');
  await expect(row.locator('td[data-state]')).toHaveCount(2);
  await expect(row.getByRole('button')).toHaveCount(4);

  const of = (name: string): Locator => page.getByRole('combobox', { name: `${name}, compared with` });
  await expect(of('Kip Marlowe')).toHaveText('Oren Tavish');
  await expect(of('Jonas Wreford')).toHaveText('Bram Oduya');
  await chooseOption(page, of('Jonas Wreford'), 'Oren Tavish');
  await page.keyboard.press('Control+z');
  await expect(of('Jonas Wreford')).toHaveText('Bram Oduya');
  const work = page.getByTestId('work-of-athlete-2');
  await expect(work).toContainText('Jonas Wreford');
  expect(await seriousFindings(page, 'Performers')).toEqual([]);

  await table.getByRole('button', { name: 'Decide and report this one' }).click();
  await expect(table.getByRole('columnheader').nth(1)).toContainText('Jonas Wreford');
  await expect(table.getByRole('columnheader').nth(1)).toContainText('Decided and reported');
  await goToStep(page, 'Report');
  await expect(page.getByTestId('report').locator('.head')).toContainText('Jonas Wreford');
  await expect(page.getByTestId('everybody').getByRole('columnheader')).toHaveCount(5);
  await expect(page.getByTestId('everybody')).toContainText('These follow from it');
  // Each of them has the session, measured for them, whoever was judged last.
  await page.goto('/');
  await expect(page.getByTestId('athlete-name:jonas wreford')).toContainText('Pace delivery, 1 session');
  const kip = page.getByTestId('athlete-name:kip marlowe');
  await expect(kip).toContainText('Pace delivery, 1 session');
  await expect(kip).toContainText('Front knee');
  expect(errors).toEqual([]);
});
