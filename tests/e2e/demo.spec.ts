import { expect, test } from '@playwright/test';
import { chooseOption, goToStep, shownFrame } from '../../demo/drive-job';
import { openDemo, seriousFindings, watchErrors } from './pages';

const STEPS = ['Intake', 'Review', 'Match', 'Moments', 'Measure', 'Compare', 'Decide', 'Report', 'Follow up'];

test('the demo opens in one step on the bench, with both clips, points and readings', async ({ page }) => {
  const errors = watchErrors(page);
  await page.goto('/demo');
  await expect(page).toHaveURL(/\/s\/demo-pace\/measure$/);
  await expect(page.getByTestId('frame-athlete')).toContainText('of 243');
  await expect(page.locator('.rate')).toHaveText('reference at 1.00');
  await expect(page.getByTestId('frame-reference')).toContainText('of 240');
  // Both pictures are there: neither pane has one flat colour.
  for (const role of ['athlete', 'reference']) {
    await expect
      .poll(() =>
        page.getByTestId(`pane-${role}`).evaluate((canvas: HTMLCanvasElement) => {
          const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
          return new Set(Array.from({ length: 4000 }, (_, i) => data[Math.floor((i * data.length) / 16000) * 4])).size;
        }),
      )
      .toBeGreaterThan(40);
  }
  await expect(page.getByRole('heading', { name: 'Back foot contact' })).toBeVisible();
  // However long its panels are, the bench stays in the window.
  expect(await page.evaluate(() => document.documentElement.scrollHeight - innerHeight)).toBeLessThanOrEqual(0);
  expect(errors).toEqual([]);
});

test('every screen is free of serious accessibility findings', async ({ page }) => {
  await page.goto('/');
  const findings = [...(await seriousFindings(page, 'Home'))];
  await openDemo(page);
  for (const step of STEPS) {
    await goToStep(page, step);
    await expect(
      page.getByRole('navigation', { name: 'Order of work' }).getByRole('link', { name: step }),
    ).toHaveAttribute('aria-current', 'page');
    findings.push(...(await seriousFindings(page, step)));
  }
  expect(findings).toEqual([]);
});

test('both clips step together in matched phases, one alone with Shift, and moments are reached by key', async ({
  page,
}) => {
  await openDemo(page);
  const both = async (): Promise<number[]> => [await shownFrame(page, 'athlete'), await shownFrame(page, 'reference')];
  await expect.poll(both).toEqual([96, 96]);
  for (const expected of [
    [119, 119],
    [121, 121],
    [135, 132],
    [171, 168],
  ]) {
    await page.keyboard.press('PageDown');
    await expect.poll(both).toEqual(expected);
  }
  await page.keyboard.press('PageUp');
  await expect.poll(both).toEqual([135, 132]);
  await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(both).toEqual([136, 132]);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toBeVisible();
});

test('an edit is undone and done again, and outlives a reload', async ({ page }) => {
  await openDemo(page);
  await goToStep(page, 'Moments');
  const pin = page.getByTestId('pin-athlete-release');
  await page.getByRole('button', { name: 'Unmark release in athlete' }).click();
  await expect(pin).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(pin).toHaveCount(1);
  await page.keyboard.press('Control+Shift+z');
  await expect(pin).toHaveCount(0);
  await expect(page.getByText('Still to mark: release (athlete).')).toBeVisible();
  await page.reload();
  await expect(page.getByTestId('pin-athlete-back-foot-contact')).toHaveCount(1);
  await expect(pin).toHaveCount(0);
});

test('what is changed in the very moment of leaving is kept', async ({ page }) => {
  await openDemo(page);
  await goToStep(page, 'Moments');
  const unmark = page.getByRole('button', { name: 'Unmark release in athlete' });
  await unmark.evaluate((button: HTMLElement) => {
    button.click();
    location.reload();
  });
  await expect(page.getByTestId('pin-athlete-back-foot-contact')).toHaveCount(1);
  await expect(page.getByText('Still to mark: release (athlete).')).toBeVisible();
  await expect(page.getByTestId('pin-athlete-release')).toHaveCount(0);
});

test('a point is placed and dragged in the picture, moves the reading, and each act can be undone', async ({
  page,
}) => {
  await openDemo(page);
  await page.getByRole('button', { name: 'Correct by hand' }).click();
  const pane = page.getByTestId('pane-athlete');
  await pane.click({ position: { x: 20, y: 200 } });
  await page.getByRole('button', { name: 'Place', exact: true }).click();
  const card = page.getByText(/^Frame \d+:/);
  await expect(card).toContainText('detected, confidence');
  const knee = page.getByRole('row', { name: /Back knee/ });
  await chooseOption(page, page.getByRole('combobox', { name: 'Point of the athlete' }), 'right knee');
  const before = await knee.innerText();
  await pane.click({ position: { x: 300, y: 60 } });
  await expect(card).toContainText('placed by hand');
  await expect.poll(() => knee.innerText()).not.toBe(before);
  const placed = await knee.innerText();
  const box = (await pane.boundingBox())!;
  await page.mouse.move(box.x + 300, box.y + 60);
  await page.mouse.down();
  await page.mouse.move(box.x + 200, box.y + 240, { steps: 5 });
  await page.mouse.up();
  await expect.poll(() => knee.innerText()).not.toBe(placed);
  await page.keyboard.press('Control+z');
  await expect.poll(() => knee.innerText()).toBe(placed);
  await page.keyboard.press('Control+z');
  await expect.poll(() => knee.innerText()).toBe(before);
});

test('a correction is dropped with a reason, which the report keeps', async ({ page }) => {
  await openDemo(page);
  await goToStep(page, 'Decide');
  const first = page.getByTestId('proposed').first();
  await expect(first).toHaveAttribute('data-measure', 'front-knee-at-release');
  await expect(first.locator('.caution')).toContainText('braced front leg');
  await first.getByRole('button', { name: 'Drop with a reason' }).click();
  await page.getByLabel('Reason').fill('In rehabilitation until May');
  await page.getByRole('button', { name: 'Drop', exact: true }).click();
  await expect(page.locator('[data-testid=proposed][data-measure=front-knee-at-release]')).toHaveCount(0);
  await expect(page.getByText('dropped, “In rehabilitation until May”')).toBeVisible();
  await goToStep(page, 'Report');
  await expect(page.getByText('In rehabilitation until May')).toBeVisible();
});

test('the athlete\u2019s page is one side of paper, with both pictures of every correction', async ({ page }) => {
  for (const demo of ['', '/walk', '/hurdle']) {
    await page.goto(`/demo${demo}`);
    await expect(page).toHaveURL(/measure$/);
    await goToStep(page, 'Report');
    await page.getByRole('button', { name: 'Athlete\u2019s page' }).click();
    const corrections = page.getByTestId('athlete-correction');
    const count = await corrections.count();
    expect(count).toBeGreaterThanOrEqual(1);
    await expect(page.getByTestId('athlete-still')).toHaveCount(2 * count);
    await expect(page.getByTestId('athlete-page')).not.toContainText(/\u00b1|%ht/);
    const paper = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
    expect(paper.match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1);
  }
  expect(await seriousFindings(page, 'Athlete\u2019s page')).toEqual([]);
});
