import { chromium, type Page } from '@playwright/test';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import {
  addClip,
  CHROMIUM,
  CHROMIUM_ARGS,
  createSession,
  goToStep,
  shownFrame,
  startServer,
} from '../../demo/drive-job';
import { BITS, BLOCK, CODED, readCode, ROWS } from '../../tests/fixtures/coded-clip';
import { makeCodedClip, type CodedClip } from '../../tests/fixtures/coded-clips';
import { printFigures, round, type Figure } from '../figure';

/**
 * Several pictures in lockstep in the application itself: what is shown together, how fast it plays, what it takes of
 * memory.
 */
const folder = path.join(import.meta.dirname, '..', '..', 'test-results', 'coded');
const made = (file: string, rate: number, frames: number, size: CodedClip['size'] = '1280x720'): string =>
  makeCodedClip(folder, { file, codec: 'h264', rate, frames, group: 60, bFrames: 2, size });
const CLIPS = { 30: made('h264-30-longer.mp4', 30, 480), 60: made('h264-60-longer.mp4', 60, 960) };
const WIDE = made('h264-60-1080.mp4', 60, 240, '1920x1080');
/** Time played before its pace is known to half a percent (a picture more or less counts), and looked at. */
const PLAYED = 8;
const LOOKED = 4;
/** The nearest frame in time is at most half a frame away. */
const NEAREST = 0.5;

interface Sample {
  readonly now: number;
  readonly codes: (number | null)[];
}

/** Reads the numbers on all panes in every turn of the page in which they are painted. */
async function watch(page: Page, panes: readonly string[], seconds: number): Promise<readonly Sample[]> {
  const raw = await page.evaluate(
    async ({ ids, width, height, block, bits, lines, seconds }) => {
      const canvases = ids.map((id) => document.querySelector<HTMLCanvasElement>(`[data-testid="pane-${id}"]`)!);
      const out: { now: number; rows: number[][][] }[] = [];
      const end = performance.now() + seconds * 1000;
      while (performance.now() < end) {
        const now = await new Promise<number>((resolve) => requestAnimationFrame(resolve));
        const rows = canvases.map((canvas) => {
          const context = canvas.getContext('2d')!;
          const scale = Math.min(canvas.width / width, canvas.height / height);
          const left = (canvas.width - width * scale) / 2;
          const top = (canvas.height - height * scale) / 2;
          return lines.map((line) => {
            // One line of pixels is enough, and quick.
            const strip = context.getImageData(
              Math.round(left),
              Math.round(top + (line + 0.5) * block * scale),
              Math.round(width * scale),
              1,
            ).data;
            return Array.from({ length: bits }, (_, k) => strip[4 * Math.round((k + 0.5) * block * scale) + 1]!);
          });
        });
        out.push({ now, rows });
      }
      return out;
    },
    { ids: [...panes], ...CODED, block: BLOCK, bits: BITS, lines: [ROWS.bits, ROWS.complement], seconds },
  );
  return raw.map(({ now, rows }) => ({ now, codes: rows.map(([bits, complement]) => readCode(bits!, complement!)) }));
}

/** Adds clips: athlete, reference, then further references. */
async function session(page: Page, address: string, files: readonly string[]): Promise<readonly string[]> {
  await createSession(page, address, 'Lockstep');
  const panes = files.map((_, i) => (i === 0 ? 'athlete' : i === 1 ? 'reference' : `reference-${i}`));
  for (const [i, file] of files.entries()) {
    if (i >= 2) await page.getByRole('button', { name: 'Another reference' }).click();
    await addClip(
      page,
      i === 0 ? 'athlete' : 'reference',
      file,
      { name: `Performer ${i + 1}` },
      i >= 2 ? page.getByTestId('intake-new') : undefined,
    );
  }
  await goToStep(page, 'Match');
  await page.locator('[data-testid=panes][aria-busy=false]').waitFor();
  // All begin at their first frame: locked there they have one clock.
  await page.getByRole('combobox', { name: 'Matching' }).click();
  await page.getByRole('option', { name: 'Locked as they stand' }).click();
  await page.locator('.MuiPopover-root').waitFor({ state: 'detached' });
  return panes;
}

async function lockstep(
  page: Page,
  address: string,
  rates: readonly (30 | 60)[],
  speed: '1/4 speed' | 'Full speed',
): Promise<Figure[]> {
  const panes = await session(
    page,
    address,
    rates.map((rate) => CLIPS[rate]),
  );
  await page.getByRole('combobox', { name: 'Speed' }).click();
  await page.getByRole('option', { name: speed }).click();
  await page.locator('.MuiPopover-root').waitFor({ state: 'detached' });
  await page.getByTestId('current-moment').click();
  await page.keyboard.press('Space');
  await page.waitForTimeout(500);
  // Speed by what the pane says, since looking at all pictures takes time of its own; then the pictures.
  const [from, since] = [await shownFrame(page, 'athlete'), performance.now()];
  await page.waitForTimeout(1000 * PLAYED);
  const [to, until] = [await shownFrame(page, 'athlete'), performance.now()];
  const samples = await watch(
    page,
    panes,
    Math.min(LOOKED, (15 - to / rates[0]!) / (speed === 'Full speed' ? 1 : 0.25)),
  );
  await page.keyboard.press('Space');
  // A picture belongs to the leading one when its frame is the nearest in time.
  const away = samples.map(({ codes }) =>
    Math.max(
      ...codes.map((code, i) =>
        code === null || codes[0] === null
          ? Infinity
          : Math.max(0, Math.abs(code - (codes[0]! / rates[0]!) * rates[i]!) - NEAREST),
      ),
    ),
  );
  const moving = samples.filter(({ codes }, i) => i > 0 && codes[0] !== samples[i - 1]!.codes[0]);
  const wanted = speed === 'Full speed' ? 1 : 0.25;
  const achieved = (to - from) / rates[0]! / ((until - since) / 1000) / wanted;
  const name = `${rates.join('+')} frames a second, ${speed.toLowerCase()}`;
  const pace = rates.length > 2 ? null : wanted < 1 ? 0.99 : rates.includes(60) ? 0.85 : 0.99;
  return [
    {
      bench: 'panes',
      figure: `${name}: largest error`,
      value: round(Math.max(...away), 2),
      unit: 'frames',
      against: `${samples.length} looks at all panes, ${moving.length} new pictures`,
      goal: '0',
      holds: Math.max(...away) < 1e-6,
    },
    {
      bench: 'panes',
      figure: `${name}: speed reached`,
      value: round(achieved, 3),
      unit: 'ratio',
      against: 'real time',
      goal: pace === null ? 'none is set' : `at least ${pace}`,
      holds: pace === null || achieved >= pace,
    },
  ];
}

const read = (file: string): string => {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    // The process has ended meanwhile.
    return '';
  }
};

/** Memory of a browser's processes: what each has alone and its part of what they share, bytes (Linux: Pss). */
function browserBytes(marker: string): number {
  const processes = readdirSync('/proc').filter((name) => /^\d+$/.test(name));
  const parents = new Map(processes.map((id) => [id, /^\d+ \(.*\) \S (\d+)/s.exec(read(`/proc/${id}/stat`))?.[1]]));
  const belongs = (id: string | undefined): boolean =>
    id !== undefined && id !== '0' && (read(`/proc/${id}/cmdline`).includes(marker) || belongs(parents.get(id)));
  return processes
    .filter(belongs)
    .reduce((sum, id) => sum + 1024 * Number(/^Pss:\s+(\d+) kB/m.exec(read(`/proc/${id}/smaps_rollup`))?.[1] ?? 0), 0);
}

async function memory(page: Page, address: string, marker: string): Promise<Figure[]> {
  const bare = browserBytes(marker);
  await session(
    page,
    address,
    Array.from({ length: 4 }, () => WIDE),
  );
  await page.getByTestId('current-moment').click();
  for (let i = 0; i < 12; i++) {
    await page.keyboard.press(i < 6 ? 'Control+ArrowRight' : 'Control+ArrowLeft');
    await page.waitForTimeout(700);
  }
  const used = browserBytes(marker);
  return [
    {
      bench: 'panes',
      figure: 'four panes of 1920x1080, gone through',
      value: round(used / 1e9, 2),
      unit: 'GB',
      against: `all of the browser; ${(bare / 1e9).toFixed(2)} GB with an empty page`,
      goal: 'under 1.2',
      holds: used < 1.2e9,
    },
  ];
}

const marker = '--falcon-bench';
const server = await startServer();
const browser = await chromium.launch({ executablePath: CHROMIUM, args: [...CHROMIUM_ARGS, marker] });
const figures: Figure[] = [];
try {
  const inPage = async (work: (page: Page) => Promise<Figure[]>): Promise<void> => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    figures.push(...(await work(page)));
    await page.close();
  };
  for (const speed of ['1/4 speed', 'Full speed'] as const) {
    await inPage((page) => lockstep(page, server.address, [30, 30], speed));
    await inPage((page) => lockstep(page, server.address, [60, 30], speed));
    await inPage((page) => lockstep(page, server.address, [30, 30, 30, 30], speed));
  }
  await inPage((page) => memory(page, server.address, marker));
} finally {
  await browser.close();
  server.stop();
}
printFigures(figures);
