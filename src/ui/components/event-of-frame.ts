import type { Movement } from '../../core/model/movement';

/** Id of the moment at a frame; null between two. */
export const eventAt = (movement: Movement, marks: Readonly<Record<string, number>>, frame: number): string | null =>
  movement.moments.find((m) => marks[m.id] !== undefined && Math.round(marks[m.id]!) === frame)?.id ?? null;

/** Name of the moment at a frame, or of the phase that it lies in; null outside all phases. */
export function eventOfFrame(
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
