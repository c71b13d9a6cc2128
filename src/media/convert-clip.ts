import { z } from 'zod';
import { fail, ok, type Issue, type Result } from '../core/result';
import { TEXT } from '../text/media';

export type ConvertIssue = Issue<'no-converter' | 'conversion-failed' | 'cancelled'>;

export interface ConvertOptions {
  readonly signal: AbortSignal;
  /** Share done, 0..1: the upload is the first tenth. */
  readonly onProgress: (share: number) => void;
  /** What whoever uses the copy should know of it. */
  readonly onNote?: (message: string) => void;
  /** The server does not answer: the work waits, and goes on once it does. */
  readonly onWaiting?: (waiting: boolean) => void;
}

const conversionSchema = z.object({
  id: z.string(),
  state: z.enum(['uploading', 'converting', 'done', 'failed']),
  progress: z.number(),
  message: z.string(),
});
const refusalSchema = z.object({ message: z.string() });
const UPLOAD_SHARE = 0.1;
const POLL_MS = 250;
const SERVER_POLL_MS = 2000;

/** Whether the server can convert clips that the browser cannot decode; *away* where none answers. */
export async function converterState(): Promise<'ready' | 'lacking' | 'away'> {
  const response = await fetch('/conversions').catch(() => null);
  if (!response) return 'away';
  if (!response.ok) return 'lacking';
  const body = z.object({ available: z.boolean() }).safeParse(await response.json().catch(() => null));
  return body.success && body.data.available ? 'ready' : 'lacking';
}

const pause = (ms: number, signal: AbortSignal): Promise<void> =>
  new Promise((resolve, reject) => {
    if (signal.aborted) return reject(signal.reason as Error);
    const onAbort = (): void => {
      clearTimeout(timer);
      reject(signal.reason as Error);
    };
    const timer = setTimeout(() => {
      signal.removeEventListener('abort', onAbort);
      resolve();
    }, ms);
    signal.addEventListener('abort', onAbort, { once: true });
  });

/** Resolves once the server answers, however long that takes; rejects when the signal is aborted. */
async function untilServerAnswers(signal: AbortSignal, onWaiting: (waiting: boolean) => void): Promise<void> {
  if ((await converterState()) !== 'away') return;
  onWaiting(true);
  do {
    await pause(SERVER_POLL_MS, signal);
  } while ((await converterState()) === 'away');
  onWaiting(false);
}

/**
 * Has the server make an H.264 copy of a clip with every frame and its time kept, in short groups of pictures. Nothing
 * is kept on the server; cancelling ends the work there.
 * @returns the copy, named after the clip
 */
export async function convertClip(
  file: File,
  { signal, onProgress, onNote = () => undefined, onWaiting = () => undefined }: ConvertOptions,
): Promise<Result<File, ConvertIssue>> {
  const failed = (message: string): Result<never, ConvertIssue> =>
    fail('conversion-failed', TEXT.wasNotConverted(file.name, message));
  let id: string | null = null;
  try {
    await untilServerAnswers(signal, onWaiting);
    const begun = await fetch('/conversions', {
      method: 'POST',
      body: file,
      headers: { 'Content-Type': 'application/octet-stream' },
      signal,
    });
    const body: unknown = await begun.json().catch(() => null);
    if (!begun.ok) {
      const refusal = refusalSchema.safeParse(body);
      const message = refusal.success ? refusal.data.message : TEXT.serverAnswered(begun.status);
      return begun.status === 501 ? fail('no-converter', message) : failed(message);
    }
    id = conversionSchema.parse(body).id;
    for (;;) {
      const now = conversionSchema.parse(await (await fetch(`/conversions/${id}`, { signal })).json());
      onProgress(UPLOAD_SHARE + (1 - UPLOAD_SHARE) * now.progress);
      if (now.state === 'failed') return failed(now.message);
      if (now.state === 'done') {
        if (now.message) onNote(now.message);
        break;
      }
      await pause(POLL_MS, signal);
    }
    const answer = await fetch(`/conversions/${id}/clip`, { signal });
    if (!answer.ok) return failed(TEXT.serverNoLongerHasCopy);
    const clip = await answer.blob();
    id = null;
    return ok(
      new File([clip], file.name.replace(/\.[^.]*$/, '') + '.mp4', {
        type: 'video/mp4',
        lastModified: file.lastModified,
      }),
    );
  } catch (error) {
    if (signal.aborted) return fail('cancelled', TEXT.convertingWasCancelledWhatWas(file.name));
    return failed(TEXT.connectionToServerBrokeOff(error instanceof Error ? error.message : String(error)));
  } finally {
    if (id !== null) void fetch(`/conversions/${id}`, { method: 'DELETE' }).catch(() => undefined);
  }
}
