import { steadyOf } from '../calibration/steady';
import type { Steady } from '../calibration/steady-path';
import type { Check } from '../model/check';
import type { PointId } from '../anatomy/body-points';
import type { Clip } from '../model/clip';
import { frameInterval, intervalsOf, realTimes } from '../timing/clip-time';
import { feetSlide } from '../tracks/feet-slide';
import type { SpatialTrack } from '../tracks/marker-map';
import { learnedCorrections, type LearnedCorrection } from '../tracks/learned-correction';
import { bodyHeightPixels } from '../tracks/point-error';
import type { PointSeries, Track } from '../tracks/track';
import { eventsOfMarks, type Timed, type TimedEvents } from './key-events';
import { smoothSpatial, smoothTrack } from './smoothing';
import type { Space } from './space';
import { statureOf } from './stature';

/** One clip made ready for measuring: smoothed points, real times, marked moments. */
export interface Trial extends TimedEvents {
  readonly clip: Clip;
  /** Smoothed points, pixels of the displayed picture; of a camera that moves those of the steady one (`steady.ts`). */
  readonly smoothed: Track;
  /** The points in space, where they are known; undefined for a picture. */
  readonly space?: Space | undefined;
  /** What corrections by hand told of the frames between them, joint by joint; it is in the smoothed points. */
  readonly learned?: ReadonlyMap<PointId, LearnedCorrection> | undefined;
  /** As they were placed and found, in the same picture. */
  readonly raw: Track;
  /** The feet slide although the background's motion is taken out: the camera went along, which no background tells. */
  readonly slides?: boolean | undefined;
  /** Standing height, pixels of movement coordinates; NaN where the points do not tell. */
  readonly bodyHeight: number;
  /** Answers by eye: measure id -> answer. */
  readonly checks: Readonly<Record<string, Check>>;
  /** Cut-off frequency of the smoothing, Hz. */
  readonly cutoff: number;
}

/** Points of every frame's picture in the steady one. */
function steadyTrack(steady: Steady, track: Track): Track {
  return Object.fromEntries(
    Object.entries(track as Record<string, PointSeries>).map(([id, series]) => {
      const places = Array.from(series.x, (x, i) => steady.toGround(i, { x, y: series.y[i]! }));
      return [
        id,
        { ...series, x: Float64Array.from(places, (p) => p.x), y: Float64Array.from(places, (p) => p.y) },
      ] as const;
    }),
  );
}

const withLearned = (track: Track, learned: Trial['learned']): Track =>
  learned && learned.size > 0
    ? { ...track, ...Object.fromEntries([...learned].map(([id, { series }]) => [id, series])) }
    : track;

/** A picture is taken to show its moment to the sixtieth of a second, as a burst does (common practice), seconds. */
const PICTURE_WITHIN = 1 / 60;

/**
 * A clip with its points smoothed; the costly part, which marking a moment does not change.
 * @param spatial the clip's points in space, where it has them
 */
export function prepareTrack(
  clip: Clip,
  track: Track,
  cutoff: number,
  spatial?: SpatialTrack,
): Omit<Trial, 'marks' | 'timing' | 'checks'> {
  const times = realTimes(clip);
  const intervals = clip.pictures ? null : intervalsOf(clip);
  const steady = steadyOf(clip);
  const raw = steady ? steadyTrack(steady, track) : track;
  const learned = clip.carryCorrections
    ? learnedCorrections(raw, { times, height: bodyHeightPixels(raw), clip })
    : undefined;
  // Pictures have nothing to do with one another.
  const smoothed = clip.pictures ? raw : smoothTrack(withLearned(raw, learned), times, cutoff);
  return {
    clip,
    times,
    interval: clip.pictures ? PICTURE_WITHIN : frameInterval(clip),
    ...(intervals ? { intervals } : {}),
    smoothed,
    ...(learned && learned.size > 0 ? { learned } : {}),
    raw,
    ...(steady && feetSlide(smoothed, 1 / frameInterval(clip)) ? { slides: true } : {}),
    bodyHeight: statureOf(clip, smoothed),
    cutoff,
    ...(spatial && clip.scale
      ? {
          space: {
            points: smoothSpatial(spatial, times, cutoff),
            pixelsPerUnit: clip.scale.pixels / clip.scale.metres,
          },
        }
      : {}),
  };
}

export function prepareTrial(
  clip: Clip,
  track: Track,
  marks: Readonly<Record<string, Timed>>,
  cutoff: number,
  checks: Trial['checks'] = {},
  spatial?: SpatialTrack,
): Trial {
  return { ...prepareTrack(clip, track, cutoff, spatial), ...eventsOfMarks(marks), checks };
}
