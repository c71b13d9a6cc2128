import type { Clip } from '../../core/model/clip';
import { pointName, type PointId } from '../../core/anatomy/body-points';
import { velocityInto, type WhyLost } from '../../core/tracks/point-tracker';
import {
  carryCorrection,
  clearPoint,
  interpolateBetweenHands,
  mergeTracked,
  placePoint,
  swapSides,
  untilNextHand,
} from '../../core/tracks/track';
import { fail, ok, type Issue, type Result } from '../../core/result';
import { trackPoint, type TrackingIssue } from '../../media/track-point';
import { edit, useDocument } from '../stores/document-store';
import { startJob } from '../stores/jobs';
import { videoOf } from '../files/stored-clips';
import { TEXT } from '../../text/application/tracks';

function changeTrack(
  clip: Clip,
  change: (track: Parameters<typeof placePoint>[0]) => ReturnType<typeof placePoint>,
): void {
  edit((session) => {
    session.tracks[clip.id] = change(session.tracks[clip.id] ?? {}) as never;
  });
}

export const movePoint = (clip: Clip, id: PointId, frame: number, x: number, y: number): void =>
  changeTrack(clip, (track) => placePoint(track, clip.frameTimes.length, id, frame, x, y));

export const hidePoint = (clip: Clip, id: PointId, frame: number): void =>
  changeTrack(clip, (track) => clearPoint(track, clip.frameTimes.length, id, frame));

export const interpolatePoint = (clip: Clip, id: PointId, frame: number): void =>
  changeTrack(clip, (track) => interpolateBetweenHands(track, id, frame));

/** Why a followed point was lost, in words. */
const LOST: Readonly<Record<WhyLost, string>> = {
  changed: TEXT.itIsCoveredOrLooks,
  'not-back': TEXT.somethingElseThereLooksAs,
  outside: TEXT.itLeavesPicture,
  unsure: TEXT.itMayHaveSlid,
};

export interface Tracked {
  /** Frames on which the point was put. */
  readonly frames: number;
  /** The frame at which it was lost, and a sentence that says so; null where it was followed to the end. */
  readonly lost: { readonly frame: number; readonly text: string } | null;
}

/**
 * Follows a point from the frame where it is placed, to the next frame placed by hand or to the end; one undoable step.
 */
export async function trackPointOf(
  clip: Clip,
  id: PointId,
  frame: number,
  step: -1 | 1,
  radius: number,
): Promise<Result<Tracked, TrackingIssue | Issue<'not-placed' | 'no-media'>>> {
  const track = useDocument.getState().session?.tracks[clip.id] ?? {};
  const series = track[id];
  const x = series?.x[frame];
  if (!series || x === undefined || Number.isNaN(x))
    return fail('not-placed', TEXT.pointNameIsNotPlaced(pointName(id), frame + 1));
  const video = await videoOf(clip);
  if (!video.ok) return video;
  const job = startJob(`follow-${clip.id}-${id}`, TEXT.trackingPointName(pointName(id), clip.performer.name));
  try {
    const end = untilNextHand(track, id, clip.frameTimes.length, frame, step);
    const tracked = await trackPoint(video.value, {
      frame,
      at: { x, y: series.y[frame]! },
      velocity: velocityInto(series, frame, step),
      end,
      radius,
      signal: job.signal,
      onProgress: job.progress,
    });
    if (!tracked.ok) return tracked;
    const { positions, lost } = tracked.value;
    if (positions.size > 0) changeTrack(clip, (now) => mergeTracked(now, clip.frameTimes.length, id, positions));
    return ok({
      frames: positions.size,
      lost: lost && {
        frame: lost.frame,
        text: TEXT.pointNameIsLostOn(pointName(id), lost.frame + 1, LOST[lost.because]),
      },
    });
  } finally {
    job.end();
  }
}

/** Keeps the points of a clip as one digitising; the clip can then be digitised anew. */
export function keepDigitising(clip: Clip, by: string): void {
  edit((session) => {
    const track = session.tracks[clip.id];
    if (track)
      session.digitisings.push({
        id: crypto.randomUUID(),
        clipId: clip.id,
        by: by.trim() || 'somebody',
        at: new Date().toISOString(),
        track,
      });
  });
}

export function dropDigitising(id: string): void {
  edit((session) => {
    session.digitisings = session.digitisings.filter((d) => d.id !== id);
  });
}

/** Takes all points of a clip away, to begin anew. */
export function clearPoints(clip: Clip): void {
  edit((session) => {
    session.tracks[clip.id] = {};
    delete session.detections[clip.id];
  });
}

/** Takes a standard error of measurement in place of the one computed from the points, or no longer. */
export function takeMeasuredError(measureIds: readonly string[], sem: number | null): void {
  edit((session) => {
    for (const id of measureIds) {
      if (sem === null) delete session.measuredErrors[id];
      else session.measuredErrors[id] = sem;
    }
  });
}

/** Exchanges left and right from one frame to another in the arms, the legs or the whole body. */
export const swapSidesOf = (clip: Clip, from: number, to: number, part: 'body' | 'arms' | 'legs'): void =>
  changeTrack(clip, (track) =>
    swapSides(
      track,
      from,
      to,
      (id) =>
        part === 'body' ||
        (part === 'arms') === /shoulder|elbow|wrist|pinky|-index$|thumb/.test(id.replace('foot-index', 'foot')),
    ),
  );

/** Moves what was found after a corrected frame by the same amount. */
export function carryOn(
  clip: Clip,
  id: PointId,
  frame: number,
  shift: { readonly x: number; readonly y: number },
): void {
  changeTrack(clip, (track) => carryCorrection(track, id, frame, shift));
}
