// Points of twenty clips from a terminal: two shards, one of them killed and resumed, against one run of all; and
// against the points that the page finds in the same clips. FIND_CLIPS sets how many.
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../../demo/drive-job';
import { cutClips, endedAfter, farthest, find, tracksIn, tracksOfPage } from '../../tests/fixtures/found-points';
import { serveHarness } from '../../tests/harness/serve';
import { printFigures, round } from '../figure';

const CLIPS = Number(process.env['FIND_CLIPS'] ?? 20);
/** So many clips of the first shard are done when it is killed. */
const KILLED_AFTER = 3;

const folder = mkdtempSync(path.join(tmpdir(), 'falcon-find-'));
const ids = readdirSync('demo/clips')
  .filter((name) => name.endsWith('.webm'))
  .map((name) => path.basename(name, '.webm'))
  .slice(0, CLIPS);
const [whole, parts] = [path.join(folder, 'whole'), path.join(folder, 'parts')];
const fileOf = (out: string, id: string): string => path.join(out, `${id}.csv`);
try {
  const clips = cutClips(ids, folder);
  find(clips, whole);
  await endedAfter(KILLED_AFTER, clips, parts, '--shard', '1/2');
  const before = readdirSync(parts).filter((name) => name.endsWith('.csv')).length;
  for (const shard of ['1/2', '2/2']) find(clips, parts, '--shard', shard);
  const equal = ids.filter((id) => readFileSync(fileOf(whole, id)).equals(readFileSync(fileOf(parts, id)))).length;

  const served = await serveHarness(folder, true);
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  let [most, compared] = [0, 0];
  try {
    const page = await browser.newPage();
    await page.goto(served.address);
    for (const id of ids) {
      const [own, written] = [await tracksOfPage(page, id), tracksIn(fileOf(whole, id))];
      for (const point of Object.keys(own) as (keyof typeof own)[]) {
        const [series, other] = [own[point]!, written[point]];
        compared += series.x.reduce((n, x) => (Number.isNaN(x) ? n : n + 1), 0);
        // A point that was nowhere found is not in the file.
        if (other) most = Math.max(most, farthest(series, other));
        else if (series.x.some((x) => !Number.isNaN(x))) most = NaN;
      }
    }
  } finally {
    await browser.close();
    served.stop();
  }
  printFigures([
    {
      bench: 'find',
      figure: 'clips of a killed and resumed run in two shards that are the same bytes as of one run',
      value: equal,
      unit: 'clips',
      against: `one run; ${before} were there when it was killed`,
      goal: `${CLIPS}`,
      holds: equal === CLIPS && before < CLIPS / 2,
    },
    {
      bench: 'find',
      figure: 'farthest point from where the page finds it',
      value: round(most),
      unit: 'pixels',
      against: `the page, at ${compared} points`,
      goal: 'at most 0.5',
      holds: compared > 0 && most <= 0.5,
    },
  ]);
} finally {
  rmSync(folder, { recursive: true, force: true });
}
