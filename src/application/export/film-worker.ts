import fontAddress from '@fontsource-variable/public-sans/files/public-sans-latin-wght-normal.woff2?url';
import { exposeWorker } from '../../media/expose-worker';
import {
  AudioSample,
  AudioSampleSource,
  BufferTarget,
  canEncodeAudio,
  canEncodeVideo,
  Mp4OutputFormat,
  Output,
  Quality,
  VideoSample,
  VideoSampleSource,
  WebMOutputFormat,
} from 'mediabunny';
import type { Primitive } from '../../core/geometry/primitives';
import type { Vec2 } from '../../core/geometry/vec2';
import { fail, ok, type Issue, type Result } from '../../core/result';
import type { DecodedPicture } from '../../media/decoded-picture';
import { drawable, type Drawable } from '../../rendering/drawable';
import { paintEdges } from '../../rendering/paint-edges';
import { storedSize } from '../../core/geometry/quarter-turn';
import { paintPicture, seenPart } from '../../rendering/paint-picture';
import { paintScene } from '../../rendering/paint-scene';
import { ROLE_STYLE } from '../../rendering/role-style';
import type { Viewport } from '../../rendering/viewport';
import { FILM_RATE, FILM_SIZE, WORDS_HEIGHT, type FilmFormat, type FilmPane } from './film-layout';
import { TEXT } from '../../text/application/export';

const CODECS = {
  webm: { picture: 'vp9', sound: 'opus' },
  mp4: { picture: 'avc', sound: 'aac' },
} as const satisfies Record<FilmFormat, { readonly picture: string; readonly sound: string }>;
/** Seconds between pictures at which a player can begin. */
const KEY_INTERVAL = 1;

/** What one pane shows in one picture of the film. */
export interface FilmPart {
  readonly pane: FilmPane;
  readonly frame: DecodedPicture;
  readonly viewport: Viewport;
  readonly scene: readonly Primitive[];
  readonly time: string;
  /** How much of the picture is seen (0 to 1), and whether only its outlines are. */
  readonly opacity: number;
  readonly edges: boolean;
}

/** One picture of the film; parts that lie over others come after them. */
export interface FilmFrame {
  readonly parts: readonly FilmPart[];
  /** Words under the pictures: where in the movement. */
  readonly line: string;
  readonly still: boolean;
  /** Where somebody points, pixels of the film. */
  readonly pointer: Vec2 | null;
}

export interface FilmOpening {
  readonly format: FilmFormat;
  /** Stands at the left of the words. */
  readonly title: string;
  /** Samples a second of its sound; null for a silent film. */
  readonly soundRate: number | null;
}

export type FilmIssue = Issue<'cannot-encode' | 'not-open' | 'encoding-failed'>;

type Open = {
  readonly opening: FilmOpening;
  readonly canvas: OffscreenCanvas;
  readonly context: OffscreenCanvasRenderingContext2D;
  readonly output: Output<WebMOutputFormat | Mp4OutputFormat, BufferTarget>;
  readonly source: VideoSampleSource;
  readonly sound: AudioSampleSource | null;
  /** What was painted last. */
  picture: VideoSample | null;
  written: number;
  heard: number;
};
let open: Open | null = null;

/** Height of a pane's name, pixels. */
const HEADER = 28;
const FONT = '"Public Sans Variable", sans-serif';
const INK = { ground: '#171c20', words: '#f2eee4', quiet: '#aeb6b4', strip: '#22313a' };

function words(
  context: OffscreenCanvasRenderingContext2D,
  text: string,
  x: number,
  y: number,
  {
    align = 'left',
    weight = 500,
    size = 15,
    color = INK.words,
    most,
  }: { align?: CanvasTextAlign; weight?: number; size?: number; color?: string; most?: number } = {},
): void {
  context.font = `${weight} ${size}px ${FONT}`;
  context.textAlign = align;
  context.textBaseline = 'middle';
  context.fillStyle = color;
  context.fillText(text, x, y, most);
}

function paintPane(
  context: OffscreenCanvasRenderingContext2D,
  { pane, viewport, scene, time, opacity, edges }: FilmPart,
  drawn: Drawable,
): void {
  const style = ROLE_STYLE[pane.styleKey];
  context.save();
  context.beginPath();
  context.rect(pane.x, pane.y, pane.width, pane.height);
  context.clip();
  context.translate(pane.x, pane.y);
  if (pane.below === 0) {
    context.fillStyle = INK.ground;
    context.fillRect(0, 0, pane.width, pane.height);
  }
  context.globalAlpha = opacity;
  if (opacity > 0) (edges ? paintEdges : paintPicture)(context, { ...drawn, ...pane.picture }, viewport, pane);
  context.globalAlpha = 1;
  paintScene(context, scene, pane.styleKey, viewport, pane);
  context.translate(0, HEADER * pane.below);
  context.fillStyle = 'rgba(12,16,20,.55)';
  context.fillRect(0, 0, pane.width, HEADER);
  context.fillStyle = style.onPicture;
  context.beginPath();
  if (style.mark === 'circle') context.arc(16, 14, 5, 0, 2 * Math.PI);
  else context.rect(11, 9, 10, 10);
  context.fill();
  words(context, pane.name, 28, 15, { weight: 700, most: pane.width - 150 });
  words(context, time, pane.width - 10, 15, { align: 'right' });
  context.restore();
}

/** A ring with a dark edge: it is seen on any picture and hides nothing. */
function paintPointer(context: OffscreenCanvasRenderingContext2D, { x, y }: Vec2): void {
  for (const [color, width] of [
    ['rgba(12,16,20,.75)', 6],
    [INK.words, 3],
  ] as const) {
    context.strokeStyle = color;
    context.lineWidth = width;
    context.beginPath();
    context.arc(x, y, 11, 0, 2 * Math.PI);
    context.stroke();
  }
}

const stopped = (error: unknown): Result<never, FilmIssue> =>
  fail('encoding-failed', TEXT.encoderStopped(error instanceof Error ? error.message : String(error)));

let before: Promise<unknown> = Promise.resolve();
/** One after the other, as they were asked for: a picture is converted before it is painted, which takes a moment. */
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const done = before.then(work);
  before = done.catch(() => undefined);
  return done;
}

/** The picture that the encoder was given last, until it has room for another. */
let encoding: Promise<Result<null, FilmIssue>> = Promise.resolve(ok(null));

/**
 * The picture that was taken off the canvas last is the next one of the film: the picture after it can be painted while
 * the encoder is busy with it. Resolves once the picture before has found room.
 */
async function encodePicture(): Promise<Result<null, FilmIssue>> {
  const picture = open?.picture;
  if (!open || !picture) return fail('not-open', TEXT.filmWasNotBegun);
  const { source } = open;
  const next = picture.clone();
  next.setTimestamp(open.written++ / FILM_RATE);
  const room = await encoding;
  if (!room.ok) {
    next.close();
    return room;
  }
  encoding = source
    .add(next)
    .then(() => ok(null), stopped)
    .finally(() => next.close());
  return ok(null);
}

async function paint({ parts, line, still, pointer }: FilmFrame): Promise<Result<null, FilmIssue>> {
  if (!open) return fail('not-open', TEXT.filmWasNotBegun);
  const { context, opening } = open;
  context.fillStyle = INK.ground;
  context.fillRect(0, 0, FILM_SIZE.width, FILM_SIZE.height);
  for (const part of parts) {
    const { pane, viewport, frame } = part;
    const seen = seenPart(pane.picture, viewport, pane);
    paintPane(context, part, await drawable(frame, storedSize(pane.picture), seen, pane.below));
    frame.close();
  }
  if (pointer) paintPointer(context, pointer);
  const middle = FILM_SIZE.height - WORDS_HEIGHT / 2;
  context.fillStyle = INK.strip;
  context.fillRect(0, FILM_SIZE.height - WORDS_HEIGHT, FILM_SIZE.width, WORDS_HEIGHT);
  words(context, opening.title, 14, middle, { color: INK.quiet, most: 420 });
  words(context, line, FILM_SIZE.width / 2, middle, {
    align: 'center',
    weight: still ? 700 : 500,
    size: 17,
    most: 400,
  });
  open.picture?.close();
  open.picture = new VideoSample(open.canvas, { timestamp: 0, duration: 1 / FILM_RATE });
  return encodePicture();
}

/** Puts decoded pictures and shapes together to the pictures of a film and encodes them. */
const filmWorker = {
  async open(opening: FilmOpening): Promise<Result<null, FilmIssue>> {
    const codec = CODECS[opening.format];
    if (!(await canEncodeVideo(codec.picture, FILM_SIZE)))
      return fail(
        'cannot-encode',
        opening.format === 'mp4' ? TEXT.thisBrowserCannotEncodeH : TEXT.thisBrowserCannotEncodeVp9,
      );
    if (opening.soundRate !== null && !(await canEncodeAudio(codec.sound)))
      return fail('cannot-encode', TEXT.thisBrowserCannotEncodeSound(opening.format));
    const face = await new FontFace('Public Sans Variable', `url(${fontAddress})`, { weight: '100 900' })
      .load()
      .catch(() => null);
    // Without the font, words are in the system's.
    if (face) (self as unknown as { fonts: FontFaceSet }).fonts.add(face);
    const canvas = new OffscreenCanvas(FILM_SIZE.width, FILM_SIZE.height);
    const context = canvas.getContext('2d', { alpha: false, willReadFrequently: true })!;
    const output = new Output({
      format: opening.format === 'mp4' ? new Mp4OutputFormat() : new WebMOutputFormat(),
      target: new BufferTarget(),
    });
    const source = new VideoSampleSource({
      codec: codec.picture,
      quality: new Quality('high'),
      keyFrameInterval: KEY_INTERVAL,
    });
    output.addVideoTrack(source, { frameRate: FILM_RATE });
    const sound =
      opening.soundRate === null ? null : new AudioSampleSource({ codec: codec.sound, quality: new Quality('high') });
    if (sound) output.addAudioTrack(sound);
    await output.start();
    open = { opening, canvas, context, output, source, sound, picture: null, written: 0, heard: 0 };
    return ok(null);
  },
  /** Paints the next picture; resolves once the encoder has room for another. */
  add: (frame: FilmFrame): Promise<Result<null, FilmIssue>> => inTurn(() => paint(frame)),
  /** The picture before once more. */
  again: (): Promise<Result<null, FilmIssue>> => inTurn(encodePicture),
  /** The next samples of the sound, mono. */
  async hear(samples: Int16Array<ArrayBuffer>): Promise<Result<null, FilmIssue>> {
    const rate = open?.opening.soundRate;
    if (!open?.sound || !rate) return fail('not-open', TEXT.filmWasNotBegunWith);
    if (samples.length === 0) return ok(null);
    const timestamp = open.heard / rate;
    open.heard += samples.length;
    try {
      const sample = new AudioSample({
        data: samples,
        format: 's16',
        numberOfChannels: 1,
        sampleRate: rate,
        timestamp,
      });
      await open.sound.add(sample);
      sample.close();
    } catch (error) {
      return stopped(error);
    }
    return ok(null);
  },
  async end(): Promise<Result<Blob, FilmIssue>> {
    if (!open) return fail('not-open', TEXT.filmWasNotBegun);
    const { output, opening } = open;
    const last = await encoding;
    if (!last.ok) return last;
    await output.finalize();
    open.picture?.close();
    open = null;
    return ok(new Blob([output.target.buffer!], { type: `video/${opening.format}` }));
  },
};
export type FilmWorker = typeof filmWorker;

exposeWorker(filmWorker);
