import type { PointId } from '../anatomy/body-points';
import { interpolateCubic } from '../signal/interpolate';
import { bodyHeightPixels, DOUBT_SHARE } from '../tracks/point-error';
import { ORIGIN, type PointSeries, type Track } from '../tracks/track';

/** A point is interpolated over at most this long, seconds; a coarse pass leaves half of it. */
const LONGEST = 0.11;
/**
 * Interpolating over half the distance errs a sixteenth as much where a movement is smooth (the error of a cubic goes
 * with the fourth power of the distance).
 */
const HALF_THE_DISTANCE = 1 / 16;

/**
 * How far a point lies, at each frame that was detected, from where a cubic through the two detected frames on either
 * side puts it; NaN at the ends and beside missing points.
 * @param frames detected frames, increasing
 * @param times real seconds of every frame
 * @returns pixels, one for each of `frames`
 */
export function interpolationResiduals(
  series: PointSeries,
  frames: readonly number[],
  times: Float64Array,
): Float64Array {
  return Float64Array.from(frames, (frame, k) => {
    const beside = [frames[k - 2], frames[k - 1], frames[k + 1], frames[k + 2]];
    if (beside.includes(undefined)) return NaN;
    const at = beside as number[];
    const of = (values: Float64Array): number => interpolateCubic(at, times, values, times[frame]!) - values[frame]!;
    return Math.hypot(of(series.x), of(series.y));
  });
}

/**
 * Fills the frames between detected ones by a cubic through the nearest four; a frame that was detected stays as it
 * is, and so does every point that has another origin. The confidence falls by what the interpolation may be off.
 * @param frames detected frames, increasing
 * @param times real seconds of every frame
 */
export function fillBetween(track: Track, frames: readonly number[], times: Float64Array): Track {
  const height = bodyHeightPixels(track);
  const isDetected = new Set(frames);
  const fill = (series: PointSeries): PointSeries => {
    const known = frames.filter((i) => !Number.isNaN(series.x[i]!));
    const residuals = interpolationResiduals(series, known, times);
    const [x, y] = [series.x.slice(), series.y.slice()];
    const [confidence, origin] = [series.confidence.slice(), series.origin.slice()];
    for (let k = 0; k + 1 < known.length; k++) {
      const [a, b] = [known[k]!, known[k + 1]!];
      if (times[b]! - times[a]! > LONGEST) continue;
      const at = known.slice(Math.max(0, k - 1), k + 3);
      const off = (HALF_THE_DISTANCE * Math.max(residuals[k]! || 0, residuals[k + 1]! || 0)) / height || 0;
      const least = Math.min(series.confidence[a]!, series.confidence[b]!);
      for (let i = a + 1; i < b; i++) {
        if (isDetected.has(i) || series.origin[i] !== ORIGIN.missing) continue;
        x[i] = interpolateCubic(at, times, series.x, times[i]!);
        y[i] = interpolateCubic(at, times, series.y, times[i]!);
        confidence[i] = 1 / (1 / Math.max(0.01, least) + (off / DOUBT_SHARE) ** 2);
        origin[i] = ORIGIN.filled;
      }
    }
    return { x, y, confidence, origin };
  };
  return Object.fromEntries(
    (Object.entries(track) as [PointId, PointSeries][]).map(([id, series]) => [id, fill(series)]),
  );
}
