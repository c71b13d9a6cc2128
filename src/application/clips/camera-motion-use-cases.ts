import { boundsOf } from '../../core/geometry/bounds';
import type { Hidden } from '../../core/calibration/camera-motion';
import { cameraState, cameraWords } from '../../core/calibration/camera-state';
import { steadyOf } from '../../core/calibration/steady';
import type { CameraPath, Clip } from '../../core/model/clip';
import { cameraRefusal } from '../../core/trial/camera-refusal';
import type { Trial } from '../../core/trial/trial';
import { COVERAGE_95 } from '../../core/statistics/normal';
import type { Issue, Result } from '../../core/result';
import type { PointSeries, Track } from '../../core/tracks/track';
import { observeCamera, type CameraIssue } from '../../media/observe-camera';
import { changeClip } from './clip-use-cases';
import { inSameStep, useDocument } from '../stores/document-store';
import { startJob } from '../stores/jobs';
import { videoOf } from '../files/stored-clips';
import { TEXT } from '../../text/application/clips';

/** So many pictures a second tell whether a camera moves, and so many how a hand trembles. */
const LOOKS_PER_SECOND = { whether: 15, how: 60 } as const;
/** Hair, clothes and what is held reach beyond the points, share of the body's box. */
const BEYOND = 0.2;

/** The box round the points of a frame, shares of the picture's sides; none where nothing is known there. */
function boxOf(track: Track, frame: number, { width, height }: Pick<Clip, 'width' | 'height'>): readonly Hidden[] {
  const all = Object.values(track) as PointSeries[];
  const seen = all.filter(({ x, y }) => !Number.isNaN(x[frame]!) && !Number.isNaN(y[frame]!));
  if (seen.length === 0) return [];
  const box = boundsOf(seen.map(({ x, y }) => ({ x: x[frame]! / width, y: y[frame]! / height })));
  const beyond = BEYOND * Math.max(box.width, box.height);
  return [
    {
      left: box.x - beyond,
      right: box.x + box.width + beyond,
      top: box.y - beyond,
      bottom: box.y + box.height + beyond,
    },
  ];
}

/** Frames of a clip at a number of looks a second. */
function framesAt({ captureRate, frameTimes }: Clip, observations: number): readonly number[] {
  const step = Math.max(1, Math.round(captureRate / observations));
  return Array.from({ length: Math.ceil(frameTimes.length / step) }, (_, i) => i * step);
}

/** How a clip's camera moves. One that does is looked at in more pictures, so that its motion can be taken out. */
async function cameraPathOf(clip: Clip): Promise<Result<CameraPath, CameraIssue | Issue<'no-media'>>> {
  const video = await videoOf(clip);
  if (!video.ok) return video;
  const track = useDocument.getState().session?.tracks[clip.id] ?? {};
  const job = startJob(`camera-${clip.id}`, TEXT.checkingCameraName(clip.performer.name));
  const observe = (observations: number): ReturnType<typeof observeCamera> =>
    observeCamera(video.value, {
      frames: framesAt(clip, observations),
      hidden: (frame) => boxOf(track, frame, clip),
      signal: job.signal,
      onProgress: job.progress,
    });
  try {
    const whether = await observe(LOOKS_PER_SECOND.whether);
    return whether.ok && cameraState(whether.value).kind === 'moves' ? await observe(LOOKS_PER_SECOND.how) : whether;
  } finally {
    job.end();
  }
}

/** Looks how a clip's camera moves and keeps it with the clip. */
export async function observeCameraOf(clip: Clip): ReturnType<typeof cameraPathOf> {
  const path = await cameraPathOf(clip);
  if (path.ok) changeClip(clip.id, { camera: path.value });
  return path;
}

/** The same as a part of the step before it. */
export async function observeCameraBeside(clip: Clip): ReturnType<typeof cameraPathOf> {
  const path = await cameraPathOf(clip);
  if (path.ok) inSameStep(() => changeClip(clip.id, { camera: path.value }));
  return path;
}

/** The analyst knows better: the camera stood still. */
export const takeCameraAsStill = (clip: Clip): void => changeClip(clip.id, { camera: null });

/** What is known of a clip's camera, for the screen. */
export interface CameraText {
  readonly text: string;
  readonly moves: boolean;
  /** Whether what it does is taken out of the points, so that nothing is refused for it. */
  readonly takenOut: boolean;
  /** What can be measured in spite of it. */
  readonly measured: string;
}

/** How far places at both ends of a clip may be off against each other, percent of the body's height. */
function driftText({ clip, bodyHeight }: Trial): string {
  const off = (COVERAGE_95 * steadyOf(clip)!.sdBetween(0, clip.frameTimes.length - 1)) / bodyHeight;
  return Number.isNaN(off) ? '' : TEXT.offOfBodyHeightFrom((100 * off).toFixed(1));
}

/** What is known of a clip's camera; null where nobody has looked. */
export function cameraText(trial: Trial): CameraText | null {
  const state = cameraState(trial.clip.camera);
  if (state.kind === 'unknown') return null;
  const { cuts } = trial.clip.camera!;
  const moves = state.kind !== 'still' || cuts.length > 0;
  const takenOut = moves && cameraRefusal(trial, 'place') === null;
  if (cuts.length > 0)
    return {
      text:
        (cuts.length === 1
          ? TEXT.cameraWordsAndFilmIs(cameraWords(state))
          : TEXT.cameraWordsAndFilmIsCut(cameraWords(state))) + `${cuts.map((frame) => frame + 1).join(', ')}`,
      moves,
      takenOut,
      measured: TEXT.lengthsPathsAndHeightsAre,
    };
  return {
    text: cameraWords(state),
    moves,
    takenOut,
    measured: takenOut
      ? TEXT.itsMotionIsTakenOut(driftText(trial))
      : trial.slides
        ? TEXT.itGoesAlongWithPerformer
        : TEXT.pathsSpeedsHeightsAndContacts,
  };
}
