import type { PointId } from '../anatomy/body-points';
import type { Links } from './body';
import type { Pinhole } from './pinhole';

/** What one camera saw of the points: where, how fast it moved there, and how wrong that may be. */
export interface Sightings {
  /** Frame by frame, point by point: pixels from the left and the top, NaN where a point was not seen. */
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** Pixels a second of the camera's own clock. */
  readonly speedX: Float64Array;
  readonly speedY: Float64Array;
  /** What changes from frame to frame, one standard deviation along rows and columns, pixels. */
  readonly sdX: Float64Array;
  readonly sdY: Float64Array;
}

/** What is known of a camera before anything is adjusted. */
export interface CameraPrior {
  readonly azimuthDegrees: number;
  readonly azimuthSd: number;
  readonly elevationDegrees: number;
  readonly elevationSd: number;
  /** Degrees by which up lies clockwise of the picture's up, and how sure; null where the camera looks down. */
  readonly roll: { readonly degrees: number; readonly sd: number } | null;
  /** Usual focal length, pixels, and the standard deviation of its natural logarithm. */
  readonly focal: number;
  readonly focalLogSd: number;
  readonly width: number;
  readonly height: number;
  /** How well the clock is known against the first camera's, seconds. */
  readonly clockSd: number;
  /** The part of each point's error that stays from frame to frame, pixels. */
  readonly biasSd: Float64Array;
}

export interface Clock {
  /** Seconds by which the camera's clock is ahead of what its frames in common say. */
  readonly offset: number;
  /** Seconds a second. */
  readonly drift: number;
}

export interface Problem {
  readonly ids: readonly PointId[];
  readonly links: Links;
  readonly cameras: readonly CameraPrior[];
  /** Times of the frames that are adjusted, seconds of the first camera. */
  readonly times: Float64Array;
  /** The time at which a drift of a clock is taken to begin, seconds of the first camera. */
  readonly middle: number;
  /** What a camera saw at those times by a clock that is so far off. */
  readonly sightings: (camera: number, clock: Clock) => Sightings;
  /** Whether each camera's lasting error of each point is an unknown too. */
  readonly biased: boolean;
}

/** The unknowns. Lengths are in standing heights; x, y up, z as in `spatial-view.ts`. */
export interface State {
  readonly cameras: readonly Pinhole[];
  readonly clocks: readonly Clock[];
  /** Natural logarithms of the segments' lengths. */
  readonly lengths: Float64Array;
  /** Camera by camera, point by point: x, y, pixels. */
  readonly biases: Float64Array;
  /** Frame by frame, point by point: x, y, z. */
  readonly points: Float64Array;
}

/** Unknowns of a camera: three of its rotation, three of its place, its focal length. */
export const OF_CAMERA = 7;
const OF_CLOCK = 2;

/** Where the unknowns that all frames share stand in their vector. */
export interface Layout {
  readonly points: number;
  readonly clock: (camera: number) => number;
  readonly length: number;
  readonly bias: number;
  readonly size: number;
}

export function layoutOf({ cameras, links, ids, biased }: Problem): Layout {
  const clocks = OF_CAMERA * cameras.length;
  const length = clocks + OF_CLOCK * (cameras.length - 1);
  const bias = length + links.lengths.length;
  return {
    points: ids.length,
    clock: (camera) => clocks + OF_CLOCK * (camera - 1),
    length,
    bias,
    size: bias + (biased ? 2 * cameras.length * ids.length : 0),
  };
}
