import { trackFromDetections } from '../src/core/detections/track-from-detections';
import type { Clip } from '../src/core/model/clip';
import { DEFAULT_CUTOFF } from '../src/core/model/session';
import { realTimes } from '../src/core/timing/clip-time';
import type { DetectedPoints } from '../src/core/tracks/track';
import { prepareTrial, type Trial } from '../src/core/trial/trial';
import type { ClipTruth } from '../demo/truth';

/** A rendered clip as it was taken in: its points detected accurately, key events by hand on the nearest frame. */
export function detectedTrial(
  clip: Clip,
  { moments, frameRate, pixels }: ClipTruth,
  detections: readonly (readonly [number, readonly DetectedPoints[]])[],
): Trial {
  const track = trackFromDetections({}, realTimes(clip), new Map(detections), 'accurate');
  const last = pixels.length - 1;
  const marks = Object.fromEntries(
    Object.entries(moments).map(([id, time]) => [id, { frame: Math.min(last, Math.round(time * frameRate)) }]),
  );
  return prepareTrial(clip, track, marks, DEFAULT_CUTOFF);
}
