import { aheadOfSquare } from '../calibration/view';
import type { PointId } from '../anatomy/body-points';
import type { Views } from '../comparison/side';
import type { CameraPlan } from '../model/camera-plan';
import type { Clip } from '../model/clip';
import { viewsOfBody } from '../reconstruction/body-views';
import { clockSdOf, spaceCameraOf } from '../reconstruction/camera-of-trial';
import { rotationOf, type Pinhole } from '../reconstruction/pinhole';
import { expectBody } from '../reconstruction/expect-body';
import type { SpaceIssue } from '../reconstruction/stated-body';
import { ok, type Result } from '../result';
import { syncMap } from '../timing/sync-map';
import type { SpatialSeries, SpatialTrack } from '../tracks/marker-map';
import type { FigureCamera } from '../tracks/spatial-view';
import { ORIGIN, type PointSeries, type Track } from '../tracks/track';
import { prepareTrial, type Trial } from '../trial/trial';
import { asFilmed, PLACED_SD_DEGREES } from './as-filmed';
import {
  filmingOf,
  filmingOfClip,
  hipHeight,
  looksDown,
  pixelsPerMetre,
  plannedApart,
  plannedDistance,
  planOf,
  planOfSecond,
  type TwoCameraPlan,
} from './camera-plan';
import { liftedBody } from './lifted-body';

/** What is nearer to the lens than this is not in the picture, standing heights. */
const NEAREST = 0.3;

/** Where a camera of a plan stands. */
interface Place {
  /** 0 sees the performer's right side, 90 the front. */
  readonly azimuthDegrees: number;
  readonly distance: number;
  /** By how much it looks down on the performer. */
  readonly elevationDegrees: number;
  readonly view: Clip['view'];
}

/** The view by which somebody would name where the second camera stands, from the square view onwards. */
const viewAt = (ahead: number, travel: Clip['travel'], downDegrees: number): Clip['view'] => ({
  downDegrees,
  ...(Math.abs(ahead) > 45
    ? { kind: 'front', offPlaneDegrees: aheadOfSquare(ahead - 90, 'side', travel) }
    : { kind: 'side', offPlaneDegrees: aheadOfSquare(ahead, 'side', travel) }),
  offPlaneSdDegrees: PLACED_SD_DEGREES,
});

function placesOf({ travel }: Pick<Clip, 'travel'>, plan: TwoCameraPlan): readonly [Place, Place] {
  const { offPlane, distance, second } = plan;
  const beside = offPlane + second.apart;
  const round = (degrees: number): number => (travel === 'left' ? 180 - degrees : degrees);
  const [down, otherDown] = [looksDown(plan, distance), looksDown(plan, second.distance)];
  return [
    {
      azimuthDegrees: round(offPlane),
      elevationDegrees: down,
      distance,
      view: {
        kind: 'side',
        offPlaneDegrees: aheadOfSquare(offPlane, 'side', travel),
        offPlaneSdDegrees: PLACED_SD_DEGREES,
        downDegrees: down,
      },
    },
    {
      azimuthDegrees: round(beside),
      elevationDegrees: otherDown,
      distance: second.distance,
      view: viewAt(beside, travel, otherDown),
    },
  ];
}

/**
 * The plan that a performance was filmed by where a second camera saw it too; only the first camera where the second
 * stood where a plan cannot put one.
 * @param cameras as they were found, the first first
 */
export function planOfTwo(first: Trial, second: Trial, cameras: readonly FigureCamera[]): CameraPlan {
  const plan = planOf(first);
  const [own, other] = cameras;
  if (!own || !other) return plan;
  const round = Math.round(other.azimuthDegrees - own.azimuthDegrees + 720) % 360;
  const apart = first.clip.travel === 'left' ? 360 - round : round;
  if (apart !== plannedApart(apart)) return plan;
  const films = filmingOfClip(second.clip);
  const isSame = JSON.stringify(films) === JSON.stringify(filmingOf(plan));
  const distance = plannedDistance(films, plan.stature, second.bodyHeight);
  return { ...plan, second: { apart, distance, films: isSame ? null : films } };
}

/** The camera at a place, looking at the middle of the movement; in standing heights. */
function pinholeAt(plan: CameraPlan, { azimuthDegrees, elevationDegrees, distance }: Place): Pinhole {
  return {
    rotation: rotationOf({ azimuthDegrees, elevationDegrees }),
    translation: Float64Array.of(0, 0, distance / plan.stature),
    focal: pixelsPerMetre({ ...plan, distance: 1 }),
    centreX: plan.width / 2,
    centreY: plan.height / 2,
  };
}

/** A body in space as a camera sees it. */
function seenBy(camera: Pinhole, body: SpatialTrack, filmed: Trial, { azimuthDegrees, view }: Place): Trial {
  const { rotation: R, translation, focal, centreX, centreY } = camera;
  const seen = ({ x, y, z }: SpatialSeries, like: PointSeries): PointSeries => {
    const along = (row: 0 | 1 | 2): Float64Array =>
      x.map((v, i) => translation[row]! + R[3 * row]! * v + R[3 * row + 1]! * y[i]! + R[3 * row + 2]! * z[i]!);
    const ahead = along(2);
    const inPicture = (values: Float64Array, centre: number): Float64Array =>
      values.map((v, i) => (ahead[i]! > NEAREST ? centre + (focal * v) / ahead[i]! : NaN));
    const columns = inPicture(along(0), centreX);
    return {
      x: columns,
      y: inPicture(along(1), centreY),
      confidence: like.confidence,
      origin: Uint8Array.from(columns, (value) => (Number.isNaN(value) ? ORIGIN.missing : ORIGIN.detected)),
    };
  };
  const track = Object.fromEntries(
    (Object.entries(body) as [PointId, SpatialSeries][]).map(([id, series]) => [
      id,
      seen(series, filmed.smoothed[id]!),
    ]),
  ) as Track;
  const clip: Clip = { ...filmed.clip, id: `${filmed.clip.id} ${azimuthDegrees}`, view, scale: null };
  const { marks, timing } = filmed;
  return { ...prepareTrial(clip, track, {}, filmed.cutoff), marks, timing };
}

/**
 * A measured performance in space, standing heights, as often as a camera films. Depths are those that the lengths of
 * the segments leave (`lifted-body`).
 */
function bodyAsOften(trial: Trial, plan: CameraPlan): SpatialTrack {
  const square = asFilmed(trial, { ...plan, offPlane: 0, lensHeight: hipHeight(plan) });
  const middle = { x: plan.width / 2, y: plan.height / 2 };
  const centred = Object.fromEntries(
    (Object.entries(square.smoothed) as [PointId, PointSeries][]).map(([id, series]) => [
      id,
      { ...series, x: series.x.map((x) => x - middle.x), y: series.y.map((y) => y - middle.y) },
    ]),
  ) as Track;
  const height = 1 / (pixelsPerMetre(plan) * plan.stature);
  return liftedBody(centred, { x: trial.clip.travel === 'left' ? -height : height, y: height });
}

/**
 * A measured performance as two planned cameras would give it: what the first sees, what the second sees, and the body
 * in space that is computed from both, with the covariance of the same adjustment as that of a clip.
 * @returns all views, as of a performance that was filmed so; or why no body can be computed from cameras that stand so
 */
export function filmedByTwo(trial: Trial, plan: TwoCameraPlan): Result<Views, SpaceIssue> {
  const filmed = asFilmed(trial, plan);
  const other = planOfSecond(plan);
  const places = placesOf(trial.clip, plan);
  const cameras = [pinholeAt(plan, places[0]), pinholeAt(other, places[1])];
  const body = bodyAsOften(trial, plan);
  const first = seenBy(cameras[0]!, body, filmed, places[0]);
  const ofOther = other.rate === plan.rate ? body : bodyAsOften(trial, other);
  const second = seenBy(cameras[1]!, ofOther, plan.second.films ? asFilmed(trial, other) : filmed, places[1]);
  const inSpace = expectBody(
    [
      spaceCameraOf(first, null, 0),
      spaceCameraOf(second, syncMap(first.clip, second.clip, [{ own: 0, other: 0 }]), clockSdOf(first, second, 1)),
    ],
    cameras,
    body,
  );
  return inSpace.ok ? ok([filmed, second, ...viewsOfBody(inSpace.value, filmed)]) : inSpace;
}
