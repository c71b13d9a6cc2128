import { cautionsFor } from '../core/judgement/cautions';
import type { Priorities } from '../core/judgement/priority';
import { judgedCount, type Judged } from '../core/judgement/state';
import { judgedSummary } from '../core/judgement/summary';
import { draftCorrection, placeName } from '../core/coaching/correction';
import { momentsOf } from '../core/model/measure';
import type { Movement } from '../core/model/movement';
import { inUnit } from '../core/units';
import { COVERAGE_95 } from '../core/statistics/normal';

export interface TextReport {
  readonly movement: Movement;
  readonly athlete: string;
  readonly reference: string;
  /** The performer is under age: other loads, other words of caution. */
  readonly minor: boolean;
  readonly judged: readonly Judged[];
  readonly priorities: Priorities;
  readonly warnings: readonly string[];
}

/** The report as Markdown: corrections with their reasons, every reading, cautions. */
export function textReport({ movement, athlete, reference, minor, judged, priorities, warnings }: TextReport): string {
  const momentName = (id: string): string => movement.moments.find((m) => m.id === id)?.name ?? id;
  const corrections = priorities.proposed.flatMap((gap, i) => {
    const c = draftCorrection(movement, gap, minor);
    return [
      `## ${placeName(i)}: ${c.title}, ${c.moment.toLowerCase()}`,
      '',
      `${placeName(i)} because ${c.reason}.`,
      '',
      `- Seen: ${c.seen}`,
      `- Should be: ${c.shouldBe}`,
      `- Why: ${c.why}`,
      `- Cue: ${c.cue}`,
      ...c.drills.map((drill, n) => `- Drill ${n + 1}: ${drill}`),
      `- Load: ${c.load}`,
      `- Check: ${c.selfCheck}`,
      ...c.willFollow.map((f) => `- Will follow: ${f}`),
      ...(c.caution ? [`- Caution: ${c.caution}`] : []),
      '',
    ];
  });
  const rows = judged.map((j) => {
    const shown = (r: Judged['athlete']): string =>
      r.measurable ? `${inUnit(r.value, r.unit)} ± ${inUnit(COVERAGE_95 * r.sd, r.unit)}` : '–';
    const unit = j.athlete.measurable ? j.athlete.unit : 'deg';
    const difference = j.difference === null ? '–' : `${inUnit(j.difference, unit)} ± ${inUnit(j.plusMinus!, unit)}`;
    const cells = [
      j.measure.name,
      momentName(momentsOf(j.measure)[0] ?? ''),
      shown(j.athlete),
      shown(j.reference),
      difference,
      j.state.replaceAll('-', ' '),
    ];
    return `| ${cells.join(' | ')} |`;
  });
  const unmeasured = judged.flatMap((j) => {
    const blocked = !j.athlete.measurable ? j.athlete : !j.reference.measurable ? j.reference : null;
    return blocked ? [`- ${j.measure.name}: ${blocked.message}. ${blocked.remedy}`] : [];
  });
  const cautions = cautionsFor(movement, priorities.proposed, minor).map((text) => `- ${text}`);
  return [
    `# ${movement.sport}: ${movement.name}`,
    '',
    `${athlete} against ${reference}.`,
    '',
    judgedSummary(judged).join(' '),
    '',
    ...(corrections.length > 0
      ? corrections
      : judgedCount(judged).judged === 0
        ? []
        : ['No gap beyond the measuring error.', '']),
    '## Readings',
    '',
    '| measure | moment | athlete | reference | difference | state |',
    '| --- | --- | --- | --- | --- | --- |',
    ...rows,
    '',
    ...(unmeasured.length > 0 ? ['## Not measured', '', ...unmeasured, ''] : []),
    ...(warnings.length > 0 ? ['## About the files', '', ...warnings.map((w) => `- ${w}`), ''] : []),
    '## Cautions',
    '',
    ...cautions,
    '',
  ].join('\n');
}
