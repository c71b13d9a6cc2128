import { execFile, spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdtemp, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { promisify } from 'node:util';
import { bounded } from './bounded-upload';
import { Busy } from './conversion-issues';
import { INPUT, OUTPUT, INTERLACED, picturesOf } from './ffmpeg-command';
import { TEXT } from '../src/text/server';

export interface ConversionLimits {
  /** Largest upload, bytes. */
  readonly bytes: number;
  /** Longest conversion, milliseconds. */
  readonly time: number;
  /** How long a result waits to be fetched, milliseconds. */
  readonly keep: number;
  /** How long an upload may send nothing, milliseconds. */
  readonly silence: number;
  /**
   * How long nobody may ask for a conversion before it is given up, milliseconds: a page in the background asks once a
   * minute.
   */
  readonly abandon: number;
  /** Uploads and conversions at once; results that wait to be fetched hold no place. */
  readonly atOnce: number;
  /** Results that wait; the oldest goes for a new one. */
  readonly waiting: number;
}

export const DEFAULT_LIMITS: ConversionLimits = {
  bytes: 4e9,
  time: 30 * 60_000,
  keep: 10 * 60_000,
  silence: 30_000,
  abandon: 3 * 60_000,
  atOnce: 2,
  waiting: 4,
};

/** Folders of conversions carry the process they belong to. */
const FOLDER = 'falcon-convert-';

const OWNED = /^falcon-convert-(\d+)-/;

const FIELDS_TOLD = TEXT.itIsInterlacedEach;

type State = 'uploading' | 'converting' | 'done' | 'failed';

export interface Conversion {
  readonly id: string;
  /** Empty until it is made. */
  folder: string;
  state: State;
  /** Share of the clip that is done, 0..1. */
  progress: number;
  message: string;
  process: ChildProcess | null;
  timer: NodeJS.Timeout | null;
}

const run = promisify(execFile);

/** Whether a process of this machine runs; one of another user counts as running. */
function runs(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

/** Removes what servers that were killed have left: folders of processes that no longer run. */
export async function sweepFolders(): Promise<readonly string[]> {
  const left = (await readdir(tmpdir())).filter((name) => {
    const pid = Number(OWNED.exec(name)?.[1]);
    return Number.isInteger(pid) && !runs(pid);
  });
  await Promise.all(
    left.map((name) => rm(path.join(tmpdir(), name), { recursive: true, force: true }).catch(() => undefined)),
  );
  return left;
}

/** Running conversions; each has a folder of its own that is gone when the conversion is. */
export class Conversions {
  private readonly running = new Map<string, Conversion>();
  private known: Promise<boolean> | null = null;
  private bound: Promise<readonly [string, readonly string[]]> | null = null;

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

  /** Those that take work: uploads and conversions. */
  get count(): number {
    return [...this.running.values()].filter(({ state }) => state === 'uploading' || state === 'converting').length;
  }

  /** All that are known, results that wait among them. */
  get all(): number {
    return this.running.size;
  }

  /** Ends a conversion and removes everything of it. */
  async end(id: string): Promise<void> {
    const conversion = this.running.get(id);
    if (!conversion) return;
    this.running.delete(id);
    if (conversion.timer) clearTimeout(conversion.timer);
    conversion.process?.kill('SIGKILL');
    if (conversion.folder !== '') await rm(conversion.folder, { recursive: true, force: true });
  }

  async endAll(): Promise<void> {
    await Promise.all([...this.running.keys()].map((id) => this.end(id)));
  }

  /**
   * Takes a clip in and begins to convert it; resolves when the upload is complete. The place is taken before anything
   * is waited for, so that many at once cannot all find it free.
   */
  async begin(body: NodeJS.ReadableStream): Promise<Conversion> {
    if (this.count >= this.limits.atOnce) throw new Busy(TEXT.noPlaceIsFree);
    const conversion: Conversion = {
      id: randomUUID(),
      folder: '',
      state: 'uploading',
      progress: 0,
      message: '',
      process: null,
      timer: null,
    };
    this.running.set(conversion.id, conversion);
    try {
      conversion.folder = await mkdtemp(path.join(tmpdir(), `${FOLDER}${process.pid}-`));
      const input = createWriteStream(path.join(conversion.folder, 'input'));
      await pipeline(body, bounded(this.limits.bytes, this.limits.silence), input);
    } catch (error) {
      await this.end(conversion.id);
      throw error;
    }
    this.askedFor(conversion);
    void this.convert(conversion);
    return conversion;
  }

  /** Somebody still waits for it: one that nobody asks for is given up. */
  askedFor(conversion: Conversion): void {
    if (conversion.state === 'uploading' || conversion.state === 'converting')
      this.keepFor(conversion, this.limits.abandon);
  }

  private fail(conversion: Conversion, message: string): void {
    conversion.state = 'failed';
    conversion.message = message;
    // Its words are kept, its files are not.
    void rm(conversion.folder, { recursive: true, force: true });
    this.wait(conversion);
  }

  /** Keeps what has ended until it is fetched, and no more of them than there is room for. */
  private wait(conversion: Conversion): void {
    this.keepFor(conversion, this.limits.keep);
    const ended = [...this.running.values()].filter(({ state }) => state === 'done' || state === 'failed');
    for (const { id } of ended.slice(0, Math.max(0, ended.length - this.limits.waiting))) void this.end(id);
  }

  private keepFor(conversion: Conversion, time: number): void {
    if (conversion.timer) clearTimeout(conversion.timer);
    conversion.timer = setTimeout(() => void this.end(conversion.id), time);
    conversion.timer.unref();
  }

  /**
   * The command that converts, so that it ends with this process even where that is killed; where the system cannot,
   * plainly.
   */
  private endingWithUs(): Promise<readonly [string, readonly string[]]> {
    this.bound ??= run('setpriv', ['--pdeathsig', 'KILL', 'true']).then(
      () => ['setpriv', ['--pdeathsig', 'KILL', this.ffmpeg]] as const,
      () => [this.ffmpeg, []] as const,
    );
    return this.bound;
  }

  private async convert(conversion: Conversion): Promise<void> {
    const input = path.join(conversion.folder, 'input');
    let [duration, interlaced] = [NaN, false];
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
          'stream=codec_type,field_order:format=duration',
          '-of',
          'json',
          input,
        ],
        { timeout: 60_000 },
      );
      const { streams, format } = JSON.parse(probed.stdout) as {
        streams?: readonly { field_order?: string }[];
        format?: { duration?: string };
      };
      if (!streams?.length) return this.fail(conversion, TEXT.itHoldsNoPictureChoose);
      duration = Number(format?.duration);
      interlaced = INTERLACED.includes(streams[0]!.field_order);
    } catch {
      return this.fail(conversion, TEXT.itIsNotVideoFile);
    }
    if (!this.running.has(conversion.id)) return;
    conversion.state = 'converting';
    const [command, before] = await this.endingWithUs();
    if (!this.running.has(conversion.id)) return;
    const child = spawn(
      command,
      [
        ...before,
        '-nostdin',
        '-loglevel',
        'error',
        '-progress',
        'pipe:1',
        ...INPUT,
        '-i',
        input,
        ...OUTPUT,
        ...picturesOf(interlaced),
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
        if (interlaced) conversion.message = FIELDS_TOLD;
        this.wait(conversion);
      } else if (late) this.fail(conversion, TEXT.itTookTooLong);
      else {
        const line = errors.trim().split('\n').pop()?.replaceAll(conversion.folder, '') ?? '';
        this.fail(conversion, TEXT.itCouldNotBeConverted(line || TEXT.exitCode(String(code))));
      }
    });
  }
}
