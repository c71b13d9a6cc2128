import type { Clip } from '../../core/model/clip';
import { splitClip, type Piece } from '../../core/model/split-clip';
import { ok, type Issue, type Result } from '../../core/result';
import { withFirstRate } from '../../core/timing/clip-time';
import type { IntakeIssue } from '../../media/frame-index';
import { observeShots, type Shot, type ShotsIssue } from '../../media/observe-shots';
import { wholeFile, type VideoFile } from '../../media/video-file';
import type { CrashIssue } from '../../media/worker-client';
import { observeCameraBeside } from './camera-motion-use-cases';
import { probeParts, type ProbedFile } from './clip-use-cases';
import { edit, useDocument } from '../stores/document-store';
import { startJob } from '../stores/jobs';
import { openSources } from '../session/session-use-cases';
import { videoOf } from '../files/stored-clips';
import { setView, useView } from '../stores/view-store';
import { TEXT } from '../../text/application/clips';

export type { Shot };

/** What becomes of a shot: an attempt, the first attempt from another side, or nothing. */
export type ShotUse = 'attempt' | 'camera' | 'none';

export interface ChosenShot {
  readonly shot: Shot;
  readonly use: ShotUse;
  /** Frames per second as the camera took them, null where nobody knows: a replay is slowed more often than not. */
  readonly captureRate: number | null;
}

type Shots = Result<readonly Shot[], ShotsIssue | Issue<'no-media'>>;

async function lookForCuts(jobId: string, video: VideoFile): Promise<Shots> {
  const job = startJob(jobId, TEXT.lookingForCutsInName(video.name));
  try {
    return await observeShots(video, { signal: job.signal, onProgress: job.progress });
  } finally {
    job.end();
  }
}

/** The shots of a clip's film. */
export async function findShots(clip: Clip): Promise<Shots> {
  const video = await videoOf(clip);
  return video.ok ? lookForCuts(`shots-${clip.id}`, video.value) : video;
}

/** The shots of a file that is not yet in the session. It is one job with the search for attempts: one at a time. */
export const shotsOf = (file: File): Promise<Shots> => lookForCuts(`attempts-${file.name}`, wholeFile(file));

/** A clip of one shot. What was said of another shot's picture is not so of this one's. */
function clipOf(whole: Clip, { shot, captureRate }: ChosenShot, probed: ProbedFile, firstAttempt: string | null): Clip {
  const { first, frames } = shot;
  const isIn = (frame: number | undefined): boolean =>
    frame === undefined ? first === 0 : frame >= first && frame < first + frames;
  const placed = <T extends { readonly frame?: number | undefined }>(on: T | null): T | null =>
    on && isIn(on.frame) ? { ...on, ...(on.frame === undefined ? {} : { frame: on.frame - first }) } : null;
  const { index, part, repeats, unevenRepeats } = probed;
  const rateChanges = whole.rateChanges
    .filter(({ from }) => from > first && from < first + frames)
    .map((change) => ({ ...change, from: change.from - first }));
  return {
    ...whole,
    id: crypto.randomUUID(),
    part,
    repeats,
    frameTimes: index.frameTimes,
    fileRate: index.fileRate,
    timesUnsure: unevenRepeats,
    ...withFirstRate({ ...whole, rateChanges }, captureRate),
    camera: null,
    scale: placed(whole.scale),
    ground: placed(whole.ground),
    tiePoints: whole.tiePoints.flatMap(({ id, seen }) => {
      const own = seen.flatMap((one) => placed(one) ?? []);
      return own.length > 0 ? [{ id, seen: own }] : [];
    }),
    workMediaId: null,
    sync: firstAttempt === null ? whole.sync && { ...whole.sync, pairs: [] } : { to: firstAttempt, pairs: [] },
  };
}

/** Makes clips of the chosen shots, in place of the clip that held them; the video is kept once. */
export async function makeClipsOfShots(
  clip: Clip,
  chosen: readonly ChosenShot[],
): Promise<Result<null, IntakeIssue | CrashIssue | Issue<'no-media'>>> {
  const video = await videoOf(clip);
  if (!video.ok) return video;
  const file = new File([video.value.blob], clip.fileName);
  const pieces: Piece[] = [];
  for (const one of chosen.filter(({ use }) => use !== 'none')) {
    // Which pictures a cycle repeats counts from the part's first frame: it is looked for anew.
    const probed = await probeParts(file, [one.shot.part], clip.repeats === null ? null : undefined);
    if (!probed.ok) return probed;
    const attempt = one.use === 'camera' ? (pieces[0]?.clip.id ?? null) : null;
    const own = clipOf(clip, one, probed.value, attempt);
    pieces.push({ clip: own, from: own.frameTimes.length === one.shot.frames ? one.shot.first : null });
  }
  // While its shots were read the clip may have been removed.
  if (!useDocument.getState().session?.clips.some(({ id }) => id === clip.id)) return ok(null);
  const kept = edit((session) => Object.assign(session, splitClip(useDocument.getState().session!, clip.id, pieces)));
  if (!kept) return ok(null);
  const shown = Object.fromEntries(pieces.map(({ clip: { id } }) => [id, 0]));
  setView({ shown: { ...useView.getState().shown, ...shown }, activeClip: pieces[0]!.clip.id });
  await openSources();
  // Of each shot by itself it is not known yet whether its camera moves.
  if (clip.camera) for (const { clip: own } of pieces) await observeCameraBeside(own);
  return ok(null);
}
