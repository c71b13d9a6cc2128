import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import { clipFile, createSession } from '../../demo/drive-job';
import { ffmpeg } from '../fixtures/coded-clips';
import type { Harness } from '../harness/harness';
import { serveHarness } from '../harness/serve';

declare const harness: Harness;

let made = '';
test.beforeAll(() => {
  made = mkdtempSync(path.join(tmpdir(), 'falcon-repeats-'));
});
test.afterAll(() => rmSync(made, { recursive: true, force: true }));

const CLIP = clipFile('pace-side-athlete');
const coarse = ['-c:v', 'libx264', '-preset', 'veryfast', '-crf', '38'];
/** How a clip that was filmed at 120 a second was made one whose pictures repeat or blend, coarsely coded. */
const MADE = [
  ['60 in 120, from a file of 60', ['-vf', 'fps=60,fps=120'], { cycle: 2, uneven: false }],
  ['24 in 30', ['-vf', 'fps=24,fps=30'], { cycle: 5, uneven: false }],
  ['24 in 60', ['-vf', 'fps=24,fps=60'], { cycle: 5, uneven: false }],
  [
    'slow motion in its middle',
    ['-vf', "setpts='if(lt(T,0.7),PTS,if(lt(T,1.3),0.7/TB+(PTS-0.7/TB)*2.7,PTS+1.02/TB))',fps=120"],
    { cycle: null, uneven: true },
  ],
  [
    'a cycle that slips near its end',
    ['-vf', "fps=60,fps=120,select='not(eq(n,222))',setpts=N/(120*TB)"],
    { cycle: null, uneven: true },
  ],
  ['60 in 120, blended', ['-vf', 'fps=60,minterpolate=fps=120:mi_mode=blend'], { cycle: 2, uneven: false }],
  ['30 in 120, blended', ['-vf', 'fps=30,minterpolate=fps=120:mi_mode=blend'], { cycle: 4, uneven: false }],
  ['24 in 60, blended', ['-vf', 'fps=24,framerate=fps=60'], { cycle: null, uneven: true }],
  [
    'slow motion in its middle, blended',
    [
      '-vf',
      "fps=30,setpts='if(lt(T,0.7),PTS,if(lt(T,1.3),0.7/TB+(PTS-0.7/TB)*3,PTS+1.2/TB))',minterpolate=fps=30:mi_mode=blend",
    ],
    { cycle: null, uneven: true },
  ],
  ['coded coarsely and no more', [], { cycle: null, uneven: false }],
] as const;

const make = (k: number): string => {
  const file = path.join(made, `${k}.mp4`);
  if (!existsSync(file)) ffmpeg(['-i', CLIP, ...MADE[k]![1], ...coarse, file]);
  return file;
};
const slowed = (): string => make(MADE.findIndex(([what]) => what.startsWith('slow motion')));

test('pictures that a file repeats or blends are told, coded coarsely too', async ({ page }) => {
  MADE.forEach((_, k) => make(k));
  const served = await serveHarness(made, true);
  try {
    await page.goto(served.address);
    for (const [k, [what, , { cycle, uneven }]] of MADE.entries()) {
      const seen = await page.evaluate((address) => harness.repeats(address), `/demo-data/${k}.mp4`);
      expect([what, seen.cycle?.cycle ?? null, seen.uneven]).toEqual([what, cycle, uneven]);
    }
  } finally {
    served.stop();
  }
});

test('a clip that is slowed within has angles and no times, until somebody says that they are true', async ({
  page,
  baseURL,
}) => {
  await createSession(page, baseURL!, 'Slowed');
  const card = page.getByTestId('intake-athlete');
  await card.locator('input[type=file]').setInputFiles(slowed());
  await expect(
    card.getByText(/Some frames show the picture before them again, or blend those beside them/),
  ).toBeVisible();
  await card.getByRole('combobox', { name: 'Name' }).fill('Sela Orr');
  await card.getByLabel('Consent to film and analyse is given').check();
  await card.getByRole('button', { name: 'Use as athlete' }).click();
  const truth = card.getByRole('button', { name: 'Its times are true' });
  await truth.click();
  await expect(truth).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(truth).toBeVisible();
});

/** A clip of each movement, view and camera. */
const STANDS_FOR_ALL = [
  'pace-side-athlete-pans',
  'pace-front-athlete',
  'pace-overhead-athlete',
  'pace-oblique-athlete',
  'walk-side-athlete',
  'hurdle-side-athlete-zooms',
];

test('no clip of the demo is said to repeat pictures, whatever its camera does', async ({ page }) => {
  const folder = path.dirname(CLIP);
  const served = await serveHarness(folder, true);
  try {
    await page.goto(served.address);
    for (const name of STANDS_FOR_ALL.map((id) => `${id}.webm`)) {
      const seen = await page.evaluate((address) => harness.repeats(address), `/demo-data/${name}`);
      expect([name, seen.cycle, seen.uneven]).toEqual([name, null, false]);
    }
  } finally {
    served.stop();
  }
});
