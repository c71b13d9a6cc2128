import { spawn } from 'node:child_process';
import path from 'node:path';
import { chromium, expect, type BrowserContext, type Locator, type Page } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../server/chromium';
import type { ClipTruth } from './truth';

/** Driving the application as a user does: used to make the demo session, by the tests and by the benchmarks. */
export const root = path.join(import.meta.dirname, '..');
export const clipFile = (id: string): string => path.join(root, 'demo', 'clips', `${id}.webm`);
export { CHROMIUM, CHROMIUM_ARGS };

/** Starts the application's server on a free port; resolves with its address. */
export function startServer(): Promise<{ address: string; stop: () => void }> {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts', '--port', '0'], { cwd: root });
    let text = '';
    child.stderr.on('data', (data: Buffer) => process.stderr.write(data));
    child.stdout.on('data', (data: Buffer) => {
      text += data.toString();
      const address = /http:\/\/127\.0\.0\.1:\d+/.exec(text)?.[0];
      if (address) resolve({ address, stop: () => void child.kill() });
    });
    child.on('exit', (code) => reject(new Error(`The server ended with exit code ${code}: ${text}`)));
  });
}

/** A browser whose data survive being closed. */
export const openBrowser = (userData: string, executablePath = CHROMIUM): Promise<BrowserContext> =>
  chromium.launchPersistentContext(userData, {
    executablePath,
    args: CHROMIUM_ARGS,
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
  });

export async function createSession(page: Page, address: string, name: string, movement?: string): Promise<void> {
  await page.goto(address);
  await page.getByLabel('Name').fill(name);
  if (movement) await chooseOption(page, page.getByRole('combobox', { name: 'Movement' }), movement);
  await page.getByRole('button', { name: 'Create' }).click();
  await expect(page.getByTestId('intake-athlete')).toBeVisible();
}

export interface Answers {
  readonly name: string;
  readonly travel?: 'left' | 'right';
}

/**
 * Chooses one of several. A press that a busy page takes for a long one opens the list and chooses what lies under the
 * pointer, as a list does that is dragged through: then it is opened again.
 */
export async function chooseOption(page: Page, box: Locator, name: string): Promise<void> {
  await expect(async () => {
    await box.click();
    await page.getByRole('option', { name }).click({ timeout: 3000 });
    await expect(box).toHaveText(name, { timeout: 3000 });
  }).toPass();
}

/** Chooses a file for a role and answers the questions. */
export async function addClip(
  page: Page,
  role: 'athlete' | 'reference',
  file: string,
  answers: Answers,
  card = page.getByTestId(`intake-${role}`),
): Promise<void> {
  await card.locator('input[type=file]').setInputFiles(file);
  await card.getByRole('combobox', { name: 'Name' }).fill(answers.name);
  await card.getByRole('combobox', { name: 'Name' }).press('Tab');
  const goes = answers.travel === 'right' ? 'To the right' : 'To the left';
  await chooseOption(page, card.getByRole('combobox', { name: 'Moves in the picture' }), goes);
  await card.getByLabel('Consent to film and analyse is given').check();
  await card.getByRole('button', { name: `Use as ${role}` }).click();
  await expect(card.getByRole('button', { name: `Use as ${role}` })).toHaveCount(0);
}

export const goToStep = async (page: Page, step: string): Promise<void> => {
  await page.getByRole('navigation', { name: 'Order of work' }).getByRole('link', { name: step }).click();
};

/** Finds the points of both clips; waits for each to be done. */
export async function detectAllPoints(page: Page, setting: 'Accurate' | 'Fast'): Promise<void> {
  await goToStep(page, 'Measure');
  await chooseOption(page, page.getByRole('combobox', { name: 'Setting' }), setting);
  for (const role of ['athlete', 'reference'] as const) {
    await page.getByRole('button', { name: `Detect points of the ${role}` }).click();
    const said = page.getByRole('alert').filter({ hasText: /Points detected on/ });
    await expect(said).toBeVisible({ timeout: 600_000 });
    await said.getByRole('button', { name: 'Close' }).click();
    await expect(said).toHaveCount(0);
  }
}

/** The frame that a pane shows, counted from 0. */
export async function shownFrame(page: Page, role: string): Promise<number> {
  const text = await page.getByTestId(`frame-${role}`).innerText();
  return Number(/frame (\d+)/.exec(text)![1]) - 1;
}

/** Steps the chosen clip alone to a frame with the keyboard: ten frames at a time for both, then one by one. */
export async function stepTo(page: Page, role: 'athlete' | 'reference', frame: number): Promise<void> {
  for (let guard = 0; guard < 400; guard++) {
    const at = await shownFrame(page, role);
    if (at === frame) return;
    const away = frame - at;
    const tens = Math.abs(away) >= 10;
    await page.keyboard.press(`${tens ? 'Control' : 'Shift'}+${away > 0 ? 'ArrowRight' : 'ArrowLeft'}`);
    await expect.poll(() => shownFrame(page, role)).toBe(at + Math.sign(away) * (tens ? 10 : 1));
  }
  throw new Error(`frame ${frame} of the ${role} was not reached`);
}

/** Marks each moment of a clip at the frame nearest to its true time, as somebody would who sees it. */
export async function markEvents(page: Page, role: 'athlete' | 'reference', truth: ClipTruth): Promise<void> {
  await goToStep(page, 'Moments');
  await page.getByTestId(`pane-${role}`).click({ position: { x: 40, y: 60 } });
  const ids = Object.keys(truth.moments);
  for (const [i, id] of ids.entries()) {
    await stepTo(page, role, Math.round(truth.moments[id]! * truth.frameRate));
    await page.keyboard.press(String(i + 1));
    await expect(page.getByTestId(`pin-${role}-${id}`)).toBeVisible();
  }
}
