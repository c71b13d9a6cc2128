import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../../demo/drive-job';
import { DEMO_CLIPS } from '../../demo/scenario';
import { estimateOffPlane } from '../../src/core/trial/view-estimate';
import { serveHarness } from '../../tests/harness/serve';
import { againstEveryFrame } from './held-back';
import { onSmallerBodies } from './smaller';
import { folder, nearOf, run, share, type Run } from './detected-run';
import { printFigures, round, type Figure } from '../figure';
import { percentile } from '../percentile';
import { compareDifferences, compareWithTruth, swappedFrames, together, type Checked } from './accuracy';

/**
 * Points detected on rendered clips of three movements, from the side and obliquely, with motion blur, two builds and
 * other clothes, against the generator's own; both settings. How fast, against the models alone in the same run.
 */
const CLIPS = [
  'pace-side-athlete',
  'pace-side-reference',
  'pace-oblique-athlete',
  'walk-side-athlete',
  'walk-side-reference',
  'walk-oblique-athlete',
  'hurdle-side-athlete',
  'hurdle-side-reference',
  'hurdle-oblique-athlete',
];
const SETTINGS = ['accurate', 'fast'] as const;
const GOAL: Readonly<Record<Checked, number | null>> = { knee: 3, hip: 3, trunk: 3, elbow: 4, ankle: null };

const server = await serveHarness(folder, true);
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const figures: Figure[] = [];
try {
  const page = await browser.newPage();
  await page.goto(server.address);
  for (const setting of SETTINGS) {
    const runs = new Map<string, Run>();
    for (const id of CLIPS) {
      runs.set(
        id,
        await run(
          page,
          DEMO_CLIPS.find((c) => c.id === id)!,
          setting,
        ),
      );
      console.log(`${setting}, ${id}: ${(runs.get(id)!.milliseconds / 1000).toFixed(0)} s`);
    }
    const common = { bench: 'points', against: 'the generator\u2019s own points' };
    for (const [view, ids] of [
      ['side', CLIPS.filter((id) => id.includes('side'))],
      ['oblique', CLIPS.filter((id) => id.includes('oblique'))],
    ] as const) {
      for (const name of ['knee', 'hip', 'elbow', 'ankle', 'trunk'] as const) {
        const per = ids.map((id) => compareWithTruth(runs.get(id)!.both, nearOf(runs.get(id)!.both)[name]));
        const all = together(per);
        const median = percentile(all.errors, 0.5);
        const goal = setting === 'accurate' ? GOAL[name] : null;
        figures.push({
          ...common,
          figure: `${setting}, ${view}: near ${name}, median error`,
          value: round(median),
          unit: 'deg',
          goal: goal === null ? 'none' : `at most ${goal}`,
          holds: goal === null || median <= goal,
          against: `${common.against}; by clip ${per.map((p) => percentile(p.errors, 0.5).toFixed(1)).join(' ')}`,
        });
        figures.push({
          ...common,
          figure: `${setting}, ${view}: near ${name}, 95th percentile`,
          value: round(percentile(all.errors, 0.95)),
          unit: 'deg',
          goal: 'none',
          holds: true,
        });
      }
    }
    for (const name of ['knee', 'hip', 'elbow', 'ankle', 'trunk'] as const) {
      const per = CLIPS.map((id) => compareWithTruth(runs.get(id)!.both, nearOf(runs.get(id)!.both)[name]));
      const held = share(together(per));
      figures.push({
        ...common,
        figure: `${setting}: near ${name}, truth inside the 95 % interval`,
        value: round(100 * held, 1),
        unit: '%',
        goal: '90 to 98',
        holds: held >= 0.9 && held <= 0.98,
        against: `${common.against}; by clip ${per.map((p) => (100 * share(p)).toFixed(0)).join(' ')}`,
      });
    }
    const pairs = [
      ['pace-side-athlete', 'pace-side-reference'],
      ['walk-side-athlete', 'walk-side-reference'],
      ['hurdle-side-athlete', 'hurdle-side-reference'],
    ] as const;
    for (const name of ['knee', 'hip', 'elbow', 'trunk'] as const) {
      const all = together(
        pairs.map(([a, b]) =>
          compareDifferences(runs.get(a)!.both, runs.get(b)!.both, nearOf(runs.get(a)!.both)[name]),
        ),
      );
      figures.push({
        ...common,
        figure: `${setting}: difference of two, near ${name}, truth inside the 95 % interval`,
        value: round(100 * share(all), 1),
        unit: '%',
        goal: 'none: the camera\u2019s and the moments\u2019 share of it is unused here',
        holds: true,
      });
    }
    const swaps = [...runs.values()].map((r) => swappedFrames(r.both));
    const [swapped, frames] = [swaps.reduce((s, x) => s + x.swapped, 0), swaps.reduce((s, x) => s + x.frames, 0)];
    figures.push({
      ...common,
      figure: `${setting}: frames with legs exchanged`,
      value: round((100 * swapped) / frames, 2),
      unit: '%',
      goal: 'at most 1',
      holds: swapped <= 0.01 * frames,
      against:
        `${swapped} of ${frames} frames in which the legs are apart; by clip ` +
        `${swaps.map((s) => s.swapped).join(' ')}`,
    });
    const cameras = CLIPS.map((id) => {
      const { azimuth } = DEMO_CLIPS.find((c) => c.id === id)!.camera;
      const said = estimateOffPlane(runs.get(id)!.both.detected);
      // Anticlockwise from the square side view: a camera at 70 on the right side stands 20 ahead of somebody who goes
      // right.
      return said.ok
        ? { error: said.value.degrees - (azimuth > 0 ? 90 - azimuth : -90 - azimuth), sd: said.value.sdDegrees }
        : { error: NaN, sd: NaN };
    });
    const worst = Math.max(...cameras.map(({ error, sd }) => Math.abs(error) / sd));
    figures.push({
      ...common,
      figure: `${setting}: camera\u2019s direction by the body, worst of nine`,
      value: round(worst),
      unit: 'of its sd',
      goal: 'at most 2',
      holds: worst <= 2,
      against: `the camera that rendered them; errors ${cameras.map((c) => c.error.toFixed(0)).join(' ')} deg`,
    });
    if (setting === 'accurate') figures.push(...(await againstEveryFrame(page)), ...(await onSmallerBodies(browser)));
    const [bare, whole] = [...runs.values()].reduce(([b, w], r) => [b + r.bare, w + r.milliseconds], [0, 0]);
    figures.push({
      bench: 'points',
      figure: `${setting}: frames a second, of the models alone`,
      value: round(bare / whole),
      unit: 'ratio',
      against: 'the models\u2019 own time in the same run, on as many workers',
      goal: 'at least 0.7',
      holds: bare / whole >= 0.7,
    });
  }
} finally {
  await browser.close();
  server.stop();
}
printFigures(figures);
