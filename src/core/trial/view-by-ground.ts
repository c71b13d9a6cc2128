import { groundPlane } from '../calibration/ground';
import { inverse } from '../calibration/homography';
import { steadyOf } from '../calibration/steady';
import { lensOf } from '../calibration/usual-camera';
import { factorise, forward, backward, inverseOf } from '../geometry/cholesky';
import { cross, dot, scaled, unit, type Vec3 } from '../geometry/vec3';
import type { Clip, View } from '../model/clip';
import { fail, ok, type Issue, type Result } from '../result';
import { HAND_SD_PIXELS } from '../statistics/hand-sd';
import { TEXT } from '../../text/core/trial';

/** From where a camera sees the ground, degrees, each with its standard deviation. */
export interface ViewByGround {
  /** By how much it looks down. */
  readonly down: { readonly degrees: number; readonly sd: number };
  /** How far it is off square to the side that runs across the picture, as `View.offPlaneDegrees`. */
  readonly off: { readonly degrees: number; readonly sd: number };
}

/** Sides are measured to a hundredth (common practice for a tape): what their ratio is off, as a logarithm. */
const RATIO_SD = Math.SQRT2 * 0.01;
/** How level a picture is held, radians (common practice). */
const ROLL_SD = (3 * Math.PI) / 180;
/** Lenses that are tried first, times the usual one: shorter and longer ones may fit a small rectangle as well. */
const LENSES = [0.6, 1, 1.7] as const;
/** A fit that is worse is none: the sum of squared deviations of eleven of which eight are told (chi squared, 0.1 %). */
const MOST_COST = 16.3;
const STEPS = 60;
/** From one side of a rectangle to the next, degrees. */
const SIDES = 90;
/** No error of a camera's direction is smaller, degrees: lenses bend lines a little. */
const LEAST_SD = 0.5;

/** Turns about the vertical, down and sideways, the place of the first corner before the lens, lens, ratio of sides. */
type Unknowns = readonly number[];
const COUNT = 8;

/** Directions to the right of the picture, down in it and ahead, on the ground's axes (x along the length, z up). */
function axesOf([turn, down, roll]: Unknowns): readonly [Vec3, Vec3, Vec3] {
  const ahead: Vec3 = {
    x: Math.cos(turn!) * Math.cos(down!),
    y: Math.sin(turn!) * Math.cos(down!),
    z: -Math.sin(down!),
  };
  const level = unit(cross(ahead, { x: 0, y: 0, z: 1 }));
  const below = cross(ahead, level);
  const turned = (c: number, a: Vec3, s: number, b: Vec3): Vec3 => ({
    x: c * a.x + s * b.x,
    y: c * a.y + s * b.y,
    z: c * a.z + s * b.z,
  });
  const [c, s] = [Math.cos(roll!), Math.sin(roll!)];
  return [turned(c, level, s, below), turned(c, below, -s, level), ahead];
}

/**
 * The camera's direction from a rectangle on the ground that somebody marked and measured: its corners through a pinhole
 * camera, with a usual lens and a picture held about level as what is known before, by least squares (Levenberg and
 * Marquardt), begun from the ground's homography (Zhang 2000). Its deviations are those of the fit.
 */
export function viewByGround(
  clip: Pick<Clip, 'ground' | 'width' | 'height' | 'camera'>,
): Result<ViewByGround, Issue<'no-ground' | 'moves' | 'does-not-fit'>> {
  if (!clip.ground) return fail('no-ground', TEXT.noRectangleMarked);
  if (steadyOf(clip)) return fail('moves', TEXT.rectangleOfMovingCamera);
  const doesNotFit = fail('does-not-fit', TEXT.rectangleDoesNotFit);
  const centre = { x: clip.width / 2, y: clip.height / 2 };
  const corners = clip.ground.corners.map((c) => ({ x: c.x - centre.x, y: c.y - centre.y }));
  // Seen from above the ground, corners that go round one way in the picture do so on it.
  const round = corners.reduce((sum, a, i) => {
    const b = corners[(i + 1) % 4]!;
    return sum + a.x * b.y - a.y * b.x;
  }, 0);
  const { length } = clip.ground;
  const width = round > 0 ? -clip.ground.width : clip.ground.width;
  const plane = groundPlane({ corners, length, width });
  if (!plane.ok) return doesNotFit;
  const { focal, logSd } = lensOf(clip);
  const places = [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ] as const;

  const residuals = (p: Unknowns): readonly number[] => {
    const [right, below, ahead] = axesOf(p);
    const f = focal * Math.exp(p[6]!);
    const pixels = places.flatMap(([along, across], i) => {
      const at: Vec3 = { x: along * length, y: across * width * Math.exp(p[7]!), z: 0 };
      const depth = dot(ahead, at) + p[5]!;
      return [
        ((f * (dot(right, at) + p[3]!)) / depth - corners[i]!.x) / HAND_SD_PIXELS,
        ((f * (dot(below, at) + p[4]!)) / depth - corners[i]!.y) / HAND_SD_PIXELS,
      ];
    });
    return [...pixels, p[2]! / ROLL_SD, p[6]! / logSd, p[7]! / RATIO_SD];
  };
  const starts = LENSES.map((lens) => startFrom(inverse(plane.value), focal * lens, Math.log(lens)));
  const fits = starts.map((start) => fit(residuals, start)).filter((found) => found !== null);
  const [best] = fits.sort((a, b) => a.cost - b.cost);
  if (!best || !(best.cost <= MOST_COST) || best.at[5]! <= 0) return doesNotFit;
  const degrees = 180 / Math.PI;
  const sdOf = (i: number): number => Math.max(LEAST_SD, Math.sqrt(best.covariance[i * COUNT + i]!) * degrees);
  const turned = best.at[0]! * degrees;
  return ok({
    down: { degrees: best.at[1]! * degrees, sd: sdOf(1) },
    off: { degrees: turned - SIDES * Math.round(turned / SIDES), sd: sdOf(0) },
  });
}

/** Turns and place of a camera with a lens, from the homography of the ground (Zhang 2000). */
function startFrom(toPicture: readonly number[], focal: number, lens: number): Unknowns {
  const column = (k: 0 | 1 | 2): Vec3 => ({
    x: toPicture[k]! / focal,
    y: toPicture[3 + k]! / focal,
    z: toPicture[6 + k]!,
  });
  const [a, b, t] = [column(0), column(1), column(2)];
  const size = ((Math.sign(t.z) || 1) * (Math.hypot(a.x, a.y, a.z) + Math.hypot(b.x, b.y, b.z))) / 2;
  const first = unit(scaled(a, 1 / size));
  const up = unit(cross(first, scaled(b, 1 / size)));
  const second = cross(up, first);
  const ahead: Vec3 = { x: first.z, y: second.z, z: up.z };
  const level = unit(cross(ahead, { x: 0, y: 0, z: 1 }));
  const right: Vec3 = { x: first.x, y: second.x, z: up.x };
  const at = scaled(t, 1 / size);
  return [
    Math.atan2(ahead.y, ahead.x),
    Math.asin(Math.max(-1, Math.min(1, -ahead.z))),
    Math.atan2(dot(right, cross(ahead, level)), dot(right, level)),
    at.x,
    at.y,
    at.z,
    lens,
    0,
  ];
}

interface Fit {
  readonly at: Unknowns;
  readonly cost: number;
  readonly covariance: Float64Array;
}

/** Least squares by Levenberg's and Marquardt's steps; null where the unknowns are not told. */
function fit(residuals: (p: Unknowns) => readonly number[], start: Unknowns): Fit | null {
  const costOf = (r: readonly number[]): number => r.reduce((sum, v) => sum + v * v, 0);
  let [at, r, damping] = [start, residuals(start), 1e-3];
  if (!Number.isFinite(costOf(r))) return null;
  const normalOf = (
    p: Unknowns,
    here: readonly number[],
  ): { readonly matrix: Float64Array; readonly right: Float64Array } => {
    const slopes = p.map((value, k) => {
      const step = 1e-6 * Math.max(1, Math.abs(value));
      const there = residuals(p.map((v, i) => (i === k ? v + step : v)));
      return there.map((v, i) => (v - here[i]!) / step);
    });
    const matrix = new Float64Array(COUNT * COUNT);
    for (let i = 0; i < COUNT; i++)
      for (let j = 0; j < COUNT; j++)
        matrix[i * COUNT + j] = slopes[i]!.reduce((sum, v, n) => sum + v * slopes[j]![n]!, 0);
    return { matrix, right: Float64Array.from(slopes, (s) => -s.reduce((sum, v, n) => sum + v * here[n]!, 0)) };
  };
  for (let step = 0; step < STEPS; step++) {
    const { matrix, right } = normalOf(at, r);
    const damped = matrix.map((v, i) => (i % (COUNT + 1) === 0 ? v * (1 + damping) : v));
    if (!factorise(damped, COUNT)) return null;
    forward(damped, COUNT, right, 1);
    backward(damped, COUNT, right, 1);
    const next = at.map((v, i) => v + right[i]!);
    const there = residuals(next);
    const gain = costOf(r) - costOf(there);
    if (gain > 0) [at, r, damping] = [next, there, damping / 5];
    else damping *= 10;
    if ((gain > 0 && gain < 1e-9) || damping > 1e9) break;
  }
  const { matrix } = normalOf(at, r);
  if (!factorise(matrix, COUNT)) return null;
  return { at, cost: costOf(r), covariance: inverseOf(matrix, COUNT) };
}

/** The view with both angles as the ground says, to a tenth of a degree. */
export function viewAsByGround(view: View, { down, off }: ViewByGround, use: 'down' | 'both'): View {
  const tenth = (v: number): number => Math.round(10 * v) / 10;
  return {
    ...view,
    downDegrees: tenth(down.degrees),
    downSdDegrees: tenth(down.sd),
    ...(use === 'both' ? { offPlaneDegrees: tenth(off.degrees), offPlaneSdDegrees: tenth(off.sd) } : {}),
  };
}
