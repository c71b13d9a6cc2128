import type { SeenRepeats } from '../../src/core/timing/repeated-frames';
import { observeRepeats } from '../../src/media/observe-repeats';
import type { PersonBox } from '../../src/core/model/kept-detections';
import { plannedFrames } from '../../src/core/detections/planned-frames';
import type { DetectorSetting } from '../../src/core/model/kept-detections';
import type { DetectedPoints } from '../../src/core/tracks/track';
import { convertClip } from '../../src/media/convert-clip';
import type { Issue, Result } from '../../src/core/result';
import { FILM_RATE } from '../../src/application/export/film-layout';
import type { FilmWorker } from '../../src/application/export/film-worker';
import { WorkerClient } from '../../src/media/worker-client';
import { openClipSource, type ClipSource } from '../../src/media/clip-source';
import { follow, followAgain } from '../../src/core/detections/following';
import { detectPoints } from '../../src/media/detect-points';
import { trackPoint } from '../../src/media/track-point';
import { drawDisplayed } from '../../src/media/draw-displayed';
import { BITS, BLOCK, CODED, readCode, ROWS } from '../fixtures/coded-clip';

/** The frame source on a page of its own, without the interface: for tests of pictures and for benchmarks. */
const canvas = new OffscreenCanvas(CODED.width, CODED.height);
const context = canvas.getContext('2d', { alpha: false, willReadFrequently: true })!;
const sources = new Map<string, ClipSource>();

/** Waits until what was drawn is on the canvas: drawing is put off until somebody reads it. */
const drawn = (): void => void context.getImageData(0, 0, 1, 1);

/** The number on the canvas; reading it is no part of showing a picture and is never timed. */
function readCanvas(): number | null {
  const row = (line: number): number[] =>
    Array.from(
      { length: BITS },
      (_, k) => context.getImageData((k + 0.5) * BLOCK, (line + 0.5) * BLOCK, 1, 1).data[1]!,
    );
  return readCode(row(ROWS.bits), row(ROWS.complement));
}

interface FindHow {
  readonly person?: PersonBox | null;
  /** What was detected before, where the box was drawn later. */
  readonly known?: readonly (readonly [number, readonly DetectedPoints[]])[];
  readonly how?: 'every' | 'enough';
  readonly events?: readonly number[];
}

const wait = (milliseconds: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, milliseconds));
const fetchClip = async (address: string): Promise<Blob> => (await fetch(address)).blob();

const harness = {
  /** Opens a clip; returns what the container says, or the issue's code. */
  async open(
    address: string,
    part: { from: number; to: number } | null = null,
  ): Promise<
    { frames: number; width: number; height: number; rotation: number; times: number[]; milliseconds: number } | string
  > {
    const file = await fetchClip(address);
    const started = performance.now();
    const source = await openClipSource({ blob: file, name: address, part, repeats: null }, { forDrawing: true });
    if (!source.ok) return source.issue.code;
    const milliseconds = performance.now() - started;
    sources.get(address)?.close();
    sources.set(address, source.value);
    const { frameTimes, width, height, rotation } = source.value.index;
    return { frames: frameTimes.length, width, height, rotation, times: Array.from(frameTimes), milliseconds };
  },
  /** Whether frames of a clip show the picture before them again. */
  async repeats(address: string): Promise<SeenRepeats & { milliseconds: number }> {
    const blob = await fetchClip(address);
    const started = performance.now();
    const seen = await observeRepeats({ blob, name: address, part: null, repeats: null });
    return { ...seen, milliseconds: performance.now() - started };
  },
  /** Follows a point from a frame; positions by frame with their confidence, and where it was lost. */
  async follow(
    address: string,
    request: {
      frame: number;
      x: number;
      y: number;
      end: number;
      radius: number;
      velocity?: { x: number; y: number } | null;
    },
  ): Promise<{ positions: [number, number, number, number][]; lost: number | null; milliseconds: number }> {
    const file = await fetchClip(address);
    const started = performance.now();
    const { frame, x, y, end, radius, velocity = null } = request;
    const followed = await trackPoint(
      { blob: file, name: address, part: null, repeats: null },
      {
        frame,
        at: { x, y },
        velocity,
        end,
        radius,
        signal: new AbortController().signal,
        onProgress: () => undefined,
      },
    );
    if (!followed.ok) throw new Error(followed.issue.message);
    return {
      positions: [...followed.value.positions].map(([i, at]) => [i, at.x, at.y, at.confidence]),
      lost: followed.value.lost?.frame ?? null,
      milliseconds: performance.now() - started,
    };
  },
  /**
   * Has the points of a clip detected; the detections by frame, with the time it took and the models' part of it, and
   * how long it took until the first pass and that round the key events were done.
   * @param known with it, the person is followed from their box until that is met
   * @param how every frame, or as many as it takes
   * @param events frames of the clip's key events, where they are known
   */
  async find(
    address: string,
    setting: DetectorSetting,
    { person = null, known, how = 'enough', events = [] }: FindHow = {},
  ): Promise<{
    detections: (readonly [number, readonly DetectedPoints[]])[];
    milliseconds: number;
    passes: { frames: number; milliseconds: number }[];
    inference: number;
    workers: number;
  }> {
    const file = await fetchClip(address);
    const workers = Math.max(1, Math.min(4, navigator.hardwareConcurrency));
    let inference = 0;
    const video = { blob: file, name: address, part: null, repeats: null };
    const source = await openClipSource(video);
    if (!source.ok) throw new Error(source.issue.message);
    const times = source.value.index.frameTimes.map((us) => us * 1e-6);
    source.value.close();
    const planned = plannedFrames(times, setting, events);
    const passes: { frames: number; milliseconds: number }[] = [];
    const started = performance.now();
    const found = await detectPoints(video, {
      setting,
      following: person && (known ? followAgain(person, times) : follow(person, times.length)),
      ...(known && { known: new Map(known) }),
      workers,
      signal: new AbortController().signal,
      onProgress: () => undefined,
      onInference: (ms) => (inference += ms),
      next: (detections) => {
        passes.push({ frames: detections.size, milliseconds: performance.now() - started });
        if (how === 'every') return detections.size === 0 ? Array.from(times.keys()) : [];
        return planned(detections);
      },
    });
    if (!found.ok) throw new Error(found.issue.message);
    return { detections: [...found.value], milliseconds: performance.now() - started, passes, inference, workers };
  },
  /** Seconds from its first frame of every frame of a clip, as its file says. */
  async timesOf(address: string): Promise<{ times: number[] }> {
    const source = await openClipSource({ blob: await fetchClip(address), name: address, part: null, repeats: null });
    if (!source.ok) throw new Error(source.issue.message);
    source.value.close();
    return { times: Array.from(source.value.index.frameTimes, (us) => us * 1e-6) };
  },
  /**
   * A film as MP4 of a line of words that counts its pictures, with a second of sound for every second; its bytes.
   * @param sound mono, of the whole film
   */
  async filmWithSound(pictures: number, { samples, rate }: { samples: number[]; rate: number }): Promise<number[]> {
    const client = new WorkerClient<FilmWorker>(
      new Worker(new URL('./film-with-aac.ts', import.meta.url), { type: 'module' }),
    );
    const ask = async <T>(answer: Promise<Result<T, Issue>>): Promise<T> => {
      const given = await answer;
      if (!given.ok) throw new Error(given.issue.message);
      return given.value;
    };
    const { remote } = client;
    await ask(remote.open({ format: 'mp4', title: 'Film', soundRate: rate }));
    for (let n = 0; n < pictures; n++) {
      await ask(remote.add({ parts: [], line: `Picture ${n + 1}`, still: false, pointer: null }));
      const second = n / FILM_RATE;
      if (Number.isInteger(second))
        await ask(remote.hear(Int16Array.from(samples.slice(second * rate, (second + 1) * rate))));
    }
    const film = await ask(remote.end());
    client.end();
    return Array.from(new Uint8Array(await film.arrayBuffer()));
  },
  close(address: string): void {
    sources.get(address)?.close();
    sources.delete(address);
  },
  /** Has the server make a work copy of a clip and opens it under a name of its own. */
  async openWorkCopy(address: string, copy: string): Promise<number> {
    const made = await convertClip(new File([await fetchClip(address)], 'clip.mp4'), {
      signal: new AbortController().signal,
      onProgress: () => undefined,
    });
    if (!made.ok) throw new Error(made.issue.message);
    const source = await openClipSource(
      { blob: made.value, name: copy, part: null, repeats: null },
      { forDrawing: true },
    );
    if (!source.ok) throw new Error(source.issue.message);
    sources.set(copy, source.value);
    return source.value.index.frameTimes.length;
  },
  /** Shows a frame on the canvas. */
  async show(address: string, frame: number): Promise<void> {
    const source = sources.get(address)!;
    const picture = await source.frame(frame);
    if (!picture.ok) throw new Error(picture.issue.message);
    const { width, height, rotation } = source.index;
    context.setTransform(CODED.width / width, 0, 0, CODED.height / height, 0, 0);
    drawDisplayed(context, picture.value, { width, height, rotation });
    picture.value.close();
  },
  /**
   * Shows frames one after another; returns each one's number (null where none can be read) and the milliseconds it
   * took.
   * @param pause milliseconds between one and the next
   */
  async visit(
    address: string,
    frames: readonly number[],
    pause = 0,
  ): Promise<{ codes: (number | null)[]; milliseconds: number[] }> {
    const codes: (number | null)[] = [];
    const milliseconds: number[] = [];
    for (const frame of frames) {
      const started = performance.now();
      await harness.show(address, frame);
      drawn();
      milliseconds.push(performance.now() - started);
      codes.push(readCanvas());
      if (pause > 0) await wait(pause);
    }
    return { codes, milliseconds };
  },
  /** The same frames through a video element that seeks to the middle of each. */
  async visitWithElement(
    address: string,
    times: readonly number[],
    pause = 0,
  ): Promise<{ codes: (number | null)[]; milliseconds: number[] }> {
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
      context.setTransform(1, 0, 0, 1, 0, 0);
      context.drawImage(video, 0, 0, CODED.width, CODED.height);
      drawn();
      milliseconds.push(performance.now() - started);
      codes.push(readCanvas());
      if (pause > 0) await wait(pause);
    }
    video.remove();
    return { codes, milliseconds };
  },
};

export type Harness = typeof harness;
(globalThis as unknown as { harness: Harness }).harness = harness;
