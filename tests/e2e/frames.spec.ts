import { expect, test, type Page } from '@playwright/test';
import { addClip, createSession, goToStep, shownFrame } from '../../demo/drive-job';
import { dice } from '../fixtures/random';
import { codesInPanes, fixtureClip } from './pages';

const FRAMES = { athlete: 360, reference: 300 } as const;
type Role = keyof typeof FRAMES;

async function shownBoth(page: Page): Promise<{ frames: Record<Role, number>; codes: Record<Role, number | null> }> {
  // The page has taken up the press before it is asked whether it still works on it.
  await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))));
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  return {
    frames: { athlete: await shownFrame(page, 'athlete'), reference: await shownFrame(page, 'reference') },
    codes: await codesInPanes(page),
  };
}

test('300 random jumps and steps in both directions show 0 wrong pictures', async ({ page, baseURL }) => {
  await createSession(page, baseURL!, 'Coded');
  await addClip(page, 'athlete', fixtureClip('coded-vp9-120.webm'), { name: 'Constant rate' });
  await addClip(page, 'reference', fixtureClip('coded-h264-variable.mp4'), { name: 'Variable rate' });
  await goToStep(page, 'Match');
  await page.getByRole('combobox', { name: 'Matching' }).click();
  await page.getByRole('option', { name: 'Free' }).click();
  const roll = dice(2026);
  const wrong: string[] = [];
  const acts: string[] = [];
  const visited = { athlete: new Set<number>(), reference: new Set<number>() };
  for (let act = 0; act < 300; act++) {
    const role: Role = roll() < 0.5 ? 'athlete' : 'reference';
    const kind = roll();
    const forward = roll() < 0.5;
    let expected: number | null = null;
    const from = await shownFrame(page, role);
    if (kind < 0.35) {
      const box = (await page.getByTestId(`ribbon-${role}`).boundingBox())!;
      await page.mouse.click(box.x + 1 + roll() * (box.width - 2), box.y + box.height / 2);
    } else {
      const by = kind < 0.6 ? 10 : 1;
      await page.keyboard.press(
        `${by === 10 ? 'Control' : kind < 0.8 ? '' : 'Shift'}${kind < 0.6 || kind >= 0.8 ? '+' : ''}Arrow${forward ? 'Right' : 'Left'}`,
      );
      if (kind < 0.8) expected = Math.min(FRAMES[role] - 1, Math.max(0, from + (forward ? by : -by)));
    }
    acts.push(`${act}: ${role} ${kind.toFixed(2)} ${forward ? 'on' : 'back'} from ${from}`);
    const message = `after ${acts.slice(-4).join(', ')}`;
    if (expected !== null) await expect.poll(() => shownFrame(page, role), { message, intervals: [20] }).toBe(expected);
    const { frames, codes } = await shownBoth(page);
    for (const each of ['athlete', 'reference'] as const) {
      visited[each].add(frames[each]);
      if (codes[each] !== frames[each])
        wrong.push(`act ${act}: the ${each} pane says frame ${frames[each]} and shows ${codes[each]}`);
    }
  }
  expect(wrong).toEqual([]);
  expect(visited.athlete.size).toBeGreaterThan(100);
  expect(visited.reference.size).toBeGreaterThan(100);
});

test('playing never shows two frames that do not belong together', async ({ page, baseURL }) => {
  await createSession(page, baseURL!, 'Coded');
  await addClip(page, 'athlete', fixtureClip('coded-vp9-120.webm'), { name: 'One' });
  await addClip(page, 'reference', fixtureClip('coded-vp9-120.webm'), { name: 'The same' });
  await goToStep(page, 'Moments');
  // The first frame is the same moment in both: locked there, both must always show the same picture.
  for (const role of ['athlete', 'reference'] as const) {
    await page.getByTestId(`pane-${role}`).click({ position: { x: 40, y: 60 } });
    await page.keyboard.press('1');
    await expect(page.getByTestId(`pin-${role}-back-foot-contact`)).toBeVisible();
  }
  await page.getByRole('combobox', { name: 'Matching' }).click();
  await page.getByRole('option', { name: 'Locked at a moment' }).click();
  await page.keyboard.press('Space');
  const seen = new Set<number>();
  const pairs: (number | null)[][] = [];
  // As long as it takes on a slow machine until enough different pictures went by.
  const hint = async (): Promise<number> => {
    const { athlete, reference } = await codesInPanes(page);
    pairs.push([athlete, reference]);
    return seen.add(athlete!).size;
  };
  await expect.poll(hint, { intervals: [5] }).toBeGreaterThan(10);
  await page.keyboard.press('Space');
  expect(pairs.filter(([athlete, reference]) => athlete === null || athlete !== reference)).toEqual([]);
});
