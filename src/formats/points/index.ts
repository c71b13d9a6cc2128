import { LIMITS } from '../../core/model/limits';
import { fail, ok, type Result } from '../../core/result';
import { bvh } from './bvh';
import { c3d } from './c3d';
import { coco } from './coco';
import { csv } from './csv';
import { damaged, type PointFile, type PointFileIssue, type PointFormat } from './point-format';
import { trc } from './trc';
import { TEXT } from '../../text/formats/points';

/** Formats of points, the surest to recognise first. */
export const POINT_FORMATS: readonly PointFormat[] = [c3d, bvh, trc, coco, csv];

/** Recognised by content; the name decides only where the content does not. */
export function pointFormatOf(bytes: Uint8Array, fileName: string): PointFormat | null {
  const head = Array.from(bytes.subarray(0, 4096), (b) => String.fromCharCode(b))
    .join('')
    .replace(/^\u00ef\u00bb\u00bf/, '');
  return POINT_FORMATS.find((format) => format.sniff(head, fileName)) ?? null;
}

/** Recordings within the limits of what can be; a sample beyond them counts as missing. */
function plausible({ recordings, warnings }: PointFile, fileName: string): Result<PointFile, PointFileIssue> {
  const { rate: rates, coordinate, frames } = LIMITS;
  let beyond = 0;
  for (const { rate, markers } of recordings) {
    if (!(rate >= rates.least && rate <= rates.most))
      return damaged(fileName, TEXT.itsRateOfSecondCannot(Number(rate.toPrecision(6)), rates.least, rates.most));
    const count = markers[0]?.x.length ?? 0;
    if (count > frames) return fail('too-large', TEXT.hasFramesAtMost(fileName, count, frames));
    for (const { x, y, z } of markers)
      for (let i = 0; i < x.length; i++) {
        const inside = [x, y, ...(z ? [z] : [])].every((axis) => !(Math.abs(axis[i]!) > coordinate));
        if (inside) continue;
        beyond++;
        x[i] = y[i] = NaN;
        if (z) z[i] = NaN;
      }
  }
  const more = beyond > 0 ? [TEXT.samplesLieFartherOutThan(beyond)] : [];
  return ok({ recordings, warnings: [...warnings, ...more] });
}

/** Reads a file of points in whatever format it is. */
export function readPointFile(bytes: Uint8Array, fileName: string): Result<PointFile, PointFileIssue> {
  const format = pointFormatOf(bytes, fileName);
  if (!format)
    return fail(
      'not-this-format',
      TEXT.isNoneOfFormats(fileName, POINT_FORMATS.map((f) => `${f.name} (.${f.extensions[0]})`).join(', ')),
    );
  const read = format.read(bytes, fileName);
  return read.ok ? plausible(read.value, fileName) : read;
}
