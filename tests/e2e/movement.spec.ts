import { readFile } from 'node:fs/promises';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { chooseOption, goToStep } from '../../demo/drive-job';
import type { Movement } from '../../src/core/model/movement';
import { openDemo, seriousFindings, watchErrors } from './pages';

const choose = (within: Locator, page: Page, label: string, option: string): Promise<void> =>
  chooseOption(page, within.getByRole('combobox', { name: label, exact: true }), option);

async function fill(within: Locator, label: string, text: string): Promise<void> {
  const field = within.getByLabel(label, { exact: true });
  await field.fill(text);
  await field.blur();
}

test('a coach makes a movement from a family in the editor alone, and it proposes its moments on a clip', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openDemo(page);
  await goToStep(page, 'Intake');
  await chooseOption(page, page.getByRole('combobox', { name: 'Movement' }), 'Any sport: Strike or throw');
  await page.getByRole('link', { name: 'Change the movement' }).click();
  await expect(page.getByRole('heading', { name: 'Movement', exact: true })).toBeVisible();
  const main = page.locator('main');
  await fill(main, 'Name of the movement', 'Delivery of our school');

  // A moment with a rule, tried on the open clips as it is written.
  await page.getByRole('tab', { name: 'Moments and their rules' }).click();
  await fill(main, 'A further moment', 'Arm in front');
  await page.getByRole('button', { name: 'Add the moment' }).click();
  await expect(page.getByTestId('movement-gaps')).toContainText('missing');
  await fill(main, 'What to look for', 'The throwing arm is level again, in front of the body.');
  const rule = page.getByTestId('rule-form');
  await choose(rule, page, 'Proposed by', 'A level is passed');
  await choose(rule, page, 'Of', 'Segment angle');
  await choose(rule, page, 'Point A', 'shoulder, dominant side');
  await choose(rule, page, 'Point B', 'wrist, dominant side');
  await choose(rule, page, 'Against', 'Up');
  await choose(rule, page, 'Direction', 'Rising');
  await fill(rule, 'Level', '90');
  const tried = page.getByTestId('tried').getByRole('listitem');
  await expect(tried.first()).toContainText(/frame \d+, \d+ % sure/);
  const frame = Number(/frame (\d+)/.exec((await tried.first().textContent())!)![1]);
  // Between release and the step after it, which the demo has marked at 136 and 172.
  expect(frame).toBeGreaterThan(136);
  expect(frame).toBeLessThan(172);
  // Where it cannot lie it finds nothing, and says so.
  await choose(rule, page, 'Before', 'End of the wind-up');
  await expect(tried.first()).toContainText('The rule finds nothing between the moments beside it');
  await choose(rule, page, 'Before', 'any');
  await tried
    .first()
    .getByRole('button', { name: /^Mark Arm in front there/ })
    .click();
  await expect(tried.first()).toContainText(`marked at ${frame}`);

  // A measure with its own stages.
  await page.getByRole('tab', { name: 'Measures' }).click();
  const form = page.getByTestId('measure-form');
  await form.getByText('What is said when it is a gap').click();
  await form.getByRole('button', { name: 'Stages with doses' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('1. What is done, stage 1').fill('Stand on the front leg, three seconds');
  await dialog.getByRole('button', { name: 'Keep them' }).click();
  await expect(form).toContainText(/\d stages? of its own/);

  // A criteria sheet with a limit.
  await page.getByRole('tab', { name: 'Criteria sheet' }).click();
  await page.getByRole('button', { name: 'Add a criteria sheet' }).click();
  const sheet = page.getByTestId('sheet-form');
  await fill(sheet, 'Name of the sheet', 'Our check');
  await sheet.getByRole('combobox', { name: 'Add a criterion for' }).click();
  await page.getByRole('option', { name: 'Trunk lean, contact or release' }).click();
  await expect(sheet.getByLabel('Name of criterion 2')).toHaveValue('Trunk lean');
  await page.getByRole('button', { name: 'Add a limit' }).click();
  await expect(sheet.getByRole('button', { name: 'Remove limit 1' })).toBeVisible();

  // A caution and a school.
  await page.getByRole('tab', { name: 'Cautions, schools, points' }).click();
  await page.getByRole('button', { name: 'Add a caution' }).click();
  await page.getByRole('button', { name: 'Add a school' }).click();
  await fill(main, 'Why it is taught', 'The front leg stays long');
  const known = main.getByRole('combobox', { name: 'Is known by' });
  await known.click();
  await page.getByRole('option').nth(1).click();
  await fill(main, 'To', '170');
  // A point of another person of the picture.
  await fill(main, 'A further point', 'Partner’s hip');
  await page.getByRole('button', { name: 'Add the point' }).click();
  await chooseOption(page, main.getByRole('combobox', { name: 'Partner’s hip is' }), 'Another person’s: hips, middle');
  // The list fades away.
  await expect(page.locator('[role=listbox]')).toHaveCount(0);
  expect(await seriousFindings(page, 'Movement')).toEqual([]);

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save it as a file' }).click();
  const { movement } = JSON.parse(await readFile(await (await download).path(), 'utf8')) as { movement: Movement };
  expect(movement.id).toBe('delivery-of-our-school');
  expect(movement.moments.at(-1)).toMatchObject({ name: 'Arm in front', rule: { rule: 'crossing', level: 90 } });
  expect(movement.measures[0]!.coaching?.ladder?.[0]?.drill).toBe('Stand on the front leg, three seconds');
  expect(movement.sheet).toMatchObject({ name: 'Our check', criteria: [{}, {}], gates: [{}] });
  expect(movement.schools).toMatchObject([{ when: { from: 0, to: 170 } }]);
  expect(movement.points.at(-1)).toMatchObject({ name: 'Partner’s hip', partner: 'mid-hip' });

  await goToStep(page, 'Moments');
  await expect(page.getByRole('button', { name: 'Go to arm in front in athlete' })).toContainText(`${frame}`);
  expect(errors).toEqual([]);
});
