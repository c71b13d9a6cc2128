import { BufferTarget, CanvasSource, Output, WebMOutputFormat } from 'mediabunny';
import { fail, ok, type Issue, type Result } from '../core/result';
import { TEXT } from '../text/media';

export type PictureIssue = Issue<'not-a-picture' | 'unreadable-picture'>;

/** Longest side that is kept, pixels: more tells no point better. */
const MOST_SIDE = 3840;
/** So many bits a pixel leave no trace of the coding in a picture. */
const BITS_PER_PIXEL = 6;

const PICTURE = /\.(png|jpe?g|webp|avif|gif|bmp)$/i;

/** Whether a file is a still picture, by what it says it is or by its name. */
export const isPicture = (file: File): boolean =>
  file.type.startsWith('image/') || (file.type === '' && PICTURE.test(file.name));

/** The size that holds a picture, no longer than is kept and even, as codecs want it. */
function sizeOf({ width, height }: ImageBitmap): { readonly width: number; readonly height: number } {
  const scale = Math.min(1, MOST_SIDE / Math.max(width, height));
  const even = (side: number): number => Math.max(2, 2 * Math.round((side * scale) / 2));
  return { width: even(width), height: even(height) };
}

/**
 * Still pictures as a clip, one frame each, in the order of their names: from then on they are looked at and measured
 * like any other. Pictures of another size are shown whole in the first one's. They are turned as their camera says.
 */
export async function clipOfPictures(files: readonly File[]): Promise<Result<File, PictureIssue>> {
  const inOrder = [...files].sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }));
  const pictures: ImageBitmap[] = [];
  try {
    for (const file of inOrder) {
      const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => null);
      if (!picture) return fail('unreadable-picture', TEXT.isNoPictureThatThis(file.name));
      pictures.push(picture);
    }
    const first = pictures[0];
    if (!first) return fail('not-a-picture', TEXT.noPictureWasChosen);
    const { width, height } = sizeOf(first);
    const canvas = new OffscreenCanvas(width, height);
    const context = canvas.getContext('2d', { alpha: false })!;
    context.imageSmoothingQuality = 'high';
    const output = new Output({ format: new WebMOutputFormat(), target: new BufferTarget() });
    const source = new CanvasSource(canvas, {
      codec: 'vp9',
      bitrate: BITS_PER_PIXEL * width * height,
      keyFrameInterval: 0,
    });
    output.addVideoTrack(source, { frameRate: 1 });
    await output.start();
    for (const [i, picture] of pictures.entries()) {
      const scale = Math.min(width / picture.width, height / picture.height);
      const [w, h] = [picture.width * scale, picture.height * scale];
      context.fillRect(0, 0, width, height);
      context.drawImage(picture, (width - w) / 2, (height - h) / 2, w, h);
      await source.add(i, 1);
    }
    await output.finalize();
    return ok(new File([output.target.buffer!], inOrder[0]!.name, { type: 'video/webm' }));
  } finally {
    for (const picture of pictures) picture.close();
  }
}
