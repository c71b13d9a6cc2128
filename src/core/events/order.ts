import type { Movement } from '../model/movement';
import type { Trial } from '../trial/trial';
import { TEXT } from '../../text/core/events';

/**
 * Why the moments of a trial cannot follow each other as the movement says, naming both that clash; null where
 * they can.
 */
export function orderProblem(movement: Movement, trial: Pick<Trial, 'marks' | 'clip'>): string | null {
  const marked = movement.moments.filter((m) => trial.marks[m.id] !== undefined);
  for (let i = 1; i < marked.length; i++) {
    const [before, after] = [marked[i - 1]!, marked[i]!];
    const [a, b] = [trial.marks[before.id]!, trial.marks[after.id]!];
    const [earlier, later] = [TEXT.frame(Math.round(a) + 1), TEXT.frameB(Math.round(b) + 1)];
    const where = TEXT.isMarkedAtNotAfter(after.name, later, before.name, earlier);
    if (b <= a) return TEXT.nothingThatNeedsBoth(trial.clip.performer.name, where);
  }
  return null;
}
