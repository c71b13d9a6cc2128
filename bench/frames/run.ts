import { chromium, type Page } from '@playwright/test';
import { existsSync } from 'node:fs';
import path from 'node:path';
import { CHROMIUM, CHROMIUM_ARGS } from '../../demo/drive-job';
import { ffmpeg, makeCodedClip, type CodedClip } from '../../tests/fixtures/coded-clips';
import type { Harness } from '../../tests/harness/harness';
import { serveHarness } from '../../tests/harness/serve';
import { percentile } from '../percentile';
import { printFigures, round, type Figure } from '../figure';

declare const harness: Harness;

/**
 * The application's frame source against a plain video element that seeks to the middle of the same frames of the same
 * file.
 */
const CLIPS: readonly (CodedClip & { readonly warmGoal: number })[] = [
  {
    file: 'h264-60-g60-b3.mov',
    codec: 'h264',
    rate: 60,
    frames: 240,
    group: 60,
    bFrames: 3,
    size: '1280x720',
    warmGoal: 0.1,
  },
  {
    file: 'h264-60-g12-b2.mp4',
    codec: 'h264',
    rate: 60,
    frames: 240,
    group: 12,
    bFrames: 2,
    size: '1280x720',
    warmGoal: 0.2,
  },
  { file: 'h264-240-g250.mp4', codec: 'h264', rate: 240, frames: 300, group: 250, size: '1280x720', warmGoal: 0.1 },
];
const STEPS = 60;
/** Between two steps as between the repeats of a held key, between two jumps as between two presses, ms. */
const PAUSE = { step: 33, jump: 150 };
/** Where stepping begins somebody has been looking at the picture for this long, ms. */
const LOOKING = 500;
/**
 * A long clip: its index is read, never its pictures. Pictures of a usual size, since a container keeps small ones
 * differently.
 */
const LONG = { file: 'long.mp4', rate: 240, seconds: 125 };

const folder = path.join(import.meta.dirname, '..', '..', 'test-results', 'coded');
const sorted = (values: readonly number[]): number[] => [...values].sort((a, b) => a - b);

/** Ways of going through a clip: frames in the order in which they are asked for. */
function walks(frames: number): Readonly<Record<string, readonly number[]>> {
  const start = Math.floor(frames / 3);
  const on = Array.from({ length: STEPS }, (_, i) => start + i);
  // Far apart, each in another group or on the other side of a long one.
  const jumps = Array.from({ length: 40 }, (_, i) => Math.floor((((i * 0.61803) % 1) * 0.98 + 0.01) * frames));
  // As a film of a fast clip, and as it plays at full speed.
  const fourths = Array.from({ length: Math.floor((frames - start) / 4) }, (_, i) => start + 4 * i);
  return {
    'step forward': on,
    'step back': [...on].reverse(),
    'every fourth forward': fourths,
    'random jump': jumps,
  };
}

async function compare(page: Page, clip: (typeof CLIPS)[number]): Promise<Figure[]> {
  const address = `/demo-data/${clip.file}`;
  const opened = await page.evaluate((a) => harness.open(a), address);
  if (typeof opened === 'string') throw new Error(`${clip.file}: ${opened}`);
  const figures: Figure[] = [];
  for (const [name, frames] of Object.entries(walks(opened.frames))) {
    const pause = name === 'random jump' ? PAUSE.jump : PAUSE.step;
    const middle = frames.map((i) => ((opened.times[i] ?? 0) + 0.5e6 / clip.rate) / 1e6);
    const element = sorted(
      (await page.evaluate(([a, t, p]) => harness.visitWithElement(a, t, p), [address, middle, pause] as const))
        .milliseconds,
    );
    // Jumps are cold; stepping begins where somebody has already been looking.
    await page.evaluate((a) => harness.open(a), address);
    if (name !== 'random jump')
      await page.evaluate(([a, f, p]) => harness.visit(a, f, p), [address, frames.slice(0, 2), LOOKING] as const);
    const visited = await page.evaluate(([a, f, p]) => harness.visit(a, f, p), [address, frames, pause] as const);
    const wrong = visited.codes.filter((code, i) => code !== frames[i]).length;
    if (wrong > 0) throw new Error(`${clip.file}: ${wrong} wrong pictures`);
    const own = sorted(visited.milliseconds);
    const goal = name === 'random jump' ? 1 : clip.warmGoal;
    const ratio = percentile(own, 0.5) / percentile(element, 0.5);
    figures.push({
      bench: 'frames',
      figure: `${clip.file}, ${name}: median against a video element`,
      value: round(ratio, 3),
      unit: 'ratio',
      against:
        `video element ${percentile(element, 0.5).toFixed(0)} ms (95th percentile ` +
        `${percentile(element, 0.95).toFixed(0)}), here ${percentile(own, 0.5).toFixed(1)} ms ` +
        `(${percentile(own, 0.95).toFixed(0)})`,
      goal: `at most ${goal}`,
      holds: ratio <= goal,
    });
    if (name === 'random jump' && clip.group >= 60) {
      const copy = `${address}#work`;
      const count = await page.evaluate(([a, c]) => harness.openWorkCopy(a, c), [address, copy] as const);
      const jumped = await page.evaluate(([a, f, p]) => harness.visit(a, f, p), [copy, frames, pause] as const);
      if (count !== opened.frames || jumped.codes.some((code, i) => code !== frames[i]))
        throw new Error(`${clip.file}: the work copy has other pictures`);
      const median = percentile(sorted(jumped.milliseconds), 0.5);
      figures.push({
        bench: 'frames',
        figure: `${clip.file}, random jump in a work copy: median against a video element on the original`,
        value: round(median / percentile(element, 0.5), 3),
        unit: 'ratio',
        against: `video element ${percentile(element, 0.5).toFixed(0)} ms, here ${median.toFixed(1)} ms`,
        goal: 'at most 0.5',
        holds: median <= 0.5 * percentile(element, 0.5),
      });
    }
    if (name !== 'random jump' && clip.group === 60) {
      figures.push({
        bench: 'frames',
        figure: `${clip.file}, ${name}: 95th percentile`,
        value: round(percentile(own, 0.95), 1),
        unit: 'ms',
        against: 'a picture of 30 per second',
        goal: 'at most 33',
        holds: percentile(own, 0.95) <= 33,
      });
    }
  }
  return figures;
}

/** Two hours: two minutes, so many times one after the other. */
const HOURS = { file: 'two-hours.mp4', once: 'two-minutes.mp4', again: 59 };
const PART_OF_HOURS = { from: 7020.5, to: 7024 };

async function partOfHours(page: Page): Promise<Figure> {
  const part = await page.evaluate(([a, p]) => harness.open(a, p), [
    `/demo-data/${HOURS.file}`,
    PART_OF_HOURS,
  ] as const);
  if (typeof part === 'string') throw new Error(`${HOURS.file}: ${part}`);
  return {
    bench: 'frames',
    figure: `opening a part of ${part.frames} frames of a file of two hours`,
    value: Math.round(part.milliseconds),
    unit: 'ms',
    against: 'what somebody waits for',
    goal: 'under 2000',
    holds: part.milliseconds < 2000,
  };
}

/** Part of the long clip, shortly before its end, seconds. */
const PART = { from: 118.3, to: 122.1 };

/** Opening a part against opening all of the same file: an hour before it costs nothing. */
async function partSpeed(page: Page): Promise<Figure> {
  const address = `/demo-data/${LONG.file}`;
  const whole = await page.evaluate((a) => harness.open(a), address);
  const part = await page.evaluate(([a, p]) => harness.open(a, p), [address, PART] as const);
  if (typeof whole === 'string' || typeof part === 'string') throw new Error(`${LONG.file}: ${String(part)}`);
  const value = part.milliseconds / whole.milliseconds;
  return {
    bench: 'frames',
    figure: `opening a part of ${part.frames} frames of ${whole.frames}`,
    value: round(value),
    unit: 'ratio',
    against: `all of it ${whole.milliseconds.toFixed(0)} ms, the part ${part.milliseconds.toFixed(0)} ms`,
    goal: 'at most 1',
    holds: value <= 1,
  };
}

async function indexSpeed(page: Page): Promise<Figure> {
  const opened = await page.evaluate((a) => harness.open(a), `/demo-data/${LONG.file}`);
  if (typeof opened === 'string') throw new Error(`${LONG.file}: ${opened}`);
  const speed = opened.frames / (opened.milliseconds / 1000);
  return {
    bench: 'frames',
    figure: `opening a clip of ${opened.frames} frames`,
    value: Math.round(speed),
    unit: 'frames/s',
    against: `${opened.milliseconds.toFixed(0)} ms, worker started, no picture decoded`,
    goal: 'at least 100000',
    holds: speed >= 100_000,
  };
}

for (const clip of CLIPS) makeCodedClip(folder, clip);
const long = path.join(folder, LONG.file);
if (!existsSync(long))
  ffmpeg([
    '-f',
    'lavfi',
    '-i',
    `testsrc2=size=320x180:rate=${LONG.rate}:duration=${LONG.seconds}`,
    '-c:v',
    'libx264',
    '-preset',
    'ultrafast',
    '-g',
    '250',
    long,
  ]);
const once = path.join(folder, HOURS.once);
const hours = path.join(folder, HOURS.file);
if (!existsSync(hours)) {
  const coded = ['-c:v', 'libx264', '-preset', 'ultrafast', '-g', '60'];
  ffmpeg(['-f', 'lavfi', '-i', 'testsrc2=size=320x180:rate=30:duration=120', ...coded, once]);
  ffmpeg(['-stream_loop', String(HOURS.again), '-i', once, '-c', 'copy', hours]);
}
const served = await serveHarness(folder);
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const page = await browser.newPage();
  await page.goto(served.address);
  const figures: Figure[] = [];
  for (const clip of CLIPS) figures.push(...(await compare(page, clip)));
  figures.push(await indexSpeed(page), await partSpeed(page), await partOfHours(page));
  printFigures(figures);
} finally {
  await browser.close();
  served.stop();
}
