import type { DemoClip } from '../demo/scenario';
import type { ClipTruth } from '../demo/truth';
import { clipSchema, type Clip } from '../src/core/model/clip';

/** A rendered clip as the application would describe it once it is taken in. */
export const renderedClip = (
  { id, camera, performer }: DemoClip,
  { pixels, frameRate }: ClipTruth,
  seen: Pick<Clip, 'view' | 'travel'>,
): Clip =>
  clipSchema.parse({
    id,
    role: 'athlete',
    fileName: `${id}.webm`,
    mediaId: null,
    codec: 'vp09',
    width: camera.width,
    height: camera.height,
    rotation: 0,
    frameTimes: Float64Array.from({ length: pixels.length }, (_, i) => Math.round((i * 1e6) / frameRate)),
    fileRate: frameRate,
    captureRate: frameRate,
    performer: { name: performer, dominantSide: 'right', minor: false, consent: true },
    mirrored: false,
    ...seen,
  });
