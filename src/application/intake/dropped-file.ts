import type { Clip, Part } from '../../core/model/clip';
import type { FigureAnswers } from '../../core/tracks/figure';
import { movementJson } from '../../formats/movement-json/movement-json';
import { isArchive } from '../../formats/session-archive/is-archive';
import { sessionJson } from '../../formats/session-json/session-json';
import { longFile } from './attempts';
import { converterState, probeFile, probeParts, type ProbedFile } from '../clips/clip-use-cases';
import { isPointFile, probePoints, type ProbedPoints } from '../tracks/point-files';
import { giveVideoBack } from '../keeping/session-files';

/** What a file that somebody dropped on a clip's place is. */
export type Dropped =
  | { readonly is: 'video'; readonly probed: ProbedFile }
  | { readonly is: 'points'; readonly probed: ProbedPoints; readonly answers: FigureAnswers }
  /** Long enough to hold several attempts. */
  | { readonly is: 'long'; readonly file: File; readonly seconds: number }
  /** The video that a known clip had lost; it has it again. */
  | { readonly is: 'given-back'; readonly fileName: string }
  /** Nothing of a clip, but something that another place takes. */
  | { readonly is: 'session' | 'movement'; readonly file: File }
  /** @property convertible whether the server may be able to read it */
  | { readonly is: 'refused'; readonly file: File; readonly message: string; readonly convertible: boolean };

/** What the server may be able to read where the browser cannot. */
const NEEDS_CONVERSION: ReadonlySet<string> = new Set(['unknown-codec', 'not-a-video', 'truncated']);
/** Containers whose picture may be coded as nothing here can read, so that only their sound is seen. */
const OLD_CONTAINER = /\.(m?ts|m2ts?|mpe?g|vob|og[gv])$/i;
/** So much of a text tells what it is. */
const HEAD = 4096;

const refused = (file: File, message: string, convertible = false): Dropped => ({
  is: 'refused',
  file,
  message,
  convertible,
});

/** Whether a file is a session, or all of a browser, or a movement, by its content. */
export async function documentIn(file: File): Promise<'session' | 'movement' | null> {
  if (file.size === 0) return null;
  if (await isArchive(file)) return 'session';
  const head = await file.slice(0, HEAD).text();
  if (sessionJson.sniff(head)) return 'session';
  return movementJson.sniff(head) ? 'movement' : null;
}

/** The video as it is, or given back to the clip that had lost it. */
async function videoFor(clip: Clip | null, probed: ProbedFile): Promise<Dropped> {
  if (!clip) return { is: 'video', probed };
  const back = await giveVideoBack(clip, probed);
  if (!back.ok) return refused(probed.file, back.issue.message);
  return back.value ? { is: 'given-back', fileName: probed.file.name } : { is: 'video', probed };
}

/**
 * Tells what a dropped file is, as far as a clip's place can take it; nothing of the session changes, but that a clip
 * gets the video back that it had lost.
 * @param clip what is in the place now
 * @param further dropped with it; still pictures are one performance together
 */
export async function receiveFile(file: File, further: readonly File[], clip: Clip | null): Promise<Dropped> {
  const document = await documentIn(file);
  if (document) return { is: document, file };
  if (await isPointFile(file)) {
    const read = await probePoints(file);
    if (!read.ok) return refused(file, read.issue.message);
    return { is: 'points', probed: read.value, answers: read.value.proposals[0]! };
  }
  // A clip that has lost its video is given its own frames before anything else is asked of a file.
  if (clip && clip.mediaId !== null && !clip.pictures) {
    const own = await probeParts(file, clip.part ? [clip.part] : [], clip.repeats);
    const back = own.ok ? await videoFor(clip, own.value) : null;
    if (back && back.is !== 'video') return back;
  }
  const long = further.length === 0 ? await longFile(file) : null;
  if (long) return { is: 'long', ...long };
  const probed = await probeFile(file, further);
  if (probed.ok) return videoFor(clip, probed.value);
  const { code, message } = probed.issue;
  const mayConvert = NEEDS_CONVERSION.has(code) || (code === 'no-picture' && OLD_CONTAINER.test(file.name));
  return refused(file, message, mayConvert && (await converterState()) !== 'lacking');
}

/** Looks into parts that were chosen of a long file. @param repeats null takes every frame */
export async function receiveParts(file: File, parts: readonly Part[], repeats?: null): Promise<Dropped> {
  const probed = await probeParts(file, parts, repeats);
  return probed.ok ? { is: 'video', probed: probed.value } : refused(file, probed.issue.message);
}

/** The same video with every frame of its file, those too that repeat a picture. */
export const receiveEveryFrame = ({ file, part, furtherParts }: ProbedFile): Promise<Dropped> =>
  receiveParts(file, part ? [part, ...furtherParts.flatMap((further) => further.part ?? [])] : [], null);
