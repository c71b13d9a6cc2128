import type { Priorities } from '../core/assessment/priority';
import type { Judged } from '../core/assessment/state';
import { draftCorrection } from '../core/coaching/correction';
import { momentsOf, type Movement } from '../core/model/movement';
import { inUnit } from '../core/units';
import { COVERAGE_95 } from '../core/uncertainty/normal';

export interface TextReport {
  readonly movement: Movement;
  readonly athlete: string;
  readonly reference: string;
  readonly judged: readonly Judged[];
  readonly priorities: Priorities;
  readonly warnings: readonly string[];
}

const PLACES = ['First', 'Second', 'Third'];

/** The report as Markdown: corrections with their reasons, every reading, cautions. */
export function textReport({ movement, athlete, reference, judged, priorities, warnings }: TextReport): string {
  const momentName = (id: string): string => movement.moments.find((m) => m.id === id)?.name ?? id;
  const corrections = priorities.proposed.flatMap((gap, i) => {
    const c = draftCorrection(movement, gap);
    return [
      `## ${PLACES[i]}: ${c.title}, ${momentName(momentsOf(gap.judged.measure)[0]!).toLowerCase()}`,
      '',
      `${PLACES[i]} because ${c.reason}.`,
      '',
      `- Seen: ${c.seen}`,
      `- Should be: ${c.shouldBe}`,
      ...(c.why ? [`- Why: ${c.why}`] : []),
      ...(c.cue ? [`- Cue: ${c.cue}`] : []),
      ...c.drills.map((drill, n) => `- Drill ${n + 1}: ${drill}`),
      ...(c.selfCheck ? [`- Check: ${c.selfCheck}`] : []),
      ...c.willFollow.map((f) => `- Will follow: ${f}`),
      ...(c.caution ? [`- Caution: ${c.caution}`] : []),
      '',
    ];
  });
  const rows = judged.map((j) => {
    const shown = (r: Judged['athlete']): string => (r.measurable ? `${inUnit(r.value, r.unit)} ± ${inUnit(COVERAGE_95 * r.sd, r.unit)}` : '–');
    const unit = j.athlete.measurable ? j.athlete.unit : 'deg';
    return `| ${j.measure.name} | ${momentName(momentsOf(j.measure)[0] ?? '')} | ${shown(j.athlete)} | ${shown(j.reference)} | ${j.difference === null ? '–' : `${inUnit(j.difference, unit)} ± ${inUnit(j.plusMinus!, unit)}`} | ${j.state.replaceAll('-', ' ')} |`;
  });
  const unmeasured = judged.flatMap((j) => {
    const blocked = !j.athlete.measurable ? j.athlete : !j.reference.measurable ? j.reference : null;
    return blocked ? [`- ${j.measure.name}: ${blocked.message}. ${blocked.remedy}`] : [];
  });
  const always = movement.cautions.filter((c) => c.always).map((c) => `- ${c.text}`);
  return [
    `# ${movement.sport}: ${movement.name}`,
    '',
    `${athlete} against ${reference}.`,
    '',
    ...(corrections.length > 0 ? corrections : ['No gap beyond the measuring error.', '']),
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
    ...always,
    '- This is an aid to coaching, not a diagnosis.',
    '',
  ].join('\n');
}
