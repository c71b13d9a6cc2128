import Papa from 'papaparse';
import type { Judged } from '../core/judgement/state';
import type { TimingRow } from '../core/comparison/timing-table';
import { eventsOf } from '../core/model/measure';
import type { Movement } from '../core/model/movement';
import type { Trial } from '../core/trial/trial';
import { isInSpace, type Reading } from '../core/reading';
import { timeAtFrame } from '../core/timing/clip-time';
import { fromSi } from '../core/units';
import { TEXT } from '../text/report';

export interface ReportNumbers {
  readonly movement: Movement;
  readonly judged: readonly Judged[];
  readonly timing: readonly TimingRow[];
  readonly athlete: Trial | null;
  readonly reference: Trial | null;
  /** Further athletes of the session, each against their own reference. */
  readonly others?: readonly { readonly performer: string; readonly judged: readonly Judged[] }[];
  /** Clip id -> the file that a value was read from, where a trial has several cameras. */
  readonly files?: Readonly<Record<string, string>>;
}

type Row = Readonly<Record<string, string | number>>;

const round = (value: number): number => Number(value.toFixed(3));
const optional = (value: number | null): number | '' => (value === null ? '' : round(value));

function readingColumns(name: string, reading: Reading, frame: boolean): Row {
  if (!reading.measurable)
    return { [`${name}`]: '', [`${name}_sd`]: '', [`${name}_frame`]: '', [`${name}_note`]: reading.message };
  return {
    [`${name}`]: round(fromSi(reading.value, reading.unit)),
    [`${name}_sd`]: round(fromSi(reading.sd, reading.unit)),
    [`${name}_frame`]: frame ? round(reading.provenance.frames[0]! + 1) : '',
    [`${name}_note`]: isInSpace(reading) ? TEXT.inSpace : '',
  };
}

/** What must be said with a gap that carries a risk; a table of numbers says it too. */
const cautionOf = (movement: Movement, { measure, state }: Judged): string =>
  state === 'gap' ? (movement.cautions.find((c) => c.id === measure.risk)?.text ?? '') : '';

function measureRow(judged: Judged, performer: string, { movement, files = {} }: ReportNumbers): Row {
  const { measure, athlete, reference, spread } = judged;
  const fileOf = (reading: Reading): string => (reading.measurable ? (files[reading.provenance.clipId] ?? '') : '');
  const unit = athlete.measurable ? athlete.unit : reference.measurable ? reference.unit : 'deg';
  const si = (value: number | null): number | '' => (value === null ? '' : round(fromSi(value, unit)));
  return {
    row: 'measure',
    id: measure.id,
    name: measure.name,
    moment: eventsOf(measure)[0] ?? '',
    unit,
    ...readingColumns('athlete', athlete, true),
    ...readingColumns('reference', reference, true),
    difference: si(judged.difference),
    plus_minus_95: si(judged.plusMinus),
    band_low: judged.band && Number.isFinite(judged.band.low) ? si(judged.band.low) : '',
    band_high: judged.band && Number.isFinite(judged.band.high) ? si(judged.band.high) : '',
    state: judged.state,
    target_source: measure.target?.source ?? '',
    athlete_file: fileOf(athlete),
    reference_file: fileOf(reference),
    reference_n: spread.reference?.n ?? (reference.measurable ? 1 : ''),
    reference_spread: si(spread.reference?.sd ?? null),
    caution: cautionOf(movement, judged),
    performer,
  };
}

function phaseRows(row: TimingRow): readonly Row[] {
  const ms = (seconds: number | null): number | '' => optional(seconds === null ? null : seconds * 1000);
  const percent = (share: number | null | undefined): number | '' => optional(share == null ? null : share * 100);
  const common = { row: 'phase', id: `${row.phase.from}-to-${row.phase.to}`, name: row.phase.name };
  return [
    {
      ...common,
      unit: 'ms',
      athlete: ms(row.athlete?.duration ?? null),
      reference: ms(row.reference?.duration ?? null),
      difference: ms(row.difference),
      plus_minus_95: ms(row.plusMinus),
    },
    { ...common, unit: '%', athlete: percent(row.athlete?.share), reference: percent(row.reference?.share) },
  ];
}

function eventRow(movement: Movement, id: string, athlete: Trial | null, reference: Trial | null): Row {
  const of = (trial: Trial | null, name: string): Row => {
    const frame = trial?.marks[id];
    if (!trial || frame === undefined) return {};
    return { [name]: round(timeAtFrame(trial.times, frame) * 1000), [`${name}_frame`]: round(frame + 1) };
  };
  return {
    row: 'moment',
    id,
    name: movement.moments.find((m) => m.id === id)!.name,
    unit: 'ms',
    ...of(athlete, 'athlete'),
    ...of(reference, 'reference'),
  };
}

/** What a spreadsheet would compute rather than show; a number with its sign is none (CSV injection, OWASP). */
const FORMULA = /^(?![+-]?\d*\.?\d+(?:e[+-]?\d+)?$)[=+\-@\t\r].*$/is;

const COLUMNS = [
  'row',
  'id',
  'name',
  'moment',
  'unit',
  'athlete',
  'athlete_sd',
  'athlete_frame',
  'athlete_note',
  'reference',
  'reference_sd',
  'reference_frame',
  'reference_note',
  'difference',
  'plus_minus_95',
  'band_low',
  'band_high',
  'state',
  'target_source',
  'athlete_file',
  'reference_file',
  'reference_n',
  'reference_spread',
  'caution',
  'performer',
];

/** Every number of a comparison as CSV: moments (real ms from the clip's first frame), phases, measures. */
export function reportCsv(numbers: ReportNumbers): string {
  const rows: Row[] = [
    ...numbers.movement.moments.map((m) => eventRow(numbers.movement, m.id, numbers.athlete, numbers.reference)),
    ...numbers.timing.flatMap(phaseRows),
    ...[
      { performer: numbers.athlete?.clip.performer.name ?? '', judged: numbers.judged },
      ...(numbers.others ?? []),
    ].flatMap(({ performer, judged }) => judged.map((j) => measureRow(j, performer, numbers))),
  ];
  return `${Papa.unparse(rows as object[], { columns: COLUMNS, newline: '\n', escapeFormulae: FORMULA })}\n`;
}
