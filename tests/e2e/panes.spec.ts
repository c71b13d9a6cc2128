import { expect, test, type Page } from '@playwright/test';
import { addClip, createSession, goToStep, shownFrame } from '../../demo/drive-job';
import { codesIn, fixtureClip, openDemo, watchErrors } from './pages';

const PANES = ['athlete', 'reference', 'reference-2', 'athlete-view-2'];
const frames = (page: Page): Promise<number[]> => Promise.all(PANES.map((id) => shownFrame(page, id)));
const ready = (page: Page): Promise<void> => expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');

/** Two performers, a second reference and another camera of the athlete: every picture carries its number. */
async function fourPanes(page: Page, baseURL: string): Promise<void> {
  await createSession(page, baseURL, 'Four pictures');
  await addClip(page, 'athlete', fixtureClip('coded-vp9-120.webm'), { name: 'Sela Orr' });
  await addClip(page, 'reference', fixtureClip('coded-h264-variable.mp4'), { name: 'Tam Weil' });
  await page.getByRole('button', { name: 'Another reference' }).click();
  await addClip(
    page,
    'reference',
    fixtureClip('coded-h264-variable.mp4'),
    { name: 'Una Dace' },
    page.getByTestId('intake-new'),
  );
  await page.getByRole('button', { name: 'Another camera of the athlete' }).click();
  const card = page.getByTestId('intake-new');
  await card.locator('input[type=file]').setInputFiles(fixtureClip('coded-vp9-120.webm'));
  await card.getByRole('button', { name: 'Use this camera' }).click();
  await expect(page.getByTestId('intake-athlete-view-2')).toBeVisible();
  await goToStep(page, 'Match');
  await ready(page);
}

/** Chooses a pane as a press in it does. */
const choose = (page: Page, id: string): Promise<void> =>
  page.getByTestId(`pane-${id}`).click({ position: { x: 60, y: 120 } });

test('four pictures: another camera is joined by one instant, to a tenth of a frame, and steps with its performance', async ({
  page,
  baseURL,
}) => {
  const errors = watchErrors(page);
  await fourPanes(page, baseURL!);
  await page.getByTestId('current-moment').click();
  // The camera alone goes 30 frames on: that is the same instant as the first camera's frame 0.
  await choose(page, 'athlete-view-2');
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(() => frames(page)).toEqual([0, 0, 0, 3]);
  await page.getByRole('button', { name: 'Same instant here' }).click();
  await expect(page.getByText('frame 4 = 1.')).toBeVisible();
  await page.keyboard.press('Control+ArrowRight');
  await expect.poll(() => frames(page)).toEqual([10, 10, 10, 13]);
  await expect.poll(async () => (await codesIn(page, PANES)).join()).toBe('10,10,10,13');
  // Moved by tenths: from half a frame on the nearest frame is another one.
  for (let i = 0; i < 6; i++) await page.keyboard.press('Alt+Shift+ArrowRight');
  await expect(page.getByText('frame 4.6 = 1.')).toBeVisible();
  await expect.poll(() => frames(page)).toEqual([10, 10, 10, 14]);
  for (let i = 0; i < 6; i++) await page.keyboard.press('Control+z');
  await expect(page.getByText('frame 4 = 1.')).toBeVisible();
  // A moment marked on the camera is kept with its trial.
  await page.keyboard.press('1');
  await goToStep(page, 'Moments');
  await expect(page.getByRole('button', { name: 'Go to back foot contact in athlete' })).toHaveText('11');
  await choose(page, 'reference-2');
  await page.keyboard.press('1');
  await choose(page, 'reference');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('1');
  await page.getByRole('toolbar', { name: 'Playing' }).getByText('Free').click();
  await page.getByRole('option', { name: 'Locked at a moment' }).click();
  await expect(page.locator('.MuiPopover-root')).toHaveCount(0);
  await page.getByTestId('current-moment').click();
  await expect.poll(() => frames(page)).toEqual([10, 11, 10, 13]);
  // Put away and brought back; nothing is lost.
  await page.getByRole('button', { name: 'Close the reference 2' }).click();
  await expect(page.getByTestId('pane-reference-2')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('pane-reference-2')).toBeVisible();
  await page.reload();
  await ready(page);
  await expect(page.locator('.panes canvas')).toHaveCount(4);
  expect(errors).toEqual([]);
});

test('a decoder that stops is started again, and says so', async ({ page }) => {
  await openDemo(page);
  for (const worker of page.workers())
    await worker
      .evaluate(
        () =>
          void setTimeout(() => {
            throw new Error('the decoder fell over');
          }, 0),
      )
      .catch(() => undefined);
  await page.waitForTimeout(100);
  await page.keyboard.press('ArrowRight');
  await expect
    .poll(async () => [await shownFrame(page, 'athlete'), await shownFrame(page, 'reference')])
    .toEqual([97, 97]);
  await expect(page.getByText(/had stopped and was started again/).first()).toBeVisible();
});

test('a worker that ends without a word is noticed at once: the picture comes again, and it is said', async ({
  page,
}) => {
  await openDemo(page);
  for (const worker of page.workers()) await worker.evaluate(() => self.close()).catch(() => undefined);
  await page.keyboard.press('ArrowRight');
  await expect
    .poll(async () => [await shownFrame(page, 'athlete'), await shownFrame(page, 'reference')])
    .toEqual([97, 97]);
  await expect(page.getByText(/had stopped and was started again/).first()).toBeVisible();
});

test('ribbons: pins move by keys with the frames around them shown, time is zoomed, pictures lie along it', async ({
  page,
}) => {
  await openDemo(page);
  const pin = page.getByTestId('pin-athlete-release');
  await pin.focus();
  await page.keyboard.press('Shift');
  await page.keyboard.press('ArrowLeft');
  await goToStep(page, 'Moments');
  const mark = page.getByRole('button', { name: 'Go to release in athlete' });
  await expect(mark).toHaveText('135');
  await page.keyboard.press('Tab');
  await pin.focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.locator('.pin-loupe figcaption')).toHaveText(['132', '133', '134', '135', '136']);
  // The frames around it are drawn, each another one.
  const drawn = (): Promise<number> =>
    page
      .locator('.pin-loupe canvas')
      .evaluateAll((all) => new Set((all as HTMLCanvasElement[]).map((c) => c.toDataURL())).size);
  await expect.poll(drawn).toBe(5);
  // A tenth of a frame on from where the last frame with the ball in the hand puts the release: nearer to the next one.
  await page.keyboard.press('Shift+ArrowRight');
  await expect(mark).toHaveText('135');
  await page.keyboard.press('Delete');
  await expect(pin).toHaveCount(0);
  for (let i = 0; i < 4; i++) await page.keyboard.press('Control+z');
  await expect(mark).toHaveText('136');
  const bar = page.getByTestId('ribbon-athlete');
  const width = async (): Promise<number> => Number(await bar.getAttribute('width'));
  const whole = await width();
  await page.keyboard.press('z');
  await expect.poll(width).toBeCloseTo(2 * whole, 0);
  await bar.hover();
  await page.mouse.wheel(0, -400);
  await expect.poll(width).toBeGreaterThan(3 * whole);
  await page.keyboard.press('0');
  await expect.poll(width).toBeCloseTo(whole, 0);
  await page.keyboard.press('t');
  await expect(page.locator('.ribbons image')).toHaveCount(40);
});

test('a known length is drawn and kept, makes pictures equal, and lines of one picture are hidden', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openDemo(page);
  await goToStep(page, 'Match');
  const tool = page.getByRole('button', { name: 'Known length' });
  for (const [i, id] of (['athlete', 'reference'] as const).entries()) {
    await tool.nth(i).click();
    const length = page.getByLabel('Its length, metres');
    // On a machine that is busy the pane may take up the tool after the first stroke.
    await expect(async () => {
      const pane = (await page.getByTestId(`pane-${id}`).boundingBox())!;
      await page.mouse.move(pane.x + 60, pane.y + 330);
      await page.mouse.down();
      await page.mouse.move(pane.x + 300, pane.y + 330, { steps: 4 });
      await page.mouse.up();
      await expect(length).toBeVisible({ timeout: 2000 });
    }).toPass();
    await length.fill('one');
    await expect(page.getByText('“one” is not a length; for example 1.22')).toBeVisible();
    await length.fill(i === 0 ? '1,22' : '2.44');
    await page.getByRole('button', { name: 'Keep' }).click();
    await expect(page.getByText(i === 0 ? /^1\.22 m are \d+ pixels/ : /^2\.44 m are \d+ pixels/)).toBeVisible();
  }
  const picture = (id: string): Promise<string> =>
    page.getByTestId(`pane-${id}`).evaluate((canvas) => (canvas as HTMLCanvasElement).toDataURL());
  const byBody = await picture('reference');
  await page.getByLabel('Pictures that follow the body are equal by').click();
  await page.getByRole('option', { name: 'the known lengths' }).click();
  await expect.poll(() => picture('reference')).not.toBe(byBody);
  const lined = await picture('athlete');
  await page.getByRole('button', { name: 'Lines of the athlete' }).click();
  await expect.poll(() => picture('athlete')).not.toBe(lined);
  await page.getByRole('button', { name: 'Lines of the athlete' }).click();
  await expect.poll(() => picture('athlete')).toBe(lined);
  expect(errors).toEqual([]);
});
