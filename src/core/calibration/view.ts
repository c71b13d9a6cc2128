import type { Clip, View, ViewKind } from '../model/clip';
import type { Plane } from '../model/measure';
import { COVERAGE_95 } from '../statistics/normal';
import { notMeasurable, type NotMeasurable } from '../reading';
import { USUAL_ELEVATION } from './usual-camera';
import { TEXT } from '../../text/core/calibration';

export const PLANE_OF_VIEW: Readonly<Record<ViewKind, Exclude<Plane, 'any'>>> = {
  side: 'sagittal',
  front: 'frontal',
  back: 'frontal',
  overhead: 'transverse',
};

const CAMERA_FOR: Readonly<Record<Exclude<Plane, 'any'>, string>> = {
  sagittal: TEXT.fromSideAtRightAngles,
  frontal: TEXT.fromStraightInFront,
  transverse: TEXT.withSecondCameraToDegrees,
};

/** Beyond this a planar measure is not corrected but refused. */
export const MOST_OFF_PLANE_DEGREES = 30;
/** How well the camera's direction is known when somebody states it (common practice). */
const STATED_VIEW_SD_DEGREES = 3;
/** How well when nobody did: the view's name is all there is (common practice). */
const UNSTATED_VIEW_SD_DEGREES = 7;

/** Why a plane cannot be judged from a clip's view, or null when it can. */
export function viewRefusal(clip: Pick<Clip, 'view'>, plane: Plane): NotMeasurable | null {
  if (plane === 'any') return null;
  const { kind, offPlaneDegrees, downDegrees } = clip.view;
  if (PLANE_OF_VIEW[kind] !== plane) {
    return notMeasurable('wrong-view', TEXT.notMeasurable(kind), TEXT.filmAlso(CAMERA_FOR[plane]));
  }
  const down = kind === 'overhead' ? 0 : (downDegrees ?? 0);
  if (Math.abs(down) > MOST_OFF_PLANE_DEGREES)
    return notMeasurable(
      'view-too-oblique',
      TEXT.cameraLooksDownBy(down > 0 ? TEXT.down : TEXT.up, Math.abs(down), MOST_OFF_PLANE_DEGREES),
      TEXT.filmFromHipHeight,
    );
  if (offPlaneDegrees !== null && Math.abs(offPlaneDegrees) > MOST_OFF_PLANE_DEGREES) {
    return notMeasurable(
      'view-too-oblique',
      TEXT.cameraIsDegreesOffView(Math.abs(offPlaneDegrees), kind, MOST_OFF_PLANE_DEGREES),
      TEXT.filmCamera(CAMERA_FOR[plane]),
    );
  }
  return null;
}

/** How well a camera's direction is known, degrees. */
export const offPlaneSd = (view: View): number =>
  view.offPlaneDegrees === null ? UNSTATED_VIEW_SD_DEGREES : (view.offPlaneSdDegrees ?? STATED_VIEW_SD_DEGREES);

/** Half the 95 % interval of a camera's direction, degrees. */
export const directionHalfWidth = (view: View): number => COVERAGE_95 * offPlaneSd(view);

interface UncertainAngle {
  readonly angle: number;
  readonly sd: number;
}
const RADIANS = Math.PI / 180;

/** Angle (radians) between the camera and the plane's normal, with its standard deviation. */
export const cameraOffPlane = ({ view }: Pick<Clip, 'view'>): UncertainAngle => ({
  angle: (view.offPlaneDegrees ?? 0) * RADIANS,
  sd: offPlaneSd(view) * RADIANS,
});

const { degrees: usual, sd: usualSd } = USUAL_ELEVATION.level;
/** How well it is known whether a camera looks down, degrees: where nobody said, it is taken as level. */
export const downSd = ({ downDegrees, downSdDegrees }: View): number =>
  downDegrees === undefined ? Math.hypot(usual, usualSd) : (downSdDegrees ?? STATED_VIEW_SD_DEGREES);

/**
 * By how much the camera looks down on the performer, radians, with its standard deviation. Points of a file lie in
 * their own plane; how far a camera above is off the vertical is its angle to the plane.
 */
export function cameraDown({ view, codec }: Pick<Clip, 'view'> & Partial<Pick<Clip, 'codec'>>): UncertainAngle {
  if (view.kind === 'overhead') return { angle: 0, sd: 0 };
  const isDrawn = codec === 'points' && view.downDegrees === undefined;
  return { angle: (view.downDegrees ?? 0) * RADIANS, sd: isDrawn ? 0 : downSd(view) * RADIANS };
}

/** From where a camera sees the plane of a movement, radians. */
export interface CameraAngles {
  readonly offPlane: number;
  readonly down: number;
}

/** A camera that sees its picture's own plane: as filmed. */
export const SQUARE: CameraAngles = { offPlane: 0, down: 0 };

export const cameraAngles = (clip: Pick<Clip, 'view'>): CameraAngles => ({
  offPlane: cameraOffPlane(clip).angle,
  down: cameraDown(clip).angle,
});

export interface OntoPlane {
  readonly x: number;
  readonly y: number;
  readonly lean: number;
}

/**
 * From the picture (x to its right, y up) onto the plane of the movement, seen from far away: along the plane
 * `x * u`, up it `y * v + lean * u`, since what lies further along is farther away or nearer too, and seen from above
 * what is farther away is seen higher.
 */
export const ontoPlane = ({ offPlane, down }: CameraAngles): OntoPlane => ({
  x: unforeshorten(1, offPlane),
  y: unforeshorten(1, down),
  lean: Math.tan(offPlane) * Math.tan(down),
});

/** Off a square view, as a view counts it: of one from the side towards the performer's front; and the other way round. */
export const aheadOfSquare = (off: number, kind: ViewKind, travel: Clip['travel']): number =>
  kind === 'side' && travel === 'left' ? 0 - off : off;

/**
 * How far a camera is off its square view as the performer sees it, radians: of a view from the side towards the front,
 * so that it is the same for two who go opposite ways and are filmed as in a mirror.
 */
export const cameraAhead = ({ view, travel }: Pick<Clip, 'view' | 'travel'>): number =>
  aheadOfSquare(cameraOffPlane({ view }).angle, view.kind, travel);

/**
 * Length along the plane as the camera sees it, and back. A length in the plane of the movement seen from psi beside
 * the normal shrinks by cos(psi); an angle b to the vertical becomes b' with tan(b') = tan(b) cos(psi).
 */
export const foreshorten = (length: number, offPlane: number): number => length * Math.cos(offPlane);
export const unforeshorten = (length: number, offPlane: number): number => length / Math.cos(offPlane);

/**
 * Which way the axes of movement coordinates point in the picture: 1 is right for x and up for y. From the side x is
 * forward. From above x is forward and y goes away from the dominant side, so that left- and right-handers who do the
 * same have the same numbers. From the front and from behind x goes towards the dominant side, so that both cameras say
 * the same.
 */
export function axesOf({ view, travel, performer }: Pick<Clip, 'view' | 'travel' | 'performer'>): {
  readonly x: 1 | -1;
  readonly y: 1 | -1;
} {
  const forward = travel === 'right' ? 1 : -1;
  const rightHanded = performer.dominantSide === 'right';
  switch (view.kind) {
    case 'side':
      return { x: forward, y: 1 };
    case 'overhead':
      return { x: forward, y: rightHanded === (travel === 'right') ? 1 : -1 };
    case 'front':
      return { x: rightHanded ? -1 : 1, y: 1 };
    case 'back':
      return { x: rightHanded ? 1 : -1, y: 1 };
  }
}
