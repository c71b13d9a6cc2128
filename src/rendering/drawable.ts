import type { Part } from './paint-picture';
import type { Size } from './viewport';

/** What a decoded frame is painted from: all of it, or the part that is wanted. */
export interface Drawable {
  readonly frame: CanvasImageSource;
  readonly part: Part;
}

/** Canvases that decoded frames are converted on, by how many panes of a picture lie under theirs. */
const converted = new Map<
  number,
  { readonly pixels: ImageData; readonly context: OffscreenCanvasRenderingContext2D }
>();

/** A decoder's pixels share their colour two by two. */
const outward = (from: number, size: number, most: number): readonly [number, number] => {
  const low = 2 * Math.floor(from / 2);
  return [low, Math.max(2, Math.min(most, 2 * Math.ceil((from + size) / 2)) - low)];
};

/**
 * A decoded frame as something that is quickly painted: without a graphics processor a canvas converts a frame's colours
 * three times as slowly as the frame copies them itself, and what is not seen need not be converted.
 * @param stored size of the picture that the frame shows, pixels
 * @param seen the part of that picture that is wanted
 * @param place how many panes lie under its own
 */
export async function drawable(
  frame: VideoFrame | ImageBitmap,
  stored: Size,
  seen: Part,
  place: number,
): Promise<Drawable> {
  const asItIs: Drawable = { frame, part: { x: 0, y: 0, ...stored } };
  if (!(frame instanceof VideoFrame) || !frame.visibleRect || seen.width === 0 || seen.height === 0) return asItIs;
  const { visibleRect } = frame;
  // A work copy has fewer pixels than its picture.
  const [across, down] = [visibleRect.width / stored.width, visibleRect.height / stored.height];
  const [x, width] = outward(seen.x * across, seen.width * across, visibleRect.width);
  const [y, height] = outward(seen.y * down, seen.height * down, visibleRect.height);
  let onto = converted.get(place);
  if (onto?.pixels.width !== width || onto.pixels.height !== height) {
    const context = new OffscreenCanvas(width, height).getContext('2d', { alpha: false, willReadFrequently: true })!;
    onto = { pixels: new ImageData(width, height), context };
    converted.set(place, onto);
  }
  const rect = { x: visibleRect.x + x, y: visibleRect.y + y, width, height };
  try {
    await frame.copyTo(onto.pixels.data, { format: 'RGBA', rect });
  } catch {
    // A kind of picture that cannot be copied is painted as it is.
    return asItIs;
  }
  onto.context.putImageData(onto.pixels, 0, 0);
  return {
    frame: onto.context.canvas,
    part: { x: x / across, y: y / down, width: width / across, height: height / down },
  };
}
