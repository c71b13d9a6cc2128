import { storedSize, uprightTransform, type TurnedPicture } from '../core/geometry/quarter-turn';
import type { DecodedPicture } from './decoded-picture';

type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** Draws a decoded frame, as it is stored, upright into a context. */
export function drawDisplayed(context: Context, frame: DecodedPicture, shown: TurnedPicture): void {
  const { width, height } = storedSize(shown);
  context.save();
  context.transform(...uprightTransform(shown));
  context.drawImage(frame, 0, 0, width, height);
  context.restore();
}
