/** Canvases that decoded frames are converted on, by how many panes of a picture lie under theirs. */
const converted = new Map<
  number,
  { readonly pixels: ImageData; readonly context: OffscreenCanvasRenderingContext2D }
>();

/**
 * A decoded frame as something that is quickly painted: without a graphics processor a canvas converts a frame's colours
 * three times as slowly as the frame copies them itself.
 */
export async function drawable(frame: VideoFrame | ImageBitmap, place: number): Promise<CanvasImageSource> {
  if (!(frame instanceof VideoFrame) || !frame.visibleRect) return frame;
  const { width, height } = frame.visibleRect;
  let onto = converted.get(place);
  if (onto?.pixels.width !== width || onto.pixels.height !== height) {
    const context = new OffscreenCanvas(width, height).getContext('2d', { alpha: false, willReadFrequently: true })!;
    onto = { pixels: new ImageData(width, height), context };
    converted.set(place, onto);
  }
  try {
    await frame.copyTo(onto.pixels.data, { format: 'RGBA' });
  } catch {
    // A kind of picture that cannot be copied is painted as it is.
    return frame;
  }
  onto.context.putImageData(onto.pixels, 0, 0);
  return onto.context.canvas;
}
