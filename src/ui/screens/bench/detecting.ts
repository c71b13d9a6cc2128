import { detectedText, type detectPointsOf } from '../../../application/tracks/detection-use-cases';
import { useJobs } from '../../../application/stores/jobs';
import { notify } from '../../../application/stores/notices';
import type { Clip } from '../../../core/model/clip';

/** Says what detecting came to, or why it ended. */
export async function tellDetected(clip: Clip, detecting: ReturnType<typeof detectPointsOf>): Promise<void> {
  const result = await detecting;
  if (result.ok) notify('info', detectedText(clip, result.value));
  else notify(result.issue.code === 'cancelled' ? 'info' : 'error', result.issue.message);
}

/** Whether points of a clip are being detected. */
export const useIsDetecting = (clip: Clip): boolean =>
  useJobs((state) => state.jobs.some(({ id }) => id === `points-${clip.id}`));
