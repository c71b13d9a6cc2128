import { ALL_FORMATS, BlobSource, EncodedPacketSink, Input, type EncodedPacket } from 'mediabunny';
import type { Activity } from '../core/signal/active-stretches';
import { fail, ok, type Issue, type Result } from '../core/result';
import { exposeWorker } from './expose-worker';
import { TEXT } from '../text/media';

/** Small pictures tell as well where something moves. */
const SIZE = { width: 64, height: 36 };
/** Pictures that can be decoded alone are looked at no closer than this, seconds. */
const STEP = 0.4;

export type ReadingIssue = Issue<'not-a-video' | 'unreadable'>;

interface Open {
  readonly sink: EncodedPacketSink;
  readonly config: VideoDecoderConfig;
  last: EncodedPacket | null;
  before: Uint8ClampedArray | null;
}
let open: Open | null = null;

/** One picture that needs no other, small. */
async function small(config: VideoDecoderConfig, chunk: EncodedVideoChunk): Promise<Uint8ClampedArray | null> {
  const picture = await new Promise<VideoFrame | null>((resolve) => {
    const decoder = new VideoDecoder({ output: resolve, error: () => resolve(null) });
    decoder.configure(config);
    decoder.decode(chunk);
    void decoder.flush().then(
      () => decoder.close(),
      () => resolve(null),
    );
  });
  if (!picture) return null;
  const context = new OffscreenCanvas(SIZE.width, SIZE.height).getContext('2d', { willReadFrequently: true })!;
  context.drawImage(picture, 0, 0, SIZE.width, SIZE.height);
  picture.close();
  return context.getImageData(0, 0, SIZE.width, SIZE.height).data;
}

/** Mean difference of two small pictures, 0 to 255. */
const between = (a: Uint8ClampedArray, b: Uint8ClampedArray): number =>
  a.reduce((sum, value, i) => sum + Math.abs(value - b[i]!), 0) / a.length;

/** Looks where in a long file something moves, by the pictures that can be decoded alone. */
const activityWorker = {
  async open(file: Blob): Promise<Result<number, ReadingIssue>> {
    const input = new Input({ source: new BlobSource(file), formats: ALL_FORMATS });
    try {
      const track = await input.getPrimaryVideoTrack();
      const config = await track?.getDecoderConfig();
      if (!track || !config) return fail('not-a-video', TEXT.thereIsNoPicture);
      open = { sink: new EncodedPacketSink(track), config, last: null, before: null };
      return ok(await track.computeDuration());
    } catch (error) {
      const detail = error instanceof Error ? error.message : String(error);
      return fail('unreadable', TEXT.fileCouldNotBeRead(detail));
    }
  },
  /** How much changed until the next picture that is looked at; null at the end. */
  async next(): Promise<Result<Activity | null, ReadingIssue>> {
    if (!open) return fail('unreadable', TEXT.fileIsNotOpen);
    const { sink, config, last, before } = open;
    let key = last ? await sink.getNextKeyPacket(last) : await sink.getFirstPacket();
    while (key && last && key.timestamp - last.timestamp < STEP) key = await sink.getNextKeyPacket(key);
    if (!key) return ok(null);
    open.last = key;
    const picture = await small(config, key.toEncodedVideoChunk());
    // One that cannot be decoded tells nothing; the next is held against the one before it.
    if (picture) open.before = picture;
    return ok({ at: Math.max(0, key.timestamp), amount: picture && before ? between(before, picture) : 0 });
  },
};

export type ActivityWorker = typeof activityWorker;
exposeWorker(activityWorker);
