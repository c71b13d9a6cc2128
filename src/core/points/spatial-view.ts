import { LENGTH_SHARES } from '../body/segment-table';
import type { Size } from '../geometry/vec2';
import type { PointId } from './body-points';
import type { SpatialSeries, SpatialTrack } from './marker-map';
import { ORIGIN, type PointSeries, type Track } from './track';

/** From where points in space are seen: azimuth about the vertical (0 looks along -z with x to the right), elevation above the horizon. */
export interface FigureCamera {
  readonly azimuthDegrees: number;
  readonly elevationDegrees: number;
}

const RADIANS = Math.PI / 180;

/** Right and up of a camera's picture as directions in space. */
export function pictureAxes({ azimuthDegrees, elevationDegrees }: FigureCamera): { right: readonly [number, number, number]; up: readonly [number, number, number] } {
  const [a, e] = [azimuthDegrees * RADIANS, elevationDegrees * RADIANS];
  return { right: [Math.cos(a), 0, -Math.sin(a)], up: [-Math.sin(a) * Math.sin(e), Math.cos(e), -Math.cos(a) * Math.sin(e)] };
}

/** Share of the picture that the whole way of the points fills. */
const FILLED = 0.9;

export interface SeenFigure {
  readonly track: Track;
  readonly pixelsPerMetre: number;
}

/**
 * The points as a camera far away sees them (parallel projection, the same scale everywhere), filling the picture.
 * @param picture size of the picture in pixels
 */
export function seenFrom(points: SpatialTrack, camera: FigureCamera, picture: Size): SeenFigure {
  const { right, up } = pictureAxes(camera);
  const along = ({ x, y, z }: SpatialSeries, [a, b, c]: readonly [number, number, number]): Float64Array => x.map((v, i) => a * v + b * y[i]! + c * z[i]!);
  const flat = (Object.entries(points) as [PointId, SpatialSeries][]).map(([id, series]) => ({ id, x: along(series, right), y: along(series, up) }));
  const range = (axis: 'x' | 'y'): readonly [number, number] => {
    let [low, high] = [Infinity, -Infinity];
    for (const point of flat) {
      for (const v of point[axis]) {
        if (v < low) low = v;
        if (v > high) high = v;
      }
    }
    return low <= high ? [low, high] : [0, 1];
  };
  const [x0, x1] = range('x');
  const [y0, y1] = range('y');
  const pixelsPerMetre = FILLED * Math.min(picture.width / Math.max(1e-6, x1 - x0), picture.height / Math.max(1e-6, y1 - y0));
  const track: Partial<Record<PointId, PointSeries>> = {};
  for (const { id, x, y } of flat) {
    const seen = (i: number): boolean => !Number.isNaN(x[i]!);
    track[id] = {
      x: x.map((v) => picture.width / 2 + (v - (x0 + x1) / 2) * pixelsPerMetre),
      y: y.map((v) => picture.height / 2 - (v - (y0 + y1) / 2) * pixelsPerMetre),
      confidence: Float32Array.from(x, (_, i) => (seen(i) ? 1 : 0)),
      origin: Uint8Array.from(x, (_, i) => (seen(i) ? ORIGIN.recorded : ORIGIN.missing)),
    };
  }
  return { track, pixelsPerMetre };
}

/** Mean direction in the ground plane, from the first to the last frame in which a point is seen; null where it hardly moves. */
function wayOf(points: SpatialTrack): { x: number; z: number } | null {
  const hip = points['left-hip'] ?? points['right-hip'];
  if (!hip) return null;
  const seen = Array.from(hip.x.keys()).filter((i) => !Number.isNaN(hip.x[i]!));
  const [first, last] = [seen[0], seen.at(-1)];
  if (first === undefined || last === undefined) return null;
  const d = { x: hip.x[last]! - hip.x[first]!, z: hip.z[last]! - hip.z[first]! };
  return Math.hypot(d.x, d.z) < LEAST_WAY ? null : d;
}
/** Whoever moves less stays on the spot, metres. */
const LEAST_WAY = 0.8;

/**
 * The azimuth that sees the movement from the side: across the way, or for someone on the spot along the line of the hips.
 * @returns degrees; the performer moves or faces to the right in the picture
 */
export function sideAzimuth(points: SpatialTrack): number {
  const way = wayOf(points);
  // Right of the picture is (cos a, -sin a) in (x, z): it should point along the way.
  if (way) return Math.atan2(-way.z, way.x) / RADIANS;
  const [left, right] = [points['left-hip'], points['right-hip']];
  if (!left || !right) return 0;
  let [sx, sz] = [0, 0];
  left.x.forEach((_, i) => {
    const [dx, dz] = [right.x[i]! - left.x[i]!, right.z[i]! - left.z[i]!];
    if (Number.isNaN(dx + dz)) return;
    sx += dx;
    sz += dz;
  });
  // Facing is the line from left to right hip turned by a quarter about the vertical: up x (right - left).
  return Math.atan2(sx, sz) / RADIANS;
}

/** Standing height in the unit of the points, from the chain of trunk, thigh and shank (80th percentile over the frames); NaN where it is not seen. */
export function spatialHeight(points: SpatialTrack): number {
  const heights: number[] = [];
  for (const side of ['left', 'right'] as const) {
    const chain = ['shoulder', 'hip', 'knee', 'ankle'].map((joint) => points[`${side}-${joint}` as PointId]);
    if (chain.includes(undefined)) continue;
    const frames = chain[0]!.x.length;
    for (let i = 0; i < frames; i++) {
      let sum = 0;
      for (let k = 0; k < 3; k++) sum += Math.hypot(chain[k]!.x[i]! - chain[k + 1]!.x[i]!, chain[k]!.y[i]! - chain[k + 1]!.y[i]!, chain[k]!.z[i]! - chain[k + 1]!.z[i]!);
      if (!Number.isNaN(sum)) heights.push(sum / (LENGTH_SHARES.thigh + LENGTH_SHARES.shank + LENGTH_SHARES.trunk));
    }
  }
  heights.sort((a, b) => a - b);
  return heights[Math.floor(heights.length * 0.8)] ?? NaN;
}
