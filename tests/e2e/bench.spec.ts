import { expect, test, type Page } from '@playwright/test';
import { project } from '../../demo/camera/camera';
import { vec3 } from '../../demo/athlete/vec3';
import { clipNamed } from '../../demo/named';
import { goToStep, shownFrame } from '../../demo/drive-job';
import { openDemo, watchErrors } from './pages';

const both = async (page: Page): Promise<number[]> => [
  await shownFrame(page, 'athlete'),
  await shownFrame(page, 'reference'),
];

test('clips are brought together by hand: aligned, locked as they stand, nudged, played in a loop', async ({
  page,
}) => {
  await openDemo(page);
  await page.keyboard.press('PageDown');
  await page.keyboard.press('PageDown');
  await page.keyboard.press('PageDown');
  await expect.poll(() => both(page)).toEqual([135, 132]);
  // Free, one pulled away, then aligned again and locked in real time from there.
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(() => both(page)).toEqual([138, 132]);
  await page.keyboard.press('c');
  await expect.poll(() => both(page)).toEqual([138, 135]);
  await page.keyboard.press('Control+ArrowLeft');
  await expect.poll(() => both(page)).toEqual([128, 125]);
  await page.keyboard.press('Alt+ArrowRight');
  await expect.poll(() => both(page)).toEqual([128, 126]);
  await expect(page.locator('.rate')).toContainText('ms, at 1.00');

  await page.getByRole('button', { name: 'Playing, panes and matching by hand' }).click();
  await page.getByLabel('Play from').click();
  await page.getByRole('option', { name: 'Front foot contact' }).click();
  await page.getByLabel('Play to').click();
  await page.getByRole('option', { name: 'Release' }).click();
  await page.getByLabel('Loop (L)').check();
  await page.keyboard.press('Escape');
  await page.getByTestId('current-moment').click();
  await page.keyboard.press('Space');
  // However slowly the machine decodes, the loop comes round until enough of its frames were seen.
  const seen = new Set<number>();
  const hint = async (): Promise<number> => seen.add(await shownFrame(page, 'athlete')).size;
  await expect.poll(hint, { intervals: [20] }).toBeGreaterThan(8);
  await page.keyboard.press('Space');
  expect(Math.min(...seen)).toBeGreaterThanOrEqual(119);
  expect(Math.max(...seen)).toBeLessThanOrEqual(135);
});

test('the panes are laid over each other at a point of the body', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('button', { name: 'Playing, panes and matching by hand' }).click();
  await page.getByRole('combobox', { name: 'Panes' }).click();
  await page.getByRole('option', { name: 'Laid over each other' }).click();
  await page.keyboard.press('Escape');
  const athlete = (await page.getByTestId('pane-athlete').boundingBox())!;
  const reference = (await page.getByTestId('pane-reference').boundingBox())!;
  expect(reference).toEqual(athlete);
  // The pane on top lets the one below through, in the picture and for the pointer.
  const alpha = await page
    .getByTestId('pane-reference')
    .evaluate((canvas: HTMLCanvasElement) => canvas.getContext('2d')!.getImageData(canvas.width / 2, 20, 1, 1).data[3]);
  expect(alpha).toBeGreaterThan(60);
  expect(alpha).toBeLessThan(200);
});

test('a line is drawn through a phase, moves with a point, has words and can be undone', async ({ page }) => {
  const errors = watchErrors(page);
  await openDemo(page);
  await goToStep(page, 'Review');
  await page.getByRole('button', { name: 'Line', exact: true }).click();
  await page.getByLabel('Shown through').click();
  await page.getByRole('option', { name: 'the phase' }).click();
  await page.getByLabel('Moves with').click();
  await page.getByRole('option', { name: 'left knee' }).click();
  // The menu fades; until it is gone it takes the press.
  await expect(page.locator('.MuiPopover-root')).toHaveCount(0);
  const pane = (await page.getByTestId('pane-athlete').boundingBox())!;
  await page.mouse.move(pane.x + 100, pane.y + 200);
  await page.mouse.down();
  await page.mouse.move(pane.x + 180, pane.y + 260, { steps: 4 });
  await page.mouse.up();
  const row = page.getByText('Line, athlete 97');
  await expect(row).toBeVisible();
  await page.getByLabel('Words of the line').fill('knee comes through');
  await page.getByLabel('Words of the line').blur();
  await page.reload();
  await expect(page.getByLabel('Words of the line')).toHaveValue('knee comes through');
  await page.getByRole('button', { name: 'Remove the line' }).click();
  await expect(row).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(row).toBeVisible();
  expect(errors).toEqual([]);
});

test('levelling by a line turns the picture and the measures follow', async ({ page }) => {
  await openDemo(page);
  const trunk = page.getByTestId('reading-trunk-at-back-foot-contact');
  const before = Number(
    /([\u2212-]?\d+)\u00b0/.exec((await trunk.locator('td').nth(1).innerText()).replace('\u2212', '-'))![1],
  );
  await goToStep(page, 'Match');
  await page.getByRole('button', { name: 'Level by a line' }).first().click();
  const pane = (await page.getByTestId('pane-athlete').boundingBox())!;
  await page.mouse.move(pane.x + 40, pane.y + 300);
  await page.mouse.down();
  // Falls to the right by 10 degrees.
  await page.mouse.move(pane.x + 340, pane.y + 300 + 300 * Math.tan((10 * Math.PI) / 180), { steps: 5 });
  await page.mouse.up();
  await expect(page.getByText('turned by -10.0\u00b0')).toBeVisible();
  await goToStep(page, 'Measure');
  const after = Number(
    /([\u2212-]?\d+)\u00b0/.exec((await trunk.locator('td').nth(1).innerText()).replace('\u2212', '-'))![1],
  );
  // The performer goes to the left: turning the picture anticlockwise leans the trunk further forward.
  expect(after - before).toBeGreaterThanOrEqual(9);
  expect(after - before).toBeLessThanOrEqual(11);
  await page.keyboard.press('Control+z');
  await expect
    .poll(async () =>
      Number(/([\u2212-]?\d+)\u00b0/.exec((await trunk.locator('td').nth(1).innerText()).replace('\u2212', '-'))![1]),
    )
    .toBe(before);
});

test('the camera’s direction is what shoulders and hips say, on request; a stated one that does not agree is pointed out', async ({
  page,
}) => {
  await page.goto('/demo/walk');
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  await goToStep(page, 'Match');
  const card = page.locator('section.card').filter({ hasText: 'Tess Halloran' });
  const field = card.getByLabel('Camera off the side view, degrees');
  await expect(card).toContainText('Not said: taken as square, \u00b114\u00b0');
  await expect(card).toContainText(/Shoulders and hips say \u22122\u00b0 \u00b1 7\u00b0, which agrees/);
  await card.getByRole('button', { name: 'Use this angle' }).click();
  await expect(field).toHaveValue('-2');
  await expect(card).toContainText('Measured, \u00b17\u00b0');
  await field.fill('twenty');
  await expect(card).toContainText('\u201ctwenty\u201d is not an angle');
  await field.fill('20');
  await field.blur();
  await expect(card).toContainText('which does not agree');
  await page.keyboard.press('Escape');
  await card.getByText('Stated, \u00b16\u00b0').first().click();
  await page.keyboard.press('Control+z');
  await expect(field).toHaveValue('-2');
  // How far it looks down stays where the direction changes; left empty, it is taken as about level.
  const down = card.getByLabel('Camera looks down, degrees');
  await expect(down).toHaveValue('2');
  await down.fill('65');
  await expect(card).toContainText('\u201c65\u201d is not an angle from \u221260 to 60 degrees');
  await down.fill('');
  await down.blur();
  await expect(card).toContainText('Not said: taken as level, \u00b112\u00b0');
  await down.fill('35');
  await down.blur();
  await goToStep(page, 'Measure');
  await page.getByRole('button', { name: 'Next moment (Page down)' }).click();
  await expect(
    page.getByText('The camera looks down at the performer by 35 degrees; 30 is the most').first(),
  ).toBeVisible();
});

test('a rectangle marked on the ground says by how much the camera looks down, and how far it is off', async ({
  page,
}) => {
  await openDemo(page);
  await page.getByRole('button', { name: 'Follow the body' }).click();
  await goToStep(page, 'Match');
  const card = page.locator('section.card').filter({ hasText: 'Kip Marlowe' });
  await card.getByRole('button', { name: 'Rectangle on the ground' }).click();
  const { camera } = clipNamed('pace-side-athlete')!;
  const pane = (await page.getByTestId('pane-athlete').boundingBox())!;
  const scale = Math.min(pane.width / camera.width, pane.height / camera.height);
  for (const [x, z] of [
    [-1.5, -1.2],
    [0.5, -1.2],
    [0.5, 1.2],
    [-1.5, 1.2],
  ] as const) {
    const at = project(camera, vec3(x, 0, z));
    await page.mouse.click(
      pane.x + pane.width / 2 + scale * (at.x - camera.width / 2),
      pane.y + pane.height / 2 + scale * (at.y - camera.height / 2),
    );
  }
  await card.getByLabel('Corner 1 to 2, metres').fill('2');
  await card.getByLabel('Corner 2 to 3, metres').fill('2.4');
  await card.getByRole('button', { name: 'Keep' }).click();
  // The demo's camera looks down by 2.5 degrees, square to the way.
  await expect(card).toContainText(/The rectangle on the ground says [123]\u00b0 \u00b1 [123]\u00b0\./);
  await expect(card).toContainText(/the camera stands \u2212?[0-3]\u00b0 \u00b1 \d+\u00b0 off/);
  await card.getByRole('button', { name: 'Use both angles' }).click();
  await expect(card.getByText(/^Measured, \u00b1[123]\u00b0$/).first()).toBeVisible();
  await expect(card.getByText('The rectangle on the ground says')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(card.getByText('The rectangle on the ground says')).toBeVisible();
});

test('passes go through the body, and notes carry moment and region', async ({ page }) => {
  await openDemo(page);
  await goToStep(page, 'Review');
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByRole('heading', { name: 'Pass 1 of 6: feet' })).toBeVisible();
  await page.getByRole('button', { name: 'Next: legs' }).click();
  await page.keyboard.press('g');
  await expect(page.getByRole('button', { name: 'athlete, frame 97, back foot contact, legs' })).toBeVisible();
  await page.getByRole('button', { name: 'Edit' }).click();
  await page.getByLabel('Regions, in order').fill('legs, ball');
  await expect(page.getByRole('heading', { name: 'Pass 1 of 2: legs' })).toBeVisible();
  await page.getByRole('button', { name: 'Next: ball' }).click();
  await page.keyboard.press('w');
  await expect(page.getByRole('button', { name: 'athlete, frame 97, back foot contact, ball' })).toBeVisible();
});

test('the bench is used without a pointer', async ({ page }) => {
  await openDemo(page);
  await page.keyboard.press('a');
  await page.keyboard.press('ArrowRight');
  await expect.poll(() => both(page)).toEqual([97, 97]);
  await goToStep(page, 'Moments');
  await page.keyboard.press('1');
  await expect(page.getByRole('button', { name: 'Go to back foot contact in reference' })).toHaveText('98');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'Go to back foot contact in reference' })).toHaveText('97');
  // Everything on the bench is reached with Tab, and has a name.
  const unnamed: string[] = [];
  for (let i = 0; i < 60; i++) {
    await page.keyboard.press('Tab');
    const at = await page.evaluate(() => {
      const element = document.activeElement as HTMLElement | null;
      if (!element || element === document.body) return 'end';
      const name = element.getAttribute('aria-label') ?? element.innerText.trim() ?? '';
      return name || element.getAttribute('aria-labelledby') || element.title || element.querySelector('[title]')
        ? 'named'
        : element.outerHTML.slice(0, 120);
    });
    if (at === 'end') break;
    if (at !== 'named') unnamed.push(at);
  }
  expect(unnamed).toEqual([]);
});

test('the cut-off frequency is shown against residual analysis, and can be fixed by hand', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('button', { name: 'Residual analysis' }).click();
  await expect(page.getByText(/By residual analysis the athlete’s points ask for \d+ to \d+ Hz/)).toBeVisible();
  await expect(
    page.getByRole('img', { name: /Residual against cut-off frequency: suggested [\d.]+ Hz, used 20 Hz/ }),
  ).toBeVisible();
  const cutoff = page.getByLabel('Cut-off frequency, Hz');
  await cutoff.fill('soft');
  await expect(page.getByText('“soft” is not a cut-off frequency from 1 to 100 Hz')).toBeVisible();
  const knee = page.locator('[data-testid^="reading-"]').first();
  const before = await knee.innerText();
  await cutoff.fill('4');
  await cutoff.blur();
  await expect(knee).not.toHaveText(before, { useInnerText: true });
  await page.getByTestId('current-moment').click();
  await page.keyboard.press('Control+z');
  await expect(cutoff).toHaveValue('20');
  await expect(knee).toHaveText(before, { useInnerText: true });
});

test('no key depends on what was pressed last: Space plays after Play was pressed and after a speed was chosen', async ({
  page,
}) => {
  await openDemo(page);
  const toolbar = page.getByRole('toolbar', { name: 'Playing' });
  const play = toolbar.getByRole('button', { name: /^Play \(/ });
  const pause = toolbar.getByRole('button', { name: /^Pause \(/ });
  await play.click();
  await expect(pause).toBeVisible();
  await page.keyboard.press('Space');
  await expect(play).toBeVisible();
  await page.keyboard.press('Space');
  await expect(pause).toBeVisible();
  await page.keyboard.press('Space');
  await toolbar.getByText('1/4 speed').click();
  await page.getByRole('option', { name: '1/8 speed' }).click();
  await expect(page.getByRole('listbox')).toHaveCount(0);
  await page.keyboard.press('Space');
  await expect(pause).toBeVisible();
  await expect(page.getByRole('listbox')).toHaveCount(0);
  await page.keyboard.press('Space');
  // Reached by the keyboard a button is worked by it.
  await toolbar.getByRole('button', { name: /^Back one frame/ }).focus();
  await page.keyboard.press('Tab');
  await expect(play).toBeFocused();
  await page.keyboard.press('Space');
  await expect(pause).toBeVisible();
});
