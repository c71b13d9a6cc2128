import { z } from 'zod';
import { fail, ok, type Issue, type Result } from '../../core/result';
import { TEXT } from '../../text/application/export';

const refusalSchema = z.object({ message: z.string() });

/**
 * Has the server make a PDF file of a document. Nothing of it is kept there.
 * @param html a document with all that it needs in it
 * @param on the day that the file states, `YYYY-MM-DD`
 */
export async function paperFile(
  html: string,
  on: string,
  signal: AbortSignal,
): Promise<Result<Blob, Issue<'not-printed'>>> {
  const response = await fetch(`/papers?on=${on}`, {
    method: 'POST',
    body: html,
    headers: { 'Content-Type': 'text/html; charset=utf-8' },
    signal,
  }).catch((error: unknown) => {
    if (signal.aborted) throw error;
    return null;
  });
  if (response === null) return fail('not-printed', TEXT.serverDoesNotAnswerAnd);
  if (response.ok) return ok(await response.blob());
  const refusal = refusalSchema.safeParse(await response.json().catch(() => null));
  return fail('not-printed', refusal.success ? refusal.data.message : TEXT.serverAnsweredStatus(response.status));
}
