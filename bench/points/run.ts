import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { addClip, clipFile, createSession, findAllPoints, goToStep, openBrowser, startServer } from '../../demo/drive-job';
import { truePerformance } from '../../demo/true-performance';
import type { ClipTruth } from '../../demo/truth';
import { preparePerformance } from '../../src/core/performance/performance';
import type { Session } from '../../src/core/model/session';
import { sessionJson } from '../../src/formats/session-json/session-json';
import { printFigures, round, type Figure } from '../figure';
import { percentile } from '../percentile';
import { CHECKED, compareDifferences, compareWithTruth, type AngleErrors } from './accuracy';

/** Points found by the application, through its interface, on the two demo clips, against the generator's own. */
async function findInApplication(): Promise<Session> {
  const userData = await mkdtemp(path.join(tmpdir(), 'falcon-'));
  const server = await startServer();
  const browser = await openBrowser(userData);
  try {
    const page = await browser.newPage();
    await createSession(page, server.address, 'Accuracy');
    await addClip(page, 'athlete', clipFile('pace-side-athlete'), { name: 'Athlete' });
    await addClip(page, 'reference', clipFile('pace-side-reference'), { name: 'Reference' });
    await findAllPoints(page, 'Accurate');
    await goToStep(page, 'Report');
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the session without video' }).click();
    const read = sessionJson.read!(await readFile(await (await download).path(), 'utf8'), 'download');
    if (!read.ok) throw new Error(read.issue.message);
    return read.value;
  } finally {
    await browser.close();
    server.stop();
    await rm(userData, { recursive: true, force: true });
  }
}

const MEDIAN_GOAL = 4;
const COVERAGE_GOAL = [0.9, 0.995] as const;

function figuresOf(name: string, { errors, coverage }: AngleErrors, judged: boolean): Figure[] {
  const common = { bench: 'points', against: 'the generator\u2019s own points, accurate setting' };
  const [low, high] = COVERAGE_GOAL;
  return [
    ...(judged
      ? [
          { ...common, figure: `${name}, median error`, value: round(percentile(errors, 0.5)), unit: 'deg', goal: `at most ${MEDIAN_GOAL}`, holds: percentile(errors, 0.5) <= MEDIAN_GOAL },
          { ...common, figure: `${name}, 95th percentile`, value: round(percentile(errors, 0.95)), unit: 'deg', goal: 'none', holds: true },
        ]
      : []),
    { ...common, figure: `${name}, truth inside the 95 % interval`, value: round(coverage * 100, 1), unit: '%', goal: `${low * 100} to ${high * 100}`, holds: coverage >= low && coverage <= high },
  ];
}

const session = await findInApplication();
const both = await Promise.all(
  (['athlete', 'reference'] as const).map(async (role) => {
    const clip = session.clips.find((c) => c.role === role)!;
    const truth = JSON.parse(await readFile(clipFile(`pace-side-${role}`).replace('.webm', '.truth.json'), 'utf8')) as ClipTruth;
    return { role, found: preparePerformance(clip, session.tracks[clip.id]!, {}, session.cutoff), truth: truePerformance(clip, truth) };
  }),
);
printFigures(
  Object.entries(CHECKED).flatMap(([name, of]) => [
    ...both.flatMap(({ role, found, truth }) => figuresOf(`${role}, near ${name}`, compareWithTruth(found, truth, of), true)),
    ...figuresOf(`difference of both, near ${name}`, compareDifferences(both[0]!, both[1]!, of), false),
  ]),
);
