import type { Hidden } from '../core/calibration/camera-motion';
import { cameraState, cameraWords } from '../core/calibration/camera-state';
import type { Clip } from '../core/model/clip';
import { type Issue, ok, type Result } from '../core/result';
import type { PointSeries, Track } from '../core/tracks/track';
import { lookAtCamera, type CameraIssue } from '../media/look-at-camera';
import { changeClip } from './clip-use-cases';
import { inSameStep, useDocument } from './document-store';
import { startJob } from './jobs';
import { videoOf } from './stored-clips';

/** So many pictures a second tell how a camera moves. */
const LOOKS_PER_SECOND = 15;
/** Hair, clothes and what is held reach beyond the points, share of the body's box. */
const BEYOND = 0.2;

/** The box round the points of a frame, shares of the picture's sides; none where nothing is known there. */
function boxOf(track: Track, frame: number, { width, height }: Pick<Clip, 'width' | 'height'>): readonly Hidden[] {
  const all = Object.values(track) as PointSeries[];
  const seen = all.filter(({ x, y }) => !Number.isNaN(x[frame]!) && !Number.isNaN(y[frame]!));
  if (seen.length === 0) return [];
  const [xs, ys] = [seen.map(({ x }) => x[frame]! / width), seen.map(({ y }) => y[frame]! / height)];
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const beyond = BEYOND * Math.max(right - left, bottom - top);
  return [{ left: left - beyond, right: right + beyond, top: top - beyond, bottom: bottom + beyond }];
}

/** Looks how a clip's camera moves and keeps it with the clip; it belongs to the step before it. */
export async function lookAtCameraOf(clip: Clip): Promise<Result<null, CameraIssue | Issue<'no-media'>>> {
  const video = await videoOf(clip);
  if (!video.ok) return video;
  const track = useDocument.getState().session?.tracks[clip.id] ?? {};
  const step = Math.max(1, Math.round(clip.captureRate / LOOKS_PER_SECOND));
  const job = startJob(`camera-${clip.id}`, `Looking at the camera: ${clip.performer.name}`);
  try {
    const path = await lookAtCamera(video.value, clip.fileName, {
      frames: Array.from({ length: Math.ceil(clip.frameTimes.length / step) }, (_, i) => i * step),
      hidden: (frame) => boxOf(track, frame, clip),
      signal: job.signal,
      onProgress: job.progress,
    });
    if (!path.ok) return path;
    inSameStep(() => changeClip(clip.id, { camera: path.value }));
    return ok(null);
  } finally {
    job.end();
  }
}

/** The analyst knows better: the camera stood still. */
export const takeCameraAsStill = (clip: Clip): void => changeClip(clip.id, { camera: null });

/** What is known of a clip's camera, for the screen; null where nobody has looked. */
export function cameraText(clip: Clip): { readonly text: string; readonly moves: boolean } | null {
  const state = cameraState(clip.camera);
  if (state.kind === 'unknown') return null;
  return { text: cameraWords(state), moves: state.kind !== 'still' };
}
