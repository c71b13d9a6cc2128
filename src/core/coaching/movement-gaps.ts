import type { Measure } from '../model/measure';
import type { Movement } from '../model/movement';

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
  ['seenLow', 'what is seen when it is too small'],
  ['seenHigh', 'what is seen when it is too large'],
  ['why', 'why it matters'],
  ['cue', 'a cue'],
] as const;

function gapsOfMeasure(measure: Measure): readonly string[] {
  const { target, coaching, kind } = measure;
  const texts = UNNAMED.test(measure.name) ? ['has no name of its own'] : [];
  if (!target) return texts;
  if (target.type !== 'same-as-reference' && NO_SOURCE.test(target.source))
    texts.push('has a target that names no source');
  if (kind === 'checkpoint') return texts;
  const oneSided = target.type === 'at-least' ? 'seenHigh' : target.type === 'at-most' ? 'seenLow' : null;
  const without = COACHED.filter(([key]) => key !== oneSided && !coaching?.[key].trim()).map(([, words]) => words);
  if (without.length > 0) texts.push(`does not say ${without.join(', ')}`);
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
      ...(hint.trim()
        ? []
        : [{ part: 'moments' as const, id, text: `\u201c${name}\u201d does not say what to look for` }]),
      ...(stuck.includes(id)
        ? [{ part: 'moments' as const, id, text: `The rule of \u201c${name}\u201d waits for one that waits for it` }]
        : []),
    ]),
    ...measures.flatMap((measure) =>
      gapsOfMeasure(measure).map((text) => ({
        part: 'measures' as const,
        id: measure.id,
        text: `\u201c${measure.name}\u201d ${text}`,
      })),
    ),
    ...(judged.length === 0
      ? [{ part: 'measures' as const, id: null, text: 'No measure has a target: nothing would be judged' }]
      : []),
    ...(judged.length > 1 && causes.length === 0
      ? [{ part: 'measures' as const, id: null, text: 'No measure is the cause of another: no correction has a root' }]
      : []),
    ...(sheet?.criteria ?? []).flatMap((criterion) =>
      judged.some((m) => m.id === criterion.measure)
        ? []
        : [
            {
              part: 'sheet' as const,
              id: criterion.id,
              text: `The criterion \u201c${criterion.name}\u201d can never be met: its measure has no target`,
            },
          ],
    ),
    ...(cautions.some((c) => c.always)
      ? []
      : [{ part: 'rest' as const, id: null, text: 'No caution stands on every report' }]),
    ...(repeats && !moments.find((m) => m.id === repeats.by)?.rule
      ? [{ part: 'rest' as const, id: null, text: 'Repetitions are counted by a moment that has no rule' }]
      : []),
  ];
}
