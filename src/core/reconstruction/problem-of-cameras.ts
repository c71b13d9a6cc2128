import type { PointId } from '../anatomy/body-points';
import { adjust, type Adjusted } from './adjust';
import { isJoint, linksBetween } from './body';
import { directionOf } from './pinhole';
import type { CameraPrior, Clock, Problem, Sightings, State } from './problem';
import { shifted, sightingsOf, type SeenClip } from './seen-points';
import { solveFrames } from './solve-frames';
import { startOf } from './start';

/** A camera of a performance, with what is known of it before. */
export interface SpaceCamera {
  readonly clip: SeenClip;
  /** From when to when the body is in the picture, seconds of the clip; left out where it always is. */
  readonly inPicture?: readonly [from: number, to: number];
  readonly prior: Omit<CameraPrior, 'biasSd'>;
  /** Standing height in its picture, pixels. */
  readonly stature: number;
}

/** Frames of the first camera in which every camera has the body in its picture. */
export function sharedFrames(cameras: readonly SpaceCamera[]): number[] {
  const all = cameras[0]!.clip.times;
  return Array.from(all.keys()).filter((f) =>
    cameras.every(({ clip: { clock, times }, inPicture: [from, to] = [times[0]!, times.at(-1)!] }, c) => {
      const at = c === 0 ? all[f]! : clock.offset + clock.rate * all[f]!;
      return at >= from && at <= to;
    }),
  );
}

export const evenly = (frames: readonly number[], most: number): number[] => {
  const n = Math.min(most, frames.length);
  return Array.from({ length: n }, (_, i) => frames[Math.round((i * (frames.length - 1)) / Math.max(1, n - 1))]!);
};

const seenByTwo = (saw: readonly Sightings[], i: number): boolean =>
  saw.filter(({ x }) => !Number.isNaN(x[i]!)).length >= 2;

/**
 * How many of the shared frames show so many joints to two cameras or more, and what share that is of the frames from
 * the first of them to the last: one who comes late into the picture is seen from there on.
 */
export function framesOfBody(
  cameras: readonly SpaceCamera[],
  ids: readonly PointId[],
  shared: readonly number[],
  joints: number,
): { readonly frames: number; readonly share: number } {
  const problem = problemOf(cameras, ids, shared, { biased: false });
  const saw = cameras.map((_, c) => problem.sightings(c, STILL));
  const holds = shared.map((_, f) => ids.filter((_id, j) => seenByTwo(saw, f * ids.length + j)).length >= joints);
  const frames = holds.filter(Boolean).length;
  return { frames, share: frames / (holds.lastIndexOf(true) - holds.indexOf(true) + 1) };
}

/** Points that two cameras or more see: joints, by which they are brought together, or points beside the body. */
export function sharedPoints(cameras: readonly SpaceCamera[], which: (id: PointId) => boolean = isJoint): PointId[] {
  const ids = [...new Set(cameras.flatMap(({ clip }) => Object.keys(clip.points) as PointId[]))];
  return ids.filter((id) => which(id) && cameras.filter(({ clip }) => clip.points[id]).length >= 2);
}

const STILL: Clock = { offset: 0, drift: 0 };

interface ProblemOptions {
  readonly biased: boolean;
  /** Clocks by which the points are read. */
  readonly clocks?: readonly Clock[];
  /** Whether they are taken as they were before smoothing. */
  readonly raw?: boolean;
}

export function problemOf(
  cameras: readonly SpaceCamera[],
  ids: readonly PointId[],
  frames: readonly number[],
  { biased, clocks = cameras.map(() => STILL), raw = false }: ProblemOptions,
): Problem {
  const { times: all } = cameras[0]!.clip;
  const times = Float64Array.from(frames, (f) => all[f]!);
  const middle = all[all.length >> 1]!;
  const saw = cameras.map(({ clip }, c) => {
    const read = sightingsOf(clip, ids, times, middle, clocks[c]!, raw);
    if (biased) return read;
    // Where the lasting part of the errors is no unknown of its own it counts with the rest.
    const bias = ids.map((id) => clip.points[id]?.bias ?? 0);
    const wider = (sds: Float64Array): Float64Array => sds.map((sd, i) => Math.hypot(sd, bias[i % ids.length]!));
    return { ...read, sdX: wider(read.sdX), sdY: wider(read.sdY) };
  });
  return {
    ids,
    links: linksBetween(ids),
    cameras: cameras.map(({ clip, prior }) => ({
      ...prior,
      biasSd: Float64Array.from(ids, (id) => Math.max(0.3, clip.points[id]?.bias ?? 1)),
    })),
    times,
    middle,
    biased,
    sightings: (c, { offset, drift }) =>
      shifted(saw[c]!, times, middle, { offset: offset - clocks[c]!.offset, drift: drift - clocks[c]!.drift }),
  };
}

/** The best of several starts, by cost. */
export function bestStart(
  problem: Problem,
  cameras: readonly SpaceCamera[],
  azimuths: readonly (readonly number[])[],
  stopped?: () => boolean,
): Adjusted {
  const statures = cameras.map((c) => c.stature);
  const all = azimuths.map((azimuth) =>
    adjust(
      problem,
      startOf(
        problem,
        cameras.map(({ prior }, c) => ({
          azimuthDegrees: azimuth[c]!,
          elevationDegrees: prior.elevationDegrees,
        })),
        statures,
      ),
      { iterations: 15, ...(stopped ? { stopped } : {}) },
    ),
  );
  return all.reduce((best, one) => (one.cost < best.cost ? one : best));
}

/** The same cameras and lengths, with points for other frames. */
export function onFrames(
  problem: Problem,
  { cameras, clocks, lengths, biases }: State,
  statures: readonly number[],
): State {
  const directions = cameras.map(({ rotation }) => directionOf(rotation));
  const { points } = startOf(problem, directions, statures);
  return solveFrames(problem, { cameras, clocks, lengths, biases, points }).state;
}

/** How many numbers were observed less how many unknowns were found from them, for the size of the residuals. */
export function freedomOf(problem: Problem, state: State): number {
  let seen = 0;
  problem.cameras.forEach((_, c) => {
    for (const x of problem.sightings(c, state.clocks[c]!).x) if (!Number.isNaN(x)) seen += 2;
  });
  return seen + problem.times.length * (problem.links.links.length - 3 * problem.ids.length);
}

/** Where fewer than two cameras saw a point nothing is said of it. */
export function withoutUnseen(problem: Problem, state: State): Float64Array {
  const saw = problem.cameras.map((_, c) => problem.sightings(c, state.clocks[c]!));
  const points = Float64Array.from(state.points);
  for (let i = 0; 3 * i < points.length; i++) if (!seenByTwo(saw, i)) points.fill(NaN, 3 * i, 3 * i + 3);
  return points;
}
