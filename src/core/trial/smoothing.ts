import { bodyInPicture, isBelieved, LOST_CONFIDENCE } from '../tracks/body-in-picture';
import { bodyHeightPixels } from '../tracks/point-error';
import { HAND_SD_PIXELS } from '../statistics/hand-sd';
import type { SpatialSeries, SpatialTrack } from '../tracks/marker-map';
import { isFromDetector, ORIGIN, type PointSeries, type Track } from '../tracks/track';
import type { PointId } from '../anatomy/body-points';
import { bridgeDropouts, bridgeFrames } from '../signal/dropouts';
import { findOutliers } from '../signal/outliers';
import { sameTimes, typicalInterval } from '../signal/resample';
import { smoothCoordinate } from '../signal/smooth';

/** A detected point that jumps by more than this share of standing height and back is not believed. */
const OUTLIER_SHARE = 0.02;

/** How sure a bridged position is, against its neighbours. */
const BRIDGED_SHARE = 0.5;

/** What is known of a body before it is smoothed. */
interface Body {
  /** Standing height, pixels. */
  readonly height: number;
  /** From the first to the last frame in which it is in the picture. */
  readonly inPicture: readonly [first: number, last: number];
}

/** The marked frames in runs short enough to bridge; in longer runs an unsure position is better than none. */
function bridgeable(marked: readonly boolean[], longest: number): readonly boolean[] {
  const kept = [...marked];
  for (let start = 0; start < kept.length; start++) {
    let end = start;
    while (kept[end]) end++;
    if (start === 0 || end === kept.length || end - start > longest) kept.fill(false, start, end);
    start = end;
  }
  return kept;
}

/**
 * A point without the frames before and after the body is in the picture in which it was lost: there it may lie
 * anywhere, and no neighbour says where.
 */
function withoutStray(series: PointSeries, [first, last]: Body['inPicture']): PointSeries {
  const isStray = (i: number): boolean => (i < first || i > last) && !isBelieved(series, i);
  const kept = (values: Float64Array): Float64Array => values.map((value, i) => (isStray(i) ? NaN : value));
  return series.x.some((_, i) => isStray(i)) ? { ...series, x: kept(series.x), y: kept(series.y) } : series;
}

/** Frames of a detected point that its neighbours say more about than the detector did. */
function unbelieved(series: PointSeries, times: Float64Array, height: number): readonly boolean[] {
  const rate = 1 / typicalInterval(times);
  const wild = Number.isNaN(height) ? [] : findOutliers(series.x, series.y, OUTLIER_SHARE * height, rate);
  const longest = bridgeFrames(times);
  const isDetected = Array.from(series.origin, isFromDetector);
  // A marker that jumps was exchanged for another for a moment, or read wrongly.
  const jumps = bridgeable(
    Array.from(series.origin, (origin, i) => (isDetected[i]! || origin === ORIGIN.recorded) && wild[i] === true),
    longest,
  );
  const lost = bridgeable(
    isDetected.map((detected, i) => detected && (wild[i] === true || series.confidence[i]! < LOST_CONFIDENCE)),
    longest,
  );
  return jumps.map((jump, i) => jump || lost[i]!);
}

/**
 * Standard deviation of one coordinate by how the point came about, share of standing height; by hand it is in pixels.
 */
const SD_SHARE: Readonly<Record<number, number>> = {
  [ORIGIN.detected]: 0.006,
  [ORIGIN.filled]: 0.006,
  [ORIGIN.recorded]: 0.004,
};
/** An error that a hand corrects was there before and after it too, the less the farther away, seconds. */
const CORRECTION_REACH = 0.06;
/** What lies farther from a hand-placed point than this does not tell how wrong it was, seconds. */
const CORRECTION_WITHIN = 0.1;

/**
 * How far each hand-placed point lies from where those beside it that are not say that it would be; NaN where nothing
 * is beside it.
 */
function corrections(series: PointSeries, times: Float64Array, isHand: readonly boolean[]): Float64Array {
  const away = new Float64Array(isHand.length).fill(NaN);
  isHand.forEach((hand, i) => {
    if (!hand) return;
    const beside = (step: 1 | -1): number => {
      let k = i;
      while (isHand[k]) k += step;
      return k >= 0 &&
        k < isHand.length &&
        !Number.isNaN(series.x[k]!) &&
        Math.abs(times[k]! - times[i]!) <= CORRECTION_WITHIN
        ? k
        : NaN;
    };
    const [a, b] = [beside(-1), beside(1)];
    if (Number.isNaN(a) && Number.isNaN(b)) return;
    const [low, high] = [Number.isNaN(a) ? b : a, Number.isNaN(b) ? a : b];
    const u = high === low ? 0 : (i - low) / (high - low);
    away[i] = Math.hypot(
      series.x[i]! - (series.x[low]! * (1 - u) + series.x[high]! * u),
      series.y[i]! - (series.y[low]! * (1 - u) + series.y[high]! * u),
    );
  });
  return away;
}

/**
 * How much each sample of a point counts where some were placed by hand and others were not: by the inverse of its
 * variance. What a hand corrected tells how wrong those beside it are, too, and they follow. Undefined where all came
 * about alike.
 */
function weightsOf(series: PointSeries, times: Float64Array, height: number): Float64Array | undefined {
  const isHand = Array.from(series.origin, (origin) => origin === ORIGIN.hand);
  const others = series.origin.some((origin) => isFromDetector(origin) || origin === ORIGIN.recorded);
  if (!others || !isHand.includes(true)) return undefined;
  const pixels = Number.isNaN(height) ? HAND_SD_PIXELS : height;
  const away = corrections(series, times, isHand);
  const variances = Float64Array.from(
    series.origin,
    (origin) => Math.max(HAND_SD_PIXELS, (SD_SHARE[origin] ?? 0) * pixels) ** 2,
  );
  const usual = Math.max(HAND_SD_PIXELS, SD_SHARE[ORIGIN.detected]! * pixels) ** 2;
  for (let h = 0; h < away.length; h++) {
    if (Number.isNaN(away[h]!)) continue;
    for (let i = 0; i < variances.length; i++) {
      if (!isHand[i])
        variances[i] = variances[i]! + away[h]! ** 2 * Math.exp(-Math.abs(times[i]! - times[h]!) / CORRECTION_REACH);
    }
  }
  return variances.map((v) => usual / v);
}

/** Smooths one point; frames that are not believed are bridged from their neighbours, and so is how sure they are. */
function smoothPoint(placed: PointSeries, times: Float64Array, cutoff: number, body: Body): PointSeries {
  const series = withoutStray(placed, body.inPicture);
  const longestBridge = bridgeFrames(times);
  const smoothing = { cutoff, longestBridge, weights: weightsOf(series, times, body.height) };
  const out = unbelieved(series, times, body.height);
  const kept = (values: Float64Array): Float64Array => values.map((value, i) => (out[i] ? NaN : value));
  const sure = bridgeDropouts(
    Float64Array.from(series.confidence, (c, i) => (out[i] ? NaN : c)),
    longestBridge,
  );
  return {
    ...series,
    x: smoothCoordinate(times, kept(series.x), smoothing),
    y: smoothCoordinate(times, kept(series.y), smoothing),
    confidence: series.confidence.map((c, i) =>
      out[i] && !Number.isNaN(sure[i]!) ? Math.min(1, Math.max(c, BRIDGED_SHARE * sure[i]!)) : c,
    ),
  };
}

/** What was smoothed before: an edit of one point leaves the others as they are. */
const smoothedBefore = new WeakMap<
  PointSeries,
  { readonly times: Float64Array; readonly cutoff: number; readonly body: Body; readonly series: PointSeries }
>();
const alike = (a: Body, b: Body): boolean =>
  Object.is(a.height, b.height) && a.inPicture.every((frame, k) => frame === b.inPicture[k]);

/** Standing height to about two per cent, which is as well as a jump is told by it; a moved point leaves it alone. */
const coarse = (height: number): number => Math.exp(Math.round(Math.log(height) * 50) / 50);

/** Smooths every point of a track; origins stay those of the raw points. */
export function smoothTrack(track: Track, times: Float64Array, cutoff: number): Track {
  const body = { height: coarse(bodyHeightPixels(track)), inPicture: bodyInPicture(track) ?? [0, Infinity] } as const;
  return Object.fromEntries(
    (Object.entries(track) as [PointId, PointSeries][]).map(([id, series]) => {
      const before = smoothedBefore.get(series);
      if (before && before.cutoff === cutoff && alike(before.body, body) && sameTimes(before.times, times))
        return [id, before.series];
      const smoothed = smoothPoint(series, times, cutoff, body);
      smoothedBefore.set(series, { times, cutoff, body, series: smoothed });
      return [id, smoothed];
    }),
  );
}

/** Smooths points in space, each coordinate by itself. */
export function smoothSpatial(spatial: SpatialTrack, times: Float64Array, cutoff: number): SpatialTrack {
  const longestBridge = bridgeFrames(times);
  const smooth = (values: Float64Array): Float64Array => smoothCoordinate(times, values, { cutoff, longestBridge });
  return Object.fromEntries(
    (Object.entries(spatial) as [PointId, SpatialSeries][]).map(([id, { x, y, z }]) => [
      id,
      { x: smooth(x), y: smooth(y), z: smooth(z) },
    ]),
  );
}
