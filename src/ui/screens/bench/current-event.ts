import type { Derived } from '../../../application/analysis/derived';

/** The moment that the leading clip stands at, or the last one it has passed; null before the first. */
export function currentEventOf(derived: Derived, shown: Readonly<Record<string, number>>): string | null {
  const lead = derived.athlete ?? derived.reference;
  if (!lead) return null;
  const frame = shown[lead.clip.id] ?? 0;
  let current: string | null = null;
  for (const moment of derived.movement.moments) {
    const mark = lead.marks[moment.id];
    if (mark !== undefined && Math.round(mark) <= frame) current = moment.id;
  }
  return current;
}
