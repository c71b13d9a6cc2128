import { storedSize, toStored, uprightTransform, type TurnedPicture } from '../core/geometry/quarter-turn';
import { toPicture, type Size, type Viewport } from './viewport';

/** A part of a picture as it is stored, before it is shown upright; in its pixels. */
export interface Part extends Size {
  readonly x: number;
  readonly y: number;
}

/** The decoded picture with what is needed to show it upright. */
export interface Picture extends TurnedPicture {
  readonly frame: CanvasImageSource;
  /** The part that `frame` holds; all of it where nothing is said. */
  readonly part?: Part;
  readonly brightness?: number;
  readonly contrast?: number;
}

export type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** Neighbours that smoothing mixes into the pixels at the edge of a pane. */
const SMOOTHED = 2;

/** The part of a picture, as it is stored, that a pane shows through a viewport; a little more for smoothing. */
export function seenPart(picture: TurnedPicture, viewport: Viewport, pane: Size): Part {
  const corners = [0, pane.width]
    .flatMap((x) => [0, pane.height].map((y) => toPicture(viewport, pane, { x, y })))
    .map((at) => toStored(picture, at));
  const stored = storedSize(picture);
  const span = (along: readonly number[], most: number): readonly [number, number] => {
    const inside = (at: number): number => Math.min(most, Math.max(0, at));
    return [inside(Math.min(...along) - SMOOTHED), inside(Math.max(...along) + SMOOTHED)];
  };
  const [left, right] = span(
    corners.map(({ x }) => x),
    stored.width,
  );
  const [top, bottom] = span(
    corners.map(({ y }) => y),
    stored.height,
  );
  return { x: left, y: top, width: right - left, height: bottom - top };
}

/** Draws the displayed picture through a viewport, rotation metadata and mirror applied. */
export function paintPicture(context: Context, picture: Picture, viewport: Viewport, pane: Size): void {
  const scale = viewport.scale;
  context.save();
  context.imageSmoothingQuality = 'low';
  const { brightness = 1, contrast = 1 } = picture;
  if (brightness !== 1 || contrast !== 1) context.filter = `brightness(${brightness}) contrast(${contrast})`;
  context.translate(pane.width / 2, pane.height / 2);
  context.scale((viewport.mirrored ? -1 : 1) * scale, scale);
  context.rotate(viewport.turn);
  context.translate(-viewport.x, -viewport.y);
  context.transform(...uprightTransform(picture));
  const part = picture.part ?? { x: 0, y: 0, ...storedSize(picture) };
  context.drawImage(picture.frame, part.x, part.y, part.width, part.height);
  context.restore();
}
