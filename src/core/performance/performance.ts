import type { Check } from '../model/check';
import type { Clip } from '../model/clip';
import { frameInterval, realTimes } from '../timing/clip-time';
import type { SpatialTrack } from '../tracks/marker-map';
import type { Track } from '../tracks/track';
import { momentsOfMarks, type MomentTiming, type Timed } from './moments';
import { smoothSpatial, smoothTrack } from './smoothing';
import { statureOf } from './stature';

/** One clip made ready for measuring: smoothed points, real times, marked moments. */
export interface Performance {
  readonly clip: Clip;
  readonly times: Float64Array;
  readonly interval: number;
  /** Moment id -> frame position. */
  readonly marks: Readonly<Record<string, number>>;
  /** Moment id -> how sure its time is, for those that are proposed; one that is not here was marked by hand. */
  readonly timing?: Readonly<Record<string, MomentTiming>> | undefined;
  /** Smoothed points in pixels of the displayed picture. */
  readonly smoothed: Track;
  /** Smoothed points in space, metres, where the clip was read from such; undefined for a picture. */
  readonly space?: SpatialTrack | undefined;
  /** As they were placed and found. */
  readonly raw: Track;
  /** Standing height, pixels of movement coordinates; NaN where the points do not tell. */
  readonly bodyHeight: number;
  /** Answers by eye: measure id -> answer. */
  readonly checks: Readonly<Record<string, Check>>;
  /** Corner of the smoothing, Hz. */
  readonly cutoff: number;
}

/**
 * A clip with its points smoothed; the costly part, which marking a moment does not change.
 * @param spatial the clip's points in space, where it has them
 */
export function prepareTrack(
  clip: Clip,
  track: Track,
  cutoff: number,
  spatial?: SpatialTrack,
): Omit<Performance, 'marks' | 'timing' | 'checks'> {
  const times = realTimes(clip);
  const smoothed = smoothTrack(track, times, cutoff);
  return {
    clip,
    times,
    interval: frameInterval(clip),
    smoothed,
    raw: track,
    bodyHeight: statureOf(clip, smoothed),
    cutoff,
    ...(spatial ? { space: smoothSpatial(spatial, times, cutoff) } : {}),
  };
}

export function preparePerformance(
  clip: Clip,
  track: Track,
  marks: Readonly<Record<string, Timed>>,
  cutoff: number,
  checks: Performance['checks'] = {},
  spatial?: SpatialTrack,
): Performance {
  return { ...prepareTrack(clip, track, cutoff, spatial), ...momentsOfMarks(marks), checks };
}
