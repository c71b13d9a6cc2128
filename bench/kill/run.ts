import { expect, type BrowserContext, type Page } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { goToStep, openBrowser, startServer } from '../../demo/drive-job';
import { printFigures, type Figure } from '../figure';

/**
 * Browsers that are ended without a word: an edit that was finished 0.3 s before is there when the session is opened
 * again. KILL_BROWSERS sets how many.
 */
const BROWSERS = Number(process.env['KILL_BROWSERS'] ?? 200);
/** From the end of an edit to the end of its browser, ms. */
const FINISHED_BEFORE = 300;

const folder = await mkdtemp(path.join(tmpdir(), 'falcon-kill-'));
const server = await startServer();

/** Ends all processes of the browser that keeps its data in the folder, as a machine that goes down does. */
function kill(): void {
  try {
    execFileSync('pkill', ['-9', '-f', '--', `--user-data-dir=${folder}`]);
  } catch {
    // It ended by itself.
  }
}

/** The key event is marked, whatever became of the edit before. */
async function marked(page: Page): Promise<void> {
  const pin = page.getByTestId('pin-athlete-release');
  // Its keys work once the screen is there.
  await page.getByRole('button', { name: 'Mark release in athlete', exact: true }).waitFor();
  if ((await pin.count()) === 0) await page.keyboard.press('4');
  await expect(pin).toBeVisible();
}

/** An edit of each kind, and how its mark is seen when the session is opened again. */
const EDITS: readonly {
  readonly what: string;
  readonly step: string;
  readonly make: (page: Page, n: number) => Promise<void>;
  readonly check: (page: Page, n: number) => Promise<void>;
}[] = [
  {
    what: 'a name typed',
    step: 'Intake',
    make: async (page, n) => {
      const name = page.getByLabel('Session name');
      await name.fill('');
      await name.pressSequentially(`Kept ${n}`);
    },
    check: (page, n) => expect(page.getByLabel('Session name')).toHaveValue(`Kept ${n}`),
  },
  {
    what: 'a key event marked',
    step: 'Moments',
    make: async (page) => {
      await marked(page);
      await page.getByRole('button', { name: 'Unmark release in athlete' }).click();
      await expect(page.getByTestId('pin-athlete-release')).toHaveCount(0);
      await marked(page);
    },
    check: (page) => expect(page.getByTestId('pin-athlete-release')).toBeVisible(),
  },
  {
    what: 'a key event unmarked',
    step: 'Moments',
    make: async (page) => {
      await marked(page);
      await page.getByRole('button', { name: 'Unmark release in athlete' }).click();
      await expect(page.getByTestId('pin-athlete-release')).toHaveCount(0);
    },
    check: (page) => expect(page.getByTestId('pin-athlete-release')).toHaveCount(0),
  },
];

async function opened(address: string): Promise<{ readonly context: BrowserContext; readonly page: Page }> {
  const context = await openBrowser(folder);
  const page = context.pages()[0] ?? (await context.newPage());
  await page.goto(address);
  await page.locator('[data-testid=panes][aria-busy=false]').waitFor();
  return { context, page };
}

let kept = 0;
try {
  let { page } = await opened(`${server.address}/demo`);
  const address = page.url();
  for (let n = 0; n < BROWSERS; n++) {
    const { what, step, make, check } = EDITS[n % EDITS.length]!;
    await goToStep(page, step);
    await make(page, n);
    await page.waitForTimeout(FINISHED_BEFORE);
    kill();
    // What an ended browser leaves to keep a second one out.
    await rm(path.join(folder, 'SingletonLock'), { force: true });
    ({ page } = await opened(address));
    await goToStep(page, step);
    try {
      await check(page, n);
      kept++;
    } catch {
      console.log(`Lost: ${n}, ${what}`);
    }
  }
} finally {
  kill();
  server.stop();
  await rm(folder, { recursive: true, force: true, maxRetries: 5 });
}
const figure: Figure = {
  bench: 'kill',
  figure: `edits kept that were finished ${FINISHED_BEFORE} ms before`,
  value: kept,
  unit: `of ${BROWSERS}`,
  against: 'browsers ended without a word',
  goal: String(BROWSERS),
  holds: kept === BROWSERS,
};
printFigures([figure]);
