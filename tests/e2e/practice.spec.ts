import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import ICAL from 'ical.js';
import { goToStep } from '../../demo/drive-job';
import { openDemo, seriousFindings, watchErrors } from './pages';

const practiceOf = (page: Page) => page.getByTestId('practice');
const bars = (page: Page) => practiceOf(page).locator('.practice-strip .bar');
const daysOf = async (page: Page, n: number): Promise<number[]> =>
  [...(await bars(page).nth(n).getAttribute('aria-label'))!.matchAll(/\d+/g)].map(Number);
/** Presses a key several times before the page can draw: none of them may be lost. */
const pressAtOnce = (page: Page, code: string, times: number): Promise<void> =>
  page.evaluate(
    async ([code, times]) => {
      // What is picked up listens to keys only after a task of its own.
      await new Promise((done) => setTimeout(done));
      for (let i = 0; i < times; i++)
        document.activeElement!.dispatchEvent(new KeyboardEvent('keydown', { code, bubbles: true, cancelable: true }));
    },
    [code, times] as const,
  );

test('corrections become a plan: moved, climbed stage by stage, read by a calendar, taken along', async ({
  page,
}, info) => {
  const errors = watchErrors(page);
  await openDemo(page);
  await goToStep(page, 'Decide');
  await expect(bars(page)).toHaveCount(2);
  expect(await seriousFindings(page, 'Practice')).toEqual([]);

  // Dragged, then moved by keys, then left to its turn again.
  const turn = await daysOf(page, 1);
  await bars(page).nth(1).scrollIntoViewIfNeeded();
  const box = (await bars(page).nth(1).boundingBox())!;
  await page.mouse.move(box.x + 10, box.y + 10);
  await page.mouse.down();
  await page.mouse.move(box.x - 40, box.y + 10);
  await page.mouse.move(box.x - 90, box.y + 10);
  await page.mouse.up();
  await expect.poll(async () => (await daysOf(page, 1))[0]).toBeLessThan(turn[0]!);
  const dragged = await daysOf(page, 1);
  await bars(page).nth(1).focus();
  await page.keyboard.press('Space');
  await expect(bars(page).nth(1)).toHaveAttribute('aria-pressed', 'true');
  await pressAtOnce(page, 'ArrowRight', 3);
  await page.keyboard.press('Space');
  // Three practices a week: a week later.
  await expect.poll(async () => (await daysOf(page, 1))[0]).toBe(dragged[0]! + 7);
  await practiceOf(page).getByRole('button', { name: 'Begin it when its turn comes' }).click();
  await expect.poll(() => daysOf(page, 1)).toEqual(turn);

  // Twice the practices: the same days.
  await practiceOf(page).getByRole('combobox', { name: 'Practices a week' }).click();
  await page.getByRole('option', { name: '6', exact: true }).click();
  await expect.poll(async () => Math.abs((await daysOf(page, 0))[1]! - turn[1]!)).toBeLessThan(30);

  // One stage after the other.
  const stage = (n: number) => practiceOf(page).getByRole('checkbox', { name: `Front knee: stage ${n} is passed` });
  await expect(stage(2)).toBeDisabled();
  await stage(1).check();
  await stage(2).check();
  await expect(stage(1)).toBeDisabled();
  await page.keyboard.press('Control+z');
  await expect(stage(2)).not.toBeChecked();

  // Own words and doses.
  await practiceOf(page).getByRole('button', { name: 'Change the stages' }).first().click();
  await page.getByLabel('Sets, stage 2').fill('0');
  await page.getByRole('button', { name: 'Keep them' }).click();
  await expect(page.getByLabel('Sets, stage 2')).toHaveAttribute('aria-invalid', 'true');
  await page.getByLabel('Sets, stage 2').fill('4');
  await page.getByLabel('2. What is done, stage 2').fill('Step down from the kerb');
  await page.getByRole('button', { name: 'Keep them' }).click();
  await expect(practiceOf(page).getByText('Step down from the kerb')).toBeVisible();

  const [file] = await Promise.all([
    page.waitForEvent('download'),
    practiceOf(page).getByRole('button', { name: 'Save as calendar' }).click(),
  ]);
  const to = info.outputPath('practice.ics');
  await file.saveAs(to);
  const events = new ICAL.Component(ICAL.parse(readFileSync(to, 'utf8')) as unknown[]).getAllSubcomponents('vevent');
  expect(events.length).toBeGreaterThan(20);
  const first = new ICAL.Event(events[0]!);
  expect(first.summary).toBe('Practice: Front knee, stage 2');
  expect(first.description).toContain('Step down from the kerb, 4');

  // On the athlete's page, and in the next session.
  await goToStep(page, 'Report');
  await page.getByRole('button', { name: 'Athlete\u2019s page' }).click();
  await expect(page.getByTestId('athlete-page').getByText('Step down from the kerb')).toBeVisible();
  await goToStep(page, 'Follow up');
  await page.getByRole('button', { name: 'Start the next session' }).click();
  await expect(page).toHaveURL(/intake$/);
  expect(errors).toEqual([]);
});
