import { startTracking, trackingStep, velocityInto, type Tracked } from './point-tracker';
import type { Patch, PatchOf } from './template';
import type { PointSeries } from './track';

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

/** What a point is followed through, and where it is. */
interface Pictures {
  readonly at: (frame: number) => { x: number; y: number };
  readonly picture: (frame: number, noise: () => number) => PatchOf;
}

/** A picture of a colour at every place. */
function painted(colourAt: (x: number, y: number) => Colour, noise: () => number): PatchOf {
  const values = new Float32Array(SIZE.width * SIZE.height * 3);
  for (let y = 0; y < SIZE.height; y++)
    for (let x = 0; x < SIZE.width; x++)
      colourAt(x, y).forEach((v, c) => (values[(y * SIZE.width + x) * 3 + c] = v + 4 * noise()));
  return partsOf(values);
}

/** A bar with a patterned end before the wall, turning about its other end. */
const turningBar = (turn: number): Pictures => {
  const pivot = { x: 150, y: 100 };
  const end = (frame: number): { x: number; y: number } => ({
    x: pivot.x + 70 * Math.cos(turn * frame),
    y: pivot.y + 70 * Math.sin(turn * frame),
  });
  const picture = (frame: number, noise: () => number): PatchOf => {
    const [c, s] = [Math.cos(turn * frame), Math.sin(turn * frame)];
    return painted((x, y) => {
      const [along, across] = [c * (x - pivot.x) + s * (y - pivot.y), c * (y - pivot.y) - s * (x - pivot.x)];
      if (along < 0 || along > 80 || Math.abs(across) > 9) return WALL[y * SIZE.width + x]!;
      if (Math.abs(along - 70) < 4) return across > 2 ? [40, 60, 160] : [230, 230, 220];
      return [190 + 12 * Math.sin(along / 3), 150, 90 + 5 * across];
    }, noise);
  };
  return { at: end, picture };
};

/** A bar that is nearly alike along its length, sliding along itself. */
const plainBar: Pictures = {
  at: (frame) => ({ x: 60 + 1.5 * frame, y: 100 }),
  picture: (frame, noise) =>
    painted(
      (x, y) =>
        Math.abs(y - 100) < 6 ? [190 + 22 * Math.sin((x - 1.5 * frame) / 4), 60, 50] : [90 + 0.2 * y, 120, 80],
      noise,
    ),
};

function picture({ at, shutter, cover, turn = 0 }: Scene, frame: number, noise: () => number): PatchOf {
  const hidden = cover?.(frame) ?? null;
  const centres = Array.from({ length: SAMPLES }, (_, s) => at(frame + ((s + 0.5) / SAMPLES - 0.5) * shutter));
  const colourAt = (x: number, y: number, c: { x: number; y: number }): Colour => {
    if (hidden && x >= hidden.left && x < hidden.right) return [60, 60, 65];
    const [dx, dy] = [x - c.x, y - c.y];
    return Math.hypot(dx, dy) <= RADIUS ? ball(dx, dy, turn * frame) : WALL[y * SIZE.width + x]!;
  };
  const [begins, ends] = [centres[0]!, centres.at(-1)!];
  const isNear = (x: number, y: number): boolean =>
    x > Math.min(begins.x, ends.x) - RADIUS - 1 &&
    x < Math.max(begins.x, ends.x) + RADIUS + 1 &&
    y > Math.min(begins.y, ends.y) - RADIUS - 1 &&
    y < Math.max(begins.y, ends.y) + RADIUS + 1;
  return painted((x, y) => {
    // Far from the ball every instant shows the same.
    if (!isNear(x, y)) return colourAt(x, y, begins);
    const colours = centres.map((centre) => colourAt(x, y, centre));
    return [0, 1, 2].map((c) => colours.reduce((sum, colour) => sum + colour[c]!, 0) / SAMPLES) as unknown as Colour;
  }, noise);
}

function partsOf(values: Float32Array): PatchOf {
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

interface Way {
  readonly errors: number[];
  readonly stoppedAt: number | null;
  /** How sure the last place is. */
  readonly sure: number;
}

function follow(scene: Pictures, frames: number, radius = 8): Way {
  const noise = noiseOf(7);
  let before = scene.picture(0, noise);
  let state: Tracked = startTracking(before, scene.at(0), { radius });
  let sure = 1;
  const errors: number[] = [];
  for (let frame = 1; frame < frames; frame++) {
    const now = scene.picture(frame, noise);
    const step = trackingStep(state, before, now, SIZE, { radius });
    if (!step.found) return { errors, stoppedAt: frame, sure };
    state = step.next;
    sure = step.sure;
    const truth = scene.at(frame);
    errors.push(Math.hypot(state.at.x - truth.x, state.at.y - truth.y));
    before = now;
  }
  return { errors: errors.sort((a, b) => a - b), stoppedAt: null, sure };
}

const of = (scene: Scene): Pictures => ({ at: scene.at, picture: (frame, noise) => picture(scene, frame, noise) });

/** Starts slowly, ends fast: 2 to 14 pixels a frame, on a bow. */
const flight = (frame: number): { x: number; y: number } => ({
  x: 40.3 + 2 * frame + 0.2 * frame ** 2,
  y: 150.6 - 3.2 * frame + 0.06 * frame ** 2,
});

test('a ball is followed through motion blur to two pixels, even one whose seam turns', () => {
  const { errors, stoppedAt } = follow(of({ at: flight, shutter: 0.5, turn: 0.03 }), 28);
  expect(stoppedAt).toBeNull();
  expect(errors[errors.length >> 1]).toBeLessThan(2);
  const still = follow(of({ at: flight, shutter: 0.5 }), 28);
  expect(still.stoppedAt).toBeNull();
  expect(still.errors[still.errors.length >> 1]).toBeLessThan(0.6);
});

test('fractions of a pixel are kept where nothing smears', () => {
  const { errors } = follow(
    of({ at: (frame) => ({ x: 60.4 + 0.37 * frame, y: 90.2 + 0.21 * frame }), shutter: 0 }),
    30,
  );
  expect(errors[errors.length >> 1]).toBeLessThan(0.4);
});

test('it stops when the ball goes behind something, and does not follow what covers it', () => {
  const scene: Scene = { at: flight, shutter: 0.5, cover: () => ({ left: 140, right: 320 }) };
  const { stoppedAt } = follow(of(scene), 28);
  // The middle of the ball goes behind the edge at frame 18.
  const gone = Array.from({ length: 28 }, (_, i) => i).find((i) => flight(i).x > 140)!;
  expect(stoppedAt).not.toBeNull();
  expect(Math.abs(stoppedAt! - gone)).toBeLessThanOrEqual(2);
});

test('what was there before the point came is what it passes over, and is not followed', () => {
  // Behind it something stands that looks as much like it; from there on it is hidden.
  const scene: Pictures = {
    at: (frame) => ({ x: 60 + 20 * frame, y: 100 }),
    picture: (frame, noise) =>
      painted((x, y) => {
        const own = 60 + 20 * Math.min(frame, 3);
        const isOwn = frame < 4 && Math.hypot(x - own, y - 100) < 6;
        return isOwn || Math.hypot(x - 152, y - 104) < 6 ? [200, 40 + 3 * (y % 8), 30] : wall(x, y);
      }, noise),
  };
  const { errors, stoppedAt } = follow(scene, 8);
  expect(stoppedAt).toBe(4);
  expect(errors.at(-1)).toBeLessThan(2);
});

test('a velocity is told by places that are sure', () => {
  const series = { x: [1, 4, NaN], y: [2, 6, 0], confidence: [0.9, 0.3, 1] };
  const of = { ...series, x: Float64Array.from(series.x), y: Float64Array.from(series.y) } as unknown as PointSeries;
  expect(velocityInto(of, 1, 1)).toEqual({ x: 3, y: 4 });
  expect([velocityInto(of, 0, -1), velocityInto(of, 1, -1), velocityInto(of, 0, 1)]).toEqual([null, null, null]);
});

test('it stops at the edge of the picture', () => {
  const { stoppedAt } = follow(of({ at: (frame) => ({ x: 250 + 8 * frame, y: 100 }), shutter: 0.2 }), 28);
  expect(stoppedAt).not.toBeNull();
  expect(250 + 8 * (stoppedAt! - 1)).toBeLessThanOrEqual(SIZE.width);
});

test('the end of a bar is followed round half a turn, as fast as a bat is swung at 60 pictures a second', () => {
  for (const turn of [0.1, 0.2, -0.2]) {
    const { errors, stoppedAt } = follow(turningBar(turn), Math.round(Math.PI / Math.abs(turn)), 10);
    expect(stoppedAt).toBeNull();
    expect(errors.at(-1)).toBeLessThan(2);
  }
});

test('along what looks alike a point is less sure from picture to picture, and then asked for', () => {
  expect(follow(plainBar, 4).sure).toBeLessThan(0.8);
  expect(follow(plainBar, 60).stoppedAt).not.toBeNull();
  // So much has been added up, and how it was first is hardly known again.
  const noise = noiseOf(7);
  const [before, now] = [plainBar.picture(0, noise), plainBar.picture(1, noise)];
  const placed = startTracking(before, plainBar.at(0), { radius: 8 });
  const first = { ...placed.first, values: placed.first.values.map((value) => value + 75 * noise()) };
  expect(trackingStep({ ...placed, first, wandered: 17 }, before, now, SIZE, { radius: 8 })).toEqual({
    found: false,
    because: 'unsure',
  });
  // What has corners stays sure.
  expect(follow(of({ at: (frame) => ({ x: 60 + frame, y: 90 }), shutter: 0 }), 20).sure).toBeGreaterThan(0.8);
});
