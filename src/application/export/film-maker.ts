import { transfer } from 'comlink';
import type { Clip } from '../../core/model/clip';
import { fail, ok, type Issue, type Result } from '../../core/result';
import type { ClipSource } from '../../media/clip-source';
import type { DecodedPicture } from '../../media/decoded-picture';
import { WorkerClient, type CrashIssue } from '../../media/worker-client';
import type { FilmFrame, FilmOpening, FilmWorker } from './film-worker';
import { startJob, type JobHandle } from '../stores/jobs';
import { openStoredClip } from '../files/stored-clips';
import { TEXT } from '../../text/application/export';

type FilmResult<T> = Result<T, Issue | CrashIssue>;

const LABEL = TEXT.makingFilm;
/** Pictures on their way to the encoder. */
const AHEAD = 2;

/** Feeds the worker that paints and encodes a film, a few pictures ahead of it. */
export class FilmMaker {
  private readonly client = new WorkerClient<FilmWorker>(
    new Worker(new URL('./film-worker.ts', import.meta.url), { type: 'module' }),
  );
  private readonly sources = new Map<string, ClipSource>();
  private readonly underway: Promise<FilmResult<null>>[] = [];

  constructor(readonly job: JobHandle) {}

  async open(opening: FilmOpening, clips: readonly Clip[]): Promise<FilmResult<null>> {
    for (const clip of clips) {
      const source = await openStoredClip(clip);
      if (!source.ok) return source;
      this.sources.set(clip.id, source.value);
    }
    return this.client.ask(this.client.remote.open(opening), LABEL);
  }

  /** The pictures of some frames at once; whoever asked closes them, or hands them on. */
  async decode(
    wanted: readonly { readonly clipId: string; readonly frame: number }[],
  ): Promise<FilmResult<DecodedPicture[]>> {
    const decoded = await Promise.all(wanted.map(({ clipId, frame }) => this.sources.get(clipId)!.frame(frame)));
    const bad = decoded.find((d) => !d.ok);
    if (!bad || bad.ok) return ok(decoded.flatMap((d) => (d.ok ? [d.value] : [])));
    for (const d of decoded) if (d.ok) d.value.close();
    return bad;
  }

  private async sent(answer: Promise<FilmResult<null>>): Promise<FilmResult<null>> {
    this.underway.push(answer);
    return this.underway.length > AHEAD ? this.underway.shift()! : ok(null);
  }

  add(frame: FilmFrame): Promise<FilmResult<null>> {
    const pictures = frame.parts.map((part) => part.frame);
    return this.sent(this.client.ask(this.client.remote.add(transfer(frame, pictures)), LABEL));
  }

  /** The picture before once more. */
  again(): Promise<FilmResult<null>> {
    return this.sent(this.client.ask(this.client.remote.again(), LABEL));
  }

  hear(samples: Int16Array<ArrayBuffer>): Promise<FilmResult<null>> {
    return this.sent(this.client.ask(this.client.remote.hear(samples), LABEL));
  }

  async end(): Promise<FilmResult<Blob>> {
    for (const rest of this.underway) {
      const done = await rest;
      if (!done.ok) return done;
    }
    return this.client.ask(this.client.remote.end(), LABEL);
  }

  close(): void {
    for (const source of this.sources.values()) source.close();
    this.client.end();
  }
}

export const filmCancelled = (): Result<never, Issue<'cancelled'>> => fail('cancelled', TEXT.filmWasCancelledNoFile);

/** Makes a film as a job that shows its progress and can be cancelled. */
export async function asFilm(make: (maker: FilmMaker) => Promise<FilmResult<Blob>>): Promise<FilmResult<Blob>> {
  const job = startJob('film', LABEL);
  const maker = new FilmMaker(job);
  try {
    return await make(maker);
  } finally {
    maker.close();
    job.end();
  }
}
