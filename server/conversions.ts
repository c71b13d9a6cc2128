import { execFile, spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdtemp, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { promisify } from 'node:util';
import express, { type NextFunction, type Request, type Response, type Router } from 'express';

export interface ConversionLimits {
  /** Largest upload, bytes. */
  readonly bytes: number;
  /** Longest conversion, milliseconds. */
  readonly time: number;
  /** How long a result waits to be fetched, milliseconds. */
  readonly keep: number;
  readonly atOnce: number;
}

export const DEFAULT_LIMITS: ConversionLimits = { bytes: 4e9, time: 30 * 60_000, keep: 10 * 60_000, atOnce: 2 };

/** Containers that cameras write. Playlists and anything else that names other files stay out. */
const FORMATS = 'mov,mp4,m4a,3gp,3g2,mj2,avi,matroska,webm,mpegts,mpeg,flv,asf,mxf,ogg,dv,h264,hevc';
const INPUT = ['-protocol_whitelist', 'file,pipe', '-format_whitelist', FORMATS];

/**
 * Keeps every frame and its time, and makes short groups so that any frame is reached quickly. No sound: nothing here
 * uses it.
 */
const OUTPUT = [
  '-map',
  '0:v:0',
  '-an',
  '-sn',
  '-dn',
  '-fps_mode',
  'passthrough',
  '-enc_time_base',
  '-1',
  '-c:v',
  'libx264',
  '-preset',
  'veryfast',
  '-crf',
  '18',
  '-g',
  '12',
  '-bf',
  '0',
  '-pix_fmt',
  'yuv420p',
  '-movflags',
  '+faststart',
];

type State = 'uploading' | 'converting' | 'done' | 'failed';

interface Conversion {
  readonly id: string;
  readonly folder: string;
  state: State;
  /** Share of the clip that is done, 0..1. */
  progress: number;
  message: string;
  process: ChildProcess | null;
  timer: NodeJS.Timeout | null;
}

const run = promisify(execFile);

class TooLarge extends Error {}

/** Lets at most so many bytes pass. */
const atMost = (bytes: number): Transform => {
  let seen = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      seen += chunk.length;
      done(seen > bytes ? new TooLarge(`more than ${bytes} bytes`) : null, chunk);
    },
  });
};

/** Running conversions; each has a folder of its own that is gone when the conversion is. */
export class Conversions {
  private readonly running = new Map<string, Conversion>();
  private known: Promise<boolean> | null = null;

  constructor(
    readonly limits: ConversionLimits = DEFAULT_LIMITS,
    private readonly ffmpeg = 'ffmpeg',
    private readonly ffprobe = 'ffprobe',
  ) {}

  /** Whether this machine can convert at all. */
  available(): Promise<boolean> {
    this.known ??= run(this.ffmpeg, ['-version']).then(
      () => true,
      () => false,
    );
    return this.known;
  }

  get(id: string): Conversion | null {
    return this.running.get(id) ?? null;
  }

  get count(): number {
    return this.running.size;
  }

  /** Ends a conversion and removes everything of it. */
  async end(id: string): Promise<void> {
    const conversion = this.running.get(id);
    if (!conversion) return;
    this.running.delete(id);
    if (conversion.timer) clearTimeout(conversion.timer);
    conversion.process?.kill('SIGKILL');
    await rm(conversion.folder, { recursive: true, force: true });
  }

  async endAll(): Promise<void> {
    await Promise.all([...this.running.keys()].map((id) => this.end(id)));
  }

  /** Takes a clip in and begins to convert it; resolves when the upload is complete. */
  async begin(body: NodeJS.ReadableStream): Promise<Conversion> {
    const folder = await mkdtemp(path.join(tmpdir(), 'falcon-convert-'));
    const conversion: Conversion = {
      id: randomUUID(),
      folder,
      state: 'uploading',
      progress: 0,
      message: '',
      process: null,
      timer: null,
    };
    this.running.set(conversion.id, conversion);
    try {
      await pipeline(body, atMost(this.limits.bytes), createWriteStream(path.join(folder, 'input')));
    } catch (error) {
      await this.end(conversion.id);
      throw error;
    }
    void this.convert(conversion);
    return conversion;
  }

  private fail(conversion: Conversion, message: string): void {
    conversion.state = 'failed';
    conversion.message = message;
    this.keepFor(conversion, this.limits.keep);
  }

  private keepFor(conversion: Conversion, time: number): void {
    if (conversion.timer) clearTimeout(conversion.timer);
    conversion.timer = setTimeout(() => void this.end(conversion.id), time);
    conversion.timer.unref();
  }

  private async convert(conversion: Conversion): Promise<void> {
    const input = path.join(conversion.folder, 'input');
    let duration = NaN;
    try {
      const probed = await run(
        this.ffprobe,
        [
          '-v',
          'error',
          ...INPUT,
          '-select_streams',
          'v:0',
          '-show_entries',
          'stream=codec_type:format=duration',
          '-of',
          'json',
          input,
        ],
        { timeout: 60_000 },
      );
      const { streams, format } = JSON.parse(probed.stdout) as {
        streams?: readonly unknown[];
        format?: { duration?: string };
      };
      if (!streams?.length) return this.fail(conversion, 'It holds no picture. Choose the video recording.');
      duration = Number(format?.duration);
    } catch {
      return this.fail(conversion, 'It is not a video file that can be converted. Copy it from the camera again.');
    }
    if (!this.running.has(conversion.id)) return;
    conversion.state = 'converting';
    const child = spawn(
      this.ffmpeg,
      [
        '-nostdin',
        '-loglevel',
        'error',
        '-progress',
        'pipe:1',
        ...INPUT,
        '-i',
        input,
        ...OUTPUT,
        '-y',
        path.join(conversion.folder, 'output.mp4'),
      ],
      { stdio: ['ignore', 'pipe', 'pipe'] },
    );
    conversion.process = child;
    let late = false;
    const timer = setTimeout(() => {
      late = true;
      child.kill('SIGKILL');
    }, this.limits.time);
    let errors = '';
    child.stderr.on('data', (data: Buffer) => (errors = (errors + data.toString()).slice(-2000)));
    child.stdout.on('data', (data: Buffer) => {
      const times = [...data.toString().matchAll(/out_time_us=(\d+)/g)];
      const last = times[times.length - 1];
      if (last && duration > 0) conversion.progress = Math.min(1, Number(last[1]) / 1e6 / duration);
    });
    child.on('error', (error) => (errors = error.message));
    child.on('close', (code) => {
      clearTimeout(timer);
      conversion.process = null;
      if (!this.running.has(conversion.id)) return;
      if (code === 0) {
        conversion.state = 'done';
        conversion.progress = 1;
        this.keepFor(conversion, this.limits.keep);
      } else if (late)
        this.fail(conversion, 'It took too long to convert. Cut the part that you need and choose that.');
      else {
        const line = errors.trim().split('\n').pop()?.replaceAll(conversion.folder, '') ?? '';
        this.fail(
          conversion,
          `It could not be converted (${line || `exit code ${code}`}). Copy it from the camera again.`,
        );
      }
    });
  }
}

/**
 * `POST /` with a clip as body begins a conversion, `GET /:id` tells how far it is, `GET /:id/clip` gives the result and removes it,
 * `DELETE /:id` cancels. `GET /` tells whether this machine can convert.
 */
export function conversionRoutes(conversions: Conversions): Router {
  const router = express.Router();
  const { limits } = conversions;
  const view = ({ id, state, progress, message }: Conversion): object => ({ id, state, progress, message });
  const refuse = (response: Response, status: number, message: string): void => {
    // What is left of an upload is read and thrown away, or the browser would not show the answer.
    response.req.resume();
    response.status(status).json({ message });
  };

  // Another site's page in the same browser must not use this service.
  router.use((request: Request, response: Response, next: NextFunction) => {
    const site = request.headers['sec-fetch-site'];
    if (site !== undefined && site !== 'same-origin')
      return refuse(response, 403, 'Only the application itself may convert clips.');
    next();
  });
  router.get('/', async (_request: Request, response: Response) => {
    response.json({ available: await conversions.available(), bytes: limits.bytes });
  });
  router.post('/', async (request: Request, response: Response) => {
    if (!(await conversions.available()))
      return refuse(
        response,
        501,
        'This machine has no ffmpeg. Install it with "apt install ffmpeg" and try again, or choose an H.264, VP9 or AV1 clip.',
      );
    const type = request.headers['content-type'] ?? '';
    if (!/^(video\/[\w.+-]+|application\/octet-stream)$/.test(type))
      return refuse(response, 415, `"${type}" is not a video. Choose a video file.`);
    const length = Number(request.headers['content-length'] ?? 0);
    if (length > limits.bytes)
      return refuse(
        response,
        413,
        `The clip has ${(length / 1e9).toFixed(1)} GB; at most ${(limits.bytes / 1e9).toFixed(1)} GB can be converted. Cut the part that you need.`,
      );
    if (conversions.count >= limits.atOnce)
      return refuse(response, 429, `${limits.atOnce} clips are being converted already. Wait for one to end.`);
    try {
      response.status(202).json(view(await conversions.begin(request)));
    } catch (error) {
      if (error instanceof TooLarge)
        refuse(
          response,
          413,
          `The clip has more than ${(limits.bytes / 1e9).toFixed(1)} GB. Cut the part that you need.`,
        );
      else if (!response.headersSent && !request.destroyed) refuse(response, 400, 'The upload broke off. Try again.');
    }
  });
  router.get('/:id', (request: Request<{ id: string }>, response: Response) => {
    const conversion = conversions.get(request.params.id);
    if (conversion) response.json(view(conversion));
    else refuse(response, 404, 'There is no such conversion any more. Begin it again.');
  });
  router.get('/:id/clip', async (request: Request<{ id: string }>, response: Response) => {
    const conversion = conversions.get(request.params.id);
    if (conversion?.state !== 'done') return refuse(response, 404, 'There is no converted clip here. Begin it again.');
    const file = path.join(conversion.folder, 'output.mp4');
    const { size } = await stat(file);
    response.set({ 'Content-Type': 'video/mp4', 'Content-Length': String(size) });
    response.sendFile(file, { acceptRanges: false }, () => void conversions.end(conversion.id));
  });
  router.delete('/:id', async (request: Request<{ id: string }>, response: Response) => {
    await conversions.end(request.params.id);
    response.status(204).end();
  });
  return router;
}
