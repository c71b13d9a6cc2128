import { prioritise } from '../../src/core/judgement/priority';
import { judge } from '../../src/core/judgement/state';
import { compareAll } from '../../src/core/comparison/compare';
import type { Movement } from '../../src/core/model/movement';
import { COVERAGE_95 } from '../../src/core/statistics/normal';
import { MOVEMENTS } from '../../src/movements';
import { printFigures, round, type Figure } from '../figure';
import type { Trial } from '../../src/core/trial/trial';
import { MOMENTS, withEvents, type EventsBy } from '../truth/coverage';
import { FAULTS, generatePair, type Fault, type GeneratedPair } from './generate';

/**
 * Two hundred pairs with planted faults; the judge sees what a detector and a person, or the product's own proposals,
 * would give it, never the truth.
 */
const PAIRS = 200;
const [movement] = MOVEMENTS as [Movement];

/** Faults whose measure another planted fault is a cause of: they are consequences too, and may hang under it. */
const rootFault = (faults: readonly Fault[], fault: Fault): boolean =>
  !(faults.includes('frontKneeCollapse') && (fault === 'trunkLeanAtRelease' || fault === 'releaseLate'));

/**
 * Moments as they come about: marked by a person on both clips, proposed on both, or marked on the reference and
 * carried over to the athlete.
 */
const marked = {
  'by hand': ({ athlete, reference }) => [athlete.detected, reference.detected],
  proposed: ({ athlete, reference }) => [
    withEvents('proposed', athlete, reference, 'pace-delivery'),
    withEvents('proposed', reference, athlete, 'pace-delivery'),
  ],
  'carried over': ({ athlete, reference }) => [
    withEvents('carried over', athlete, reference, 'pace-delivery'),
    reference.detected,
  ],
} as const satisfies Record<EventsBy, (pair: Pick<GeneratedPair, 'athlete' | 'reference'>) => readonly [Trial, Trial]>;

function judgedWith(by: EventsBy): readonly Figure[] {
  const counts = {
    planted: 0,
    detected: 0,
    foundOrWithin: 0,
    judgedOnTarget: 0,
    falseGaps: 0,
    roots: 0,
    rootsFirst: 0,
    clean: 0,
    cleanReported: 0,
    values: 0,
    covered: 0,
    differences: 0,
    differencesCovered: 0,
  };
  const missed: Record<string, number> = {};
  const wrongly: Record<string, number> = {};
  for (let seed = 0; seed < PAIRS; seed++) {
    const { faults, athlete, reference } = generatePair(seed);
    const [a, r] = marked[by]({ athlete, reference });
    const judged = compareAll(movement, a, r).map((c) => judge(c, undefined));
    const truly = compareAll(movement, athlete.truth, reference.truth).map((c) => judge(c, undefined));
    const { proposed } = prioritise(movement, judged, { decisions: [], order: [], daysToCompetition: null });
    for (const fault of faults) {
      counts.planted++;
      const { measure, sign } = FAULTS[fault];
      const j = judged.find((c) => c.measure.id === measure)!;
      if (j.state === 'gap' && Math.sign(j.excess) === sign) counts.detected++;
      else missed[`${fault}: ${j.state}`] = (missed[`${fault}: ${j.state}`] ?? 0) + 1;
      if (!rootFault(faults, fault)) continue;
      counts.roots++;
      // The root is named (or what truly stands behind it: another body reaches its landing in another way), and none
      // of its consequences before it.
      const behind = movement.causes
        .filter((c) => c.effect === measure && truly.some((t) => t.measure.id === c.cause && t.state === 'gap'))
        .map((c) => c.cause);
      const at = proposed.findIndex(
        (p) =>
          p.judged.measure.id === measure ||
          (behind.includes(p.judged.measure.id) && p.willFollow.some((f) => f.judged.measure.id === measure)),
      );
      const consequences = movement.causes.filter((c) => c.cause === measure).map((c) => c.effect);
      const before = proposed.findIndex((p) => consequences.includes(p.judged.measure.id));
      if (at >= 0 && (before < 0 || at < before)) counts.rootsFirst++;
    }
    judged.forEach((j, k) => {
      const t = truly[k]!;
      if (t.band && t.excess === 0 && j.state !== 'not-measurable') {
        counts.judgedOnTarget++;
        if (j.state === 'gap') {
          counts.falseGaps++;
          wrongly[j.measure.id] = (wrongly[j.measure.id] ?? 0) + 1;
        }
      }
      if (j.athlete.measurable && t.athlete.measurable && j.measure.kind !== 'duration' && j.measure.kind !== 'share') {
        counts.values++;
        if (Math.abs(j.athlete.value - t.athlete.value) <= COVERAGE_95 * j.athlete.sd) counts.covered++;
      }
      if (
        j.difference !== null &&
        t.difference !== null &&
        j.measure.kind !== 'duration' &&
        j.measure.kind !== 'share'
      ) {
        counts.differences++;
        if (Math.abs(j.difference - t.difference) <= j.plusMinus!) counts.differencesCovered++;
      }
    });
    // Bodies of another size move a little differently by themselves; only a pair in which nothing is truly off is
    // clean.
    if (truly.every((t) => t.excess === 0)) {
      counts.clean++;
      if (judged.some((j) => j.state === 'gap')) counts.cleanReported++;
    }
  }

  const share = (part: number, whole: number): number => round((100 * part) / Math.max(1, whole), 1);
  const listed = (record: Readonly<Record<string, number>>): string =>
    Object.entries(record)
      .sort((a, b) => b[1] - a[1])
      .slice(0, 6)
      .map(([what, n]) => `${what} ${n}`)
      .join(', ') || 'none';
  const figure = (what: string, value: number, goal: string, holds: boolean, against: string): Figure => ({
    bench: 'judge',
    figure: `${what}, moments ${by}`,
    value,
    unit: '%',
    against,
    goal,
    holds,
  });
  const detected = share(counts.detected, counts.planted);
  const falseGaps = share(counts.falseGaps, counts.judgedOnTarget);
  const roots = share(counts.rootsFirst, counts.roots);
  const clean = share(counts.clean - counts.cleanReported, counts.clean);
  const values = share(counts.covered, counts.values);
  const differences = share(counts.differencesCovered, counts.differences);
  return [
    figure(
      'planted faults found, with the right sign',
      detected,
      'at least 95',
      detected >= 95,
      `${counts.planted} faults in ${PAIRS} pairs; missed: ${listed(missed)}`,
    ),
    figure(
      'measures on target that are called a gap',
      falseGaps,
      'at most 3',
      falseGaps <= 3,
      `${counts.judgedOnTarget} measures truly on target; wrongly: ${listed(wrongly)}`,
    ),
    figure(
      'roots named, before what follows from them',
      roots,
      'at least 90',
      roots >= 90,
      `${counts.roots} planted roots`,
    ),
    figure(
      'pairs in which nothing is off and no gap is reported',
      clean,
      'at least 95',
      clean >= 95,
      `${counts.clean} pairs`,
    ),
    figure(
      'truth inside the 95 % interval of a value',
      values,
      '90 to 98',
      values >= 90 && values <= 98,
      `${counts.values} values of the athlete`,
    ),
    figure(
      'truth inside the 95 % interval of a difference',
      differences,
      '90 to 98',
      differences >= 90 && differences <= 98,
      `${counts.differences} differences`,
    ),
  ];
}

printFigures(MOMENTS.flatMap(judgedWith));
