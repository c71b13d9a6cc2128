import { convertFile } from '../clips/clip-use-cases';
import { notify } from '../stores/notices';
import { TEXT } from '../../text/application/intake';

/** What became of a conversion that nobody has taken yet. */
interface Converted {
  readonly file: File | null;
  /** Why there is none. */
  readonly message: string | null;
}

/** Conversions that have ended and that nobody has taken, by where their clip goes. */
const ended = new Map<string, Converted>();
const underway = new Set<string>();

type Take = (file: File | null, message: string | null) => void;

/** Where a clip goes: a place at Intake of a session. */
export const placeKey = (sessionId: string, place: string): string => `${sessionId} ${place}`;

const takers = new Map<string, Take>();

function handOver(key: string): void {
  const take = takers.get(key);
  const converted = ended.get(key);
  if (!take || !converted) return;
  ended.delete(key);
  take(converted.file, converted.message);
}

/**
 * Has a clip converted for a place; it arrives there, or waits until somebody comes back. Cancelling it is a matter of
 * its job.
 */
export async function convertFor(key: string, file: File): Promise<void> {
  if (underway.has(key)) return notify('info', TEXT.anotherClipIsBeingConverted);
  underway.add(key);
  const result = await convertFile(file);
  underway.delete(key);
  const converted = result.ok ? { file: result.value, message: null } : { file: null, message: result.issue.message };
  ended.set(key, converted);
  if (takers.has(key)) handOver(key);
  else if (converted.file) notify('info', TEXT.nameIsConvertedAndWaits(file.name));
  else notify('error', converted.message ?? '');
}

/** Takes what arrives, or has arrived, for a place for as long as it is on the screen. */
export function whenConverted(key: string, take: Take): () => void {
  takers.set(key, take);
  // Not in the same turn: whoever asks is still being drawn.
  queueMicrotask(() => handOver(key));
  return () => {
    if (takers.get(key) === take) takers.delete(key);
  };
}
