import { BlobReader, BlobWriter, configure, TextReader, ZipReader, ZipWriter, type FileEntry } from '@zip.js/zip.js';
import type { Session } from '../../core/model/session';
import { mediaOf, withMedia } from '../../core/model/session-media';
import { fail, ok, type Issue, type Result } from '../../core/result';
import { sessionJson, type SessionJsonIssue } from '../session-json/session-json';
import { TEXT } from '../../text/formats/files';

export interface ArchivedVideo {
  readonly fileName: string;
  readonly blob: Blob;
}

export interface SessionArchive {
  readonly session: Session;
  /** Media id -> its video; ids of the session that are missing here were not in the archive. */
  readonly videos: ReadonlyMap<string, ArchivedVideo>;
  /** Videos that are in it and cannot be read, each with why. */
  readonly damaged: readonly string[];
}

/** Reads the text of the session's own entry. */
export type SessionReader = (text: string, fileName: string) => Result<Session, Issue<SessionJsonIssue>>;

export type SessionArchiveIssue = SessionJsonIssue | 'cancelled' | 'not-an-archive' | 'damaged-archive';

const SESSION_ENTRY = 'session.falcon.json';
const VIDEO_ENTRY = /^video\/([^/]+)\/([^/]+)$/;

// Videos are stored as they are and the rest is small: workers would only need a hole in the page's security policy.
configure({ useWebWorkers: false });

const fileNameIn = (name: string): string => name.replace(/[/\\]/g, '_') || 'video';

/** A session without its videos, as text, bytes. */
const LARGEST_DOCUMENT = 400e6;
/** Videos are stored as they are: one that grows by more than this as it is unpacked is no video. */
const MOST_INFLATION = 3;

/** The content of an entry, which may not grow beyond a size whatever the archive says of it. */
export async function inflated(entry: FileEntry, most: number): Promise<Blob> {
  const parts: BlobPart[] = [];
  let size = 0;
  await entry.getData(
    new WritableStream<Uint8Array<ArrayBuffer>>({
      write(chunk) {
        size += chunk.length;
        if (size > most) throw new Error(TEXT.itGrowsBeyondMb(Math.round(most / 1e6)));
        parts.push(chunk);
      },
    }),
  );
  return new Blob(parts);
}

/** A name out of an address; undefined where it is none. */
function decoded(text: string): string | undefined {
  try {
    return decodeURIComponent(text);
  } catch {
    return undefined;
  }
}

/**
 * A session with its videos, and with what was recorded while talking, as one zip archive: `session.falcon.json` and
 * `video/<media id>/<file name>`, uncompressed.
 * @param load a video by its media id; what it does not know is left out
 * @param onProgress bytes of video written, of all
 */
export async function writeSessionArchive(
  session: Session,
  load: (mediaId: string) => Promise<ArchivedVideo | undefined>,
  {
    signal,
    onProgress,
  }: { readonly signal?: AbortSignal; readonly onProgress?: (done: number, all: number) => void } = {},
): Promise<Result<Blob, Issue<'cancelled'>>> {
  const videos = new Map<string, ArchivedVideo>();
  for (const { mediaId } of mediaOf(session)) {
    const video = videos.has(mediaId) ? undefined : await load(mediaId);
    if (video) videos.set(mediaId, video);
  }
  const all = [...videos.values()].reduce((sum, { blob }) => sum + blob.size, 0);
  let before = 0;
  const zip = new ZipWriter(new BlobWriter('application/zip'), signal ? { signal } : {});
  try {
    await zip.add(SESSION_ENTRY, new TextReader(sessionJson.write(withMedia(session, (id) => id))));
    for (const [id, { fileName, blob }] of videos) {
      await zip.add(`video/${encodeURIComponent(id)}/${fileNameIn(fileName)}`, new BlobReader(blob), {
        level: 0,
        onprogress: (done: number) => {
          onProgress?.(before + done, all);
          return undefined;
        },
      });
      before += blob.size;
      onProgress?.(before, all);
    }
    return ok(await zip.close());
  } catch (error) {
    if (signal?.aborted) return fail('cancelled', TEXT.savingSessionWasCancelledNo);
    throw error;
  }
}

/**
 * Reads what `writeSessionArchive` wrote. Entries that belong to neither the session nor its videos are passed over.
 */
export async function readSessionArchive(
  file: Blob,
  fileName: string,
  readDocument: SessionReader = sessionJson.read,
): Promise<Result<SessionArchive, Issue<SessionArchiveIssue>>> {
  const zip = new ZipReader(new BlobReader(file), { checkSignature: true });
  try {
    const entries = (await zip.getEntries()).filter((entry): entry is FileEntry => !entry.directory);
    const document = entries.find((entry) => entry.filename === SESSION_ENTRY);
    if (!document) return fail('not-an-archive', TEXT.holdsNoSessionThere(fileName, SESSION_ENTRY));
    const text = await (await inflated(document, LARGEST_DOCUMENT)).text();
    const session = readDocument(text, `${fileName}/${SESSION_ENTRY}`);
    if (!session.ok) return session;
    const needed = new Set(mediaOf(session.value).map(({ mediaId }) => mediaId));
    const videos = new Map<string, ArchivedVideo>();
    const damaged: string[] = [];
    for (const entry of entries) {
      const [, coded, name] = VIDEO_ENTRY.exec(entry.filename) ?? [];
      const id = coded === undefined ? undefined : decoded(coded);
      if (id === undefined || name === undefined || !needed.has(id)) continue;
      try {
        videos.set(id, { fileName: name, blob: await inflated(entry, MOST_INFLATION * file.size) });
      } catch (error) {
        damaged.push(TEXT.videoNameDetail(name, error instanceof Error ? error.message : String(error)));
      }
    }
    return ok({ session: session.value, videos, damaged });
  } catch (error) {
    return fail(
      'damaged-archive',
      TEXT.cannotBeReadToIts(fileName, error instanceof Error ? error.message : String(error)),
    );
  } finally {
    await zip.close().catch(() => undefined);
  }
}
