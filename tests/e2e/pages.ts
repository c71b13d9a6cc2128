import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';
import path from 'node:path';
import { BITS, BLOCK, CODED, readCode, ROWS } from '../fixtures/coded-clip';

export const fixtureClip = (name: string): string => path.join(import.meta.dirname, '..', 'fixtures', 'clips', name);

/** Errors of a page that a user would not see but that mean something is broken. */
export function watchErrors(page: Page): string[] {
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  page.on('console', (message) => {
    // The point detector's runtime writes its own information to the error stream.
    if (message.type() === 'error' && !message.text().startsWith('INFO:')) errors.push(message.text());
  });
  return errors;
}

/** Serious accessibility findings on what is shown now, each with where it is. */
export async function seriousFindings(page: Page, name: string): Promise<readonly string[]> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map(
      (v) =>
        `${name}: ${v.id} ${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 3)
          .join(' | ')}`,
    );
}

/** The numbers carried by the coded pictures that panes show in one turn of the page; null where none can be read. */
export async function codesIn(page: Page, panes: readonly string[]): Promise<(number | null)[]> {
  const found = await page.locator('.panes canvas').evaluateAll(
    (canvases, { bits, block, width, height, lines, ids }) =>
      ids
        .map((id) => (canvases as HTMLCanvasElement[]).find((c) => c.dataset['testid'] === `pane-${id}`)!)
        .map((canvas) => {
          const context = canvas.getContext('2d')!;
          const scale = Math.min(canvas.width / width, canvas.height / height);
          const left = (canvas.width - width * scale) / 2;
          const top = (canvas.height - height * scale) / 2;
          return lines.map((line) =>
            Array.from({ length: bits }, (_, k) => {
              const at = context.getImageData(
                Math.round(left + (k + 0.5) * block * scale),
                Math.round(top + (line + 0.5) * block * scale),
                1,
                1,
              ).data;
              return at[1]!;
            }),
          );
        }),
    { bits: BITS, block: BLOCK, ...CODED, lines: [ROWS.bits, ROWS.complement], ids: [...panes] },
  );
  return found.map((rows) => readCode(rows[0]!, rows[1]!));
}

export async function codesInPanes(page: Page): Promise<{ athlete: number | null; reference: number | null }> {
  const [athlete, reference] = await codesIn(page, ['athlete', 'reference']);
  return { athlete: athlete!, reference: reference! };
}

/** Opens the demo on its bench and waits until both pictures are there. */
export async function openDemo(page: Page): Promise<void> {
  await page.goto('/demo');
  await expect(page).toHaveURL(/measure$/);
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
}
