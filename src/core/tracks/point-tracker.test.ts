import { trackingStep, startTracking, type Tracked, type Patch, type PatchOf } from './point-tracker';

/** Pictures made by hand: a ball with a seam flies before a patterned wall, smeared by the time the shutter is open. */
const SIZE = { width: 320, height: 200 };
type Colour = readonly [number, number, number];

const wall = (x: number, y: number): Colour => {
  const v = 90 + 30 * Math.sin(x / 7) * Math.cos(y / 11) + 15 * Math.sin((x + 2 * y) / 3.1);
  return [v * 0.8, v, v * 0.7];
};
const ball = (dx: number, dy: number, turn: number): Colour =>
  Math.abs(Math.sin(turn) * dx - Math.cos(turn) * dy) < 1.5 ? [230, 220, 210] : [150, 30 + 4 * dx, 25 - 3 * dy];

interface Scene {
  readonly at: (frame: number) => { x: number; y: number };
  /** Share of a frame's time during which the shutter is open. */
  readonly shutter: number;
  readonly cover?: (frame: number) => { left: number; right: number } | null;
  readonly turn?: number;
}

const RADIUS = 6;
const SAMPLES = 8;

const WALL = Array.from({ length: SIZE.width * SIZE.height }, (_, i) =>
  wall(i % SIZE.width, Math.floor(i / SIZE.width)),
);

function picture({ at, shutter, cover, turn = 0 }: Scene, frame: number, noise: () => number): PatchOf {
  const values = new Float32Array(SIZE.width * SIZE.height * 3);
  const hidden = cover?.(frame) ?? null;
  for (let y = 0; y < SIZE.height; y++) {
    for (let x = 0; x < SIZE.width; x++) {
      let sum: [number, number, number] = [0, 0, 0];
      for (let s = 0; s < SAMPLES; s++) {
        const c = at(frame + ((s + 0.5) / SAMPLES - 0.5) * shutter);
        const [dx, dy] = [x - c.x, y - c.y];
        const colour =
          hidden && x >= hidden.left && x < hidden.right
            ? ([60, 60, 65] as const)
            : Math.hypot(dx, dy) <= RADIUS
              ? ball(dx, dy, turn * frame)
              : WALL[y * SIZE.width + x]!;
        sum = [sum[0] + colour[0], sum[1] + colour[1], sum[2] + colour[2]];
      }
      for (let c = 0; c < 3; c++) values[(y * SIZE.width + x) * 3 + c] = sum[c]! / SAMPLES + 4 * noise();
    }
  }
  return (left, top, width, height): Patch => {
    const out = new Float32Array(width * height * 3);
    for (let y = 0; y < height; y++) {
      for (let x = 0; x < width; x++) {
        const from =
          (Math.max(0, Math.min(SIZE.height - 1, top + y)) * SIZE.width +
            Math.max(0, Math.min(SIZE.width - 1, left + x))) *
          3;
        for (let c = 0; c < 3; c++) out[(y * width + x) * 3 + c] = values[from + c]!;
      }
    }
    return { left, top, width, height, channels: 3, values: out };
  };
}

/** A fixed sequence between -1 and 1. */
function noiseOf(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 1664525 + 1013904223) % 4294967296;
    return state / 2147483648 - 1;
  };
}

function follow(scene: Scene, frames: number): { errors: number[]; stoppedAt: number | null } {
  const noise = noiseOf(7);
  let before = picture(scene, 0, noise);
  let state: Tracked = startTracking(before, scene.at(0), { radius: 8 });
  const errors: number[] = [];
  for (let frame = 1; frame < frames; frame++) {
    const now = picture(scene, frame, noise);
    const step = trackingStep(state, before, now, SIZE, { radius: 8 });
    if (!step.found) return { errors, stoppedAt: frame };
    state = step.next;
    const truth = scene.at(frame);
    errors.push(Math.hypot(state.at.x - truth.x, state.at.y - truth.y));
    before = now;
  }
  return { errors: errors.sort((a, b) => a - b), stoppedAt: null };
}

/** Starts slowly, ends fast: 2 to 14 pixels a frame, on a bow. */
const flight = (frame: number): { x: number; y: number } => ({
  x: 40.3 + 2 * frame + 0.2 * frame ** 2,
  y: 150.6 - 3.2 * frame + 0.06 * frame ** 2,
});

test('a ball is followed through motion blur to two pixels, even one whose seam turns', () => {
  const { errors, stoppedAt } = follow({ at: flight, shutter: 0.5, turn: 0.03 }, 28);
  expect(stoppedAt).toBeNull();
  expect(errors[errors.length >> 1]).toBeLessThan(2);
  const still = follow({ at: flight, shutter: 0.5 }, 28);
  expect(still.stoppedAt).toBeNull();
  expect(still.errors[still.errors.length >> 1]).toBeLessThan(0.6);
});

test('fractions of a pixel are kept where nothing smears', () => {
  const { errors } = follow({ at: (frame) => ({ x: 60.4 + 0.37 * frame, y: 90.2 + 0.21 * frame }), shutter: 0 }, 30);
  expect(errors[errors.length >> 1]).toBeLessThan(0.4);
});

test('it stops when the ball goes behind something, and does not follow what covers it', () => {
  const scene: Scene = { at: flight, shutter: 0.5, cover: () => ({ left: 140, right: 320 }) };
  const { stoppedAt } = follow(scene, 28);
  // The middle of the ball goes behind the edge at frame 18.
  const gone = Array.from({ length: 28 }, (_, i) => i).find((i) => flight(i).x > 140)!;
  expect(stoppedAt).not.toBeNull();
  expect(Math.abs(stoppedAt! - gone)).toBeLessThanOrEqual(2);
});

test('it stops at the edge of the picture', () => {
  const { stoppedAt } = follow({ at: (frame) => ({ x: 250 + 8 * frame, y: 100 }), shutter: 0.2 }, 28);
  expect(stoppedAt).not.toBeNull();
  expect(250 + 8 * (stoppedAt! - 1)).toBeLessThanOrEqual(SIZE.width);
});
