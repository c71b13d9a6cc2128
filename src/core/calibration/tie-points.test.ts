import { normals } from '../../../tests/fixtures/random';
import type { Vec2 } from '../geometry/vec2';
import { cameraPathSchema, type CameraPath } from '../model/clip';
import { COVERAGE_95 } from '../statistics/normal';
import { steadyOf } from './steady';
import { seenTogether, sightingsOf, tiedBy, type TiePoint } from './tie-points';
import { betweenStands, OFF_MIDDLE, rotationOf, type Turned } from './turning-camera';

const SIZE = { width: 1280, height: 720 };
const FRAMES = 121;
const FOCAL = 1.3;
/** A look is off by this much beside the last one, widths: in 120 looks 1.1 % of the width. */
const STEP_SD = 0.001;

const column = (of: (k: number) => number): Float64Array<ArrayBuffer> =>
  Float64Array.from({ length: FRAMES }, (_, k) => of(k));
/** Pans by 40 degrees and tilts a little; by 15 where it zooms, so that what is pressed stays in the picture. */
const pan = (k: number, turns: number): number => ((turns > 0 ? 0.26 : 0.7) * k) / FRAMES;
const tilt = (k: number): number => 0.05 * Math.sin(k / 20);
/** And zooms where it is followed in size, too. */
const zoomed = (k: number, turns: number): number => (turns > 0 ? 1 + (0.2 * k) / FRAMES : 1);

interface Filmed {
  readonly camera: CameraPath;
  /** Where a place of the first picture is in that of a frame, pixels. */
  readonly seen: (frame: number, place: Vec2) => Vec2;
}

/**
 * A camera as it was followed, each look a little off, and as it truly went.
 * @param turns by how much of what a look is off in place it is off in size and direction, too
 */
function followed(roll: () => number, turns = 0): Filmed {
  let [x, y, z, zoom] = [0, 0, 0, 0];
  const off = Array.from({ length: FRAMES }, (_, k) => {
    if (k > 0) [x, y] = [x + (STEP_SD / FOCAL) * roll(), y + (STEP_SD / FOCAL) * roll()];
    if (k > 0 && turns > 0)
      [z, zoom] = [z + ((turns * STEP_SD) / OFF_MIDDLE) * roll(), zoom + ((turns * STEP_SD) / OFF_MIDDLE) * roll()];
    return { x, y, z, zoom };
  });
  const camera = cameraPathSchema.parse({
    frames: column((k) => k),
    x: column((k) => 0.01 * k),
    y: column(() => 0),
    scale: column(() => 1),
    roll: column(() => 0),
    share: column(() => 0.9),
    turned: {
      x: column((k) => tilt(k) + off[k]!.x),
      y: column((k) => pan(k, turns) + off[k]!.y),
      z: column((k) => off[k]!.z),
      zoom: column((k) => zoomed(k, turns) * Math.exp(off[k]!.zoom)),
      own: column(() => 0.0003),
      drift: column((k) => STEP_SD * Math.sqrt(k)),
      focal: FOCAL,
      focalLogSd: 0,
    },
  });
  const stand = (k: number): Turned => ({ rotation: rotationOf([tilt(k), pan(k, turns), 0]), zoom: zoomed(k, turns) });
  const { width, height } = SIZE;
  return {
    camera,
    seen: (frame, place) => {
      const at = betweenStands(
        stand(0),
        stand(frame),
        FOCAL,
      )({ x: place.x / width - 0.5, y: (place.y - height / 2) / width });
      return { x: (at.x + 0.5) * width, y: at.y * width + height / 2 };
    },
  };
}

/** A place on the ground that stands in the middle of the picture at a frame, pressed at two. */
function tied({ seen }: Filmed, id: string, place: Vec2, frames: readonly number[], roll: () => number): TiePoint {
  return {
    id,
    seen: frames.map((frame) => {
      const at = seen(frame, place);
      return { frame, x: at.x + 1.5 * roll(), y: at.y + 1.5 * roll() };
    }),
  };
}

/** A place of the first picture that lies right of its middle, so that it is seen for long. */
const MARK = { x: 1000, y: 560 };

/** How far a place is off between two frames when both are brought to one picture, pixels, and what is stated. */
function offBetween(filmed: Filmed, tiePoints: readonly TiePoint[], a: number, b: number) {
  const steady = steadyOf({ ...SIZE, camera: filmed.camera, tiePoints: [...tiePoints] })!;
  const place = { x: 900, y: 400 };
  const [p, q] = [a, b].map((frame) => steady.toGround(frame, filmed.seen(frame, place))) as [Vec2, Vec2];
  return { x: q.x - p.x, y: q.y - p.y, sd: steady.sdBetween(a, b) };
}

test('a mark that is pressed in two frames brings what lies between them together', () => {
  const roll = normals(20261202);
  const [z, before, after]: [number[], number[], number[]] = [[], [], []];
  for (let n = 0; n < 150; n++) {
    const filmed = followed(roll);
    const ties = [tied(filmed, 'cone', MARK, [5, 60, 110], roll)];
    for (const [a, b] of [
      [5, 110],
      [20, 90],
      [60, 85],
    ] as const) {
      const [free, held] = [offBetween(filmed, [], a, b), offBetween(filmed, ties, a, b)];
      before.push(free.x, free.y);
      after.push(held.x, held.y);
      z.push(held.x / held.sd, held.y / held.sd);
      expect(held.sd).toBeLessThan(free.sd);
    }
  }
  const rms = (values: readonly number[]): number => Math.sqrt(values.reduce((s, v) => s + v * v, 0) / values.length);
  expect(rms(after)).toBeLessThan(0.6 * rms(before));
  const held = z.filter((v) => Math.abs(v) <= COVERAGE_95).length / z.length;
  expect(held).toBeGreaterThan(0.9);
  expect(held).toBeLessThan(0.985);
});

test('two marks that are pressed in the same frames hold sizes and directions, too', () => {
  const roll = normals(20261203);
  const z: Record<'size' | 'level', number[]> = { size: [], level: [] };
  const [before, after]: [number[], number[]] = [[], []];
  const rms = (values: readonly number[]): number => Math.sqrt(values.reduce((s, v) => s + v * v, 0) / values.length);
  for (let n = 0; n < 80; n++) {
    const filmed = followed(roll, 1);
    const frames = [5, 60, 110];
    const ties = [tied(filmed, 'cone', MARK, frames, roll), tied(filmed, 'post', { x: 1180, y: 120 }, frames, roll)];
    const line = (tiePoints: readonly TiePoint[], frame: number) => {
      const steady = steadyOf({ ...SIZE, camera: filmed.camera, tiePoints: [...tiePoints] })!;
      const [p, q] = [
        { x: 900, y: 400 },
        { x: 1000, y: 400 },
      ].map((place) => steady.toGround(frame, filmed.seen(frame, place))) as [Vec2, Vec2];
      const size = Math.log(Math.hypot(q.x - p.x, q.y - p.y));
      return {
        size,
        level: Math.atan2(q.y - p.y, q.x - p.x),
        sizeSd: steady.sizeSd(frame),
        levelSd: steady.levelSd(frame),
      };
    };
    for (const [a, b] of [
      [5, 110],
      [25, 85],
    ] as const) {
      const off = (by: readonly TiePoint[]) => {
        const [p, q] = [line(by, a), line(by, b)];
        return {
          size: q.size - p.size,
          level: q.level - p.level,
          sizeSd: Math.hypot(p.sizeSd, q.sizeSd),
          levelSd: Math.hypot(p.levelSd, q.levelSd),
        };
      };
      const [free, held] = [off([]), off(ties)];
      before.push(free.size, free.level);
      after.push(held.size, held.level);
      z.size.push(held.size / held.sizeSd);
      z.level.push(held.level / held.levelSd);
      expect(held.sizeSd).toBeLessThan(free.sizeSd);
      expect(held.levelSd).toBeLessThan(free.levelSd);
    }
  }
  expect(rms(after)).toBeLessThan(0.6 * rms(before));
  for (const kind of [z.size, z.level]) {
    const held = kind.filter((v) => Math.abs(v) <= COVERAGE_95).length / kind.length;
    expect(held).toBeGreaterThan(0.9);
  }
});

test('marks are seen together in frames in which both were pressed', () => {
  const at = (...frames: number[]) => frames.map((frame) => ({ frame, x: frame, y: 0 }));
  const pairs = seenTogether([
    { id: 'a', seen: at(40, 10, 20) },
    { id: 'b', seen: at(20, 30, 40) },
    { id: 'c', seen: at(10) },
  ]);
  expect(pairs.map(({ from, to }) => [from[0].frame, from[1].frame, to[0].frame, to[1].frame])).toEqual([
    [20, 20, 40, 40],
  ]);
});

test('without marks, or with one pressed in a single frame, nothing is otherwise', () => {
  const filmed = followed(normals(7));
  const once = [tied(filmed, 'cone', MARK, [40], () => 0)];
  const { x, y, sd } = offBetween(filmed, [], 10, 100);
  expect(offBetween(filmed, once, 10, 100)).toEqual({ x, y, sd });
});

test('a walk that is known at both ends is surest there and least in the middle', () => {
  // A Wiener process held at 0 and 100 (Brownian bridge): what is left at t of the variance from 0 is (100 - t) / 100.
  const bridge = tiedBy([{ frame: 0, other: 100, variance: 0 }], (frame) => frame)!;
  expect(bridge.left(0, 100)).toBeCloseTo(0, 12);
  for (const t of [10, 50, 90]) expect(bridge.left(0, t)).toBeCloseTo((100 - t) / 100, 12);
  expect(bridge.shift([{ x: 4, y: -2 }], 0, 25)).toEqual({ x: expect.closeTo(1, 12), y: expect.closeTo(-0.5, 12) });
  // Before and after them nothing is told.
  expect(bridge.left(100, 130)).toBe(1);
  expect(bridge.shift([{ x: 4, y: -2 }], 0, 130).x).toBeCloseTo(4, 12);
  expect(tiedBy([{ frame: 5, other: 5, variance: 0 }], (frame) => frame)).toBeNull();
});

test('frames are taken in their order, from each to the next', () => {
  const seen = [30, 10, 20].map((frame) => ({ frame, x: 0, y: 0 }));
  expect(sightingsOf([{ id: 'a', seen }]).map(({ from, to }) => [from.frame, to.frame])).toEqual([
    [10, 20],
    [20, 30],
  ]);
});
