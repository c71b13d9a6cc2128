import { activeStretches, AROUND_CONTACT, AROUND_MOTION, type Stretch } from '../../core/signal/active-stretches';
import { ok, type Result } from '../../core/result';
import { observeActivity, type ActivityIssue, type ToldBy } from '../../media/observe-activity';
import { videoLength } from '../../media/video-length';
import { startJob } from '../stores/jobs';
import { TEXT } from '../../text/application/intake';

export type { ToldBy };

/** A file that plays longer than this may hold more than one attempt, seconds. */
const LONG = 20;
/** A file of which parts may be wanted, and how long it plays; null for one that is a clip as it is. */
export async function longFile(file: File): Promise<{ readonly file: File; readonly seconds: number } | null> {
  const seconds = file.size === 0 ? null : await videoLength(file);
  return seconds !== null && seconds > LONG ? { file, seconds } : null;
}

/**
 * Proposes the attempts of a long file: where clearly more moves than in the rest of it, or round each contact that is
 * heard.
 */
export async function findAttempts(file: File, by: ToldBy): Promise<Result<readonly Stretch[], ActivityIssue>> {
  const job = startJob(`attempts-${file.name}`, TEXT.lookingForAttemptsInName(file.name));
  try {
    const activity = await observeActivity(file, { by, signal: job.signal, onProgress: job.progress });
    if (!activity.ok) return activity;
    return ok(activeStretches(activity.value, by === 'motion' ? AROUND_MOTION : AROUND_CONTACT));
  } finally {
    job.end();
  }
}
