import { expect, test } from '@playwright/test';
import { readFile, writeFile } from 'node:fs/promises';
import { ballAt } from '../../demo/athlete/ball';
import { project } from '../../demo/camera/camera';
import { addClip, chooseOption, clipFile, createSession, goToStep, shownFrame } from '../../demo/drive-job';
import { DEMO_CLIPS, trialOf } from '../../demo/scenario';
import { motionBytes } from '../fixtures/motion';
import { openDemo, watchErrors } from './pages';

test('points without video are a performance: a figure seen from a chosen camera, saved again exactly', async ({
  page,
  baseURL,
}, info) => {
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
  await card.getByRole('combobox', { name: 'Name' }).fill('Lifter');
  await card.getByLabel('Consent to film and analyse is given').check();
  await card.getByRole('button', { name: 'Use as athlete' }).click();
  await expect(card.getByRole('button', { name: 'Use as athlete' })).toHaveCount(0);
  await expect(card.getByRole('slider', { name: 'Camera above the horizon' })).toBeVisible();
  await goToStep(page, 'Measure');
  await expect(page.getByText(/9\d % known/)).toBeVisible();
  await page.getByRole('button', { name: 'Save points as' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'TRC' }).click();
  const saved = await readFile(await (await download).path(), 'utf8');
  expect(saved.split('\n')[2]!.split('\t').slice(0, 5)).toEqual(['120', '120', '700', '19', 'm']);
  await page.reload();
  await expect(page.getByText(/9\d % known/)).toBeVisible();
  expect(errors).toEqual([]);
});

test('points of another program lie on the picture they were measured in; a damaged file is refused in words', async ({
  page,
  baseURL,
}, info) => {
  await createSession(page, baseURL!, 'Keypoints');
  await addClip(page, 'athlete', clipFile('pace-side-athlete'), { name: 'Mika Arden' });
  await goToStep(page, 'Measure');
  const file = info.outputPath('points.csv');
  const table = (rows: readonly string[]): Promise<void> =>
    writeFile(file, ['time,left_knee_x,left_knee_y,own-ball_x,own-ball_y', ...rows].join('\n'));
  await table(['0,600,400,500,300', 'soon,600,400,500,300']);
  await page.getByLabel('Points of the athlete from a file').setInputFiles(file);
  await expect(page.getByText('row 3: its time \u201csoon\u201d')).toBeVisible();
  await table(Array.from({ length: 240 }, (_, i) => `${i / 120},${600 + i},400,500,300`));
  await page.getByLabel('Points of the athlete from a file').setInputFiles(file);
  await expect(page.getByText('2 points of points are on the picture.')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('no points yet')).toBeVisible();
});

test('a ball is placed by one key a frame, followed until it is lost, hidden and taken back', async ({ page }) => {
  const errors = watchErrors(page);
  await openDemo(page);
  await goToStep(page, 'Measure');
  const clip = DEMO_CLIPS.find((c) => c.id === 'pace-side-athlete')!;
  const trial = trialOf(clip);
  const pane = (await page.getByTestId('pane-athlete').boundingBox())!;
  // The whole picture is shown, so that it is known where the ball is on the screen.
  await page.getByTestId('current-moment').click();
  await page.keyboard.press('b');
  const scale = Math.min(pane.width / clip.camera.width, pane.height / clip.camera.height);
  const onScreen = (frame: number): [number, number] => {
    const at = project(clip.camera, ballAt(trial, trial.start + frame / clip.camera.frameRate));
    return [
      pane.x + pane.width / 2 + (at.x - clip.camera.width / 2) * scale,
      pane.y + pane.height / 2 + (at.y - clip.camera.height / 2) * scale,
    ];
  };
  await page.keyboard.press('p');
  await page.getByRole('combobox', { name: 'Point of the athlete' }).click();
  await page.getByRole('option', { name: 'Ball' }).click();
  await page.getByRole('combobox', { name: 'Then' }).click();
  await page.getByRole('option', { name: 'the same point, next frame' }).click();
  await page.getByRole('combobox', { name: 'It looks' }).click();
  await page.getByRole('option', { name: 'small' }).click();
  await expect(page.locator('.MuiPopover-root')).toHaveCount(0);
  await page.getByTestId('current-moment').click();
  // From frame 97 on to 129: three times ten and three.
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+ArrowRight');
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
  await expect.poll(() => shownFrame(page, 'athlete')).toBe(129);
  await page.keyboard.press('n');
  for (const frame of [129, 130, 131]) {
    await page.mouse.move(...onScreen(frame));
    await page.keyboard.press('e');
    await expect.poll(() => shownFrame(page, 'athlete')).toBe(frame + 1);
  }
  await page.keyboard.press('n');
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByText('Frame 132: placed by hand')).toBeVisible();
  await page.keyboard.press('f');
  await expect(page.getByText(/The ball was tracked over \d+ frames|The ball is lost on frame \d+/)).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('h');
  await expect(page.getByText(/Frame 13\d: not placed|Frame 14\d: not placed/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText(/Frame 1[34]\d: (followed|not placed|placed)/)).toBeVisible();
  expect(errors).toEqual([]);
});

test('left and right are exchanged over a stretch, a point is nudged, and what measures still wait for is listed', async ({
  page,
}) => {
  await openDemo(page);
  await goToStep(page, 'Measure');
  await page.getByTestId('current-moment').click();
  await page.keyboard.press('p');
  await expect(page.getByText(/Every point that the measures need is known|Still to place or check/)).toBeVisible();
  const knee = page.getByTestId('reading-back-knee-at-back-foot-contact').locator('td').nth(1);
  const before = await knee.innerText();
  await page.getByRole('button', { name: 'Left and right are exchanged from here' }).click();
  await page.getByRole('button', { name: 'legs' }).click();
  await expect.poll(() => knee.innerText()).not.toBe(before);
  await page.keyboard.press('Control+z');
  await expect.poll(() => knee.innerText()).toBe(before);
  // Placed away, a point makes its angle wait: hidden here it is on the list.
  await chooseOption(page, page.getByRole('combobox', { name: 'Point of the athlete' }), 'right knee');
  await expect(page.locator('.MuiPopover-root')).toHaveCount(0);
  await page.getByTestId('current-moment').click();
  for (let i = 0; i < 4; i++) await page.keyboard.press('Control+Shift+ArrowRight');
  await expect(page.getByText('placed by hand')).toBeVisible();
  // What it tells of the other frames is said, and is a choice.
  const carried = page.getByTestId('carried-corrections');
  const said = /right knee: 1 corrected frame; the others are moved by 0\.\d % of body height/;
  await expect(carried).toContainText(said);
  await carried.getByRole('switch').click();
  await expect(carried).not.toContainText('moved by');
  await page.keyboard.press('Control+z');
  await expect(carried).toContainText(said);
});

test('moments are proposed from the points, doubtful ones pointed out, and confirmed one by one', async ({ page }) => {
  await openDemo(page);
  await goToStep(page, 'Moments');
  for (const moment of ['back foot contact', 'front foot contact', 'release'])
    await page.getByRole('button', { name: `Unmark ${moment} in athlete` }).click();
  await page.getByRole('button', { name: 'Propose moments of the athlete' }).click();
  await expect(page.getByText('3 moments of the athlete are proposed')).toBeVisible();
  await expect(
    page.getByText('3 moments are proposed from the points. Go to each, look, and confirm or move it.'),
  ).toBeVisible();
  for (const moment of ['back foot contact', 'front foot contact', 'release'])
    await page.getByRole('button', { name: `Confirm ${moment} in athlete` }).click();
  await expect(page.getByText('All moments are marked in both clips. Go on to Measure.')).toBeVisible();
});

test('a clip digitised twice tells its own measuring error, which can take the place of the computed one', async ({
  page,
}) => {
  await openDemo(page);
  await goToStep(page, 'Measure');
  await page.getByLabel('Digitised by').fill('Ida Quist');
  await page.getByRole('button', { name: 'Keep these points' }).click();
  await expect(page.getByText('Kept: Ida Quist')).toBeVisible();
  await page.getByTestId('current-moment').click();
  await page.keyboard.press('p');
  // The front knee is placed a pixel further at each moment.
  for (let moment = 0; moment < 4; moment++) {
    await page.keyboard.press('PageDown');
    for (let i = 0; i < 4; i++) await page.keyboard.press('Control+Shift+ArrowRight');
  }
  const row = page.getByTestId('agreement').getByRole('row', { name: /^Front knee/ });
  await expect(row).toContainText(/0\.[1-9]|[1-9]\.\d/);
  await row.getByRole('button').click();
  await page.getByRole('button', { name: 'Take this as its measuring error' }).click();
  await expect(row).toContainText('(used)');
  await page.getByRole('button', { name: 'Compute its error from the points again' }).click();
  await expect(row).not.toContainText('(used)');
});

test('a movement of one\u2019s own is read from a file, measures at once, and is refused in words where it is broken', async ({
  page,
}, info) => {
  const errors = watchErrors(page);
  await openDemo(page);
  await goToStep(page, 'Intake');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save it as a file' }).click();
  const saved = JSON.parse(await readFile(await (await download).path(), 'utf8')) as {
    movement: { id: string; name: string; measures: { id: string; at?: string }[]; causes: unknown[] };
  };
  expect(saved.movement.id).toBe('pace-delivery');
  const file = info.outputPath('mine.movement.json');
  saved.movement.measures[0]!.at = 'take-off';
  await writeFile(file, JSON.stringify(saved));
  await page.getByLabel('Movement from a file').setInputFiles(file);
  await expect(page.getByText('“take-off” is not a moment of this movement')).toBeVisible();
  saved.movement.measures = saved.movement.measures.filter(
    (m) => m.id === 'front-knee-at-release' || m.id === 'stride-time',
  );
  Object.assign(saved.movement, { id: 'mine', name: 'Two things only', causes: [], schools: [], sheet: null });
  await writeFile(file, JSON.stringify(saved));
  await page.getByLabel('Movement from a file').setInputFiles(file);
  await expect(page.getByText('5 moments, 2 measures')).toBeVisible();
  await goToStep(page, 'Compare');
  await expect(page.locator('tbody[data-testid^=reading-]')).toHaveCount(2);
  await page.reload();
  await expect(page.locator('tbody[data-testid^=reading-]')).toHaveCount(2);
  await goToStep(page, 'Intake');
  await page.getByRole('combobox', { name: 'Movement' }).click();
  await page.getByRole('option', { name: 'Athletics: Hurdle clearance' }).click();
  await goToStep(page, 'Compare');
  await expect(page.getByTestId('reading-flight-time')).toBeVisible();
  expect(errors).toEqual([]);
});

test('what only an eye can tell is answered beside the readings, for both performers', async ({ page }) => {
  await openDemo(page);
  await goToStep(page, 'Intake');
  await page.getByRole('combobox', { name: 'Movement' }).click();
  await page.getByRole('option', { name: 'Any sport: Lift of a bar' }).click();
  await goToStep(page, 'Moments');
  for (const role of ['athlete', 'reference'])
    await page.getByRole('button', { name: `Mark start in ${role}` }).click();
  await goToStep(page, 'Measure');
  const question = page.getByRole('row', { name: /^Are both heels on the ground/ });
  for (const [who, answer] of [
    ['Athlete', 'No'],
    ['Reference', 'Yes'],
  ] as const) {
    await question.getByLabel(who).click();
    await page.getByRole('option', { name: answer, exact: true }).click();
    await expect(page.locator('.MuiPopover-root')).toHaveCount(0);
  }
  await expect(page.getByTestId('reading-heels-down')).toHaveAttribute('data-state', 'gap');
  await question.getByLabel('Athlete').click();
  await page.getByRole('option', { name: 'Not visible' }).click();
  await expect(page.getByTestId('reading-heels-down')).toHaveAttribute('data-state', 'not-measurable');
});
