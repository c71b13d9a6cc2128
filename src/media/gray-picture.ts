import type { Gray } from '../core/signal/gray';
import { ok, type Result } from '../core/result';
import type { FrameCache, FrameIssue } from './frame-cache';
import type { FrameIndex } from './frame-index';
import { drawDisplayed } from './draw-displayed';

/** The brightness of one frame's upright picture, no wider than asked. */
export async function grayPicture(
  cache: FrameCache,
  { width: shown, height: shownHeight, rotation }: FrameIndex,
  frame: number,
  mostWide: number,
): Promise<Result<Gray, FrameIssue>> {
  const decoded = await cache.frame(frame);
  if (!decoded.ok) return decoded;
  const scale = Math.min(1, mostWide / shown);
  const [width, height] = [Math.round(shown * scale), Math.round(shownHeight * scale)];
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
  context.imageSmoothingQuality = 'high';
  drawDisplayed(context, decoded.value, { width, height, rotation });
  decoded.value.close();
  const { data } = context.getImageData(0, 0, width, height);
  const values = new Float32Array(width * height);
  // Brightness as television weighs it (ITU-R BT.601).
  for (let i = 0; i < values.length; i++)
    values[i] = 0.299 * data[4 * i]! + 0.587 * data[4 * i + 1]! + 0.114 * data[4 * i + 2]!;
  return ok({ width, height, values });
}
