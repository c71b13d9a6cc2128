import { fail, type Result } from '../../core/result';
import { bvh } from './bvh';
import { c3d } from './c3d';
import { coco } from './coco';
import { csv } from './csv';
import type { PointFile, PointFileIssue, PointFormat } from './point-format';
import { trc } from './trc';

/** Formats of points, the surest to recognise first. */
export const POINT_FORMATS: readonly PointFormat[] = [c3d, bvh, trc, coco, csv];

/** Recognised by content; the name decides only where the content does not. */
export function pointFormatOf(bytes: Uint8Array, fileName: string): PointFormat | null {
  const head = Array.from(bytes.subarray(0, 4096), (b) => String.fromCharCode(b))
    .join('')
    .replace(/^\u00ef\u00bb\u00bf/, '');
  return POINT_FORMATS.find((format) => format.sniff(head, fileName)) ?? null;
}

/** Reads a file of points in whatever format it is. */
export function readPointFile(bytes: Uint8Array, fileName: string): Result<PointFile, PointFileIssue> {
  const format = pointFormatOf(bytes, fileName);
  if (!format)
    return fail(
      'not-this-format',
      `“${fileName}” is none of the formats of points that are read: ${POINT_FORMATS.map((f) => `${f.name} (.${f.extensions[0]})`).join(', ')}.`,
    );
  return format.read(bytes, fileName);
}
