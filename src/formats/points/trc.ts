import { fail, ok, type Result } from '../../core/result';
import { emptyMarker, framesOf, isLengthUnit, type LengthUnit, type Marker } from '../../core/tracks/recording';
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

const unitOf = (text: string | undefined): LengthUnit => {
  const word = (text ?? '').trim().toLowerCase();
  return isLengthUnit(word) ? word : 'unknown';
};

function readFile(text: string, fileName: string): Result<PointFile, PointFileIssue> {
  const lines = text.split(/\r?\n/);
  if (!lines[0]?.startsWith('PathFileType')) return fail('not-this-format', TEXT.doesNotBeginWithPath(fileName));
  const names = (lines[1] ?? '').split('\t');
  const given = (lines[2] ?? '').split('\t');
  const field = (name: string): string | undefined =>
    given[names.findIndex((n) => n.trim().toLowerCase() === name.toLowerCase())];
  const rate = Number(field('DataRate'));
  if (!(rate > 0)) return damaged(fileName, TEXT.itsDataRateIsNumber(quote(field('DataRate') ?? '')));
  const header = (lines[3] ?? '').split('\t');
  if (!/^Frame#?$/i.test(header[0]?.trim() ?? ''))
    return damaged(fileName, TEXT.frameShouldStandAtStart(quote(header[0] ?? '')));
  const columns = header.flatMap((name, column) =>
    column >= 2 && name.trim() !== '' ? [{ name: name.trim(), column }] : [],
  );
  if (columns.length === 0) return fail('no-points', TEXT.namesNoMarkersInLine(fileName));
  const warnings: string[] = [];
  const rows = lines
    .slice(5)
    .filter((line) => /^\s*\d/.test(line))
    .map((line) => line.split('\t'));
  if (rows.length * columns.length > mostSamples(text.length))
    return fail('too-large', TEXT.hasFramesOfMarkersCut(fileName, rows.length, columns.length));
  if (rows.length === 0) return fail('no-points', TEXT.hasNoFrames(fileName));
  const claimed = Number(field('NumFrames'));
  if (claimed !== rows.length)
    warnings.push(TEXT.fileSaysItHasFramesAndHas(quote(field('NumFrames') ?? ''), rows.length));
  if (Number(field('NumMarkers')) !== columns.length)
    warnings.push(TEXT.fileSaysItHasMarkers(quote(field('NumMarkers') ?? ''), columns.length));
  let bad = 0;
  const markers = columns.map(({ name, column }): Marker => {
    const marker = emptyMarker(name, rows.length, true);
    rows.forEach((row, i) => {
      const cells = [row[column], row[column + 1], row[column + 2]].map((cell) => cell?.trim() ?? '');
      const values = cells.map((cell) => (cell === '' ? NaN : Number(cell)));
      if (values.some((v) => !Number.isFinite(v))) {
        if (cells.some((cell, k) => cell !== '' && !/^nan$/i.test(cell) && !Number.isFinite(values[k]!))) bad++;
        return;
      }
      [marker.x[i], marker.y[i], marker.z![i]] = values as [number, number, number];
    });
    return marker;
  });
  if (bad > 0) warnings.push(TEXT.samplesAreNotNumbersAndCount(bad));
  const unit = unitOf(field('Units'));
  if (unit === 'unknown') warnings.push(TEXT.itsUnitOfLengthIsNot(quote(field('Units') ?? '')));
  return ok({ recordings: [{ name: fileName.replace(/\.[^.]*$/, ''), rate, unit, up: 'y', markers }], warnings });
}

/** Tab-separated marker trajectories (.trc), y upwards. */
export const trc: PointFormat = {
  id: 'trc',
  name: 'TRC',
  extensions: ['trc'],
  sniff: (head) => head.startsWith('PathFileType'),
  read: (bytes, fileName) => readFile(textOf(bytes), fileName),
  write: (recording) => {
    const frames = framesOf(recording);
    const { markers, rate, unit } = recording;
    const name = (marker: Marker): string => marker.name.replace(/[\t\r\n]/g, ' ');
    const sample = (marker: Marker, i: number): string =>
      Number.isNaN(marker.x[i]!) ? '\t\t' : `${marker.x[i]}\t${marker.y[i]}\t${marker.z?.[i] ?? 0}`;
    const rows = Array.from(
      { length: frames },
      (_, i) => `${i + 1}\t${i / rate}\t${markers.map((m) => sample(m, i)).join('\t')}`,
    );
    return bytesOf(
      [
        `PathFileType\t4\t(X/Y/Z)\t${recording.name.replace(/[\t\r\n]/g, ' ')}.trc`,
        'DataRate\tCameraRate\tNumFrames\tNumMarkers\tUnits\tOrigDataRate\tOrigDataStartFrame\tOrigNumFrames',
        [rate, rate, frames, markers.length, unit, rate, 1, frames].join('\t'),
        `Frame#\tTime\t${markers.map((m) => `${name(m)}\t\t`).join('\t')}`,
        `\t\t${markers.map((_, k) => `X${k + 1}\tY${k + 1}\tZ${k + 1}`).join('\t')}`,
        '',
        ...rows,
        '',
      ].join('\n'),
    );
  },
};
