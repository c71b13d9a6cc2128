import { expect, test, type Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { goToStep } from '../../demo/drive-job';
import { openDemo, seriousFindings, watchErrors } from './pages';

async function openDemoOf(page: Page, which: string): Promise<void> {
  await page.goto(`/demo/${which}`);
  await expect(page).toHaveURL(/measure$/);
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
}

async function choose(
  page: Page,
  label: string | RegExp,
  option: string | RegExp,
  within = page.locator('main'),
): Promise<void> {
  await within.getByRole('combobox', { name: label }).first().click();
  await page.getByRole('option', { name: option, exact: typeof option === 'string' }).click();
  await expect(page.locator('.MuiPopover-root')).toHaveCount(0);
}

const stateOf = (page: Page, measure: string) => page.getByTestId(`reading-${measure}`);

test('a walker against three: two strides each, the bent knee and the long flight are found, the report says against whom', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openDemoOf(page, 'walk');
  await goToStep(page, 'Compare');
  await expect(page.getByText('6 performances of 3 performers')).toBeVisible();
  await expect(page.getByText('The athlete counts with the mean of 2 repetitions.')).toBeVisible();
  for (const [measure, state] of [
    ['knee-at-heel-strike', 'gap'],
    ['knee-least-in-front-support', 'gap'],
    ['loss-of-contact', 'gap'],
    ['reach', 'on-target'],
  ] as const) {
    await expect(stateOf(page, measure)).toHaveAttribute('data-state', state);
  }
  // Two performers cannot claim a spread; one taken out of three still leaves four trials.
  await page.getByLabel('Silke Aarden').uncheck();
  await expect(page.getByText('4 performances of 2 performers')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('6 performances of 3 performers')).toBeVisible();

  await page.getByRole('tab', { name: 'Curves' }).click();
  await expect(page.getByRole('img', { name: /both sides in matched time/ })).toBeVisible();
  await expect(page.locator('.stretch.longest')).toHaveCount(1);
  await expect(
    page.getByText('Grey: the range in which the whole curve of another such performer lies in 95 of 100 cases.'),
  ).toBeVisible();
  await page.getByRole('tab', { name: 'Repetitions' }).click();
  await expect(page.getByRole('columnheader', { name: 'Late minus early' })).toBeVisible();
  await page.getByRole('tab', { name: 'Synchrony' }).click();
  await expect(page.getByRole('row', { name: /^Mira Castellan .*\d+ ms ±\d+ 0\.9\d ±0\.\d+ .*° ±\d/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Criteria' }).click();
  await expect(page.getByRole('heading', { name: /Judges’ view: 2.5 of 12 points/ })).toBeVisible();
  await page.getByTestId('criterion-straight-at-contact').getByRole('button', { name: 'Mark by eye' }).click();
  await page.getByLabel('Reason').fill('straight in three other films');
  await page.getByRole('button', { name: 'Mark it' }).click();
  await expect(page.getByTestId('criterion-straight-at-contact')).toContainText(
    'by eye: straight in three other films',
  );

  await goToStep(page, 'Decide');
  await expect(page.getByTestId('proposed').first()).toHaveAttribute('data-measure', 'knee-at-heel-strike');
  await goToStep(page, 'Report');
  await expect(page.getByTestId('report')).toContainText(
    'Mira Castellan, Silke Aarden, Noor Bashiri (mean of 6 performances)',
  );
  await expect(page.getByTestId('cautions')).toContainText('judges');
  expect(errors).toEqual([]);
});

test('a hurdler: close to the hurdle, long in the air; what follows hangs under its cause', async ({ page }) => {
  const errors = watchErrors(page);
  await openDemoOf(page, 'hurdle');
  await goToStep(page, 'Decide');
  const first = page.getByTestId('proposed').first();
  await expect(first).toHaveAttribute('data-measure', 'take-off-distance');
  await expect(first).toContainText('The take-off is too close to the hurdle: 1.69 m ± 0.08 m');
  const chain = page.getByTestId('chain-take-off-distance');
  await expect(chain).toContainText('In the air');
  await expect(chain).toContainText('because a steep take-off is a long flight');
  await chain.getByRole('button', { name: 'In the air' }).click();
  await expect(page).toHaveURL(/measure$/);
  await goToStep(page, 'Report');
  await expect(page.getByTestId('report-correction').first()).toContainText('Take-off before the hurdle');
  expect(errors).toEqual([]);
});

test('every way to compare opens on every demo, without serious accessibility findings on one', async ({ page }) => {
  const errors = watchErrors(page);
  const findings: string[] = [];
  for (const [which, scan] of [
    ['pace', true],
    ['walk', false],
    ['hurdle', false],
  ] as const) {
    await openDemoOf(page, which);
    await goToStep(page, 'Compare');
    for (const name of [
      'Readings',
      'Performers',
      'Curves',
      'Timing',
      'Trajectories',
      'Repetitions',
      'Synchrony',
      'Criteria',
    ]) {
      await page.getByRole('tab', { name }).click();
      await expect(page.getByRole('tabpanel')).not.toBeEmpty();
      if (!scan) continue;
      findings.push(...(await seriousFindings(page, name)));
    }
  }
  expect(findings).toEqual([]);
  expect(errors).toEqual([]);
});

test('the reference is one performer, another for a phase, or none but published targets; a school judges by its own', async ({
  page,
}) => {
  await openDemo(page);
  await goToStep(page, 'Compare');
  const knee = stateOf(page, 'front-knee-at-release');
  await expect(knee).toHaveAttribute('data-state', 'gap');
  const before = await knee.innerText();
  await choose(page, 'Reference', 'Another performance for some phases');
  await choose(page, 'Arm swing', 'Bram Oduya');
  await expect.poll(() => knee.innerText()).not.toBe(before);
  await choose(page, 'Reference', 'Published targets only, no clip');
  await expect(knee).toHaveAttribute('data-state', 'not-judged');
  await expect(stateOf(page, 'bowling-elbow-extension')).not.toHaveAttribute('data-state', 'not-judged');
  await choose(page, 'School', 'Flexing front leg');
  await expect(knee).toHaveAttribute('data-state', /on-target|strength|within-error/);
  await choose(page, 'School', 'Braced front leg');
  await expect(knee).toHaveAttribute('data-state', 'gap');
  await goToStep(page, 'Report');
  await expect(page.getByTestId('report')).toContainText('School: Braced front leg');
  await expect(page.getByTestId('report')).toContainText('Against published targets only');
});

test('corrections are put in another order with the keyboard, one of the analyst\u2019s own among them; importance changes the score', async ({
  page,
}) => {
  await openDemo(page);
  await goToStep(page, 'Decide');
  const ids = (): Promise<(string | null)[]> =>
    page.getByTestId('proposed').evaluateAll((cards) => cards.map((c) => c.getAttribute('data-measure')));
  await expect.poll(ids).toEqual(['front-knee-at-release', 'front-arm-lead']);
  await page.getByRole('button', { name: 'Drag Front arm comes down to another place' }).focus();
  // What a screen reader is told is also when the list is ready for the next key.
  for (const [key, told] of [
    ['Space', 'is at place 2 of 2.'],
    ['ArrowUp', 'is at place 1 of 2.'],
    ['Space', 'is put down at place 1 of 2.'],
  ] as const) {
    await page.keyboard.press(key);
    // The list's own; the practice below has another.
    await expect(page.locator('[id^=DndLiveRegion]').first()).toHaveText(`Front arm comes down ${told}`);
  }
  await expect.poll(ids).toEqual(['front-arm-lead', 'front-knee-at-release']);
  await page.getByRole('button', { name: 'Add a correction of your own' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Say what to work on.')).toBeVisible();
  await page.getByLabel('What to work on').fill('Run-up rhythm');
  await page.getByLabel('Cue', { exact: true }).fill('Count the last four');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByTestId('proposed')).toHaveCount(3);
  await expect(page.getByTestId('proposed').last()).toContainText('Third: Run-up rhythm');
  // A change of equipment is not practised in stages.
  const rhythm = page.getByTestId('proposed').last();
  await expect(rhythm).toContainText('Load');
  await rhythm.getByRole('button', { name: 'Change it' }).click();
  await page.getByRole('combobox', { name: 'What changes' }).click();
  await page.getByRole('option', { name: 'Equipment or conditions' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(rhythm).toContainText('change of set-up');
  await expect(rhythm).not.toContainText('Load');
  const knee = page.locator('[data-measure=front-knee-at-release]');
  await knee.getByText(/^Score/).click();
  const score = await knee.getByText(/^Score/).innerText();
  await knee.getByRole('slider', { name: 'Importance of Front knee' }).focus();
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowLeft');
  await expect.poll(() => knee.getByText(/^Score/).innerText()).not.toBe(score);
  await goToStep(page, 'Report');
  await expect(page.getByTestId('report-correction').last()).toContainText('Run-up rhythm');
});

test('a coach\u2019s path: copy a starter, change a target, add a measure, use it on the open clips, save it as a file', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openDemo(page);
  await goToStep(page, 'Intake');
  await page.getByRole('link', { name: 'Change the movement' }).click();
  await expect(page.getByText('The movement as it ships.')).toBeVisible();
  await page.getByTestId('choose-front-knee-at-release').click();
  const form = page.getByTestId('measure-form');
  await expect(page.getByTestId('measure-preview')).toContainText('Gap');
  await form.getByLabel(/^Tolerance/).fill('30');
  await form.getByLabel(/^Tolerance/).blur();
  await expect(page.getByTestId('measure-preview')).not.toContainText('Gap');
  await expect(page.getByText('This session has its own copy.')).toBeVisible();

  await page.getByRole('button', { name: 'Add a measure' }).click();
  await form.getByLabel('Name', { exact: true }).fill('Front knee, deepest');
  await form.getByLabel('Name', { exact: true }).blur();
  await choose(page, 'Kind', 'Extreme', form);
  await choose(page, 'Point A', 'hip, other side', form);
  await choose(page, 'Point B', 'knee, other side', form);
  await choose(page, 'Point C', 'ankle, other side', form);
  await choose(page, 'From', 'Front foot contact', form);
  await choose(page, 'To', 'Release', form);
  await choose(page, 'Which', 'Smallest', form);
  await choose(page, 'Target', 'At least', form);
  await form.getByLabel(/^Value/).fill('165');
  await form.getByLabel(/^Value/).blur();
  await expect(page.getByTestId('measure-preview')).toContainText('Gap');

  // What would break the movement is refused and says why.
  await page.getByRole('tab', { name: 'Moments and their rules' }).click();
  await page.getByRole('button', { name: '4 Release' }).click();
  await page.getByRole('button', { name: 'Remove' }).click();
  await expect(page.getByText(/need this moment\. Read them at another moment/)).toBeVisible();

  await goToStep(page, 'Compare');
  await expect(stateOf(page, 'new-measure')).toHaveAttribute('data-state', 'gap');
  await expect(stateOf(page, 'new-measure')).toContainText('Front knee, deepest');
  await page.goBack();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save it as a file' }).click();
  const saved = JSON.parse(await readFile(await (await download).path(), 'utf8')) as {
    movement: { measures: { name: string }[] };
  };
  expect(saved.movement.measures.map((m) => m.name)).toContain('Front knee, deepest');
  // All of it is undone step by step: the movement as it ships is back.
  for (let i = 0; i < 16 && (await page.getByRole('button', { name: 'Undo' }).isEnabled()); i++)
    await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('The movement as it ships.')).toBeVisible();
  expect(errors).toEqual([]);
});

test('repetitions are found in a clip, and moments are carried over from a marked one', async ({ page }) => {
  await openDemoOf(page, 'walk');
  await goToStep(page, 'Moments');
  await page.getByRole('button', { name: 'Find again' }).first().click();
  await expect(page.getByText('2 repetitions of the athlete found.')).toBeVisible();
  const first = await page.getByRole('button', { name: 'Go to heel strike in athlete' }).innerText();
  await choose(page, 'Repetition', '2 of 2', page.getByTestId('repetitions-athlete'));
  await expect
    .poll(() => page.getByRole('button', { name: 'Go to heel strike in athlete' }).innerText())
    .not.toBe(first);

  await openDemo(page);
  await goToStep(page, 'Moments');
  const frame = (moment: string): Promise<string> =>
    page.getByRole('button', { name: `Go to ${moment} in athlete` }).innerText();
  const before = [await frame('front foot contact'), await frame('release')];
  for (const moment of ['back foot contact', 'front foot contact', 'arm horizontal', 'release', 'follow-through step'])
    await page.getByRole('button', { name: `Unmark ${moment} in athlete` }).click();
  await page.getByRole('button', { name: 'Carry over from the reference to the athlete' }).click();
  await expect(page.getByText('5 moments are carried over from the reference to the athlete.')).toBeVisible();
  const after = [await frame('front foot contact'), await frame('release')];
  after.forEach((f, i) => expect(Math.abs(Number(f) - Number(before[i]))).toBeLessThanOrEqual(3));
  await expect(page.getByRole('button', { name: 'Confirm release in athlete' })).toBeVisible();
});
