import type { Vec2 } from '../geometry/vec2';
import { angleBetween, type Vec3 } from '../geometry/vec3';
import type { Clip, TurnedPath } from '../model/clip';
import { HAND_SD_PIXELS } from '../statistics/hand-sd';
import { NOT_TIED, sampled, steadyBy, type PictureSize, type Steady } from './steady-path';
import { seenTogether, sightingsOf, tiedBy, type Tied } from './tie-points';
import { OFF_MIDDLE } from './turning-camera';

/** Rounds in which a path is brought to its ties: what is shifted is seen at another angle. */
const ROUNDS = 3;

/** A path without what two places tell that its size and direction are off, and how much of that is left. */
interface Sized {
  readonly path: TurnedPath;
  readonly tied: Tied | null;
}

type Together = ReturnType<typeof seenTogether>[number];

/** Logarithm of the angle between two places as seen by a camera of a focal length, widths; no turn changes it. */
function logApart([a, b]: Together['from'], focal: number, { width, height }: PictureSize): number {
  const [u, v] = [a, b].map(({ x, y }): Vec3 => ({
    x: (x - width / 2) / width,
    y: (y - height / 2) / width,
    z: focal,
  })) as [Vec3, Vec3];
  return Math.log(angleBetween(u, v));
}

/**
 * Two places that stand still are always seen under one angle, and the direction between them stays: what the chain is
 * off in zoom (as its logarithm) and roll, each a random walk like its place, goes out of the path.
 */
function sizedBy(frames: Float64Array, path: TurnedPath, size: PictureSize, m: number, ties: Clip['tiePoints']): Sized {
  const STEP = 1e-4;
  const pairs = seenTogether(ties);
  if (pairs.length === 0) return { path, tied: null };
  const { width } = size;
  const angleIn = (marks: Together['from'], zoom: Float64Array, by = 1): number =>
    logApart(marks, path.focal * sampled(frames, zoom, marks[0].frame) * by, size);
  /** By the logarithm of the zoom; a place beside the middle is seen under an angle that changes less. */
  const slopeOf = (marks: Together['from']): number =>
    (angleIn(marks, path.zoom, 1 + STEP) - angleIn(marks, path.zoom)) / STEP;
  const slopes = pairs.map(({ from, to }) => (slopeOf(from) + slopeOf(to)) / 2);
  const variance = ([a, b]: Together['from']): number => {
    const own = sampled(frames, path.own, a.frame);
    return (2 * (own ** 2 + (HAND_SD_PIXELS / width) ** 2)) / (((a.x - b.x) ** 2 + (a.y - b.y) ** 2) / width ** 2);
  };
  const tied = tiedBy(
    pairs.map(({ from, to }, k) => ({
      frame: from[0].frame,
      other: to[0].frame,
      variance: (variance(from) + variance(to)) / slopes[k]! ** 2,
    })),
    (frame) => (sampled(frames, path.drift, frame) / OFF_MIDDLE) ** 2,
  );
  if (!tied) return { path, tied: null };
  const shiftsBy = (apart: readonly Vec2[]): readonly Vec2[] =>
    Array.from(frames, (frame) => tied.shift(apart, frames[m]!, frame));
  let [zoom, apart] = [path.zoom, pairs.map((): Vec2 => ({ x: 0, y: 0 }))];
  for (let round = 0; round < ROUNDS; round++) {
    // What is left after the zooms that were made already.
    apart = pairs.map(({ from, to }, k) => ({
      x: tied.shift(apart, from[0].frame, to[0].frame).x - (angleIn(to, zoom) - angleIn(from, zoom)) / slopes[k]!,
      y: 0,
    }));
    const shifts = shiftsBy(apart);
    zoom = Float64Array.from(path.zoom, (was, i) => was * Math.exp(shifts[i]!.x));
  }
  const steady = steadyBy(frames, { ...path, zoom }, size, m, NOT_TIED);
  const wayOf = ([a, b]: Together['from']): Vec2 => {
    const [p, q] = [steady.toGround(a.frame, a), steady.toGround(b.frame, b)];
    return { x: q.x - p.x, y: q.y - p.y };
  };
  const turned = shiftsBy(
    pairs.map(({ from, to }) => {
      const [a, b] = [wayOf(from), wayOf(to)];
      return { x: 0, y: -Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y) };
    }),
  );
  return { path: { ...path, zoom, z: Float64Array.from(path.z, (z, i) => z - turned[i]!.y) }, tied };
}

/**
 * How the pictures of a path are brought to that of its look number m, its drift taken out by places that stand still
 * and were pressed in several frames.
 */
export function tiedDown(
  frames: Float64Array,
  followed: TurnedPath,
  size: PictureSize,
  m: number,
  ties: Clip['tiePoints'],
): Steady {
  const { path, tied: sizes } = sizedBy(frames, followed, size, m, ties);
  const untied = steadyBy(frames, path, size, m, { place: null, size: sizes });
  const pairs = sightingsOf(ties);
  if (pairs.length === 0) return untied;
  const { width } = size;
  const own = (frame: number): number => sampled(frames, path.own, frame) ** 2;
  const tied = tiedBy(
    pairs.map(({ from, to }) => ({
      frame: from.frame,
      other: to.frame,
      variance: own(from.frame) + own(to.frame) + 2 * (HAND_SD_PIXELS / width) ** 2,
    })),
    (frame) => sampled(frames, path.drift, frame) ** 2,
  );
  if (!tied) return untied;
  const reference = frames[m]!;
  let [steady, apart] = [untied, pairs.map((): Vec2 => ({ x: 0, y: 0 }))];
  for (let round = 0; round < ROUNDS; round++) {
    // What is left after the shifts that were made already.
    apart = pairs.map(({ from, to }) => {
      const [a, b] = [steady.toGround(from.frame, from), steady.toGround(to.frame, to)];
      const shifted = tied.shift(apart, from.frame, to.frame);
      return { x: shifted.x - (b.x - a.x) / width, y: shifted.y - (b.y - a.y) / width };
    });
    const shifts = Array.from(frames, (frame) => tied.shift(apart, reference, frame));
    steady = steadyBy(frames, shiftedBy(frames, path, size, m, shifts), size, m, { place: tied, size: sizes });
  }
  return steady;
}

/** A path whose pictures are shifted in that of the reference: turned by as much, widths. */
function shiftedBy(
  frames: Float64Array,
  path: TurnedPath,
  size: PictureSize,
  m: number,
  shifts: readonly Vec2[],
): TurnedPath {
  const STEP = 1e-5;
  const middle = { x: size.width / 2, y: size.height / 2 };
  const placed = (x: TurnedPath['x'], y: TurnedPath['y']): readonly Vec2[] => {
    const by = steadyBy(frames, { ...path, x, y }, size, m, NOT_TIED);
    return Array.from(frames, (frame) => by.toGround(frame, middle));
  };
  const nudged = (values: TurnedPath['x']): TurnedPath['x'] =>
    Float64Array.from(values, (v, i) => (i === m ? v : v + STEP));
  const at = placed(path.x, path.y);
  const [byX, byY] = [placed(nudged(path.x), path.y), placed(path.x, nudged(path.y))];
  const [x, y] = [Float64Array.from(path.x), Float64Array.from(path.y)];
  shifts.forEach((shift, i) => {
    if (i === m) return;
    const slope = (there: readonly Vec2[]): Vec2 => ({
      x: (there[i]!.x - at[i]!.x) / (STEP * size.width),
      y: (there[i]!.y - at[i]!.y) / (STEP * size.width),
    });
    const [a, b] = [slope(byX), slope(byY)];
    const determinant = a.x * b.y - a.y * b.x;
    if (determinant === 0) return;
    x[i] = x[i]! + (shift.x * b.y - shift.y * b.x) / determinant;
    y[i] = y[i]! + (a.x * shift.y - a.y * shift.x) / determinant;
  });
  return { ...path, x, y };
}
