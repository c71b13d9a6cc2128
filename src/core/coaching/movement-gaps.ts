import type { Measure } from '../model/measure';
import type { Movement } from '../model/movement';
import { TEXT } from '../../text/core/coaching';

/** Part of a movement in which something is missing. */
export type MovementPart = 'moments' | 'measures' | 'sheet' | 'rest';

/** What a movement lacks before it serves others. */
export interface MovementGap {
  readonly part: MovementPart;
  /** The moment or measure that it is about; null where it is about the whole. */
  readonly id: string | null;
  readonly text: string;
}

/** Names that the editor gives, which say nothing. */
const UNNAMED = /^New measure/;
/** A source that names none. */
const NO_SOURCE = /^\s*$|^analyst\u2019s choice$/;

/** Moments whose rules wait for each other, so that none of them is ever proposed. */
function waiting({ moments }: Movement): readonly string[] {
  const ruled = new Map(moments.flatMap((m) => (m.rule ? [[m.id, m.rule] as const] : [])));
  const needs = (id: string): readonly string[] => {
    const rule = ruled.get(id);
    return rule ? [rule.after, rule.before].filter((n): n is string => n !== null && ruled.has(n)) : [];
  };
  const reaches = (from: string, to: string, seen: ReadonlySet<string>): boolean =>
    needs(from).some((n) => n === to || (!seen.has(n) && reaches(n, to, new Set([...seen, n]))));
  return moments.map(({ id }) => id).filter((id) => reaches(id, id, new Set([id])));
}

const COACHED = [
  ['seenLow', TEXT.whatIsSeenWhen],
  ['seenHigh', TEXT.whatIsSeenWhenItIs],
  ['why', TEXT.whyItMatters],
  ['cue', TEXT.cue],
] as const;

function gapsOfMeasure(measure: Measure): readonly string[] {
  const { target, coaching, kind } = measure;
  const texts = UNNAMED.test(measure.name) ? [TEXT.hasNoNameOfIts] : [];
  if (!target) return texts;
  if (target.type !== 'same-as-reference' && NO_SOURCE.test(target.source)) texts.push(TEXT.hasTargetThatNamesNo);
  if (kind === 'checkpoint') return texts;
  const oneSided = target.type === 'at-least' ? 'seenHigh' : target.type === 'at-most' ? 'seenLow' : null;
  const without = COACHED.filter(([key]) => key !== oneSided && !coaching?.[key].trim()).map(([, words]) => words);
  if (without.length > 0) texts.push(TEXT.doesNotSay(without.join(', ')));
  return texts;
}

/**
 * What is missing in a movement before it is used by others: words for what is judged, sources of targets, rules that
 * can come to something, a caution that always stands. None of it keeps the movement from being used.
 */
export function movementGaps(movement: Movement): readonly MovementGap[] {
  const { moments, measures, cautions, causes, sheet, repeats } = movement;
  const stuck = waiting(movement);
  const judged = measures.filter((m) => m.target);
  return [
    ...moments.flatMap(({ id, name, hint }): MovementGap[] => [
      ...(hint.trim() ? [] : [{ part: 'moments' as const, id, text: TEXT.doesNotSayWhat(name) }]),
      ...(stuck.includes(id) ? [{ part: 'moments' as const, id, text: TEXT.ruleOfWaitsForOne(name) }] : []),
    ]),
    ...measures.flatMap((measure) =>
      gapsOfMeasure(measure).map((text) => ({
        part: 'measures' as const,
        id: measure.id,
        text: `\u201c${measure.name}\u201d ${text}`,
      })),
    ),
    ...(judged.length === 0 ? [{ part: 'measures' as const, id: null, text: TEXT.noMeasureHasTargetNothing }] : []),
    ...(judged.length > 1 && causes.length === 0
      ? [{ part: 'measures' as const, id: null, text: TEXT.noMeasureIsCause }]
      : []),
    ...(sheet?.criteria ?? []).flatMap((criterion) =>
      judged.some((m) => m.id === criterion.measure)
        ? []
        : [
            {
              part: 'sheet' as const,
              id: criterion.id,
              text: TEXT.criterionCanNeverBeMet(criterion.name),
            },
          ],
    ),
    ...(cautions.some((c) => c.always) ? [] : [{ part: 'rest' as const, id: null, text: TEXT.noCautionStandsOnEvery }]),
    ...(repeats && !moments.find((m) => m.id === repeats.by)?.rule
      ? [{ part: 'rest' as const, id: null, text: TEXT.repetitionsAreCountedByMoment }]
      : []),
  ];
}
