import type { Movement } from '../model/movement';
import type { Trial } from '../trial/trial';

/**
 * Why the moments of a trial cannot follow each other as the movement says, naming both that clash; null where
 * they can.
 */
export function orderProblem(movement: Movement, trial: Pick<Trial, 'marks' | 'clip'>): string | null {
  const marked = movement.moments.filter((m) => trial.marks[m.id] !== undefined);
  for (let i = 1; i < marked.length; i++) {
    const [before, after] = [marked[i - 1]!, marked[i]!];
    const [a, b] = [trial.marks[before.id]!, trial.marks[after.id]!];
    const [earlier, later] = [`frame ${Math.round(a) + 1}`, `frame ${Math.round(b) + 1}`];
    const where = `\u201c${after.name}\u201d is marked at ${later}, not after \u201c${before.name}\u201d at ${earlier}`;
    if (b <= a)
      return `${trial.clip.performer.name}: ${where}. Nothing that needs both is measured until one of them is moved.`;
  }
  return null;
}
