import { openTrack } from '../../media/frame-index';
import { makeThumbnail } from '../../media/thumbnail';
import { squaresRound } from '../../rendering/focus';
import type { Trial } from '../../core/trial/trial';
import { videoOf } from '../files/stored-clips';

/** Pixels of the square. */
const SIDE = 112;

/** The frame of a trial that shows most: the one of its middle key event, or the middle one. */
function tellingFrame({ marks, times }: Trial): number {
  const marked = Object.values(marks).sort((a, b) => a - b);
  return Math.min(times.length - 1, Math.max(0, Math.round(marked[marked.length >> 1] ?? times.length / 2)));
}

/** A small square picture of the performer as a data address; null where the video is not here or cannot be read. */
export async function pictureOf(trial: Trial): Promise<string | null> {
  const video = await videoOf(trial.clip);
  const track = video.ok ? await openTrack(video.value) : video;
  if (!track.ok) return null;
  const { index } = track.value;
  const made = await makeThumbnail(
    track.value,
    Math.min(index.frameTimes.length - 1, tellingFrame(trial)),
    index.frameTimes.length,
    SIDE,
    squaresRound(trial),
  ).catch(() => null);
  track.value.dispose();
  return made && dataAddress(made.picture);
}

const dataAddress = (blob: Blob): Promise<string | null> =>
  new Promise((resolve) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => resolve(null);
    reader.readAsDataURL(blob);
  });
