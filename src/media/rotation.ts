import type { DecodedPicture } from './decoded-picture';

export type Rotation = 0 | 90 | 180 | 270;

type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** Runs a drawing with the picture's rotation metadata applied, so that it draws in displayed-picture pixels. */
export function withRotation(
  context: Context,
  rotation: Rotation,
  width: number,
  height: number,
  draw: () => void,
): void {
  context.save();
  if (rotation === 90) context.transform(0, 1, -1, 0, width, 0);
  if (rotation === 180) context.transform(-1, 0, 0, -1, width, height);
  if (rotation === 270) context.transform(0, -1, 1, 0, 0, height);
  draw();
  context.restore();
}

/** Draws a decoded (unrotated) frame into displayed-picture coordinates of a context. */
export function drawDisplayed(
  context: Context,
  frame: DecodedPicture,
  rotation: Rotation,
  width: number,
  height: number,
): void {
  const turned = rotation === 90 || rotation === 270;
  withRotation(context, rotation, width, height, () => {
    context.drawImage(frame, 0, 0, turned ? height : width, turned ? width : height);
  });
}
