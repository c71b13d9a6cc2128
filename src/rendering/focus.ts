import { steadyOf } from '../core/calibration/steady';
import { levelOf } from '../core/calibration/level';
import type { PointRef } from '../core/model/quantity';
import type { Clip } from '../core/model/clip';
import type { Trial } from '../core/trial/trial';
import { extentOf } from '../core/signal/extent';
import { asFilmed, pictureAt } from '../core/trial/places';

/** Where a pane that follows the body looks at a frame. */
export interface BodyFocus {
  readonly x: number;
  readonly y: number;
  readonly height: number;
}

/** The pane's middle lies this much of a standing height above the hips, so that raised arms fit. */
const ABOVE_HIPS = 0.12;

/** Metres that fill the pane where pictures are made equal by a known length: about a standing body. */
const NOMINAL_HEIGHT = 1.75;

/**
 * Pixels that are shown alike in every pane: the body's height, or the same number of metres where a length is known.
 */
const sizeOf = ({ clip, bodyHeight }: Trial, sizeBy: 'body' | 'length'): number =>
  sizeBy === 'length' && clip.scale ? (NOMINAL_HEIGHT * clip.scale.pixels) / clip.scale.metres : bodyHeight;

/** A camera that zooms in shows the body larger: by so much what is shown of a frame shrinks with it. */
const growthAt = ({ clip }: Trial, frame: number): number => steadyOf(clip)?.growth(frame) ?? 1;

/**
 * Sideways the view follows the hips; up and down it stays at their median height, so that rising and sinking is seen.
 * Frames without points look where the nearest frame with points does.
 */
export function focusOf(trial: Trial, sizeBy: 'body' | 'length' = 'body'): (frame: number) => BodyFocus | null {
  const size = sizeOf(trial, sizeBy);
  const hips = Array.from(trial.times, (_, i) => pictureAt(trial, 'mid-hip', i));
  const steady = steadyOf(trial.clip);
  const known = hips.flatMap((hip, i) => (hip ? [{ ...(steady?.toGround(i, hip) ?? hip), i }] : []));
  if (known.length === 0 || Number.isNaN(trial.bodyHeight)) return () => null;
  const heights = known.map((hip) => hip.y).sort((a, b) => a - b);
  const y = heights[heights.length >> 1]! - ABOVE_HIPS * trial.bodyHeight;
  return (frame) => {
    const { x } = known.reduce((best, k) => (Math.abs(k.i - frame) < Math.abs(best.i - frame) ? k : best));
    return { ...asFilmed(trial, frame, { x, y }), height: size / growthAt(trial, frame) };
  };
}

/** Side of the square round a performer, in standing heights. */
const ROUND_BODY = 1.4;

/**
 * A square of the picture round the performer in every frame: left, top and side, pixels; null where nobody has been
 * found.
 */
export function squaresRound(trial: Trial): Float64Array | null {
  const focusAt = focusOf(trial);
  if (focusAt(0) === null) return null;
  const squares = new Float64Array(3 * trial.times.length);
  for (let i = 0; i < trial.times.length; i++) {
    const { x, y, height } = focusAt(i)!;
    const side = ROUND_BODY * height;
    squares.set([x - side / 2, y - side / 2, side], 3 * i);
  }
  return squares;
}

/** Part of the way along the ground that is shown beside a standing height, so that all of it is seen. */
const OF_THE_WAY = 0.9;

/**
 * A pane whose ground stands still though the camera moved: the middle of the performer's way, as wide as the way is.
 * @returns null where the camera stands still anyway, or its motion could not be told
 */
export function heldGround(
  trial: Trial,
  sizeBy: 'body' | 'length' = 'body',
): ((frame: number) => BodyFocus | null) | null {
  const steady = steadyOf(trial.clip);
  if (!steady) return null;
  const places = Array.from(trial.times, (_, i) => pictureAt(trial, 'mid-hip', i)).flatMap((hip, i) =>
    hip ? [steady.toGround(i, hip)] : [],
  );
  if (places.length === 0 || Number.isNaN(trial.bodyHeight)) return null;
  const [xs, ys] = [places.map((p) => p.x), places.map((p) => p.y).sort((a, b) => a - b)];
  const { least: left, most: right } = extentOf(xs);
  const middle = { x: (left + right) / 2, y: ys[ys.length >> 1]! - ABOVE_HIPS * trial.bodyHeight };
  const height = sizeOf(trial, sizeBy) + OF_THE_WAY * (right - left);
  return (frame) => ({ ...steady.toPicture(frame, middle), height: height / steady.growth(frame) });
}

/** A pane that is laid over another looks at the same point of both bodies in every frame. */
export function anchoredAt(
  trial: Trial,
  anchor: PointRef,
  sizeBy: 'body' | 'length' = 'body',
): (frame: number) => BodyFocus | null {
  const fallback = focusOf(trial, sizeBy);
  const size = sizeOf(trial, sizeBy);
  return (frame) => {
    const at = pictureAt(trial, anchor, frame);
    return at && !Number.isNaN(trial.bodyHeight) ? { ...at, height: size / growthAt(trial, frame) } : fallback(frame);
  };
}

/** A clip's picture with everything that was set about how it is shown. */
export const shownAs = (clip: Clip) => ({
  width: clip.width,
  height: clip.height,
  rotation: clip.rotation,
  mirrored: clip.mirrored,
  turn: levelOf(clip),
  brightness: clip.brightness,
  contrast: clip.contrast,
});
