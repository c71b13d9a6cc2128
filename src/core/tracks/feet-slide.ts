import type { PointSeries, Track } from './track';
import { TEXT } from '../../text/core/tracks';

/** Steps this quick against the hips are steps over the ground, heights a second. */
const STEPS = 0.8;
/** Feet that move at least this share of that while they are low slide, where they should stand ... */
const SLIDES = 0.2;
/** ... and at most this one: more is a wheel, a ski or a skate that glides by. */
const GLIDES = 1.3;
/** A foot this near its lowest is on the ground or close to it, heights. */
const LOW = 0.04;
/** Over so much time speeds are taken, seconds: long against noise, short against a step. */
const OVER = 1 / 60;
/** Fewer samples tell nothing. */
const LEAST = 12;

function quantile(values: readonly number[], share: number): number {
  const sorted = values.filter((v) => !Number.isNaN(v)).sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
}

const middleX = (a: PointSeries, b: PointSeries): Float64Array => a.x.map((v, i) => (v + b.x[i]!) / 2);

/**
 * Whether the feet of a picture's points slide along while they should stand: a foot that bears stands still over the
 * ground, so a camera that follows (or a treadmill) shows it going back as fast as the body goes on.
 * @param rate frames per second
 * @returns false where the points do not tell
 */
export function feetSlide(track: Track, rate: number): boolean {
  const [nose, left, right] = [track['nose'] ?? track['left-shoulder'], track['left-hip'], track['right-hip']];
  const feet = (['left', 'right'] as const).flatMap(
    (side) => track[`${side}-foot-index`] ?? track[`${side}-ankle`] ?? [],
  );
  if (!nose || !left || !right || feet.length === 0) return false;
  const hips = middleX(left, right);
  const tall = Math.max(...feet.map(({ y }) => quantile([...y], 0.9))) - quantile([...nose.y], 0.5);
  if (!(tall > 0)) return false;
  const k = Math.max(1, Math.round(OVER * rate));
  const speed = (x: Float64Array, i: number): number => ((x[i + k]! - x[i - k]!) * rate) / (2 * k) / tall;
  const low = feet.flatMap(({ x, y }) => {
    const ground = quantile([...y], 0.95) - LOW * tall;
    return Array.from(y.keys())
      .filter((i) => y[i]! >= ground)
      .map((i) => ({ foot: speed(x, i), hips: speed(hips, i) }))
      .filter(({ foot, hips: body }) => !Number.isNaN(foot + body));
  });
  if (low.length < LEAST) return false;
  const steps = quantile(
    low.map(({ foot, hips: body }) => Math.abs(foot - body)),
    0.5,
  );
  const slow = quantile(
    low.map(({ foot }) => Math.abs(foot)),
    0.25,
  );
  const usual = quantile(
    low.map(({ foot }) => Math.abs(foot)),
    0.5,
  );
  return steps > STEPS && slow > SLIDES * steps && usual < GLIDES * steps;
}

/** What is said of such points, the rest of a sentence. */
export const FEET_SLIDE = TEXT.itsFeetSlideAlongWhile;
