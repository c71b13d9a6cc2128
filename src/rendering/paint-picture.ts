import { toPicture, type Size, type Viewport } from './viewport';

/** A part of a picture as it is stored, before it is shown upright; in its pixels. */
export interface Part extends Size {
  readonly x: number;
  readonly y: number;
}

/** The decoded picture with what is needed to show it upright. */
export interface Picture extends Size {
  readonly frame: CanvasImageSource;
  /** The part that `frame` holds; all of it where nothing is said. */
  readonly part?: Part;
  readonly rotation: 0 | 90 | 180 | 270;
  readonly brightness?: number;
  readonly contrast?: number;
}

export type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

type Turned = Pick<Picture, 'width' | 'height' | 'rotation'>;

/** How large a displayed picture is as it is stored. */
export const storedSize = ({ width, height, rotation }: Turned): Size =>
  rotation === 90 || rotation === 270 ? { width: height, height: width } : { width, height };

/** Neighbours that smoothing mixes into the pixels at the edge of a pane. */
const SMOOTHED = 2;

/** The part of a picture, as it is stored, that a pane shows through a viewport; a little more for smoothing. */
export function seenPart(picture: Turned, viewport: Viewport, pane: Size): Part {
  const { width, height, rotation } = picture;
  const corners = [0, pane.width]
    .flatMap((x) => [0, pane.height].map((y) => toPicture(viewport, pane, { x, y })))
    .map(({ x, y }) => {
      if (rotation === 90) return { x: y, y: width - x };
      if (rotation === 180) return { x: width - x, y: height - y };
      return rotation === 270 ? { x: height - y, y: x } : { x, y };
    });
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
  const { width, height, rotation } = picture;
  const scale = viewport.scale;
  context.save();
  context.imageSmoothingQuality = 'low';
  const { brightness = 1, contrast = 1 } = picture;
  if (brightness !== 1 || contrast !== 1) context.filter = `brightness(${brightness}) contrast(${contrast})`;
  context.translate(pane.width / 2, pane.height / 2);
  context.scale((viewport.mirrored ? -1 : 1) * scale, scale);
  context.rotate(viewport.turn);
  context.translate(-viewport.x, -viewport.y);
  if (rotation === 90) context.transform(0, 1, -1, 0, width, 0);
  if (rotation === 180) context.transform(-1, 0, 0, -1, width, height);
  if (rotation === 270) context.transform(0, -1, 1, 0, 0, height);
  const part = picture.part ?? { x: 0, y: 0, ...storedSize(picture) };
  context.drawImage(picture.frame, part.x, part.y, part.width, part.height);
  context.restore();
}
