import type { Page } from '@playwright/test';
import { ballAt, BALL_RADIUS } from '../../demo/athlete/ball';
import { cameraPosition, project } from '../../demo/camera/camera';
import { DEMO_CLIPS, trialOf, type DemoClip } from '../../demo/scenario';
import { truthOf } from '../../demo/truth';
import type { Harness } from '../../tests/harness/harness';
import { round, type Figure } from '../figure';
import { percentile } from '../percentile';

declare const harness: Harness;

/** Frames before release at which a ball is placed, and so many back from there. */
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

/** A ball followed from a few frames before release, on and back, in a page of the harness that serves the demo clips. */
export async function followBall(page: Page): Promise<readonly Figure[]> {
  const figures: Figure[] = [];
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
  return figures;
}
