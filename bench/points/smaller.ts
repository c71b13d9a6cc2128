import type { Browser } from '@playwright/test';
import { serveHarness } from '../../tests/harness/serve';
import { refilmed } from '../refilmed';
import { round, type Figure } from '../figure';
import { percentile } from '../percentile';
import { compareWithTruth, together, type DetectedAndTrue } from './accuracy';
import { nearOf, run, share } from './detected-run';

/** Clips that no constant was chosen on, filmed from two and three times as far. */
const HELD_BACK = ['pace-side-athlete-winter', 'walk-side-reference-2', 'hurdle-side-reference-2'];
const ANGLES = ['knee', 'hip', 'elbow', 'ankle', 'trunk'] as const;

/** How far off angles are on small bodies, and whether the stated errors say so. */
export async function onSmallerBodies(browser: Browser): Promise<readonly Figure[]> {
  const figures: Figure[] = [];
  for (const by of [2, 3]) {
    const found: DetectedAndTrue[] = [];
    for (const id of HELD_BACK) {
      const { demo, into } = refilmed(id, { smaller: by, every: 1 });
      const server = await serveHarness(into, true);
      const page = await browser.newPage();
      await page.goto(server.address);
      found.push((await run(page, demo, 'accurate', 'enough', into)).both);
      await page.close();
      server.stop();
    }
    const heights = found.map(({ truth }) => Math.round(truth.bodyHeight)).join(', ');
    for (const name of ANGLES) {
      const all = together(found.map((both) => compareWithTruth(both, nearOf(both)[name])));
      figures.push({
        bench: 'points',
        figure: `accurate, bodies ${by} times smaller: near ${name}, truth inside the 95 % interval`,
        value: round(100 * share(all), 1),
        unit: '%',
        goal: 'at least 90',
        holds: share(all) >= 0.9,
        against: `bodies of ${heights} pixels; median error ${percentile(all.errors, 0.5).toFixed(1)} deg`,
      });
    }
  }
  return figures;
}
