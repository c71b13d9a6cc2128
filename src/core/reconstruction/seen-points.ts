import type { PointId } from '../anatomy/body-points';
import { frameAtTime } from '../timing/clip-time';
import type { Clock, Sightings } from './problem';

/** One point as a camera saw it through its clip, pixels; NaN where it did not. */
export interface SeenPoint {
  /** Smoothed, and as it was placed and detected. */
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly rawX: Float64Array;
  readonly rawY: Float64Array;
  /** What changes from frame to frame, one standard deviation along rows and columns. */
  readonly sdX: Float64Array;
  readonly sdY: Float64Array;
  /** What stays from frame to frame: the detector's own idea of where the joint is. */
  readonly bias: number;
}

/** One camera's clip of a performance, as far as geometry needs it. */
export interface SeenClip {
  readonly clipId: string;
  readonly width: number;
  readonly height: number;
  /** Seconds of its own clock. */
  readonly times: Float64Array;
  /** From the first camera's clock to its own: own = offset + rate * first. */
  readonly clock: { readonly offset: number; readonly rate: number };
  readonly points: Readonly<Partial<Record<PointId, SeenPoint>>>;
}

/** Index of the sample before a time that lies between the first and the last. */
const before = (times: Float64Array, at: number): number =>
  Math.min(times.length - 2, Math.max(0, Math.floor(frameAtTime(times, at))));

/**
 * Value of samples at a time, by the cubic through two on each side (Catmull and Rom), so that a quick limb is not cut
 * short between frames; a straight line where only the two beside it are known.
 * @param i index of the sample before
 */
function cubicAt(times: Float64Array, values: Float64Array, at: number, i: number): number {
  const [t1, t2] = [times[i]!, times[i + 1]!];
  const [p1, p2] = [values[i]!, values[i + 1]!];
  const span = t2 - t1;
  const [p0, p3] = [values[i - 1] ?? NaN, values[i + 2] ?? NaN];
  const line = (p2 - p1) / span;
  const m1 = Number.isNaN(p0) ? line : (p2 - p0) / (t2 - times[i - 1]!);
  const m2 = Number.isNaN(p3) ? line : (p3 - p1) / (times[i + 2]! - t1);
  const u = (at - t1) / span;
  const [a, b] = [(m1 + m2) * span - 2 * (p2 - p1), 3 * (p2 - p1) - (2 * m1 + m2) * span];
  return p1 + u * (m1 * span + u * (b + u * a));
}

/** Seconds on each side over which a speed is taken: what a detector trembles from frame to frame is no motion. */
const SPEED_OVER = 0.03;

/**
 * Speed of a point about a time, a second; 0 where it is not known on both sides. It is drawn towards rest as far as it
 * may be noise (positive-part shrinkage, Efron and Morris 1973, from memory): a body that stands still tells no time.
 * @param sd of the values
 */
function speedAt(times: Float64Array, values: Float64Array, at: number, sd: number): number {
  const last = times.length - 1;
  const [from, to] = [Math.max(times[0]!, at - SPEED_OVER), Math.min(times[last]!, at + SPEED_OVER)];
  const value = (time: number): number => cubicAt(times, values, time, before(times, time));
  const speed = (value(to) - value(from)) / (to - from);
  const noise = (Math.SQRT2 * sd) / (to - from);
  return Number.isNaN(speed) ? 0 : speed * Math.max(0, 1 - (noise / speed) ** 2);
}

/**
 * What a camera saw at instants of the first camera's clock.
 * @param base how far its own clock is taken to be off what its frames in common say: where its points are read
 * @param raw whether positions are taken as they were before smoothing
 */
export function sightingsOf(
  clip: SeenClip,
  ids: readonly PointId[],
  instants: Float64Array,
  middle: number,
  base: Clock,
  raw = false,
): Sightings {
  const size = instants.length * ids.length;
  const empty = (): Float64Array => new Float64Array(size).fill(NaN);
  const saw = { x: empty(), y: empty(), speedX: empty(), speedY: empty(), sdX: empty(), sdY: empty() };
  const series = ids.map((id) => clip.points[id]);
  const last = clip.times.length - 1;
  instants.forEach((instant, f) => {
    const time = clip.clock.offset + clip.clock.rate * instant + base.offset + base.drift * (instant - middle);
    if (!(time >= clip.times[0]! && time <= clip.times[last]!) || last < 1) return;
    const i = before(clip.times, time);
    series.forEach((point, j) => {
      if (!point) return;
      const at = f * ids.length + j;
      const x = cubicAt(clip.times, raw ? point.rawX : point.x, time, i);
      const y = cubicAt(clip.times, raw ? point.rawY : point.y, time, i);
      if (Number.isNaN(x + y)) return;
      saw.x[at] = x;
      saw.y[at] = y;
      saw.sdX[at] = Math.max(point.sdX[i]!, point.sdX[i + 1]!);
      saw.sdY[at] = Math.max(point.sdY[i]!, point.sdY[i + 1]!);
      saw.speedX[at] = speedAt(clip.times, point.x, time, saw.sdX[at]!);
      saw.speedY[at] = speedAt(clip.times, point.y, time, saw.sdY[at]!);
    });
  });
  return saw;
}

/**
 * The same by another clock, by the speeds. Points are not read anew at every trial of a clock: the noise that they
 * then have would draw the clock to where it happens to be least.
 */
export function shifted(saw: Sightings, instants: Float64Array, middle: number, by: Clock): Sightings {
  if (by.offset === 0 && by.drift === 0) return saw;
  const points = saw.x.length / instants.length;
  const late = (i: number): number => by.offset + by.drift * (instants[Math.floor(i / points)]! - middle);
  return {
    ...saw,
    x: saw.x.map((v, i) => v + late(i) * saw.speedX[i]!),
    y: saw.y.map((v, i) => v + late(i) * saw.speedY[i]!),
  };
}
