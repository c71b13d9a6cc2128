import type { KeyEvent, Movement } from '../model/movement';
import type { Trial } from '../trial/trial';
import { TEXT } from '../../text/core/events';

/**
 * The first moment that does not come after one before it as the movement says, and that one, the nearest; null where
 * all do.
 * @param frames when each was, in any unit; those that are not known are left out
 */
export function clashOf(
  { moments }: Pick<Movement, 'moments'>,
  frames: Readonly<Record<string, number>>,
): { readonly before: KeyEvent; readonly after: KeyEvent } | null {
  for (const [i, after] of moments.entries())
    for (const [j, before] of [...moments.slice(0, i).entries()].reverse()) {
      const [a, b] = [frames[before.id], frames[after.id]];
      if (a === undefined || b === undefined || b > a || (j === i - 1 && (before.eitherOrder || after.eitherOrder)))
        continue;
      return { before, after };
    }
  return null;
}

/**
 * Why the moments of a trial cannot follow each other as the movement says, naming both that clash; null where
 * they can.
 */
export function orderProblem(movement: Movement, { marks, clip }: Pick<Trial, 'marks' | 'clip'>): string | null {
  const clash = clashOf(movement, marks);
  if (!clash) return null;
  const { before, after } = clash;
  const [earlier, later] = [before, after].map(({ id }) => TEXT.frame(Math.round(marks[id]!) + 1)) as [string, string];
  return TEXT.nothingThatNeedsBoth(
    clip.performer.name,
    TEXT.isMarkedAtNotAfter(after.name, later, before.name, earlier),
  );
}
