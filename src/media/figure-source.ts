import { ok } from '../core/result';
import type { ClipSource } from './clip-source';
import type { FrameIndex } from './frame-index';

/** The frames of a clip that has points and no video. */
export function figureIndex(frames: number, rate: number, width: number, height: number): FrameIndex {
  const frameTimes = Float64Array.from({ length: frames }, (_, i) => Math.round((i * 1e6) / rate));
  return {
    frameTimes,
    fileTimes: frameTimes,
    origin: 0,
    groups: [],
    rotation: 0,
    width,
    height,
    codec: 'points',
    fileRate: rate,
    captureRate: null,
    warning: null,
  };
}

/** What lies behind a drawn figure. */
const GROUND = '#2a3238';

/** A source whose every picture is empty: the figure is drawn over it. */
export function openFigureSource(index: FrameIndex): ClipSource {
  const blank = new OffscreenCanvas(2, 2);
  const context = blank.getContext('2d')!;
  context.fillStyle = GROUND;
  context.fillRect(0, 0, 2, 2);
  return {
    index,
    frame: async () => ok(await createImageBitmap(blank)),
    setBudget: () => undefined,
    setDetail: () => undefined,
    thumbnails: () => undefined,
    close: () => undefined,
  };
}
