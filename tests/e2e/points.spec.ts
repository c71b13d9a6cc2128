import { expect, test } from '@playwright/test';
import { readFile, writeFile } from 'node:fs/promises';
import { addClip, clipFile, createSession, goToStep } from '../../demo/drive-job';
import { motionBytes } from '../fixtures/motion';
import { watchErrors } from './pages';

test('points without video are a performance: a figure seen from a chosen camera, saved again exactly', async ({ page, baseURL }, info) => {
  const errors = watchErrors(page);
  await createSession(page, baseURL!, 'Laboratory');
  const file = info.outputPath('lifter.c3d');
  await writeFile(file, motionBytes('squat.c3d'));
  const card = page.getByTestId('intake-athlete');
  await card.locator('input[type=file]').setInputFiles(file);
  await expect(card.getByText('53 markers, 700 frames at 120 per second, in space, in mm')).toBeVisible();
  await expect(card.getByText('The file says it has 2539 frames and has 700')).toBeVisible();
  await expect(card.getByText('19 of 19 joints have markers')).toBeVisible();
  // Turned by keys, then mended by one marker less.
  await card.getByRole('slider', { name: 'Camera round the performer' }).focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
  await expect(card.getByText('3\u00b0 from the side')).toBeVisible();
  await card.getByRole('textbox', { name: 'Name' }).fill('Lifter');
  await card.getByLabel('Consent to film and analyse is given').check();
  await card.getByRole('button', { name: 'Use as athlete' }).click();
  await expect(card.getByRole('button', { name: 'Use as athlete' })).toHaveCount(0);
  await expect(card.getByRole('slider', { name: 'Camera above the horizon' })).toBeVisible();
  await goToStep(page, 'Measure');
  await expect(page.getByText(/9\d % of points known/)).toBeVisible();
  await page.getByRole('button', { name: 'Save points as' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'TRC' }).click();
  const saved = await readFile(await (await download).path(), 'utf8');
  expect(saved.split('\n')[2]!.split('\t').slice(0, 5)).toEqual(['120', '120', '700', '19', 'm']);
  await page.reload();
  await expect(page.getByText(/9\d % of points known/)).toBeVisible();
  expect(errors).toEqual([]);
});

test('points of another program lie on the picture they were measured in; a damaged file is refused in words', async ({ page, baseURL }, info) => {
  await createSession(page, baseURL!, 'Keypoints');
  await addClip(page, 'athlete', clipFile('pace-side-athlete'), { name: 'Mika Arden' });
  await goToStep(page, 'Measure');
  const file = info.outputPath('points.csv');
  const table = (rows: readonly string[]): Promise<void> => writeFile(file, ['time,left_knee_x,left_knee_y,own-ball_x,own-ball_y', ...rows].join('\n'));
  await table(['0,600,400,500,300', 'soon,600,400,500,300']);
  await page.getByLabel('Points of the athlete from a file').setInputFiles(file);
  await expect(page.getByText('row 3: its time \u201csoon\u201d')).toBeVisible();
  await table(Array.from({ length: 240 }, (_, i) => `${i / 120},${600 + i},400,500,300`));
  await page.getByLabel('Points of the athlete from a file').setInputFiles(file);
  await expect(page.getByText('2 points of points are on the picture.')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('no points yet')).toBeVisible();
});
