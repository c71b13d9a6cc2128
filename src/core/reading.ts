import type { DisplayUnit } from './units';

/** Where a value was read: which clip, at which frames, from which points. */
export interface Provenance {
  readonly clipId: string;
  readonly frames: readonly number[];
  readonly points: readonly string[];
  /** Read from points in space, and not in the picture of the clip. */
  readonly inSpace?: true;
}

/** Whether a value was read from points in space. */
export const isInSpace = (reading: Reading): boolean => reading.measurable && reading.provenance.inSpace === true;

/** Whether a value was read off the pictures of a clip, so that it can be drawn on them. */
export const isReadOff = (reading: Reading, clipId: string): boolean =>
  reading.measurable && reading.provenance.clipId === clipId && reading.provenance.inSpace !== true;

/** What one standard deviation of a clip's own unknowns does to a reading, SI and signed. */
export interface SharedError {
  /** Of the camera's direction. */
  readonly camera: number;
  /** Of how far the camera looks down. */
  readonly tilt: number;
  /** Of the scale. */
  readonly scale: number;
  /** Of where the ground is. */
  readonly ground: number;
}

export const NOTHING_SHARED: SharedError = { camera: 0, tilt: 0, scale: 0, ground: 0 };
export const sharedVariance = ({ camera, tilt, scale, ground }: SharedError): number =>
  camera ** 2 + tilt ** 2 + scale ** 2 + ground ** 2;
/** What one reading shares less what another of the same clip does. */
export const sharedDifference = (a: SharedError = NOTHING_SHARED, b: SharedError = NOTHING_SHARED): SharedError => ({
  camera: a.camera - b.camera,
  tilt: a.tilt - b.tilt,
  scale: a.scale - b.scale,
  ground: a.ground - b.ground,
});

/** A measured value in SI (radians, seconds, ratio) with its standard deviation. */
export interface Measured {
  readonly measurable: true;
  readonly value: number;
  readonly sd: number;
  /** The part of the deviation that is alike in every clip measured the same way (the detector's idea of a joint). */
  readonly systematicSd: number;
  /**
   * The part of the deviation that comes from the points alone, which digitising them twice shows; left out where
   * nothing tells it apart.
   */
  readonly points?: number;
  /** What this reading shares with every other one of the same clip; left out where it shares nothing. Part of `sd`. */
  readonly shared?: SharedError;
  readonly unit: DisplayUnit;
  readonly provenance: Provenance;
}

export type NotMeasurableReason =
  | 'moment-missing'
  | 'unsure-moment'
  | 'point-missing'
  | 'wrong-view'
  | 'camera-moves'
  | 'film-cut'
  | 'still-pictures'
  | 'times-unsure'
  | 'view-too-oblique'
  | 'no-crossing'
  | 'too-uncertain'
  | 'sides-exchanged'
  | 'no-scale'
  | 'order'
  | 'not-answered'
  | 'not-visible'
  | 'no-reference';

/** Why there is no value, and what would make it measurable. */
export interface NotMeasurable {
  readonly measurable: false;
  readonly reason: NotMeasurableReason;
  readonly message: string;
  readonly remedy: string;
}

export type Reading = Measured | NotMeasurable;

export const notMeasurable = (reason: NotMeasurableReason, message: string, remedy: string): NotMeasurable => ({
  measurable: false,
  reason,
  message,
  remedy,
});

/** The part of a reading's deviation that is neither alike in all clips nor shared by all of its own clip. */
export const ownSd = ({ sd, systematicSd, shared }: Measured): number =>
  Math.sqrt(Math.max(0, sd ** 2 - systematicSd ** 2 - sharedVariance(shared ?? NOTHING_SHARED)));
