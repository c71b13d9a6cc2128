import { groundPlane, type GroundMarks } from '../calibration/ground';
import { project } from '../calibration/homography';
import { levelOf } from '../calibration/level';
import { steadyOf } from '../calibration/steady';
import { axesOf, cameraAngles, ontoPlane, type CameraAngles } from '../calibration/view';
import { distance, rotate, type Vec2 } from '../geometry/vec2';
import type { Clip } from '../model/clip';
import type { Quantity } from '../model/quantity';
import type { Trial } from '../trial/trial';
import { placesOf } from '../trial/places';
import { quadrature } from '../statistics/propagate';
import { HAND_SD_PIXELS } from '../statistics/hand-sd';
import type { Surroundings } from './quantity';

const FEET = ['dominant-heel', 'opposite-heel', 'dominant-foot-index', 'opposite-foot-index'] as const;
const grounds = new WeakMap<Trial['smoothed'], Map<string, number>>();

/** Of all frames this share has a lower foot point than the ground: what noise makes of a foot that stands. */
const GROUND_SHARE = 0.15;

/**
 * Where the ground is: a low percentile of the lowest foot point of each frame, movement coordinates, pixels. NaN
 * without feet.
 */
export function groundOf(trial: Trial, camera: CameraAngles = cameraAngles(trial.clip)): number {
  const ofTrack = grounds.get(trial.smoothed) ?? new Map<string, number>();
  grounds.set(trial.smoothed, ofTrack);
  const key = `${camera.offPlane} ${camera.down}`;
  const known = ofTrack.get(key);
  if (known !== undefined) return known;
  const feet = FEET.map((ref) => placesOf(trial, ref, camera).y);
  const lowest: number[] = [];
  for (let i = 0; i < trial.times.length; i++) {
    let least = Infinity;
    for (const y of feet) if (y[i]! < least) least = y[i]!;
    if (least < Infinity) lowest.push(least);
  }
  lowest.sort((a, b) => a - b);
  const ground = lowest[Math.floor(GROUND_SHARE * lowest.length)] ?? NaN;
  ofTrack.set(key, ground);
  return ground;
}

/** Corners on the ground in the picture in which the points are. */
function inOnePicture(clip: Clip, ground: NonNullable<Clip['ground']>): GroundMarks {
  const steady = steadyOf(clip);
  return steady ? { ...ground, corners: ground.corners.map((c) => steady.toGround(ground.frame ?? 0, c)) } : ground;
}

type ToGround = NonNullable<Surroundings['toGround']>;

/** Back from movement coordinates to the picture as filmed, then through the perspective of marks on the ground. */
function groundThrough(clip: Clip, marks: GroundMarks, camera: CameraAngles): ToGround | null {
  const plane = groundPlane(marks);
  if (!plane.ok) return null;
  const axes = axesOf(clip);
  const onto = ontoPlane(camera);
  return ({ x, y }) => {
    const right = (axes.x * x) / onto.x;
    return project(plane.value, rotate({ x: right, y: (onto.lean * right - axes.y * y) / onto.y }, -levelOf(clip)));
  };
}

/** What a quantity may ask of the place: the ground's height, the ground's perspective. */
export function surroundingsOf(trial: Trial, quantity: Quantity, camera: CameraAngles): Surroundings {
  const { clip } = trial;
  const marked = quantity.type === 'ground-distance' ? clip.ground : null;
  return {
    ground: quantity.type === 'height' ? groundOf(trial, camera) : NaN,
    toGround: marked && groundThrough(clip, inOnePicture(clip, marked), camera),
  };
}

/** A measured side of a rectangle on the ground is this much off, a share (common practice for a tape). */
const SIDE_SD_SHARE = 0.01;

/**
 * What corners that were pressed beside their marks, and sides that were measured wrongly, do to a distance on the
 * ground, each by itself, to either side; far outside the rectangle it is most of the error.
 * @param places both ends, movement coordinates, pixels
 * @returns standard deviation, metres
 */
export function groundMarksSd({ clip }: Pick<Trial, 'clip'>, places: readonly Vec2[], camera: CameraAngles): number {
  if (!clip.ground) return 0;
  const marks = inOnePicture(clip, clip.ground);
  const lengthBy = (changed: GroundMarks): number => {
    const toGround = groundThrough(clip, changed, camera);
    return toGround ? distance(toGround(places[0]!), toGround(places[1]!)) : NaN;
  };
  const middle = lengthBy(marks);
  const moved = (k: number, by: Vec2): GroundMarks => ({
    ...marks,
    corners: marks.corners.map((c, i) => (i === k ? { x: c.x + by.x, y: c.y + by.y } : c)),
  });
  const both = (change: (sign: 1 | -1) => GroundMarks): number =>
    Math.sqrt(([1, -1] as const).reduce((sum, sign) => sum + (lengthBy(change(sign)) - middle) ** 2 / 2, 0));
  const corners = marks.corners.flatMap((_, k) => [
    both((sign) => moved(k, { x: sign * HAND_SD_PIXELS, y: 0 })),
    both((sign) => moved(k, { x: 0, y: sign * HAND_SD_PIXELS })),
  ]);
  const sides = (['length', 'width'] as const).map((side) =>
    both((sign) => ({ ...marks, [side]: marks[side] * (1 + sign * SIDE_SD_SHARE) })),
  );
  return quadrature(...corners, ...sides);
}
