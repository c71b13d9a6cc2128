import { paintPicture, type Context, type Picture } from './paint-picture';
import type { Size, Viewport } from './viewport';

/** Least change of brightness (0..255) between neighbours that is an outline, and the change that is a full one. */
const FAINT = 14;
const FULL = 70;

/**
 * Turns pixels into their outlines in place: white where brightness changes (central differences), clear elsewhere.
 * @param pixels RGBA, width x height
 */
export function toEdges(pixels: Uint8ClampedArray, width: number, height: number): void {
  const light = new Float32Array(width * height);
  // Luma weights of ITU-R BT.601.
  for (let i = 0; i < light.length; i++)
    light[i] = 0.299 * pixels[4 * i]! + 0.587 * pixels[4 * i + 1]! + 0.114 * pixels[4 * i + 2]!;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      const inside = x > 0 && y > 0 && x < width - 1 && y < height - 1;
      const change = inside ? Math.hypot(light[i + 1]! - light[i - 1]!, light[i + width]! - light[i - width]!) : 0;
      pixels.fill(255, 4 * i, 4 * i + 3);
      pixels[4 * i + 3] = 255 * Math.min(1, Math.max(0, (change - FAINT) / (FULL - FAINT)));
    }
  }
}

let scratch: OffscreenCanvasRenderingContext2D | null = null;

/** Draws the outlines of a picture through a viewport, clear between them. */
export function paintEdges(context: Context, picture: Picture, viewport: Viewport, pane: Size): void {
  const width = Math.max(1, Math.round(pane.width));
  const height = Math.max(1, Math.round(pane.height));
  scratch ??= new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
  scratch.canvas.width = width;
  scratch.canvas.height = height;
  paintPicture(scratch, picture, viewport, { width, height });
  const pixels = scratch.getImageData(0, 0, width, height);
  toEdges(pixels.data, width, height);
  scratch.putImageData(pixels, 0, 0);
  context.drawImage(scratch.canvas, 0, 0, pane.width, pane.height);
}
