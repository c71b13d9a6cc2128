import { existsSync, mkdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import type { Page } from '@playwright/test';
import { root } from '../../demo/drive-job';
import type { DemoClip } from '../../demo/scenario';
import type { ClipTruth } from '../../demo/truth';
import { COVERAGE_95 } from '../../src/core/statistics/normal';
import { followedSd } from '../../src/core/tracks/point-error';
import { SURE_ENOUGH } from '../../src/core/tracks/point-tracker';
import type { Harness } from '../../tests/harness/harness';
import { round, type Figure } from '../figure';
import { percentile } from '../percentile';
import { renderInto } from '../render';

declare const harness: Harness;

/** Rendered clips are kept here from run to run. */
export const FOLDER = path.join(root, 'test-results', 'follow');
type Way = Awaited<ReturnType<Harness['follow']>>;
type Asked = Parameters<Harness['follow']>[1];

/** Half the side of the square that is compared, pixels: what the application begins with. */
const RADIUS = 12;
/** A placing by hand is off by up to this much, pixels (common practice: about a pixel). */
const PLACED_OFF = [
  { x: 0.6, y: -0.5 },
  { x: -0.8, y: 0.2 },
  { x: 0.1, y: 0.7 },
] as const;
/** Nobody places a point that is about to leave the picture. */
const MARGIN = 30;

/** One point of a clip, followed from its first picture to its last. */
interface FollowedPoint {
  readonly clip: string;
  readonly point: string;
  /** Pictures into which it was followed. */
  readonly frames: number;
  /** How often somebody had to place it again. */
  readonly asked: number;
  /** Distance from the truth, pixels, and per coordinate whether it lies inside the stated 95 %. */
  readonly errors: readonly number[];
  readonly inside: readonly boolean[];
}

/** Renders the clips that are not there. */
export function gather(clips: readonly DemoClip[]): void {
  mkdirSync(FOLDER, { recursive: true });
  renderInto(
    FOLDER,
    clips.map(({ id }) => id).filter((id) => !existsSync(path.join(FOLDER, `${id}.truth.json`))),
  );
}

/** Follows a point through its clip; where it is lost it is placed again, as a person would. */
async function throughClip(page: Page, clip: DemoClip, point: string): Promise<FollowedPoint> {
  const { pixels, points } = JSON.parse(readFileSync(path.join(FOLDER, `${clip.id}.truth.json`), 'utf8')) as ClipTruth;
  const own = points.indexOf(`${point}-mark`);
  const { width, height } = clip.camera;
  const isIn = (frame: number): boolean => {
    const [x, y] = pixels[frame]![own]!;
    return x > MARGIN && y > MARGIN && x < width - MARGIN && y < height - MARGIN;
  };
  const seen = [...pixels.keys()].filter(isIn);
  const end = Math.max(...seen) + 1;
  const [errors, inside]: [number[], boolean[]] = [[], []];
  let asked = -1;
  // Where it was in the picture before, as the application knows it when somebody places it again.
  let before: { readonly x: number; readonly y: number } | null = null;
  for (let frame: number | null = Math.min(...seen); frame !== null && frame < end - 1;) {
    asked++;
    const [x, y]: readonly [number, number] = pixels[frame]![own]!;
    const off = PLACED_OFF[asked % PLACED_OFF.length]!;
    const placed = { x: x + off.x, y: y + off.y };
    const velocity = before && { x: placed.x - before.x, y: placed.y - before.y };
    const request: Asked = { frame, ...placed, end, radius: RADIUS, velocity };
    const { positions, lost }: Way = await page.evaluate(([a, r]) => harness.follow(a, r), [
      `/demo-data/${clip.id}.webm`,
      request,
    ] as const);
    for (const [i, px, py, confidence] of positions) {
      const [dx, dy] = [px - pixels[i]![own]![0], py - pixels[i]![own]![1]];
      const reach = COVERAGE_95 * followedSd(confidence);
      errors.push(Math.hypot(dx, dy));
      inside.push(Math.abs(dx) < reach, Math.abs(dy) < reach);
    }
    const last = positions.at(-1);
    before = !last ? placed : last[3] >= SURE_ENOUGH ? { x: last[1], y: last[2] } : null;
    frame = lost;
  }
  return { clip: clip.id, point, frames: errors.length, asked, errors, inside };
}

/** Points that one would follow: not those that hide behind the body half of the time. */
const FOLLOWED = {
  animal: ['withers', 'croup', 'poll', 'nose', 'fore-knee', 'hind-knee', 'hind-fetlock'],
  implement: ['grip', 'shoulder', 'sticker', 'toe'],
} as const;

/** Points of one thing beside the performer, against the generator's own. */
function figuresOf(of: readonly FollowedPoint[]): readonly Figure[] {
  const errors = of.flatMap((point) => point.errors).sort((a, b) => a - b);
  const inside = of.flatMap((point) => point.inside);
  const each = (what: (point: FollowedPoint) => number): string =>
    of.map((point) => `${point.point} ${round(what(point), 1)}`).join(', ');
  const sure = (point: FollowedPoint): number => (100 * point.inside.filter(Boolean).length) / point.inside.length;
  const held = (100 * inside.filter(Boolean).length) / inside.length;
  const [frames, asked] = [of.reduce((sum, p) => sum + p.frames, 0), of.reduce((sum, p) => sum + p.asked, 0)];
  const common = { bench: 'follow', unit: 'px' };
  const [name, median, most] = [of[0]!.clip, percentile(errors, 0.5), percentile(errors, 0.95)];
  return [
    { ...common, figure: `${name}: median error`, value: round(median, 2), goal: 'under 2', holds: median < 2 },
    { ...common, figure: `${name}: 95th percentile`, value: round(most, 2), goal: 'under 6', holds: most < 6 },
    {
      ...common,
      figure: `${name}: truth inside the 95 % interval`,
      value: round(held, 1),
      unit: '%',
      goal: '90 to 98',
      holds: held >= 90 && held <= 98,
      against: each(sure),
    },
    {
      ...common,
      figure: `${name}: asked for`,
      value: round((100 * asked) / frames, 1),
      unit: 'of 100 frames',
      goal: 'under 2',
      holds: (100 * asked) / frames < 2,
      against: each((point) => point.asked),
    },
  ].map((figure) => ({
    against: each((point) =>
      percentile(
        [...point.errors].sort((a, b) => a - b),
        0.5,
      ),
    ),
    ...figure,
  }));
}

/** Every point of the clips, followed in a page of the harness that serves them. */
export async function followBeside(page: Page, clips: readonly DemoClip[]): Promise<readonly Figure[]> {
  const figures: Figure[] = [];
  for (const clip of clips) {
    const followed: FollowedPoint[] = [];
    for (const point of FOLLOWED[clip.beside!]) followed.push(await throughClip(page, clip, point));
    figures.push(...figuresOf(followed));
  }
  return figures;
}
