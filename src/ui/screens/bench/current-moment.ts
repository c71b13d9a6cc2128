import type { Movement } from '../../../core/model/movement';
import type { Derived } from '../../../state/derived';

/** The moment that the leading clip stands at, or the last one it has passed; null before the first. */
export function currentMomentOf(derived: Derived, shown: Readonly<Record<string, number>>): string | null {
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

/** Name of the moment at a frame, or of the phase that it lies in; null outside all phases. */
export function momentOfFrame(
  movement: Movement,
  marks: Readonly<Record<string, number>>,
  frame: number,
): string | null {
  const exact = movement.moments.find((m) => marks[m.id] !== undefined && Math.round(marks[m.id]!) === frame);
  if (exact) return exact.name.toLowerCase();
  const phase = movement.phases.find(
    (p) => marks[p.from] !== undefined && marks[p.to] !== undefined && frame > marks[p.from]! && frame < marks[p.to]!,
  );
  return phase ? phase.name.toLowerCase() : null;
}
