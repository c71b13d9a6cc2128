import { expect, test, type Page } from '@playwright/test';
import { addClip, clipFile, createSession, goToStep } from '../../demo/drive-job';

/** Frames that are let through before a run is held: more than its first pass, fewer than its second. */
const LET_THROUGH = 22;

/** Holds each run of the detectors after some frames, until the test lets it go: no machine is too fast for it. */
async function holdDetecting(page: Page): Promise<void> {
  await page.addInitScript((few) => {
    const post = Worker.prototype.postMessage;
    let [sent, most] = [0, few];
    const waiting: (() => void)[] = [];
    Object.assign(window, {
      holdAgain: () => ([sent, most] = [0, few]),
      sentSince: () => sent,
      letGo: () => {
        most = Infinity;
        for (const send of waiting.splice(0)) send();
      },
    });
    Worker.prototype.postMessage = function (this: Worker, message: { path?: string[] }, ...rest: [never]) {
      if (message.path?.[0] === 'find' && ++sent > most) waiting.push(() => post.call(this, message, ...rest));
      else post.call(this, message, ...rest);
    };
  }, LET_THROUGH);
}
const letGo = (page: Page): Promise<void> => page.evaluate(() => (window as unknown as { letGo: () => void }).letGo());
/** Frames that went to the detectors since they were held again. */
const sent = (page: Page): Promise<number> =>
  page.evaluate(() => (window as unknown as { sentSince: () => number }).sentSince());
const holdAgain = (page: Page): Promise<void> =>
  page.evaluate(() => (window as unknown as { holdAgain: () => void }).holdAgain());

/** What comes while points are detected: a first answer, edits meanwhile, an end before the end. */
async function begin(page: Page, baseURL: string): Promise<void> {
  await holdDetecting(page);
  await createSession(page, baseURL, 'Arriving', 'Athletics: Hurdle clearance');
  await addClip(page, 'athlete', clipFile('hurdle-side-athlete'), { name: 'Kip Marlowe', travel: 'right' });
  await goToStep(page, 'Measure');
  await page.getByRole('combobox', { name: 'Setting' }).click();
  await page.getByRole('option', { name: 'Fast' }).click();
}
const detect = (page: Page): Promise<void> =>
  page.getByRole('button', { name: 'Detect points of the athlete' }).click();
const known = (page: Page): ReturnType<Page['getByText']> => page.getByText(/\d+ % known/);

test('points and proposed moments come first, get denser, and leave alone what is edited meanwhile; one undo takes them back', async ({
  page,
  baseURL,
}) => {
  await begin(page, baseURL!);
  const pane = page.getByTestId('pane-athlete');
  const top = async (): Promise<number> => Math.round((await pane.boundingBox())!.y);
  const before = await top();
  await detect(page);
  await expect(known(page)).toBeVisible();
  // How far it is is seen, and the pictures stay where they are.
  const bar = page.getByRole('progressbar', { name: 'Detecting points: Kip Marlowe' });
  expect((await bar.boundingBox())!.width).toBeGreaterThanOrEqual(72);
  expect(await top()).toBe(before);
  // Still under way, and readings are there to work with.
  await expect(page.getByText('Detecting points: Kip Marlowe')).toBeVisible();
  await expect(page.locator('[data-testid^="pin-athlete-"]').first()).toBeVisible();
  await page.getByRole('button', { name: 'Correct by hand' }).click();
  await expect(page.getByText(/^Frame 1: (detected|between)/)).toBeVisible();
  await page.getByRole('button', { name: 'Hidden here' }).click();
  await expect(page.getByText(/^Frame 1: not placed/)).toBeVisible();
  await letGo(page);
  await expect(page.getByText(/Points detected on 120 frames of Kip Marlowe\. \d+ were looked at/)).toBeVisible();
  await expect(page.getByText(/^Frame 1: not placed/)).toBeVisible();
  const undo = page.getByRole('button', { name: 'Undo' });
  await undo.click();
  await expect(page.getByText(/^Frame 1: detected/)).toBeVisible();
  await undo.click();
  await expect(page.getByText('no points yet')).toBeVisible();
  await expect(page.locator('[data-testid^="pin-athlete-"]')).toHaveCount(0);
});

test('cancelled and opened again, detecting goes on where it was stopped', async ({ page, baseURL }) => {
  await begin(page, baseURL!);
  await detect(page);
  await expect(known(page)).toBeVisible();
  await page
    .getByRole('status')
    .filter({ hasText: 'Detecting points' })
    .getByRole('button', { name: 'Cancel' })
    .click();
  const stopped = page.getByText(/Detecting was stopped: \d+ of 120 frames were looked at\./);
  await expect(stopped).toBeVisible();
  const before = Number(/: (\d+) of/.exec((await stopped.textContent())!)![1]);
  await page.reload();
  await expect(stopped).toBeVisible();
  await letGo(page);
  await page.getByRole('button', { name: 'Go on detecting points of the athlete' }).click();
  const done = page.getByText(/Points detected on 120 frames of Kip Marlowe\. \d+ were looked at/);
  await expect(done).toBeVisible();
  const all = Number(/(\d+) were looked at/.exec((await done.textContent())!)![1]);
  expect(await sent(page)).toBe(all - before);
  await expect(stopped).toBeHidden();
});

test('cancelled, what was detected stays; taken back while it runs, it ends', async ({ page, baseURL }) => {
  await begin(page, baseURL!);
  await detect(page);
  await expect(known(page)).toBeVisible();
  const detecting = page.getByRole('status').filter({ hasText: 'Detecting points' });
  await detecting.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText(/Detecting was stopped\. What was detected on \d+ of 120 frames/)).toBeVisible();
  await expect(known(page)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('no points yet')).toBeVisible();
  await holdAgain(page);
  await detect(page);
  await expect(known(page)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Detecting points was undone, and has ended.')).toBeVisible();
  await expect(page.getByText('no points yet')).toBeVisible();
});
