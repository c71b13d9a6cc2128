import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS, goToStep, startServer } from '../../demo/drive-job';
import { printFigures, round, type Figure } from '../figure';

/**
 * The demo worked on for a long time: stepping, playing, editing, undoing, going through all screens. What it takes of
 * memory stays flat. SOAK_MINUTES sets how long.
 */
const MINUTES = Number(process.env['SOAK_MINUTES'] ?? 20);
/** The last quarter against the second one: the first is still filling what is kept on purpose. */
const FLAT = 0.1;

const server = await startServer();
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: [...CHROMIUM_ARGS, '--enable-precise-memory-info', '--js-flags=--expose-gc'],
});
const samples: { readonly minute: number; readonly heap: number; readonly nodes: number }[] = [];
let rounds = 0;
try {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
  const page = await context.newPage();
  await page.goto(`${server.address}/demo`);
  await page.locator('[data-testid=panes][aria-busy=false]').waitFor();
  const began = performance.now();
  const minutes = (): number => (performance.now() - began) / 60_000;
  const devtools = await context.newCDPSession(page);
  while (minutes() < MINUTES) {
    rounds++;
    for (const step of ['Look', 'Match', 'Moments', 'Measure']) {
      await goToStep(page, step);
      for (let n = 0; n < 10; n++) await page.keyboard.press(n % 3 === 0 ? 'ArrowLeft' : 'ArrowRight');
      await page.keyboard.press(' ');
      await page.waitForTimeout(1000);
      await page.keyboard.press(' ');
    }
    await goToStep(page, 'Moments');
    await page.getByRole('button', { name: 'Unmark release in athlete' }).click();
    await page.keyboard.press('Control+z');
    await page.getByRole('button', { name: 'Unmark release in athlete' }).waitFor();
    for (const step of ['Compare', 'Decide', 'Report', 'Intake']) await goToStep(page, step);
    await page.waitForTimeout(500);
    await page.evaluate(() => (globalThis as unknown as { gc: () => void }).gc());
    const { nodes } = (await devtools.send('Memory.getDOMCounters')) as { nodes: number };
    const heap = await page.evaluate(
      () => (performance as unknown as { memory: { usedJSHeapSize: number } }).memory.usedJSHeapSize,
    );
    samples.push({ minute: minutes(), heap, nodes });
  }
} finally {
  await browser.close();
  server.stop();
}

const mean = (from: number, to: number, of: (sample: (typeof samples)[number]) => number): number => {
  const part = samples.filter(({ minute }) => minute >= from * MINUTES && minute < to * MINUTES).map(of);
  return part.reduce((a, b) => a + b, 0) / part.length;
};
const growth = (figure: string, of: (sample: (typeof samples)[number]) => number): Figure => {
  const ratio = mean(0.75, 1, of) / mean(0.25, 0.5, of);
  return {
    bench: 'soak',
    figure,
    value: round(ratio, 3),
    unit: 'times',
    against: `the second quarter of ${MINUTES} minutes, ${rounds} rounds through all screens`,
    goal: `<= ${1 + FLAT}`,
    holds: ratio <= 1 + FLAT,
  };
};
printFigures([
  growth('JavaScript heap after collection', ({ heap }) => heap),
  growth('nodes of the page', ({ nodes }) => nodes),
]);
