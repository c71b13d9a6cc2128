import type { Movement } from '../model/movement';
import type { Performance } from '../performance/performance';

/**
 * Why the moments of a performance cannot follow each other as the movement says, naming both that clash; null where
 * they can.
 */
export function orderProblem(movement: Movement, performance: Pick<Performance, 'marks' | 'clip'>): string | null {
  const marked = movement.moments.filter((m) => performance.marks[m.id] !== undefined);
  for (let i = 1; i < marked.length; i++) {
    const [before, after] = [marked[i - 1]!, marked[i]!];
    const [a, b] = [performance.marks[before.id]!, performance.marks[after.id]!];
    const [earlier, later] = [`frame ${Math.round(a) + 1}`, `frame ${Math.round(b) + 1}`];
    const where = `\u201c${after.name}\u201d is marked at ${later}, not after \u201c${before.name}\u201d at ${earlier}`;
    if (b <= a)
      return `${performance.clip.performer.name}: ${where}. Nothing that needs both is measured until one of them is moved.`;
  }
  return null;
}
