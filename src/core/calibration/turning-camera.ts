import { solve } from '../geometry/solve';
import type { Vec2 } from '../geometry/vec2';
import { heldLength, type Hold } from './optical-flow';
import { medianOf } from '../signal/median';

/** Points of a picture from its middle, in widths of the picture; y points down. */
export interface Pair {
  readonly from: Vec2;
  readonly to: Vec2;
  /** How well it holds in each direction. */
  readonly hold: Hold;
}

/** A rotation as a matrix, row by row: directions of one picture to those of another. */
export type Rotation = readonly [number, number, number, number, number, number, number, number, number];

/** How a camera stands that only turns and zooms: the rotation and the growth from the first picture. */
export interface Turned {
  readonly rotation: Rotation;
  /** Focal length over that of the first picture. */
  readonly zoom: number;
}

export const AS_AT_FIRST: Turned = { rotation: [1, 0, 0, 0, 1, 0, 0, 0, 1], zoom: 1 };

/** The rotation by a vector (Rodrigues): its length is the angle, radians. */
export function rotationOf([x, y, z]: readonly [number, number, number]): Rotation {
  const angle = Math.hypot(x, y, z);
  const [s, v] = angle < 1e-9 ? [1, 0.5] : [Math.sin(angle) / angle, (1 - Math.cos(angle)) / (angle * angle)];
  const c = Math.cos(angle);
  return [
    c + v * x * x,
    v * x * y - s * z,
    v * x * z + s * y,
    v * x * y + s * z,
    c + v * y * y,
    v * y * z - s * x,
    v * x * z - s * y,
    v * y * z + s * x,
    c + v * z * z,
  ];
}

/** Its vector back. */
export function vectorOf(r: Rotation): readonly [number, number, number] {
  const [x, y, z] = [(r[7] - r[5]) / 2, (r[2] - r[6]) / 2, (r[3] - r[1]) / 2];
  const sine = Math.hypot(x, y, z);
  const angle = Math.atan2(sine, (r[0] + r[4] + r[8] - 1) / 2);
  const scale = sine < 1e-9 ? 1 : angle / sine;
  return [x * scale, y * scale, z * scale];
}

/** First one rotation, then another. */
export function thenRotate(first: Rotation, then: Rotation): Rotation {
  const at = (row: number, column: number): number =>
    then[3 * row]! * first[column]! + then[3 * row + 1]! * first[3 + column]! + then[3 * row + 2]! * first[6 + column]!;
  return [at(0, 0), at(0, 1), at(0, 2), at(1, 0), at(1, 1), at(1, 2), at(2, 0), at(2, 1), at(2, 2)];
}

const inverse = (r: Rotation): Rotation => [r[0], r[3], r[6], r[1], r[4], r[7], r[2], r[5], r[8]];

/**
 * Where what is seen at a place of one picture is in another.
 * @param focals focal length of either, picture widths
 */
export function seenFrom(rotation: Rotation, { x, y }: Vec2, focals: readonly [number, number]): Vec2 {
  const [u, v] = [x / focals[0], y / focals[0]];
  const depth = rotation[6] * u + rotation[7] * v + rotation[8];
  return {
    x: (focals[1] * (rotation[0] * u + rotation[1] * v + rotation[2])) / depth,
    y: (focals[1] * (rotation[3] * u + rotation[4] * v + rotation[5])) / depth,
  };
}

/** Where a place of the picture of one stand of the camera is in that of another. */
export function betweenStands(from: Turned, to: Turned, focal: number): (point: Vec2) => Vec2 {
  const rotation = thenRotate(inverse(from.rotation), to.rotation);
  return (point) => seenFrom(rotation, point, [focal * from.zoom, focal * to.zoom]);
}

/** Turn about the camera's three axes and growth of the logarithm: what a step between two pictures has. */
type Step = readonly [number, number, number, number];

export interface FittedStep {
  readonly rotation: Rotation;
  readonly zoom: number;
  /** Deviation of one coordinate of a corner from where the fit takes it, widths; of those that agree. */
  readonly noise: number;
  /** How far a place OFF_MIDDLE from the picture's middle may be off for the fit, widths, one standard deviation. */
  readonly sd: number;
  /** Sum of what the fit leaves, by Tukey's biweight, widths squared. */
  readonly cost: number;
}

/** Tukey's biweight reaches zero here, times the robust spread (Holland and Welsch 1977). */
export const BIWEIGHT = 4.685;
const FITS = 10;
/** Spread that sampling alone leaves, widths: a twentieth of a pixel of a picture 320 wide. */
const LEAST_SPREAD = 0.05 / 320;
/** Where people are, from the picture's middle, widths. */
export const OFF_MIDDLE = 0.3;

/** How a place moves with each part of a step, about where the step takes it. */
function slopesAt({ x, y }: Vec2, focal: number): readonly [Step, Step] {
  return [
    [-(x * y) / focal, focal + (x * x) / focal, -y, x],
    [-(focal + (y * y) / focal), (x * y) / focal, x, y],
  ];
}

/**
 * The turn and zoom between two pictures of a camera that stands in one place, by iteratively reweighted least squares
 * (Huber 1981; Gauss and Newton's steps): corners that move by themselves have no say as long as they are the fewer.
 * @param pairs at least three
 * @param focal of the first picture, widths
 * @param start a first guess: shift (widths), growth and turn of the picture
 */
export function fitStep(
  pairs: readonly Pair[],
  focal: number,
  start: { readonly x: number; readonly y: number; readonly scale: number; readonly roll: number },
): FittedStep | null {
  if (pairs.length < 3) return null;
  let rotation = rotationOf([-Math.atan2(start.y, focal), Math.atan2(start.x, focal), start.roll]);
  let zoom = start.scale;
  let normal: number[][] = [];
  const residuals = (): Vec2[] =>
    pairs.map(({ from, to }) => {
      const there = seenFrom(rotation, from, [focal, focal * zoom]);
      return { x: to.x - there.x, y: to.y - there.y };
    });
  // What a corner slides along a line is no misfit (weights by the structure tensor, Kanazawa and Kanatani 2001).
  const off = (left: readonly Vec2[]): readonly number[] => left.map((r, i) => heldLength(pairs[i]!.hold, r));
  // The median length of a plane vector is 1.1774 deviations of a coordinate.
  const robust = (left: readonly Vec2[]): number => Math.max(LEAST_SPREAD, medianOf(off(left)) / 1.1774);
  for (let n = 0; n < FITS; n++) {
    const left = residuals();
    const reach = BIWEIGHT * robust(left);
    normal = [0, 1, 2, 3].map(() => [0, 0, 0, 0]);
    const right = [0, 0, 0, 0];
    const far = off(left);
    pairs.forEach(({ from, hold: [xx, xy, yy] }, i) => {
      if (far[i]! >= reach) return;
      const weight = (1 - (far[i]! / reach) ** 2) ** 2;
      const there = seenFrom(rotation, from, [focal, focal * zoom]);
      const [across, down] = slopesAt(there, focal * zoom);
      for (let a = 0; a < 4; a++) {
        const [u, v] = [xx * across[a]! + xy * down[a]!, xy * across[a]! + yy * down[a]!];
        right[a]! += weight * (u * left[i]!.x + v * left[i]!.y);
        for (let b = 0; b < 4; b++) normal[a]![b]! += weight * (u * across[b]! + v * down[b]!);
      }
    });
    const step = solve(normal, right);
    if (!step || step.some((v) => !Number.isFinite(v))) return null;
    rotation = thenRotate(rotation, rotationOf([step[0]!, step[1]!, step[2]!]));
    zoom *= Math.exp(step[3]!);
    if (Math.hypot(...step) < 1e-8) break;
  }
  const left = residuals();
  const noise = robust(left);
  const reach = BIWEIGHT * noise;
  const cost = off(left).reduce((sum, length) => {
    const share = Math.min(1, length / reach);
    return sum + ((reach * reach) / 6) * (1 - (1 - share * share) ** 3);
  }, 0);
  return { rotation, zoom, noise, cost, sd: noise * spreadOf(normal, focal * zoom) };
}

/** Standard deviation of a place OFF_MIDDLE from the middle for one of a corner's coordinates, by the fit's normal. */
function spreadOf(normal: readonly (readonly number[])[], focal: number): number {
  const places = [
    { x: OFF_MIDDLE, y: 0 },
    { x: -OFF_MIDDLE, y: 0 },
  ];
  const variances = places.flatMap((place) =>
    slopesAt(place, focal).map((slopes) => {
      const solved = solve(normal, slopes);
      return solved ? solved.reduce((sum, v, i) => sum + v * slopes[i]!, 0) : Infinity;
    }),
  );
  return Math.sqrt(Math.max(...variances));
}

/** A focal length and how sure its logarithm is. */
export interface Focal {
  /** Picture widths. */
  readonly focal: number;
  /** Standard deviation of its natural logarithm. */
  readonly logSd: number;
}

/** Focal lengths that are tried, widths: the widest lens of a telephone to the longest of a stadium. */
const TRIED = Array.from({ length: 25 }, (_, i) => 0.6 * 2 ** (i / 5));
/** What a panning camera usually has, before its pictures tell: zoomed in a little (common practice). */
const USUAL = { log: Math.log(1.8), sd: 0.7 } as const;
/** Neighbouring corners err together, and a lens bends lines: so many corners count as one. */
const CORNERS_AS_ONE = 4;

/**
 * The focal length of a camera that turns about its place: the one with which its turns explain the pictures best
 * (self-calibration of a rotating camera, Hartley 1994; here along one parameter, the picture's middle being where the
 * lens points).
 * @param steps pairs of corners with a first guess of the step between; those over far turns tell most
 */
export function focalOf(
  steps: readonly {
    readonly pairs: readonly Pair[];
    readonly start: Parameters<typeof fitStep>[2];
    /** Zoom of the first of the two pictures. */
    readonly zoom: number;
  }[],
): Focal {
  const costs = TRIED.map((focal) =>
    steps.map(({ pairs, start, zoom }) => fitStep(pairs, focal * zoom, start)).filter((fit) => fit !== null),
  );
  const usable = costs.every((fits) => fits.length === costs[0]!.length) ? costs[0]!.length : 0;
  const sums = costs.map((fits) => fits.reduce((sum, { cost }) => sum + cost, 0));
  const best = sums.indexOf(Math.min(...sums));
  const logs = TRIED.map(Math.log);
  const unlikely = logs.map((log, i) => {
    const variance =
      usable === 0 ? Infinity : usable * LEAST_SPREAD ** 2 + costs[best]!.reduce((s, f) => s + f.noise ** 2, 0);
    const misfit = usable === 0 ? 0 : ((sums[i]! - sums[best]!) * usable) / variance / CORNERS_AS_ONE;
    return misfit + ((log - USUAL.log) / USUAL.sd) ** 2 / 2;
  });
  return peakOf(logs, unlikely);
}

/** Mean and deviation of a logarithm whose unlikelihood is known at some places: parabolas between them. */
function peakOf(logs: readonly number[], unlikely: readonly number[]): Focal {
  const best = Math.min(Math.max(1, unlikely.indexOf(Math.min(...unlikely))), logs.length - 2);
  const [a, b, c] = [unlikely[best - 1]!, unlikely[best]!, unlikely[best + 1]!];
  const h = logs[1]! - logs[0]!;
  const bend = (a - 2 * b + c) / (h * h);
  const top = bend > 0 ? Math.max(-h, Math.min(h, -((c - a) / (2 * h)) / bend)) : 0;
  return { focal: Math.exp(logs[best]! + top), logSd: bend > 0 ? Math.min(USUAL.sd, 1 / Math.sqrt(bend)) : USUAL.sd };
}
