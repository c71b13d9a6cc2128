import { MOST_CORRECTIONS, type Priorities, type RankedGap } from '../judgement/priority';
import type { OwnCorrection } from '../model/session';

/** One thing to work on: a gap that was measured, or what the analyst adds. */
export type PlanItem =
  | { readonly id: string; readonly gap: RankedGap; readonly own: null }
  | { readonly id: string; readonly gap: null; readonly own: OwnCorrection };

export interface Plan {
  /** What is worked on, in order; at most three unless the analyst adds more. */
  readonly items: readonly PlanItem[];
  /** Gaps that there is no room for beside the analyst's own. */
  readonly crowdedOut: readonly RankedGap[];
}

/**
 * Proposed gaps and the analyst's own corrections in one order: the analyst's where there is one, else gaps as they are
 * ranked and own ones after them. Own corrections always count; gaps fill up to three.
 */
export function planOf(priorities: Priorities, own: readonly OwnCorrection[], order: readonly string[]): Plan {
  const place = (id: string): number => (order.includes(id) ? order.indexOf(id) : Infinity);
  const items: PlanItem[] = [
    ...priorities.proposed.map((gap): PlanItem => ({ id: gap.judged.measure.id, gap, own: null })),
    ...own.map((correction): PlanItem => ({ id: correction.id, gap: null, own: correction })),
  ];
  // Array.sort is stable: what has no place of its own keeps its rank.
  items.sort((a, b) => (place(a.id) === place(b.id) ? 0 : place(a.id) - place(b.id)));
  const room = Math.max(0, MOST_CORRECTIONS - own.length);
  let taken = 0;
  const kept = items.filter((item) => item.own !== null || taken++ < room);
  return { items: kept, crowdedOut: items.flatMap((item) => (item.gap && !kept.includes(item) ? [item.gap] : [])) };
}
