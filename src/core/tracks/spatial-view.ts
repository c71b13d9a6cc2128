import { LENGTH_SHARES } from '../anatomy/segment-table';
import type { Size } from '../geometry/vec2';
import type { PointId } from '../anatomy/body-points';
import type { SpatialSeries, SpatialTrack } from './marker-map';
import { ORIGIN, type PointSeries, type Track } from './track';

/**
 * From where points in space are seen: azimuth about the vertical (0 looks along -z with x to the right), elevation
 * above the horizon.
 */
export interface FigureCamera {
  readonly azimuthDegrees: number;
  readonly elevationDegrees: number;
}

const RADIANS = Math.PI / 180;

/** Right and up of a camera's picture as directions in space. */
export function pictureAxes({ azimuthDegrees, elevationDegrees }: FigureCamera): {
  right: readonly [number, number, number];
  up: readonly [number, number, number];
} {
  const [a, e] = [azimuthDegrees * RADIANS, elevationDegrees * RADIANS];
  return {
    right: [Math.cos(a), 0, -Math.sin(a)],
    up: [-Math.sin(a) * Math.sin(e), Math.cos(e), -Math.cos(a) * Math.sin(e)],
  };
}

/** Share of the picture that the whole way of the points fills. */
const FILLED = 0.9;

export interface SeenFigure {
  readonly track: Track;
  readonly pixelsPerMetre: number;
}

/** How points in space come to lie in a picture: parallel projection, the same scale everywhere. */
export interface PictureFit {
  readonly right: readonly [number, number, number];
  readonly up: readonly [number, number, number];
  readonly pixelsPerUnit: number;
  /** What lies in the middle of the picture, along right and up. */
  readonly middle: readonly [number, number];
  readonly picture: Size;
}

const along = ({ x, y, z }: SpatialSeries, [a, b, c]: readonly [number, number, number]): Float64Array =>
  x.map((v, i) => a * v + b * y[i]! + c * z[i]!);

/** The fit by which the whole way of the points fills a picture. */
export function fitTo(points: SpatialTrack, camera: FigureCamera, picture: Size): PictureFit {
  const { right, up } = pictureAxes(camera);
  const range = (direction: readonly [number, number, number]): readonly [number, number] => {
    let [low, high] = [Infinity, -Infinity];
    for (const series of Object.values(points) as SpatialSeries[]) {
      for (const v of along(series, direction)) {
        if (v < low) low = v;
        if (v > high) high = v;
      }
    }
    return low <= high ? [low, high] : [0, 1];
  };
  const [[x0, x1], [y0, y1]] = [range(right), range(up)];
  const pixelsPerUnit =
    FILLED * Math.min(picture.width / Math.max(1e-6, x1 - x0), picture.height / Math.max(1e-6, y1 - y0));
  return { right, up, pixelsPerUnit, middle: [(x0 + x1) / 2, (y0 + y1) / 2], picture };
}

/** Points in space as a track of the picture that a fit gives. */
export function trackBy(points: SpatialTrack, { right, up, pixelsPerUnit, middle, picture }: PictureFit): Track {
  const track: Partial<Record<PointId, PointSeries>> = {};
  for (const [id, series] of Object.entries(points) as [PointId, SpatialSeries][]) {
    const [x, y] = [along(series, right), along(series, up)];
    const seen = (i: number): boolean => !Number.isNaN(x[i]!);
    track[id] = {
      x: x.map((v) => picture.width / 2 + (v - middle[0]) * pixelsPerUnit),
      y: y.map((v) => picture.height / 2 - (v - middle[1]) * pixelsPerUnit),
      confidence: Float32Array.from(x, (_, i) => (seen(i) ? 1 : 0)),
      origin: Uint8Array.from(x, (_, i) => (seen(i) ? ORIGIN.recorded : ORIGIN.missing)),
    };
  }
  return track;
}

/**
 * The points as a camera far away sees them (parallel projection, the same scale everywhere), filling the picture.
 * @param picture size of the picture in pixels
 */
export function seenFrom(points: SpatialTrack, camera: FigureCamera, picture: Size): SeenFigure {
  const fit = fitTo(points, camera, picture);
  return { track: trackBy(points, fit), pixelsPerMetre: fit.pixelsPerUnit };
}

/** Horizontal direction; its length says how sure it is. */
interface Heading {
  readonly x: number;
  readonly z: number;
}

/**
 * Mean of unit directions from one point to another over the frames, in the ground plane; shorter than 1 where they
 * differ.
 */
function meanHeading(pairs: readonly (readonly [SpatialSeries | undefined, SpatialSeries | undefined])[]): Heading {
  let [x, z, n] = [0, 0, 0];
  for (const [from, to] of pairs) {
    if (!from || !to) continue;
    from.x.forEach((_, i) => {
      const [dx, dz] = [to.x[i]! - from.x[i]!, to.z[i]! - from.z[i]!];
      const length = Math.hypot(dx, dz);
      if (!(length > 0)) return;
      x += dx / length;
      z += dz / length;
      n++;
    });
  }
  return n === 0 ? { x: 0, z: 0 } : { x: x / n, z: z / n };
}

/** Directions that agree less than this say nothing: someone who turns about. */
const LEAST_AGREEMENT = 0.4;

/**
 * The azimuth that sees the movement from the side: across the way the feet point, or where those are not known across
 * the line of the hips.
 * @returns degrees; the performer faces to the right in the picture
 */
export function sideAzimuth(points: SpatialTrack): number {
  const feet = meanHeading([
    [points['left-ankle'], points['left-foot-index']],
    [points['right-ankle'], points['right-foot-index']],
  ]);
  // Right of the picture is (cos a, -sin a) in (x, z): it should point ahead.
  if (Math.hypot(feet.x, feet.z) > LEAST_AGREEMENT) return Math.atan2(-feet.z, feet.x) / RADIANS;
  const hips = meanHeading([[points['left-hip'], points['right-hip']]]);
  // Ahead is the line from the left to the right hip turned by a quarter about the vertical.
  return Math.hypot(hips.x, hips.z) > 0 ? Math.atan2(hips.x, hips.z) / RADIANS : 0;
}

/**
 * Standing height in the unit of the points, from the chain of trunk, thigh and shank; NaN where it is not seen.
 * @param share which percentile over the frames is taken, 0..1
 */
export function spatialHeight(points: SpatialTrack, share = 0.8): number {
  const heights: number[] = [];
  for (const side of ['left', 'right'] as const) {
    const chain = ['shoulder', 'hip', 'knee', 'ankle'].map((joint) => points[`${side}-${joint}` as PointId]);
    if (chain.includes(undefined)) continue;
    const frames = chain[0]!.x.length;
    for (let i = 0; i < frames; i++) {
      let sum = 0;
      for (let k = 0; k < 3; k++)
        sum += Math.hypot(
          chain[k]!.x[i]! - chain[k + 1]!.x[i]!,
          chain[k]!.y[i]! - chain[k + 1]!.y[i]!,
          chain[k]!.z[i]! - chain[k + 1]!.z[i]!,
        );
      if (!Number.isNaN(sum)) heights.push(sum / (LENGTH_SHARES.thigh + LENGTH_SHARES.shank + LENGTH_SHARES.trunk));
    }
  }
  heights.sort((a, b) => a - b);
  return heights[Math.floor(heights.length * share)] ?? NaN;
}
