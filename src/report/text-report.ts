import { placeName } from '../core/coaching/correction';
import type { Report } from '../core/coaching/report';
import type { Judged } from '../core/judgement/state';
import { eventsOf } from '../core/model/measure';
import type { Movement } from '../core/model/movement';
import { inUnit } from '../core/units';
import { COVERAGE_95 } from '../core/statistics/normal';
import { TEXT } from '../text/report';

export interface TextReport {
  readonly movement: Movement;
  readonly athlete: string;
  readonly reference: string;
  readonly judged: readonly Judged[];
  readonly report: Report;
  /** What is to be known of the files. */
  readonly warnings: readonly string[];
}

/** A heading with its lines; nothing where there are none. */
const part = (heading: string, lines: readonly string[]): readonly string[] =>
  lines.length === 0 ? [] : [`## ${heading}`, '', ...lines, ''];

function correctionLines(correction: Report['corrections'][number], i: number): readonly string[] {
  const place = placeName(i);
  const { title, moment, reason, drills, willFollow, caution, ...c } = correction;
  return [
    `## ${place}: ${title}, ${moment.toLowerCase()}`,
    '',
    TEXT.becausePlaceReason(place, reason),
    '',
    TEXT.seenSeen(c.seen),
    TEXT.should(c.shouldBe),
    TEXT.whyWhy(c.why),
    TEXT.cueCue2(c.cue),
    ...drills.map((drill, n) => TEXT.drillNDrill(n + 1, drill)),
    TEXT.loadLoad(c.load),
    TEXT.checkSelfCheck(c.selfCheck),
    ...willFollow.map((f) => TEXT.willFollow(f)),
    ...(caution ? [TEXT.cautionCaution(caution)] : []),
    '',
  ];
}

/** A measured value with its 95 % interval; a dash where there is none. */
const valueText = (reading: Judged['athlete']): string =>
  reading.measurable
    ? `${inUnit(reading.value, reading.unit)} ± ${inUnit(COVERAGE_95 * reading.sd, reading.unit)}`
    : '–';

/** The report as Markdown: corrections with their reasons, what is good, every reading, cautions. */
export function textReport({ movement, athlete, reference, judged, report, warnings }: TextReport): string {
  const eventName = (id: string): string => movement.moments.find((m) => m.id === id)?.name ?? id;
  const rows = judged.map((j) => {
    const unit = j.athlete.measurable ? j.athlete.unit : 'deg';
    const difference = j.difference === null ? '–' : `${inUnit(j.difference, unit)} ± ${inUnit(j.plusMinus!, unit)}`;
    const cells = [
      j.measure.name,
      eventName(eventsOf(j.measure)[0] ?? ''),
      valueText(j.athlete),
      valueText(j.reference),
      difference,
      j.state.replaceAll('-', ' '),
    ];
    return `| ${cells.join(' | ')} |`;
  });
  const good = [...report.strengths, ...report.onTarget].map(
    (j) => `- ${j.measure.name}, ${eventName(eventsOf(j.measure)[0] ?? '').toLowerCase()}: ${valueText(j.athlete)}`,
  );
  return [
    `# ${movement.sport}: ${movement.name}`,
    '',
    TEXT.againstAthleteReference(athlete, reference),
    '',
    report.summary.join(' '),
    '',
    ...report.corrections.flatMap(correctionLines),
    ...(report.nothing ? [report.nothing, ''] : []),
    ...part(
      'Later',
      report.parked.map(({ name, why }) => `- ${name}: ${why}`),
    ),
    ...part('Keep', good),
    TEXT.readings,
    '',
    TEXT.measureMomentAthleteReferenceDifference,
    '| --- | --- | --- | --- | --- | --- |',
    ...rows,
    '',
    ...part(
      TEXT.notMeasured,
      report.notMeasured.map(({ name, message, remedy }) => `- ${name}: ${message}. ${remedy}`),
    ),
    ...part(
      TEXT.filmNextTime,
      report.filming.map(({ request, because }) => `- ${request} ${because}.`),
    ),
    ...part(
      TEXT.aboutFiles,
      warnings.map((warning) => `- ${warning}`),
    ),
    ...part(
      'Cautions',
      report.cautions.map((text) => `- ${text}`),
    ),
  ].join('\n');
}
