import { chromium } from '@playwright/test';
import path from 'node:path';
import { ballAt, BALL_RADIUS } from '../../demo/athlete/ball';
import { cameraPosition, project } from '../../demo/camera/camera';
import { CHROMIUM, CHROMIUM_ARGS } from '../../demo/drive-job';
import { DEMO_CLIPS, trialOf, type DemoClip } from '../../demo/scenario';
import { truthOf } from '../../demo/truth';
import type { Harness } from '../../tests/harness/harness';
import { serveHarness } from '../../tests/harness/serve';
import { printFigures, round, type Figure } from '../figure';
import { percentile } from '../percentile';
import { FOLLOWED_FOR_CHOOSING, FOLLOWED_FOR_REPORTING } from '../../demo/followed';
import { FOLDER, followBeside, gather, type FollowedPoint } from './beside';

declare const harness: Harness;

/**
 * A followed ball against the generator\u2019s own, through motion blur, from a few frames before release on and back;
 * and points of an animal and of an implement, through their clips, placed again wherever they are asked for. Constants
 * may be chosen on `--choosing`; what is reported is of the other clips.
 */
const LEAD_FRAMES = 6;
const BACK_FRAMES = 60;
/** A placing by hand is off by this much, pixels (common practice: about a pixel). */
const PLACED_OFF = { x: 0.6, y: -0.5 };
const RADIUS = 7;

function ballIn(clip: DemoClip): {
  frames: number;
  release: number;
  at: (frame: number) => { x: number; y: number };
  radius: number;
} {
  const trial = trialOf(clip);
  const truth = truthOf(clip);
  const time = (frame: number): number => trial.start + frame / truth.frameRate;
  const ball = ballAt(trial, trial.moments['release']!);
  const camera = cameraPosition(clip.camera);
  const distance = Math.hypot(ball.x - camera.x, ball.y - camera.y, ball.z - camera.z);
  const radius =
    (BALL_RADIUS * clip.camera.height) / (2 * distance * Math.tan((clip.camera.fieldOfView * Math.PI) / 360));
  return {
    frames: truth.pixels.length,
    release: truth.moments['release']! * truth.frameRate,
    at: (frame) => project(clip.camera, ballAt(trial, time(frame))),
    radius,
  };
}

const server = await serveHarness(path.join(import.meta.dirname, '..', '..', 'demo', 'clips'));
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const figures: Figure[] = [];
try {
  const page = await browser.newPage();
  await page.goto(server.address);
  for (const clip of DEMO_CLIPS.filter(({ id }) => id === 'pace-side-reference' || id === 'pace-side-athlete')) {
    const ball = ballIn(clip);
    const start = Math.round(ball.release) - LEAD_FRAMES;
    const placed = ball.at(start);
    const inside = Array.from({ length: ball.frames }, (_, i) => i).filter(
      (i) => i > start && ball.at(i).x > 0 && ball.at(i).x < clip.camera.width,
    );
    // Onwards through the fastest part of the arm's swing and the flight; back to where the ball is behind the body.
    for (const [name, end] of [
      ['on until it leaves the picture', Math.max(...inside) + 1],
      ['back until it is covered', Math.max(0, start - BACK_FRAMES)],
    ] as const) {
      const { positions, lost, milliseconds } = await page.evaluate(([a, r]) => harness.follow(a, r), [
        `/demo-data/${clip.id}.webm`,
        { frame: start, x: placed.x + PLACED_OFF.x, y: placed.y + PLACED_OFF.y, end, radius: RADIUS },
      ] as const);
      const errors = positions.map(([i, x, y]) => Math.hypot(x - ball.at(i).x, y - ball.at(i).y)).sort((a, b) => a - b);
      const fastest = Math.max(
        ...positions.map(([i]) => Math.hypot(ball.at(i).x - ball.at(i - 1).x, ball.at(i).y - ball.at(i - 1).y)),
      );
      const against =
        `the generator\u2019s ball, ${(2 * ball.radius).toFixed(0)} px wide, up to ${fastest.toFixed(0)} px a ` +
        `frame; ${positions.length} of ${Math.abs(end - start) - 1} frames, ` +
        `${(milliseconds / Math.max(1, positions.length)).toFixed(0)} ms ` +
        `each${lost === null ? '' : `, asked at frame ${lost + 1}`}`;
      figures.push({
        bench: 'follow',
        figure: `${clip.id}, ${name}: median error`,
        value: round(percentile(errors, 0.5), 2),
        unit: 'px',
        against,
        goal: 'under 2',
        holds: percentile(errors, 0.5) < 2,
      });
      figures.push({
        bench: 'follow',
        figure: `${clip.id}, ${name}: largest error`,
        value: round(Math.max(...errors), 2),
        unit: 'px',
        against: 'before it asks',
        goal: 'under 4',
        holds: Math.max(...errors) < 4,
      });
    }
  }
} finally {
  await browser.close();
  server.stop();
}

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

const clips = process.argv.includes('--choosing') ? FOLLOWED_FOR_CHOOSING : FOLLOWED_FOR_REPORTING;
gather(clips);
const followedServer = await serveHarness(FOLDER);
const followedBrowser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const page = await followedBrowser.newPage();
  await page.goto(followedServer.address);
  const followed = await followBeside(page, clips);
  for (const { id } of clips) figures.push(...figuresOf(followed.filter(({ clip }) => clip === id)));
} finally {
  await followedBrowser.close();
  followedServer.stop();
}
printFigures(figures);
