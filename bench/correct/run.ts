import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Page } from '@playwright/test';
import { clipFile, goToStep, openBrowser, startServer } from '../../demo/drive-job';
import { trueTrial } from '../../demo/true-trial';
import type { ClipTruth } from '../../demo/truth';
import { refsOfMeasure } from '../../src/core/measures';
import { eventsOf } from '../../src/core/model/measure';
import type { Movement } from '../../src/core/model/movement';
import { prepareTrial, type Trial } from '../../src/core/trial/trial';
import { partsOf } from '../../src/core/trial/places';
import { JOINT_POINTS, type BodyPoint, type PointId } from '../../src/core/anatomy/body-points';
import { viewRefusal } from '../../src/core/calibration/view';
import { sessionJson } from '../../src/formats/session-json/session-json';
import { MOVEMENTS } from '../../src/movements';
import { printFigures, round, type Figure } from '../figure';

/**
 * How long it takes to correct a clip found at the accurate setting until it is fit for measuring: at every marked
 * moment each point that a measure needs lies within a share of standing height of the truth. Keys and drags are made
 * in the interface and counted.
 */
const FIT_SHARE = 0.02;
/**
 * Seconds an act takes: keystroke-level model, Card, Moran and Newell 1980 (from memory): key 0.2, pointing 1.1, button
 * 0.1, thinking 1.35.
 */
const SECONDS = { key: 0.2, drag: 2 * 1.1 + 2 * 0.1 + 1.35, hint: 1.35 };

/** Body points that the movement's measures need at a moment, as far as the view shows them. */
function neededAt(movement: Movement, trial: Trial, moment: string): readonly BodyPoint[] {
  const ids = movement.measures
    .filter(
      (m) =>
        eventsOf(m).includes(moment) &&
        viewRefusal(trial.clip, m.plane) === null &&
        m.kind !== 'speed' &&
        m.kind !== 'dispersion',
    )
    .flatMap((m) => refsOfMeasure(m))
    .flatMap((ref) => partsOf(ref, trial.clip.performer, trial.raw))
    .map(({ id }) => id);
  return JOINT_POINTS.filter((id) => ids.includes(id as PointId));
}

const away = (a: Trial, b: Trial, id: PointId, frame: number): number =>
  Math.hypot(a.raw[id]!.x[frame]! - b.raw[id]!.x[frame]!, a.raw[id]!.y[frame]! - b.raw[id]!.y[frame]!);

async function saved(page: Page): Promise<string> {
  await goToStep(page, 'Report');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the session without video' }).click();
  return readFile(await (await download).path(), 'utf8');
}

const userData = await mkdtemp(path.join(tmpdir(), 'falcon-'));
const server = await startServer();
const browser = await openBrowser(userData);
const figures: Figure[] = [];
try {
  const page = await browser.newPage();
  await page.setViewportSize({ width: 1900, height: 1100 });
  await page.goto(`${server.address}/demo`);
  await page.locator('[data-testid=panes][aria-busy=false]').waitFor();
  const read = async (): Promise<Record<'athlete' | 'reference', { detected: Trial; truth: Trial }>> => {
    const session = sessionJson.read(await saved(page), 'session');
    if (!session.ok) throw new Error(session.issue.message);
    const of = async (role: 'athlete' | 'reference') => {
      const clip = session.value.clips.find((c) => c.role === role)!;
      const truth = JSON.parse(
        await readFile(clipFile(`pace-side-${role}`).replace('.webm', '.truth.json'), 'utf8'),
      ) as ClipTruth;
      return {
        detected: prepareTrial(
          clip,
          session.value.tracks[clip.id]!,
          session.value.marks[clip.id]!,
          session.value.cutoff,
        ),
        truth: trueTrial(clip, truth),
      };
    };
    return { athlete: await of('athlete'), reference: await of('reference') };
  };
  const movement = MOVEMENTS[0]!;
  const { athlete } = await read();
  const frames = athlete.detected.times.length;
  const wrong = movement.moments.flatMap((moment) => {
    const frame = Math.round(athlete.detected.marks[moment.id]!);
    return neededAt(movement, athlete.detected, moment.id)
      .filter((id) => !(away(athlete.detected, athlete.truth, id, frame) <= FIT_SHARE * athlete.truth.bodyHeight))
      .map((id) => ({ moment: moment.id, frame, id }));
  });
  await goToStep(page, 'Measure');
  await page.locator('[data-testid=panes][aria-busy=false]').waitFor();
  let [keys, drags] = [0, 0];
  const press = async (key: string): Promise<void> => {
    await page.keyboard.press(key);
    keys++;
  };
  await page.getByTestId('current-moment').click();
  await press('p');
  await press('b');
  await page.waitForTimeout(300);
  const box = (await page.getByTestId('pane-athlete').boundingBox())!;
  const { clip } = athlete.detected;
  const scale = Math.min(box.width / clip.width, box.height / clip.height);
  const onScreen = (x: number, y: number): [number, number] => [
    box.x + box.width / 2 + (x - clip.width / 2) * scale,
    box.y + box.height / 2 + (y - clip.height / 2) * scale,
  ];
  for (const moment of movement.moments) {
    await press('PageDown');
    await page.locator('[data-testid=panes][aria-busy=false]').waitFor();
    const here = wrong.filter((w) => w.moment === moment.id);
    if (here.length === 0) continue;
    // The way there counts too: a moment that is shown already needs no key.
    while (true) {
      const shown =
        Number(
          /^frame (\d+)/.exec(
            (await page.getByTestId('pane-athlete').locator('..').locator('figcaption').innerText())
              .split('\n')
              .at(-1)!
              .trim(),
          )?.[1] ?? NaN,
        ) - 1;
      if (Number.isNaN(shown) || shown === here[0]!.frame) break;
      await press(shown < here[0]!.frame ? 'ArrowRight' : 'ArrowLeft');
      await page.waitForTimeout(120);
    }
    for (const { id, frame } of here) {
      const [from, to] = [athlete.detected.raw[id]!, athlete.truth.raw[id]!];
      await page.mouse.move(...onScreen(from.x[frame]!, from.y[frame]!));
      await page.mouse.down();
      await page.mouse.move(...onScreen(to.x[frame]!, to.y[frame]!), { steps: 4 });
      await page.mouse.up();
      drags++;
      await page.waitForTimeout(150);
    }
  }
  const after = (await read()).athlete;
  const left = wrong.filter(
    ({ id, frame }) => !(away(after.detected, after.truth, id, frame) <= FIT_SHARE * after.truth.bodyHeight),
  ).length;
  const seconds = keys * SECONDS.key + drags * SECONDS.drag + movement.moments.length * SECONDS.hint;
  const against =
    `${keys} keys and ${drags} drags for ${wrong.length} points of ${frames} frames, times of the keystroke-level ` +
    `model; ${left} still off afterwards`;
  figures.push({
    bench: 'correct',
    figure: 'correcting a found clip to fit for measuring, per 300 frames',
    value: round((seconds * 300) / frames, 0),
    unit: 's',
    against,
    goal: 'under 120',
    holds: (seconds * 300) / frames < 120,
  });
  figures.push({
    bench: 'correct',
    figure: 'points that a measure needs still farther off than 2 % of standing height',
    value: left,
    unit: 'points',
    against: 'the generator\u2019s own points',
    goal: '0',
    holds: left === 0,
  });
} finally {
  await browser.close();
  server.stop();
  await rm(userData, { recursive: true, force: true });
}
printFigures(figures);
