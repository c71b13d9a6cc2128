import { expect, test, type Page } from '@playwright/test';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import Papa from 'papaparse';
import {
  addClip,
  clipFile,
  createSession,
  detectAllPoints,
  goToStep,
  markEvents,
  openBrowser,
  startServer,
} from '../../demo/drive-job';
import { trueTrial } from '../../demo/true-trial';
import type { ClipTruth } from '../../demo/truth';
import { compareAll } from '../../src/core/comparison/compare';
import { fromSi } from '../../src/core/units';
import { sessionJson } from '../../src/formats/session-json/session-json';
import type { Movement } from '../../src/core/model/movement';
import { MOVEMENTS } from '../../src/movements';
import { BROWSER } from '../browser';
import { watchErrors } from './pages';

const [paceDelivery] = MOVEMENTS as [Movement];

/** What was planted in the athlete's delivery, and where each difference must be found. */
const PLANTED = ['front-knee-at-release', 'trunk-at-release', 'front-arm-lead', 'front-foot-to-release'];
/** Other measures that truly differ because of what was planted. */
const CONSEQUENCES = [
  'front-shin-at-release',
  'front-hip-at-release',
  'front-arm-at-front-foot-contact',
  'stride-share',
];

const truthOf = async (role: string): Promise<ClipTruth> =>
  JSON.parse(await readFile(clipFile(`pace-side-${role}`).replace('.webm', '.truth.json'), 'utf8')) as ClipTruth;

async function save(page: Page, button: string): Promise<string> {
  await goToStep(page, 'Report');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: button }).click();
  return readFile(await (await download).path(), 'utf8');
}

type MeasureRow = Readonly<Record<'row' | 'id' | 'state' | 'difference' | 'plus_minus_95' | 'athlete_note', string>>;
const measuresOf = (csv: string): MeasureRow[] =>
  Papa.parse<MeasureRow>(csv, { header: true, skipEmptyLines: true }).data.filter((row) => row.row === 'measure');

test('two files in, three corrections out: the planted differences are found, and nothing else', async () => {
  const userData = await mkdtemp(path.join(tmpdir(), 'falcon-'));
  const server = await startServer();
  let browser = await openBrowser(userData, BROWSER);
  try {
    const page = await browser.newPage();
    const errors = watchErrors(page);
    await createSession(page, server.address, 'Whole job');
    const address = page.url();
    await addClip(page, 'athlete', clipFile('pace-side-athlete'), { name: 'Kip Marlowe' });
    await addClip(page, 'reference', clipFile('pace-side-reference'), { name: 'Oren Tavish' });
    await markEvents(page, 'athlete', await truthOf('athlete'));
    await markEvents(page, 'reference', await truthOf('reference'));
    await expect(page.getByText('All moments are marked in both clips')).toBeVisible();
    await detectAllPoints(page, 'Accurate');

    // The two panes stand at the same moment in every phase.
    await page.keyboard.press('PageDown');
    const csv = await save(page, 'Save all numbers as CSV');
    const measured = measuresOf(csv);
    const session = sessionJson.read(await save(page, 'Save the session without video'), 'saved');
    if (!session.ok) throw new Error(session.issue.message);
    const truth = Object.fromEntries(
      await Promise.all(
        session.value.clips.map(async (clip) => [clip.role, trueTrial(clip, await truthOf(clip.role))] as const),
      ),
    );
    const truly = compareAll(paceDelivery, truth['athlete']!, truth['reference']!);

    for (const comparison of truly) {
      const { id } = comparison.measure;
      const row = measured.find((m) => m.id === id)!;
      if (comparison.difference === null || !comparison.athlete.measurable || row.difference === '') continue;
      const difference = fromSi(comparison.difference, comparison.athlete.unit);
      const within = Math.abs(Number(row.difference) - difference);
      expect
        .soft(within, `${id}: measured ${row.difference} \u00b1 ${row.plus_minus_95}, truly ${difference.toFixed(1)}`)
        .toBeLessThanOrEqual(Number(row.plus_minus_95) + 1e-6);
      if (PLANTED.includes(id)) {
        expect.soft(row.state, id).toBe('gap');
        expect.soft(Math.sign(Number(row.difference)), id).toBe(Math.sign(difference));
      } else if (!CONSEQUENCES.includes(id)) expect.soft(row.state, id).not.toBe('gap');
    }
    expect(measured.find((m) => m.id === 'trunk-side-fall-at-release')).toMatchObject({
      state: 'not-measurable',
      athlete_note: 'Not measurable from the side',
    });

    await goToStep(page, 'Decide');
    const proposed = page.getByTestId('proposed');
    await expect(proposed.first()).toBeVisible();
    expect(await proposed.count()).toBeLessThanOrEqual(3);
    await expect(proposed.first()).toHaveAttribute('data-measure', 'front-knee-at-release');
    await expect(proposed.first()).toContainText('First because');
    await expect(page.getByTestId('chain-front-knee-at-release')).toContainText(
      'because the trunk falls over a knee that gives way',
    );

    await goToStep(page, 'Report');
    await expect(page.getByTestId('still')).toHaveCount(2 * paceDelivery.moments.length);
    await expect(page.getByText('This is an aid to coaching, not a diagnosis').first()).toBeVisible();

    // Closing the browser loses nothing.
    await browser.close();
    browser = await openBrowser(userData, BROWSER);
    const again = await browser.newPage();
    await again.goto(address.replace('intake', 'measure'));
    await expect(again.getByTestId('frame-athlete')).toContainText('of 243');
    expect(await save(again, 'Save all numbers as CSV')).toBe(csv);
    expect(errors).toEqual([]);
  } finally {
    await browser.close();
    server.stop();
    await rm(userData, { recursive: true, force: true });
  }
});
