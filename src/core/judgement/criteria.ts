import type { CriteriaSheetDocument, Criterion } from '../model/movement';
import type { Judged, State } from './state';

/** How a criterion is met. */
export type Met = 'yes' | 'partly' | 'no' | 'open';

/** What the analyst says by eye instead, and why. */
export interface MetByEye {
  readonly met: Exclude<Met, 'open'>;
  readonly reason: string;
}

export interface CriterionResult {
  readonly criterion: Criterion;
  readonly judged: Judged | null;
  readonly met: Met;
  readonly points: number;
  readonly byEye: MetByEye | null;
}

export interface SheetResult {
  readonly results: readonly CriterionResult[];
  /** Points after the gates, and what could be had. */
  readonly points: number;
  readonly most: number;
  /** Points that open criteria could still add. */
  readonly open: number;
  /** The gates that hold the points down. */
  readonly held: readonly CriteriaSheetDocument['gates'][number][];
}

/** What a state of its measure says of a criterion; a style is left as it is. */
const MET: Readonly<Record<State, Met>> = {
  strength: 'yes',
  'on-target': 'yes',
  style: 'yes',
  borderline: 'partly',
  'within-error': 'partly',
  gap: 'no',
  'not-measurable': 'open',
  'not-judged': 'open',
};
const SHARE: Readonly<Record<Met, number>> = { yes: 1, partly: 0.5, no: 0, open: 0 };

/**
 * Marks a trial by a criteria sheet: every criterion from the state of its measure, or by eye with a reason;
 * gates hold the sum down.
 */
export function markSheet(
  sheet: CriteriaSheetDocument,
  judged: readonly Judged[],
  byEye: Readonly<Record<string, MetByEye>>,
): SheetResult {
  const results = sheet.criteria.map((criterion): CriterionResult => {
    const row = judged.find((j) => j.measure.id === criterion.measure) ?? null;
    const eye = byEye[criterion.id] ?? null;
    const met = eye?.met ?? (row ? MET[row.state] : 'open');
    return { criterion, judged: row, met, points: SHARE[met] * criterion.points, byEye: eye };
  });
  const sum = results.reduce((total, r) => total + r.points, 0);
  const metOf = (id: string): Met => results.find((r) => r.criterion.id === id)?.met ?? 'open';
  const held = sheet.gates.filter((gate) => gate.needs.some((id) => metOf(id) !== 'yes') && sum > gate.most);
  return {
    results,
    points: Math.min(sum, ...held.map((gate) => gate.most)),
    most: sheet.criteria.reduce((total, c) => total + c.points, 0),
    open: results.filter((r) => r.met === 'open').reduce((total, r) => total + r.criterion.points, 0),
    held,
  };
}
