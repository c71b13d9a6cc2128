import { blendsIn, repeatsIn, type SeenRepeats } from '../core/timing/repeated-frames';
import type { RepeatsWorker } from './repeats-worker';
import type { VideoFile } from './video-file';
import { WorkerClient } from './worker-client';
import { TEXT } from '../text/media';

/** Frames in a row that are looked at, and in how many places of a clip: a cycle may slip anywhere in it. */
const ROW = 12;
const PLACES = 5;

/** The frames that are looked at: all of a short clip, of a long one some rows spread over it. */
function framesToCompare(frames: number): readonly number[] {
  const from = (start: number, length: number): number[] => Array.from({ length }, (_, k) => start + k);
  if (frames <= ROW * PLACES) return from(1, Math.max(0, frames - 1));
  return from(0, PLACES).flatMap((k) => from(1 + Math.round((k / (PLACES - 1)) * (frames - 1 - ROW)), ROW));
}

/**
 * Whether frames of a video show the picture before them again, or blend those beside them; frames that cannot be
 * decoded tell nothing.
 */
export async function observeRepeats(video: VideoFile): Promise<SeenRepeats> {
  const client = new WorkerClient<RepeatsWorker>(
    new Worker(new URL('./repeats-worker.ts', import.meta.url), { type: 'module' }),
  );
  const changes = new Map<number, number>();
  const left = new Map<number, number>();
  try {
    const what = TEXT.lookingForRepeatedPictures;
    const opened = await client.ask(client.remote.open(video), what);
    for (const frame of opened.ok ? framesToCompare(opened.value.frames) : []) {
      const compared = await client.ask(client.remote.compare(frame), what);
      if (compared.ok) {
        changes.set(frame, compared.value.change);
        if (compared.value.left !== null) left.set(frame, compared.value.left);
      } else if (compared.issue.code === 'worker-crashed') break;
    }
    const repeated = repeatsIn(changes);
    const seen = repeated.cycle || repeated.uneven ? repeated : blendsIn(left);
    // A cycle counts frames: where some are missing it has slipped.
    return opened.ok && opened.value.hasHoles && seen.cycle ? { cycle: null, uneven: true } : seen;
  } finally {
    client.end();
  }
}
