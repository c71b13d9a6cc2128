import { isOwnPoint } from '../anatomy/body-points';
import { offPlaneSd } from '../calibration/view';
import type { Clip, ViewKind } from '../model/clip';
import { FIGURE_PICTURE } from '../tracks/figure';
import type { SpatialSeries, SpatialTrack } from '../tracks/marker-map';
import { fitTo, sideAzimuth, spatialHeight, trackBy, type FigureCamera } from '../tracks/spatial-view';
import { ORIGIN, type Track } from '../tracks/track';
import type { SpaceErrors } from '../trial/space';
import type { Trial } from '../trial/trial';
import { degreesBetween, rotationOf } from './pinhole';
import type { Body } from './stated-body';

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

/** Angle between the directions in which two cameras look, degrees. */
export const degreesApart = (a: FigureCamera, b: FigureCamera): number => degreesBetween(rotationOf(a), rotationOf(b));

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

/** Half of the frames are shorter, half longer: joints that were computed err either way. */
const MIDDLE = 0.5;

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

interface PlaneView {
  readonly kind: ViewKind;
  /** Degrees round the vertical from where the performer goes to the right. */
  readonly round: number;
  readonly elevationDegrees: number;
}

/** From where the planes of a movement are seen. */
const SIDE: PlaneView = { kind: 'side', round: 0, elevationDegrees: 0 };
const FRONT: PlaneView = { kind: 'front', round: 90, elevationDegrees: 0 };
const ABOVE: PlaneView = { kind: 'overhead', round: 0, elevationDegrees: 90 };

/** A clip made ready, but for its moments. */
type Ready = Omit<Trial, 'marks' | 'timing' | 'checks' | 'names'>;

interface Seen {
  readonly smoothed: SpatialTrack;
  readonly raw: SpatialTrack;
  /** Standing height in the points' unit, and metres of a unit; null where no length is known. */
  readonly stature: number;
  readonly metres: number | null;
  readonly azimuthDegrees: number;
  readonly errors?: Omit<SpaceErrors, 'right' | 'up'>;
}

/** The body alone: a ball that flies away makes it no smaller. */
const ofBody = (points: SpatialTrack): SpatialTrack =>
  Object.fromEntries(Object.entries(points).filter(([id]) => !isOwnPoint(id)));

/** Points in space as a camera far away would see them square to a plane, at the frames of the main camera's clip. */
function seenSquare(main: Trial, seen: Seen, { kind, round, elevationDegrees }: PlaneView): Ready {
  const fit = fitTo(
    ofBody(seen.smoothed),
    { azimuthDegrees: seen.azimuthDegrees + round, elevationDegrees },
    FIGURE_PICTURE,
  );
  const { right, up, pixelsPerUnit } = fit;
  const raw = trackBy(seen.raw, fit);
  return {
    clip: {
      ...main.clip,
      ...FIGURE_PICTURE,
      codec: 'points',
      view: { kind, offPlaneDegrees: 0, downDegrees: 0 },
      travel: 'right',
      levelDegrees: 0,
      ground: null,
      camera: null,
      scale: seen.metres === null ? null : { pixels: pixelsPerUnit, metres: seen.metres, alongDegrees: 90 },
    },
    times: main.times,
    interval: main.interval,
    smoothed: trackBy(seen.smoothed, fit),
    raw: seen.errors ? asDetected(raw) : raw,
    bodyHeight: seen.stature * pixelsPerUnit,
    cutoff: main.cutoff,
    space: {
      points: seen.smoothed,
      pixelsPerUnit,
      azimuthDegrees: seen.azimuthDegrees,
      ...(seen.errors ? { errors: { ...seen.errors, right, up } } : {}),
    },
  };
}

const known = new WeakMap<object, { readonly main: Ready; readonly views: readonly Ready[] }>();

/** Views that follow from points in space; they are made once for as long as the main clip and its points stay. */
function viewsOnce(of: object, main: Trial, make: () => readonly Ready[]): readonly Trial[] {
  let kept = known.get(of);
  if (kept?.main.smoothed !== main.smoothed || kept.main.clip !== main.clip) {
    kept = { main, views: make() };
    known.set(of, kept);
  }
  const { marks, timing, checks, names } = main;
  return kept.views.map((view) => ({ ...view, marks, timing, checks, names }));
}

/**
 * A body that was computed from several cameras, square to each plane of the movement: what the planes show is read
 * there like from any clip, with the errors of the points in space.
 */
export const viewsOfBody = (body: Body, main: Trial): readonly Trial[] =>
  viewsOnce(body, main, () => {
    const smoothed = trackOfBody(body, body.points);
    const heading = headingOf(smoothed, main.clip.view);
    const stature = spatialHeight(smoothed, MIDDLE);
    const { scale } = main.clip;
    const seen: Seen = {
      smoothed,
      raw: trackOfBody(body, body.raw),
      stature,
      metres: scale ? (main.bodyHeight * scale.metres) / scale.pixels / stature : null,
      azimuthDegrees: heading.azimuthDegrees,
      errors: { ids: body.ids, covariances: body.covariances, headingSd: heading.sdDegrees * RADIANS },
    };
    return [SIDE, FRONT, ABOVE].map((plane) => seenSquare(main, seen, plane));
  });

/**
 * A recording in space from the front and from above, beside the figure from the side that is its clip.
 * @param recorded as the file has them, metres
 */
export const viewsOfRecorded = (recorded: SpatialTrack, main: Trial): readonly Trial[] =>
  viewsOnce(recorded, main, () => {
    if (!main.space) return [];
    const seen: Seen = {
      smoothed: main.space.points,
      raw: recorded,
      stature: spatialHeight(main.space.points, MIDDLE),
      metres: 1,
      azimuthDegrees: sideAzimuth(recorded),
    };
    return [FRONT, ABOVE].map((plane) => seenSquare(main, seen, plane));
  });
