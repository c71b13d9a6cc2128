import Papa from 'papaparse';
import { fail, ok, type Result } from '../../core/result';
import {
  emptyMarker,
  framesOf,
  rateOfInterval,
  LENGTH_UNITS,
  type LengthUnit,
  type Marker,
} from '../../core/tracks/recording';
import {
  bytesOf,
  damaged,
  MOST_SAMPLES,
  quote,
  textOf,
  type PointFile,
  type PointFileIssue,
  type PointFormat,
} from './point-format';

/** A column of one coordinate: "left knee_x", "LKNE.x [mm]", "ball X". */
const COORDINATE = /^(.*?)[\s_.:-]*([xyz])\s*(?:[([]\s*(m|cm|mm|in|px)\s*[)\]])?$/i;
const TIME = /^(time|t)\s*(?:[([]?\s*(s|sec|seconds|ms)\s*[)\]]?)?$/i;
/** Times may be rounded; beyond this part of a step a row is missing or too many. */
const UNEVEN = 0.5;

interface Column {
  readonly name: string;
  readonly axis: 'x' | 'y' | 'z';
  readonly unit: LengthUnit | null;
  readonly index: number;
}

function rateOf(times: readonly number[]): number | null {
  const steps = times
    .slice(1)
    .map((t, i) => t - times[i]!)
    .sort((a, b) => a - b);
  const middle = steps[steps.length >> 1];
  return middle !== undefined && middle > 0 ? rateOfInterval(middle) : null;
}

function readFile(text: string, fileName: string): Result<PointFile, PointFileIssue> {
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' });
  const header = (data[0] ?? []).map((cell) => cell.trim());
  const columns = header.flatMap((cell, index): Column[] => {
    const match = COORDINATE.exec(cell);
    return match && match[1] !== ''
      ? [
          {
            name: match[1]!.trim(),
            axis: match[2]!.toLowerCase() as Column['axis'],
            unit: (match[3]?.toLowerCase() ?? null) as LengthUnit | null,
            index,
          },
        ]
      : [];
  });
  const names = [...new Set(columns.map((c) => c.name))].filter((name) =>
    ['x', 'y'].every((axis) => columns.some((c) => c.name === name && c.axis === axis)),
  );
  if (names.length === 0)
    return fail(
      'no-points',
      `“${fileName}” names no points in its first line: ${quote(header.join(', '))}. Name two or three columns for each, as in “left-knee_x, left-knee_y”.`,
    );
  const timeColumn = header.findIndex((cell) => TIME.test(cell));
  if (timeColumn < 0)
    return damaged(
      fileName,
      `it has no column “time” (seconds, or “time [ms]”). Its columns are ${quote(header.join(', '))}.`,
    );
  const perSecond = /ms/i.test(TIME.exec(header[timeColumn]!)?.[2] ?? '') ? 1000 : 1;
  const rows = data.slice(1);
  if (rows.length === 0) return fail('no-points', `“${fileName}” has no rows below its first line.`);
  if (rows.length * names.length > MOST_SAMPLES)
    return fail(
      'too-large',
      `“${fileName}” has ${rows.length} rows of ${names.length} points. Cut it to the attempt that is wanted.`,
    );
  const times = rows.map((row) => (row[timeColumn]?.trim() ? Number(row[timeColumn]) / perSecond : NaN));
  const wrong = times.findIndex((t, i) => !Number.isFinite(t) || (i > 0 && t <= times[i - 1]!));
  if (wrong >= 0)
    return damaged(
      fileName,
      `row ${wrong + 2}: its time ${quote(rows[wrong]![timeColumn] ?? '')} is not later than that of the row before.`,
    );
  const rate = rateOf(times);
  if (rate === null) return damaged(fileName, 'it has one row only; a recording has at least two.');
  const warnings: string[] = [];
  const frames = Math.round((times.at(-1)! - times[0]!) * rate) + 1;
  if (frames * names.length > MOST_SAMPLES)
    return fail(
      'too-large',
      `“${fileName}”: its times run from ${times[0]} to ${times.at(-1)} s at ${rate.toFixed(1)} rows per second. Cut it to the attempt that is wanted.`,
    );
  if (frames !== rows.length)
    warnings.push(
      `Its times are uneven: ${rows.length} rows for ${frames} frames at ${rate.toFixed(2)} per second; frames without a row count as missing.`,
    );
  let bad = 0;
  const spatial = names.every((name) => columns.some((c) => c.name === name && c.axis === 'z'));
  const markers = names.map((name): Marker => {
    const marker = emptyMarker(name, frames, spatial);
    const indices = (['x', 'y', ...(spatial ? (['z'] as const) : [])] as const).map(
      (axis) => columns.find((c) => c.name === name && c.axis === axis)!.index,
    );
    rows.forEach((row, r) => {
      const at = (times[r]! - times[0]!) * rate;
      const frame = frames === rows.length ? r : Math.round(at);
      if (Math.abs(at - frame) > UNEVEN || frame >= frames) return;
      const cells = indices.map((index) => row[index]?.trim() ?? '');
      const values = cells.map((cell) => (cell === '' ? NaN : Number(cell)));
      if (values.some((v) => !Number.isFinite(v))) {
        if (cells.some((cell, k) => cell !== '' && !/^nan$/i.test(cell) && !Number.isFinite(values[k]!))) bad++;
        return;
      }
      marker.x[frame] = values[0]!;
      marker.y[frame] = values[1]!;
      if (marker.z) marker.z[frame] = values[2]!;
    });
    return marker;
  });
  if (bad > 0) warnings.push(`${bad} samples are not numbers and count as missing.`);
  const unit = columns.find((c) => c.unit !== null)?.unit ?? (spatial ? 'unknown' : 'px');
  return ok({ recordings: [{ name: fileName.replace(/\.[^.]*$/, ''), rate, unit, up: 'y', markers }], warnings });
}

/**
 * A table of points (.csv): a column `time` in seconds, then for each point the columns `name_x`, `name_y` and, in space,
 * `name_z`; a unit may follow in brackets. Flat points are pixels with y downwards, points in space have y upwards.
 */
export const csv: PointFormat = {
  id: 'csv',
  name: 'CSV of points',
  extensions: ['csv'],
  sniff: (head, fileName) => /\.csv$/i.test(fileName) || /^[^\n]*\btime\b[^\n]*[,;\t]/i.test(head),
  read: (bytes, fileName) => readFile(textOf(bytes), fileName),
  write: (recording) => {
    const unit = LENGTH_UNITS[recording.unit] === null && recording.unit !== 'px' ? '' : ` [${recording.unit}]`;
    const axes = (marker: Marker): readonly ('x' | 'y' | 'z')[] => (marker.z ? ['x', 'y', 'z'] : ['x', 'y']);
    const header = ['time', ...recording.markers.flatMap((m) => axes(m).map((axis) => `${m.name}_${axis}${unit}`))];
    const rows = Array.from({ length: framesOf(recording) }, (_, i) => [
      i / recording.rate,
      ...recording.markers.flatMap((m) => axes(m).map((axis) => (Number.isNaN(m.x[i]!) ? '' : m[axis]![i]))),
    ]);
    return bytesOf(`${Papa.unparse([header, ...rows], { newline: '\n' })}\n`);
  },
};
