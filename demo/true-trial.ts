import type { Clip } from '../src/core/model/clip';
import { prepareTrack, type Trial } from '../src/core/trial/trial';
import type { PointId } from '../src/core/anatomy/body-points';
import { statureOf } from '../src/core/trial/stature';
import { ORIGIN, type Track } from '../src/core/tracks/track';
import type { ClipTruth } from './truth';

/** The generator's own points as a track: x and y in pixels of every frame. */
export function truthTrack(truth: ClipTruth): Track {
  const frames = truth.pixels.length;
  return Object.fromEntries(
    truth.points.map((id, k) => [
      id as PointId,
      {
        x: Float64Array.from(truth.pixels, (points) => points[k]![0]),
        y: Float64Array.from(truth.pixels, (points) => points[k]![1]),
        confidence: new Float32Array(frames).fill(1),
        origin: new Uint8Array(frames).fill(ORIGIN.hand),
      },
    ]),
  );
}

/** A trial whose points and moments are the truth, unsmoothed; moments lie between frames. */
export function trueTrial(clip: Clip, truth: ClipTruth): Trial {
  const track = truthTrack(truth);
  const last = truth.pixels.length - 1;
  return {
    ...prepareTrack(clip, {}, 1),
    smoothed: track,
    raw: track,
    bodyHeight: statureOf({ ...clip, view: { kind: 'side', offPlaneDegrees: 0 } }, track),
    checks: {},
    marks: Object.fromEntries(
      Object.entries(truth.moments).map(([id, time]) => [id, Math.min(last, time * truth.frameRate)]),
    ),
  };
}
