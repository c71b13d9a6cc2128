import type { Size, Viewport } from './viewport';

/** The decoded picture with what is needed to show it upright. */
export interface Picture extends Size {
  readonly frame: CanvasImageSource;
  readonly rotation: 0 | 90 | 180 | 270;
  readonly brightness?: number;
  readonly contrast?: number;
}

export type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

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
  const turned = rotation === 90 || rotation === 270;
  context.drawImage(picture.frame, 0, 0, turned ? height : width, turned ? width : height);
  context.restore();
}
