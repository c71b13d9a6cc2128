import type { Clip } from '../../core/model/clip';
import { fail, type Issue, ok, type Result } from '../../core/result';
import { convertClip, converterState, type ConvertIssue } from '../../media/convert-clip';
import { storeMedia } from '../../storage/media';
import type { StorageIssue } from '../../storage/storage-issue';
import { player } from '../bench/bench-player';
import { changeClip, probeParts, sameTimes, SERVER_AWAY } from './clip-use-cases';
import { useDocument } from '../stores/document-store';
import { startJob } from '../stores/jobs';
import { openSources } from '../session/session-use-cases';
import { videoOf } from '../files/stored-clips';
import { TEXT } from '../../text/application/clips';

/**
 * Has a copy of a clip made whose groups of pictures are short, so that jumps are quick, and shows it on the bench.
 * Every frame must have its time; points are still found on the original.
 */
export async function makeWorkCopy(
  clip: Clip,
): Promise<Result<null, ConvertIssue | StorageIssue | Issue<'frames-differ' | 'no-media' | 'no-converter'>>> {
  const video = await videoOf(clip);
  if (!video.ok) return video;
  if ((await converterState()) === 'lacking') return fail('no-converter', TEXT.workCopiesAreMadeBy);
  const job = startJob(`work-${clip.id}`, TEXT.workCopyOfFileName(clip.fileName));
  try {
    const copy = await convertClip(new File([video.value.blob], clip.fileName), {
      signal: job.signal,
      onProgress: (share) => job.progress(100 * share, 100),
      onWaiting: (waiting) => job.waitsFor(waiting ? SERVER_AWAY : null),
    });
    if (!copy.ok) return copy;
    const probed = await probeParts(copy.value, [], clip.repeats);
    if (!probed.ok || !sameTimes(probed.value.index.frameTimes, clip.frameTimes)) {
      return fail(
        'frames-differ',
        TEXT.workCopyHasOtherFrames(
          clip.fileName,
          probed.ok ? probed.value.index.frameTimes.length : 0,
          clip.frameTimes.length,
        ),
      );
    }
    const workMediaId = crypto.randomUUID();
    const stored = await storeMedia(workMediaId, copy.value.name, copy.value);
    if (!stored.ok) return stored;
    changeClip(clip.id, { workMediaId });
    await reopen(clip.id);
    return ok(null);
  } finally {
    job.end();
  }
}

/** Shows the original of a clip again. */
export async function dropWorkCopy(clip: Clip): Promise<void> {
  changeClip(clip.id, { workMediaId: null });
  await reopen(clip.id);
}

async function reopen(clipId: string): Promise<void> {
  player.dropSources((useDocument.getState().session?.clips ?? []).map((c) => c.id).filter((id) => id !== clipId));
  await openSources();
}
