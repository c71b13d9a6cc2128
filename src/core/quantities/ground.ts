import { groundPlane, type GroundMarks } from '../calibration/ground';
import { project } from '../calibration/homography';
import { levelOf } from '../calibration/level';
import { steadyOf } from '../calibration/steady';
import { axesOf, unforeshorten } from '../calibration/view';
import { rotate } from '../geometry/vec2';
import type { Clip } from '../model/clip';
import type { Quantity } from '../model/quantity';
import type { Trial } from '../trial/trial';
import { placesOf } from '../trial/places';
import type { Surroundings } from './quantity';

const FEET = ['dominant-heel', 'opposite-heel', 'dominant-foot-index', 'opposite-foot-index'] as const;
const grounds = new WeakMap<Trial['smoothed'], number>();

/** Of all frames this share has a lower foot point than the ground: what noise makes of a foot that stands. */
const GROUND_SHARE = 0.15;

/**
 * Where the ground is: a low percentile of the lowest foot point of each frame, movement coordinates, pixels. NaN
 * without feet.
 */
export function groundOf(trial: Trial): number {
  const known = grounds.get(trial.smoothed);
  if (known !== undefined) return known;
  const feet = FEET.map((ref) => placesOf(trial, ref, 0).y);
  const lowest: number[] = [];
  for (let i = 0; i < trial.times.length; i++) {
    let least = Infinity;
    for (const y of feet) if (y[i]! < least) least = y[i]!;
    if (least < Infinity) lowest.push(least);
  }
  lowest.sort((a, b) => a - b);
  const ground = lowest[Math.floor(GROUND_SHARE * lowest.length)] ?? NaN;
  grounds.set(trial.smoothed, ground);
  return ground;
}

/** Corners on the ground in the picture in which the points are. */
function inOnePicture(clip: Clip, ground: NonNullable<Clip['ground']>): GroundMarks {
  const steady = steadyOf(clip);
  return steady ? { ...ground, corners: ground.corners.map((c) => steady.toGround(ground.frame ?? 0, c)) } : ground;
}

/** What a quantity may ask of the place: the ground's height, the ground's perspective. */
export function surroundingsOf(trial: Trial, quantity: Quantity, offPlane: number): Surroundings {
  const { clip } = trial;
  const plane =
    quantity.type === 'ground-distance' && clip.ground ? groundPlane(inOnePicture(clip, clip.ground)) : null;
  const axes = axesOf(clip);
  const stretch = unforeshorten(1, offPlane);
  return {
    ground: quantity.type === 'height' ? groundOf(trial) : NaN,
    // Back from movement coordinates to the picture as filmed, then through its perspective.
    toGround: plane?.ok
      ? ({ x, y }) => project(plane.value, rotate({ x: (axes.x * x) / stretch, y: -axes.y * y }, -levelOf(clip)))
      : null,
  };
}
