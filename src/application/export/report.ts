import type { DecodedPicture } from '../../media/decoded-picture';
import type { Clip } from '../../core/model/clip';
import { ok, type Issue, type Result } from '../../core/result';
import { sessionJson } from '../../formats/session-json/session-json';
import { reportCsv } from '../../report/csv';
import type { Session } from '../../core/model/session';
import type { Derived } from '../analysis/derived';
import { performersOf } from '../analysis/subjects';
import { openStoredClip } from '../files/stored-clips';

export const csvOf = (derived: Derived): string =>
  reportCsv({
    ...derived,
    others: performersOf(derived)
      .subjects.slice(1)
      .map(({ clip, judged }) => ({ performer: clip.trial.clip.performer.name, judged })),
    files: Object.fromEntries(derived.clips.map(({ trial: { clip } }) => [clip.id, clip.fileName])),
  });
export const sessionText = (session: Session): string => sessionJson.write(session);

/**
 * Decodes single frames of a clip, one after the other, and hands each to `take` before it is closed.
 * @returns how many were decoded
 */
export async function withStills(
  clip: Clip,
  frames: readonly number[],
  take: (frame: DecodedPicture, index: number) => Promise<void> | void,
): Promise<Result<number, Issue>> {
  const opened = await openStoredClip(clip);
  if (!opened.ok) return opened;
  const source = opened.value;
  try {
    for (const index of frames) {
      const frame = await source.frame(index);
      if (!frame.ok) return frame;
      await take(frame.value, index);
      frame.value.close();
    }
    return ok(frames.length);
  } finally {
    source.close();
  }
}
