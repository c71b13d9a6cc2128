import { LENGTH_SHARES } from '../anatomy/segment-table';
import { offPlaneSd } from '../calibration/view';
import type { Clip, ViewKind } from '../model/clip';
import { FIGURE_PICTURE } from '../tracks/figure';
import type { SpatialSeries, SpatialTrack } from '../tracks/marker-map';
import { fitTo, trackBy, type FigureCamera } from '../tracks/spatial-view';
import { ORIGIN, type Track } from '../tracks/track';
import type { Trial } from '../trial/trial';
import type { Body } from './reconstruct';

const RADIANS = Math.PI / 180;

/** The points of a body as series, in its own unit. */
export function trackOfBody({ ids }: Pick<Body, 'ids'>, points: Float64Array): SpatialTrack {
  const frames = points.length / (3 * ids.length);
  return Object.fromEntries(
    ids.map((id, j) => {
      const along = (axis: number): Float64Array =>
        Float64Array.from({ length: frames }, (_, f) => points[3 * (f * ids.length + j) + axis]!);
      return [id, { x: along(0), y: along(1), z: along(2) } satisfies SpatialSeries];
    }),
  );
}

/** Somebody who moves on by more than this goes straight ahead, standing heights. */
const LEAST_WAY = 0.8;
/** How well a way tells straight ahead, degrees (the mid-hip sways with every step). */
const WAY_SD = 2;
/** A way that leads farther than this from what the view says is not straight ahead, degrees. */
const MOST_BESIDE = 40;

interface Heading {
  /** From where the performer is seen to go to the right. */
  readonly azimuthDegrees: number;
  readonly sdDegrees: number;
}

/** Straight ahead of the performer: where the hips go, or what the main camera's view says. */
export function headingOf(track: SpatialTrack, view: Clip['view']): Heading {
  const [left, right] = [track['left-hip'], track['right-hip']];
  const off = Math.abs(view.offPlaneDegrees ?? 0);
  const stated = { azimuthDegrees: 0, sdDegrees: Math.hypot(off, offPlaneSd(view)) };
  if (!left || !right) return stated;
  const seen = Array.from(left.x.keys()).filter((i) => !Number.isNaN(left.x[i]! + right.x[i]!));
  const [first, last] = [seen[0], seen.at(-1)];
  if (first === undefined || last === undefined) return stated;
  const way = (axis: 'x' | 'z'): number =>
    (left[axis][last]! + right[axis][last]! - left[axis][first]! - right[axis][first]!) / 2;
  const azimuthDegrees = Math.atan2(-way('z'), way('x')) / RADIANS;
  return Math.hypot(way('x'), way('z')) > LEAST_WAY && Math.abs(azimuthDegrees) < MOST_BESIDE
    ? { azimuthDegrees, sdDegrees: WAY_SD }
    : stated;
}

/** Standing height in the body's own unit, from the chain of trunk, thigh and shank: the middle of all frames. */
function statureIn(track: SpatialTrack): number {
  const chain = LENGTH_SHARES.thigh + LENGTH_SHARES.shank + LENGTH_SHARES.trunk;
  const heights: number[] = [];
  for (const side of ['left', 'right'] as const) {
    const joints = (['shoulder', 'hip', 'knee', 'ankle'] as const).map((joint) => track[`${side}-${joint}`]);
    if (joints.includes(undefined)) continue;
    for (let i = 0; i < joints[0]!.x.length; i++) {
      let sum = 0;
      for (let k = 0; k < 3; k++) {
        const [a, b] = [joints[k]!, joints[k + 1]!];
        sum += Math.hypot(a.x[i]! - b.x[i]!, a.y[i]! - b.y[i]!, a.z[i]! - b.z[i]!);
      }
      if (!Number.isNaN(sum)) heights.push(sum / chain);
    }
  }
  heights.sort((a, b) => a - b);
  return heights[heights.length >> 1] ?? NaN;
}

/** The same track as a detector's: how its noise is carried on from frame to frame is that of the points it is of. */
const asDetected = (track: Track): Track =>
  Object.fromEntries(
    Object.entries(track).map(([id, series]) => [
      id,
      {
        ...series!,
        origin: series!.origin.map((origin) => (origin === ORIGIN.missing ? origin : ORIGIN.detected)),
      },
    ]),
  );

/** What the planes of a movement are seen from. */
const PLANES: readonly (readonly [ViewKind, Pick<FigureCamera, 'elevationDegrees'> & { readonly by: number }])[] = [
  ['side', { by: 0, elevationDegrees: 0 }],
  ['front', { by: 90, elevationDegrees: 0 }],
  ['overhead', { by: 0, elevationDegrees: 90 }],
];

/**
 * A body in space as cameras far away would see it square to each plane, at the frames and moments of the main camera's
 * clip: what the planes show is read there like from any clip, with the errors of the points in space.
 */
export function viewsOfBody(body: Body, main: Trial): readonly Trial[] {
  const smoothed = trackOfBody(body, body.points);
  const raw = trackOfBody(body, body.raw);
  const heading = headingOf(smoothed, main.clip.view);
  const stature = statureIn(smoothed);
  const metres = main.clip.scale ? (main.bodyHeight * main.clip.scale.metres) / main.clip.scale.pixels / stature : null;
  return PLANES.map(([kind, { by, elevationDegrees }]) => {
    const camera = { azimuthDegrees: heading.azimuthDegrees + by, elevationDegrees };
    const fit = fitTo(smoothed, camera, FIGURE_PICTURE);
    const { right, up, pixelsPerUnit } = fit;
    return {
      clip: {
        ...main.clip,
        ...FIGURE_PICTURE,
        codec: 'points',
        view: { kind, offPlaneDegrees: 0 },
        travel: 'right',
        levelDegrees: 0,
        ground: null,
        camera: null,
        scale: metres === null ? null : { pixels: pixelsPerUnit, metres, alongDegrees: 90 },
      },
      times: main.times,
      interval: main.interval,
      marks: main.marks,
      timing: main.timing,
      checks: main.checks,
      smoothed: trackBy(smoothed, fit),
      raw: asDetected(trackBy(raw, fit)),
      bodyHeight: stature * pixelsPerUnit,
      cutoff: main.cutoff,
      space: {
        points: smoothed,
        pixelsPerUnit,
        errors: {
          ids: body.ids,
          covariances: body.covariances,
          right,
          up,
          headingSd: heading.sdDegrees * RADIANS,
        },
      },
    };
  });
}
