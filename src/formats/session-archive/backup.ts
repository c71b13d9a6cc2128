import { BlobReader, BlobWriter, configure, TextReader, ZipReader, ZipWriter, type FileEntry } from '@zip.js/zip.js';
import { athleteSchema, type Athlete } from '../../core/model/athlete';
import { fail, ok, type Issue, type Result } from '../../core/result';
import { isArchive } from './is-archive';
import { inflated } from './session-archive';
import { TEXT } from '../../text/formats/files';

/** Marks a backup; all else in it are session archives. */
const MARK = 'backup.falcon.json';
const HEADER = 'proud-falcon-backup';
/** The records of athletes. */
const ATHLETES = 'athletes.json';
const LARGEST_RECORDS = 100_000_000;
const SESSION = /^sessions\/([^/]+\.falcon\.zip)$/;

configure({ useWebWorkers: false });

/** A session's archive with the name that its file has. */
export interface BackedUp {
  readonly fileName: string;
  readonly blob: Blob;
}

const safe = (name: string): string => name.replace(/[^\p{L}\p{N} _-]/gu, '_').slice(0, 80);

/**
 * All sessions in one zip archive: `backup.falcon.json`, the athletes' records in `athletes.json`, and
 * `sessions/<number> <name>.falcon.zip`, each as it is saved by itself.
 * @param sessions in their order; they are asked for one after the other
 */
export async function writeBackup(
  sessions: AsyncIterable<{ readonly name: string; readonly archive: Blob }>,
  athletes: readonly Athlete[],
  madeAt: string,
  signal?: AbortSignal,
): Promise<Result<Blob, Issue<'cancelled'>>> {
  const zip = new ZipWriter(new BlobWriter('application/zip'), signal ? { signal } : {});
  try {
    await zip.add(MARK, new TextReader(`${JSON.stringify({ format: HEADER, version: 1, madeAt })}\n`));
    await zip.add(ATHLETES, new TextReader(`${JSON.stringify(athletes, null, 1)}\n`));
    let n = 0;
    for await (const { name, archive } of sessions)
      await zip.add(`sessions/${++n} ${safe(name)}.falcon.zip`, new BlobReader(archive), { level: 0 });
    return ok(await zip.close());
  } catch (error) {
    if (signal?.aborted) return fail('cancelled', TEXT.backupWasCancelledNoFile);
    throw error;
  }
}

/** What a backup holds, and what of it cannot be read. */
export interface ReadBackup {
  readonly sessions: readonly BackedUp[];
  readonly athletes: readonly Athlete[];
  readonly damaged: readonly string[];
}

const damageOf = (name: string, error: unknown): string =>
  `\u201c${name}\u201d (${error instanceof Error ? error.message : String(error)})`;

/** Every record that can be read by itself. */
async function readAthletes(entry: FileEntry): Promise<{ readonly athletes: Athlete[]; readonly damaged: number }> {
  const all: unknown = JSON.parse(await (await inflated(entry, LARGEST_RECORDS)).text());
  const read = (Array.isArray(all) ? all : [null]).map((one) => athleteSchema.safeParse(one));
  const athletes = read.flatMap((one) => (one.success ? [one.data] : []));
  return { athletes, damaged: read.length - athletes.length };
}

/** The sessions and records of a backup; null of any other file. What cannot be read of it is named. */
export async function readBackup(file: File): Promise<ReadBackup | null> {
  if (!(await isArchive(file))) return null;
  const zip = new ZipReader(new BlobReader(file), { checkSignature: true });
  try {
    const entries = (await zip.getEntries()).filter((entry): entry is FileEntry => !entry.directory);
    if (!entries.some(({ filename }) => filename === MARK)) return null;
    const sessions: BackedUp[] = [];
    const damaged: string[] = [];
    const records = entries.find(({ filename }) => filename === ATHLETES);
    let athletes: readonly Athlete[] = [];
    if (records)
      try {
        const read = await readAthletes(records);
        ({ athletes } = read);
        if (read.damaged > 0) damaged.push(TEXT.recordsOfAthletes(read.damaged));
      } catch (error) {
        damaged.push(damageOf(ATHLETES, error));
      }
    for (const entry of entries) {
      const fileName = SESSION.exec(entry.filename)?.[1];
      if (fileName === undefined) continue;
      try {
        // Archives do not shrink: one that grows beyond the backup is none.
        sessions.push({ fileName, blob: await inflated(entry, file.size) });
      } catch (error) {
        damaged.push(damageOf(fileName, error));
      }
    }
    return { sessions, athletes, damaged };
  } catch {
    // Reading it as a session says what is wrong with it.
    return null;
  } finally {
    await zip.close().catch(() => undefined);
  }
}
