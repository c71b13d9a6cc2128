import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { chromium, type Browser } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS, root } from '../../demo/drive-job';
import { project } from '../../demo/camera/camera';
import { ONLOOKERS } from '../../demo/look';
import type { DemoClip } from '../../demo/scenario';
import type { ClipTruth } from '../../demo/truth';
import { VARIED, type VariedClip } from '../../demo/varied';
import { isBodyPoint } from '../../src/core/anatomy/body-points';
import { boundsOf } from '../../src/core/geometry/bounds';
import type { PersonBox } from '../../src/core/model/kept-detections';
import { renderInto } from '../render';
import type { Detections } from '../space/against-truth';
import type { Harness } from '../../tests/harness/harness';
import { serveHarness } from '../../tests/harness/serve';

declare const harness: Harness;

/** Films, their truth and their detections are kept here from run to run: rendering and detecting take minutes each. */
const FOLDER = path.join(root, 'test-results', 'varied');
const file = (id: string, part: string): string => path.join(FOLDER, `${id}.${part}`);

export interface DetectedFilm extends VariedClip {
  readonly truth: ClipTruth;
  readonly detections: Detections;
}

/** As a telephone would have kept it: grain, few bits. */
function code({ clip: { id, camera }, coding }: VariedClip): void {
  if (existsSync(file(id, 'mp4'))) return;
  const rate = Math.round(coding.bitsPerPixel * camera.width * camera.height * camera.frameRate);
  const made = spawnSync('ffmpeg', [
    ...['-y', '-v', 'error', '-i', file(id, 'webm')],
    ...(coding.grain > 0 ? ['-vf', `noise=alls=${2 * coding.grain}:allf=t:all_seed=7`] : []),
    ...['-c:v', 'libx264', '-preset', 'fast', '-pix_fmt', 'yuv420p', '-b:v', `${rate}`, '-maxrate', `${2 * rate}`],
    ...['-bufsize', `${2 * rate}`, '-fps_mode', 'passthrough', file(id, 'mp4')],
  ]);
  if (made.status !== 0) throw new Error(`ffmpeg: ${made.stderr.toString()}`);
}

/** Share of a person's size that a box drawn by hand leaves free on every side. */
const FREE = 0.08;

/** The box that somebody would draw where others are in the picture: where nobody else is near. */
function boxOf({ camera, surroundings }: DemoClip, { pixels, points }: ClipTruth): PersonBox {
  const back = camera.azimuth < 0 ? 1 : -1;
  const others = ONLOOKERS.slice(0, surroundings?.people ?? 0).map(
    ({ x, away }) => project(camera, { x, y: 1, z: back * away }).x,
  );
  const hip = points.indexOf('left-hip');
  const clear = (frame: number): number => {
    const own = pixels[frame]![hip]![0];
    return Math.min(own, camera.width - own, ...others.map((other) => Math.abs(other - own)));
  };
  const frame = [...pixels.keys()].reduce((best, i) => (clear(i) > clear(best) ? i : best), 0);
  const body = pixels[frame]!.filter((_, k) => isBodyPoint(points[k]!));
  const { x, y, width, height } = boundsOf(body.map(([px, py]) => ({ x: px, y: py })));
  const free = FREE * height;
  return { frame, x: x - free, y: y - free, width: width + 2 * free, height: height + 2 * free };
}

async function detect(browser: Browser, address: string, film: VariedClip, truth: ClipTruth): Promise<Detections> {
  const { id, surroundings } = film.clip;
  const page = await browser.newPage();
  try {
    await page.goto(address);
    const events = Object.values(truth.moments).map((seconds) => seconds * truth.frameRate);
    const person = surroundings?.people ? boxOf(film.clip, truth) : null;
    const { detections, milliseconds } = await page.evaluate(
      ([clip, e, p]) => harness.find(clip, 'accurate', { how: 'enough', events: e, person: p }),
      [`/demo-data/${id}.mp4`, events, person] as const,
    );
    console.log(`${id}: points detected in ${(milliseconds / 1000).toFixed(0)} s`);
    return detections;
  } finally {
    await page.close();
  }
}

/** Clips of a set with the points that the accurate detectors see in them. */
export async function detectedFilms(set: VariedClip['set']): Promise<readonly DetectedFilm[]> {
  mkdirSync(FOLDER, { recursive: true });
  const films = VARIED.filter((film) => film.set === set);
  // Without a coder's errors to speak of.
  const ids = films.map(({ clip }) => clip.id);
  renderInto(
    FOLDER,
    ids.filter((id) => !existsSync(file(id, 'truth.json'))),
  );
  films.forEach(code);
  const truths = films.map(({ clip }) => JSON.parse(readFileSync(file(clip.id, 'truth.json'), 'utf8')) as ClipTruth);
  const missing = films.filter(({ clip }) => !existsSync(file(clip.id, 'detections.json')));
  if (missing.length > 0) {
    const server = await serveHarness(FOLDER, true);
    const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
    try {
      for (const film of missing) {
        const detections = await detect(browser, server.address, film, truths[films.indexOf(film)]!);
        writeFileSync(file(film.clip.id, 'detections.json'), JSON.stringify(detections));
      }
    } finally {
      await browser.close();
      server.stop();
    }
  }
  return films.map((film, i) => ({
    ...film,
    truth: truths[i]!,
    detections: JSON.parse(readFileSync(file(film.clip.id, 'detections.json'), 'utf8')) as Detections,
  }));
}
