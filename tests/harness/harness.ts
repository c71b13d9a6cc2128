import { openClipSource, type ClipSource } from '../../src/media/clip-source';
import { drawDisplayed } from '../../src/media/rotation';
import { BITS, BLOCK, CODED, readCode, ROWS } from '../fixtures/coded-clip';

/** The frame source on a page of its own, without the interface: for tests of pictures and for benchmarks. */
const canvas = new OffscreenCanvas(CODED.width, CODED.height);
const context = canvas.getContext('2d', { alpha: false, willReadFrequently: true })!;
const sources = new Map<string, ClipSource>();

function codeOn(draw: () => void): number | null {
  context.setTransform(1, 0, 0, 1, 0, 0);
  draw();
  const row = (line: number): number[] => Array.from({ length: BITS }, (_, k) => context.getImageData((k + 0.5) * BLOCK, (line + 0.5) * BLOCK, 1, 1).data[1]!);
  return readCode(row(ROWS.bits), row(ROWS.complement));
}

const fetchClip = async (address: string): Promise<Blob> => (await fetch(address)).blob();

const harness = {
  /** Opens a clip; returns what the container says, or the issue's code. */
  async open(address: string): Promise<{ frames: number; width: number; height: number; rotation: number; times: number[]; milliseconds: number } | string> {
    const file = await fetchClip(address);
    const started = performance.now();
    const source = await openClipSource(file, address);
    if (!source.ok) return source.issue.code;
    const milliseconds = performance.now() - started;
    sources.get(address)?.close();
    sources.set(address, source.value);
    const { frameTimes, width, height, rotation } = source.value.index;
    return { frames: frameTimes.length, width, height, rotation, times: Array.from(frameTimes), milliseconds };
  },
  close(address: string): void {
    sources.get(address)?.close();
    sources.delete(address);
  },
  /** The number carried by a frame, or null where none can be read. */
  async code(address: string, frame: number): Promise<number | null> {
    const source = sources.get(address)!;
    const picture = await source.frame(frame);
    if (!picture.ok) throw new Error(picture.issue.message);
    const { width, height, rotation } = source.index;
    const code = codeOn(() => {
      context.setTransform(CODED.width / width, 0, 0, CODED.height / height, 0, 0);
      drawDisplayed(context, picture.value, rotation, width, height);
    });
    picture.value.close();
    return code;
  },
  /** Reads frames one after another; returns each one's number and the milliseconds it took. */
  async visit(address: string, frames: readonly number[]): Promise<{ codes: (number | null)[]; milliseconds: number[] }> {
    const codes: (number | null)[] = [];
    const milliseconds: number[] = [];
    for (const frame of frames) {
      const started = performance.now();
      codes.push(await harness.code(address, frame));
      milliseconds.push(performance.now() - started);
    }
    return { codes, milliseconds };
  },
  /** The same frames through a video element that seeks to the middle of each. */
  async visitWithElement(address: string, times: readonly number[]): Promise<{ codes: (number | null)[]; milliseconds: number[] }> {
    const video = Object.assign(document.createElement('video'), { src: address, muted: true, preload: 'auto' });
    document.body.append(video);
    await new Promise((resolve) => video.addEventListener('canplay', resolve, { once: true }));
    const codes: (number | null)[] = [];
    const milliseconds: number[] = [];
    for (const time of times) {
      const started = performance.now();
      await new Promise<void>((resolve) => {
        const timer = setTimeout(resolve, 3000);
        video.requestVideoFrameCallback(() => {
          clearTimeout(timer);
          resolve();
        });
        video.currentTime = time;
      });
      codes.push(codeOn(() => context.drawImage(video, 0, 0, CODED.width, CODED.height)));
      milliseconds.push(performance.now() - started);
    }
    video.remove();
    return { codes, milliseconds };
  },
};

export type Harness = typeof harness;
(globalThis as unknown as { harness: Harness }).harness = harness;
