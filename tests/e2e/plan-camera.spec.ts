import { expect, test } from '@playwright/test';
import { goToStep } from '../../demo/drive-job';
import { openDemo, seriousFindings, watchErrors } from './pages';

test('where the camera stands next time is planned by what each measure is to expect, and kept', async ({ page }) => {
  const errors = watchErrors(page);
  await openDemo(page);
  await goToStep(page, 'Decide');
  const open = page.getByRole('button', { name: 'Plan the camera' });
  await open.click();
  const plan = page.getByRole('dialog', { name: 'Where the camera stands next time' });
  const cell = (name: string): ReturnType<typeof plan.locator> =>
    plan
      .getByRole('row', { name: new RegExp(`^${name}`) })
      .getByRole('cell')
      .nth(2);
  const expected = async (name: string): Promise<number> =>
    Number((await cell(name).innerText()).replace(/[^\d.]/g, ''));
  const knee = 'Front knee, release';
  const before = await expected(knee);
  expect(before).toBeGreaterThan(1);
  expect(await seriousFindings(page, 'Plan of the camera')).toEqual([]);
  // From beside the plane it is less sure, and what would help is said.
  const camera = plan.getByRole('slider', { name: /^Camera/ });
  await camera.focus();
  for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowRight');
  await expect(camera).toHaveAttribute('aria-valuetext', /20 degrees off the square view/);
  await expect.poll(() => expected(knee)).toBeGreaterThan(before + 2);
  await expect(plan.getByRole('row', { name: new RegExp(`^${knee}`) })).toContainText('square to the movement');
  // Too near, it does not fit into the picture.
  await expect(plan.getByText('The movement does not fit')).toHaveCount(0);
  for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowUp');
  await expect(plan.getByText('The movement does not fit')).toBeVisible();
  // From a stand it is said to look down, and it is kept with the rest.
  const lens = plan.getByLabel('Lens above the ground, metres');
  await lens.fill('4');
  await lens.blur();
  await expect(plan.getByText(/It looks down at the performer by \d+ degrees: say so at Intake/)).toBeVisible();
  await plan.getByRole('button', { name: 'Done' }).click();
  await page.reload();
  await open.click();
  await expect(camera).toHaveAttribute('aria-valuetext', /20 degrees off the square view/);
  await plan.getByRole('button', { name: 'As this clip was filmed' }).click();
  await expect.poll(() => expected(knee)).toBe(before);
  await plan.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await open.click();
  await expect(camera).toHaveAttribute('aria-valuetext', /20 degrees off the square view/);
  expect(errors).toEqual([]);
});

test('whoever films gets half a page: where the camera stands, how it is set, and what that is good for', async ({
  page,
}) => {
  await openDemo(page);
  await goToStep(page, 'Decide');
  await page.getByRole('button', { name: 'Plan the camera' }).click();
  const plan = page.getByRole('dialog', { name: 'Where the camera stands next time' });
  // What was found this time stands beside what is planned.
  await expect(
    plan
      .getByRole('row', { name: /^Front knee, release/ })
      .getByRole('cell')
      .nth(3),
  ).toHaveText(/^±\d+$/);
  await plan.getByLabel('Distance, metres').fill('14');
  await plan.getByLabel('Distance, metres').blur();
  // A turn is seen by no camera alone: with a second one it is, and where that one must not stand is said.
  const turn = plan.getByRole('row', { name: /^Shoulder counter-rotation/ });
  await expect(turn).not.toContainText('±');
  await plan.getByLabel('Second camera', { exact: true }).check();
  await expect(turn).toContainText(/in space, from both cameras.*±\d+/);
  await expect(plan.getByText('It stands straight ahead')).toHaveCount(0);
  const second = plan.getByRole('slider', { name: /^Second camera/ });
  await expect(second).toHaveAttribute('aria-valuetext', '14.0 metres away, 70 degrees from the first');
  await second.focus();
  for (let i = 0; i < 10; i++) await page.keyboard.press('ArrowRight');
  await expect(plan.getByText('It stands straight ahead')).toBeVisible();
  await expect(turn).toContainText(/in space, from both cameras.*±\d+/);
  expect(await seriousFindings(page, 'Plan of two cameras')).toEqual([]);
  await plan.getByLabel('Degrees from the first').fill('65');
  await plan.getByLabel('Degrees from the first').blur();
  // The second camera may be another one; it stays so wherever it is put.
  await plan.getByLabel('Another lens, picture or rate').check();
  await plan.getByLabel('Its frames per second').click();
  await page.getByRole('option', { name: '60', exact: true }).click();
  await second.focus();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowRight');
  await expect(turn).toContainText(/in space, from both cameras.*±\d+/);
  await plan.getByRole('button', { name: 'Done' }).click();
  await goToStep(page, 'Report');
  await page.getByRole('button', { name: 'For whoever films' }).click();
  const sheet = page.getByTestId('camera-sheet');
  await expect(sheet).toContainText('14.0 m away, square to the movement');
  await expect(sheet).toContainText('120 frames a second');
  await expect(sheet).toContainText(/Shutter 1\/\d+ s or shorter/);
  await expect(sheet).toContainText('Second camera: 14.0 m away, 65 degrees round from the first');
  await expect(sheet).toContainText('1280 × 720, 60 frames a second');
  await expect(sheet.getByRole('row', { name: /^Shoulder counter-rotation/ })).toContainText('±');
  // What is worked on comes first.
  await expect(sheet.getByRole('row').nth(1)).toContainText('Front knee');
  expect(await seriousFindings(page, 'For whoever films')).toEqual([]);
  await page.emulateMedia({ media: 'print' });
  // Half of a sheet of A4 without its margins, at 96 pixels to the inch.
  expect((await sheet.boundingBox())!.height).toBeLessThan(((297 / 2 - 14) / 25.4) * 96);
  expect((await page.pdf({ preferCSSPageSize: true })).toString('latin1').match(/\/Type\s*\/Page[^s]/g)).toHaveLength(
    1,
  );
  await page.emulateMedia({ media: null });
  // The next session knows where the camera was to stand.
  await goToStep(page, 'Follow up');
  await page.getByRole('button', { name: 'Start the next session' }).click();
  await expect(page).not.toHaveURL(/demo-pace\//);
  await goToStep(page, 'Report');
  await page.getByRole('button', { name: 'For whoever films' }).click();
  await expect(page.getByTestId('camera-sheet')).toContainText('14.0 m away');
});
