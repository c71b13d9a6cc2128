import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import type { ClipTruth } from '../../demo/truth';

/** The demo's bowler from the side and from the front: what neither camera shows square is measured in space. */

type Vector = readonly [number, number, number];

/** Degrees by which a line from the left to the right joint is turned from square, away from the right side positive. */
function turned(truth: ClipTruth, joint: string, moment: string): number {
  const frame = truth.metres[Math.round(truth.moments[moment]! * truth.frameRate)]!;
  const at = (side: string): Vector => frame[truth.points.indexOf(`${side}-${joint}`)]!;
  const [left, right] = [at('left'), at('right')];
  return (Math.atan2(right[0] - left[0], right[2] - left[2]) * 180) / Math.PI;
}

/** Value and plus-minus of a reading's cell, degrees. */
function numbersOf(text: string): readonly [number, number] {
  const [, value, plusMinus] = /([\u2212+]?\d+)\u00b0\s*\u00b1(\d+)/.exec(text)!;
  return [Number(value!.replace('\u2212', '-')), Number(plusMinus)];
}

test('hips against shoulders are measured from two cameras that nobody calibrated', async ({ page }) => {
  const truth = JSON.parse(
    await readFile(path.join(import.meta.dirname, '../../demo/clips/pace-side-athlete.truth.json'), 'utf8'),
  ) as ClipTruth;
  await page.goto('/demo/pace-two-cameras');
  await page.getByRole('link', { name: 'Match' }).click();
  const card = page.getByRole('region', { name: 'Body in space' });
  await expect(card).toContainText(/Kip Marlowe: the second camera stands (8[5-9]|9[0-5])\u00b0/);
  await expect(card).toContainText(/Oren Tavish: the second camera stands (8[5-9]|9[0-5])\u00b0/);

  await card.getByRole('button', { name: 'Show the body in space' }).click();
  const pane = page.getByRole('figure', { name: 'Body in space' });
  await expect(pane.getByTestId('space-athlete')).toBeVisible();
  await expect(pane.getByTestId('space-reference')).toBeVisible();
  const chart = pane.getByRole('img');
  await pane.getByRole('button', { name: 'Above' }).click();
  await expect(chart).toHaveAccessibleName(/seen from 0 degrees round and 90 degrees up/);
  await chart.focus();
  await page.keyboard.press('ArrowRight');
  await expect(chart).toHaveAccessibleName(/seen from -10 degrees round/);

  await page.getByRole('link', { name: 'Compare' }).click();
  const face = page.getByTestId('reading-shoulders-face-at-back-foot-contact');
  await expect(face).toContainText('in space');
  const [value, plusMinus] = numbersOf(await face.getByRole('cell').nth(1).innerText());
  expect(Math.abs(value - turned(truth, 'shoulder', 'back-foot-contact'))).toBeLessThan(plusMinus);
  await expect(page.getByTestId('reading-shoulder-counter-rotation')).toContainText('in space');

  // The plan of the cameras begins where they stood, and expects about the error that was found.
  await page.getByRole('button', { name: 'Plan the camera' }).click();
  const plan = page.getByRole('dialog', { name: 'Where the camera stands next time' });
  await expect(plan.getByRole('slider', { name: /^Second camera/ })).toHaveAttribute(
    'aria-valuetext',
    /metres away, (8[5-9]|9[0-5]) degrees from the first/,
  );
  const turn = plan.getByRole('row', { name: /^Shoulder counter-rotation/ });
  await expect(turn).toContainText('in space, from both cameras');
  const [expected, found] = (await turn.innerText()).match(/±\d+/g)!.map((text) => Number(text.slice(1)));
  expect(expected! / found!).toBeGreaterThan(1 / 1.5);
  expect(expected! / found!).toBeLessThan(1.5);
});

test('a view that is said wrongly is refused with what to do, and put right it is computed', async ({ page }) => {
  await page.goto('/demo/pace-two-cameras');
  await page.getByRole('link', { name: 'Match' }).click();
  const card = page.getByRole('region', { name: 'Body in space' });
  await expect(card).toContainText('Kip Marlowe: the second camera stands');
  await page.getByRole('combobox', { name: 'Moves in the picture' }).first().click();
  await page.getByRole('option', { name: 'To the right' }).click();
  await expect(card).toContainText(/Kip Marlowe: (Knees|The points of the cameras)/);
  await page.keyboard.press('Control+z');
  await expect(card).toContainText('Kip Marlowe: the second camera stands');
  // Cameras that are no longer joined say nothing of each other, and what is missing is said.
  await page.getByRole('button', { name: 'Join again' }).first().click();
  await expect(card).toContainText('Kip Marlowe: computed once both cameras have points and are joined');
});
