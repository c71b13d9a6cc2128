import { printFigures, round, type Figure } from '../figure';
import { capturedValues, checkedValues, MOMENTS, SOURCES, type Checked } from './coverage';
import { byChance } from './same-population';

/**
 * Whether a number is what it claims to be: made performers and real captured motion, whose truth is known, filmed by
 * cameras that stand where cameras stand.
 */
const CLIPS = 8;
const COMPARISONS = 12;
const SEED = 20261127;

const share = (part: number, whole: number): number => round((100 * part) / Math.max(1, whole), 1);
const figure = (name: string, value: number, goal: string, holds: boolean, against: string): Figure => ({
  bench: 'truth',
  figure: name,
  value,
  unit: '%',
  against,
  goal,
  holds,
});

const made = checkedValues(CLIPS, SEED);
const captured = capturedValues(SEED);
const values = [...made, ...captured];
const coverage = (name: string, list: readonly Checked[]): Figure => {
  const held = share(list.filter((c) => c.held).length, list.length);
  return figure(
    `truth inside the 95 % interval, ${name}`,
    held,
    '90 to 98',
    held >= 90 && held <= 98,
    `${list.length} values`,
  );
};
const named = ({ measure }: Checked): string =>
  `${measure.kind}${'what' in measure ? ` ${measure.what}` : ''}${'output' in measure && measure.output === 'time' ? ' (its time)' : ''}`;
const kinds = [...new Set(values.map(named))].sort();

const population = [3, 5].map((n) => ({ n, ...byChance(COMPARISONS, n, false, SEED) }));
const ofOne = byChance(COMPARISONS, 5, true, SEED);

printFigures([
  ...Object.keys(SOURCES).flatMap((points) =>
    MOMENTS.map((moments) =>
      coverage(
        `points ${points}, moments ${moments}`,
        made.filter((c) => c.points === points && c.moments === moments),
      ),
    ),
  ),
  ...Object.keys(SOURCES).map((points) =>
    coverage(
      `captured motion, points ${points}`,
      captured.filter((c) => c.points === points),
    ),
  ),
  ...kinds.map((kind) =>
    coverage(
      kind,
      values.filter((c) => named(c) === kind),
    ),
  ),
  ...population.flatMap(({ n, judged, gaps, compared, withStretch }) => [
    figure(
      `another member of the population called a gap, ${n} references`,
      share(gaps, judged),
      'at most 5',
      share(gaps, judged) <= 5,
      `${judged} judged measures`,
    ),
    figure(
      `curves of another member with a named stretch, ${n} references`,
      share(withStretch, compared),
      'at most 5',
      share(withStretch, compared) <= 5,
      `${compared} curves`,
    ),
  ]),
  figure(
    'another member called a gap by the spread of one performer\u2019s five attempts',
    share(ofOne.gaps, ofOne.judged),
    'at most 5',
    share(ofOne.gaps, ofOne.judged) <= 5,
    `${ofOne.judged} judged measures; attempts of one give no range of people`,
  ),
]);
