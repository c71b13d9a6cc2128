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
  mostSamples,
  quote,
  textOf,
  type PointFile,
  type PointFileIssue,
  type PointFormat,
} from './point-format';
import { TEXT } from '../../text/formats/points';

/** A column of one coordinate: "left knee_x", "LKNE.x [mm]", "ball X". */
const COORDINATE = /^(.*?)[\s_.:-]*([xyz])\s*(?:[([]\s*(m|cm|mm|in|px)\s*[)\]])?$/i;
/** A column of how sure a detector is of a point: "left-knee_confidence". */
const CONFIDENCE = /^(.*?)[\s_.:-]*confidence$/i;
const TIME = /^(time|t)\s*(?:[([]?\s*(s|sec|seconds|ms)\s*[)\]]?)?$/i;
/** A longer cell names no column. */
const LONGEST_NAME = 200;
/** A number with a comma before its decimals. */
const DECIMAL_COMMA = /^[+-]?\d*,\d+(e[+-]?\d+)?$/i;
/** Times may be rounded; beyond this part of a step a row is missing or too many. */
const UNEVEN = 0.5;

interface Column {
  readonly name: string;
  readonly axis: 'x' | 'y' | 'z';
  readonly unit: LengthUnit | null;
  readonly index: number;
}

/** Times are written to a millisecond at worst, seconds. */
const WRITTEN_TO = 1e-3;

/** Rows per second: all steps count, missing rows among them, so that times that were rounded keep the rate. */
function rateOf(times: readonly number[]): number | null {
  const steps = times.slice(1).map((t, i) => t - times[i]!);
  const middle = [...steps].sort((a, b) => a - b)[steps.length >> 1];
  if (middle === undefined || !(middle > 0)) return null;
  const span = times.at(-1)! - times[0]!;
  const rate = steps.reduce((sum, step) => sum + Math.max(1, Math.round(step / middle)), 0) / span;
  const whole = Math.round(rate);
  return Math.abs(rate - whole) < (rate * WRITTEN_TO) / span ? whole : rateOfInterval(1 / rate);
}

/** The table with points before its decimals, and whether it had commas there. */
function withPoints(data: readonly (readonly string[])[]): { rows: readonly (readonly string[])[]; commas: boolean } {
  const commas = data.slice(1, 20).some((row) => row.some((cell) => DECIMAL_COMMA.test(cell.trim())));
  if (!commas) return { rows: data, commas };
  const point = (cell: string): string => (DECIMAL_COMMA.test(cell.trim()) ? cell.replace(',', '.') : cell);
  return { rows: data.map((row, i) => (i === 0 ? row : row.map(point))), commas };
}

/** A larger table is refused before it is taken apart, which would take all of the memory. */
const MOST_CELLS = 20e6;

function readFile(text: string, fileName: string): Result<PointFile, PointFileIssue> {
  const lines = text.split('\n').length;
  const across = text.slice(0, text.indexOf('\n') + 1 || undefined).split(/[,;\t]/).length;
  if (lines * across > MOST_CELLS) return fail('too-large', TEXT.hasAboutRowsOfColumns(fileName, lines, across));
  const parsed = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' });
  const { rows: data, commas } = withPoints(parsed.data);
  const header = (data[0] ?? []).map((cell) => cell.trim());
  const columns = header.flatMap((cell, index): Column[] => {
    const match = cell.length > LONGEST_NAME ? null : COORDINATE.exec(cell);
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
  const columnOf = new Map(columns.map((c) => [`${c.axis} ${c.name}`, c.index]));
  const sureness = new Map(
    header.flatMap((cell, index): [string, number][] => {
      const match = cell.length > LONGEST_NAME ? null : CONFIDENCE.exec(cell);
      return match?.[1] ? [[match[1].trim(), index]] : [];
    }),
  );
  const names = [...new Set(columns.map((c) => c.name))].filter((name) =>
    ['x', 'y'].every((axis) => columnOf.has(`${axis} ${name}`)),
  );
  if (names.length === 0) return fail('no-points', TEXT.namesNoPointsInIts(fileName, quote(header.join(', '))));
  const timeColumn = header.findIndex((cell) => TIME.test(cell));
  if (timeColumn < 0) return damaged(fileName, TEXT.itHasNoColumnTime(quote(header.join(', '))));
  const perSecond = /ms/i.test(TIME.exec(header[timeColumn]!)?.[2] ?? '') ? 1000 : 1;
  const rows = data.slice(1);
  const cells = Math.max(...rows.slice(0, 20).map((row) => row.length));
  if (cells > header.length && parsed.meta.delimiter === ',')
    return damaged(fileName, TEXT.itsRowsHaveCellsWhere(cells, header.length));
  if (rows.length === 0) return fail('no-points', TEXT.hasNoRowsBelowIts(fileName));
  if (rows.length * names.length > mostSamples(text.length))
    return fail('too-large', TEXT.hasRowsOfPointsCut(fileName, rows.length, names.length));
  const times = rows.map((row) => (row[timeColumn]?.trim() ? Number(row[timeColumn]) / perSecond : NaN));
  const wrong = times.findIndex((t, i) => !Number.isFinite(t) || (i > 0 && t <= times[i - 1]!));
  if (wrong >= 0) return damaged(fileName, TEXT.rowItsTimeIsNot(wrong + 2, quote(rows[wrong]![timeColumn] ?? '')));
  const rate = rateOf(times);
  if (rate === null) return damaged(fileName, TEXT.itHasOneRowOnly);
  const warnings: string[] = commas ? [TEXT.itsDecimalCommasWereRead] : [];
  const frames = Math.round((times.at(-1)! - times[0]!) * rate) + 1;
  if (frames * names.length > mostSamples(text.length))
    return fail('too-large', TEXT.itsTimesRunFrom(fileName, times[0]!, times.at(-1)!, rate.toFixed(1)));
  if (frames !== rows.length) warnings.push(TEXT.itsTimesAreUnevenRows(rows.length, frames, rate.toFixed(2)));
  let bad = 0;
  const spatial = names.every((name) => columnOf.has(`z ${name}`));
  const markers = names.map((name): Marker => {
    const sureIn = sureness.get(name);
    const marker: Marker = {
      ...emptyMarker(name, frames, spatial),
      ...(sureIn === undefined ? {} : { confidence: new Float64Array(frames).fill(NaN) }),
    };
    const indices = (['x', 'y', ...(spatial ? (['z'] as const) : [])] as const).map((axis) =>
      columnOf.get(`${axis} ${name}`)!,
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
      const sure = sureIn === undefined ? '' : (row[sureIn]?.trim() ?? '');
      if (sure !== '' && marker.confidence) marker.confidence[frame] = Math.min(1, Math.max(0, Number(sure)));
    });
    return marker;
  });
  if (bad > 0) warnings.push(TEXT.samplesAreNotNumbersAndCount(bad));
  const unit = columns.find((c) => c.unit !== null)?.unit ?? (spatial ? 'unknown' : 'px');
  return ok({ recordings: [{ name: fileName.replace(/\.[^.]*$/, ''), rate, unit, up: 'y', markers }], warnings });
}

/**
 * A table of points (.csv): a column `time` in seconds, then for each point the columns `name_x`, `name_y` and, in
 * space, `name_z`; a unit may follow in brackets. Flat points are pixels with y downwards, points in space have y
 * upwards. Where a detector placed a point, the column `name_confidence` says how sure it was, 0 to 1.
 */
export const csv: PointFormat = {
  id: 'csv',
  name: TEXT.csvOfPoints,
  extensions: ['csv'],
  sniff: (head, fileName) => /\.csv$/i.test(fileName) || /^[^\n]*\btime\b[^\n]*[,;\t]/i.test(head),
  read: (bytes, fileName) => readFile(textOf(bytes), fileName),
  write: (recording) => {
    const unit = LENGTH_UNITS[recording.unit] === null && recording.unit !== 'px' ? '' : ` [${recording.unit}]`;
    const axes = (marker: Marker): readonly ('x' | 'y' | 'z')[] => (marker.z ? ['x', 'y', 'z'] : ['x', 'y']);
    const header = [
      'time',
      ...recording.markers.flatMap((m) => [
        ...axes(m).map((axis) => `${m.name}_${axis}${unit}`),
        ...(m.confidence ? [`${m.name}_confidence`] : []),
      ]),
    ];
    const numberOr = (value: number | undefined): number | '' =>
      value === undefined || Number.isNaN(value) ? '' : Math.round(1e4 * value) / 1e4;
    const rows = Array.from({ length: framesOf(recording) }, (_, i) => [
      i / recording.rate,
      ...recording.markers.flatMap((m) => [
        ...axes(m).map((axis) => (Number.isNaN(m.x[i]!) ? '' : m[axis]![i])),
        ...(m.confidence ? [numberOr(m.confidence[i])] : []),
      ]),
    ]);
    return bytesOf(`${Papa.unparse([header, ...rows], { newline: '\n' })}\n`);
  },
};
