import { carryOver } from '../../src/core/events/carry-over';
import { proposePerformance } from '../../src/core/events/repetitions';
import type { Proposal } from '../../src/core/events/propose-moments';
import { differenceOf, evaluateMeasure } from '../../src/core/measures';
import type { Measure } from '../../src/core/model/movement';
import { momentsOfMarks } from '../../src/core/performance/moments';
import type { Performance } from '../../src/core/performance/performance';
import { COVERAGE_95 } from '../../src/core/statistics/normal';
import { movementOf } from '../../src/movements';
import { dice, type MadeClip, type PointsFrom } from '../made-clips';
import { measuresFor } from './measures';
import { alikeOf, mannerOf, MOVEMENTS_MADE, shootingOf, shot, type MadeMovement } from './population';

export const MOMENTS = ['by hand', 'proposed', 'carried over'] as const;
export type MomentsBy = (typeof MOMENTS)[number];

export const SOURCES: Readonly<Record<string, PointsFrom>> = {
  hand: { by: 'hand' },
  found: { by: 'finder' },
  'file 0.2 %': { by: 'file', noise: 0.002 },
  'file 0.6 %': { by: 'file', noise: 0.006 },
  'file 1.2 %': { by: 'file', noise: 0.012 },
};

/** One value against its truth. */
export interface Checked {
  readonly movement: MadeMovement;
  readonly measure: Measure;
  readonly points: string;
  readonly moments: MomentsBy;
  readonly held: boolean;
  /** Error over its stated deviation. */
  readonly z: number;
  readonly error: number;
  readonly sd: number;
}

const asMarks = (
  proposals: readonly Proposal[],
  last: number,
): Readonly<Record<string, { frame: number; proposed: number; sd: number; alike: number }>> =>
  Object.fromEntries(
    proposals.map(({ momentId, frame, confidence, sd, alike }) => [
      momentId,
      { frame: Math.min(last, Math.max(0, frame)), proposed: confidence, sd, alike },
    ]),
  );

/** The performance with moments as they come about in one of three ways. */
export function withMoments(by: MomentsBy, clip: MadeClip, other: MadeClip, id: MadeMovement): Performance {
  if (by === 'by hand') return clip.found;
  const movement = movementOf(id)!;
  const bare = { ...clip.found, marks: {}, timing: {} };
  const proposals = by === 'proposed' ? proposePerformance(movement, bare) : carryOver(movement, other.found, bare);
  return { ...bare, ...momentsOfMarks(asMarks(proposals, bare.times.length - 1)) };
}

/** The true performance, with the moments of that repetition which a performance means. */
export function truthFor({ truth, repetitions }: MadeClip, performance: Performance): Performance {
  const ids = Object.keys(performance.marks);
  const off = (marks: Readonly<Record<string, number>>): number =>
    ids.reduce((sum, id) => sum + Math.abs(performance.marks[id]! - (marks[id] ?? Infinity)), 0);
  const marks = repetitions.reduce((best, r) => (off(r) < off(best) ? r : best), truth.marks);
  return { ...truth, marks };
}

function check(
  measure: Measure,
  performance: Performance,
  truth: Performance,
): Omit<Checked, 'movement' | 'points' | 'moments' | 'measure'> | null {
  const [read, is] = [evaluateMeasure(measure, performance), evaluateMeasure(measure, truth)];
  if (!read.measurable || !is.measurable) return null;
  const error = differenceOf(measure, read.value, is.value);
  return { held: Math.abs(error) <= COVERAGE_95 * read.sd, z: error / read.sd, error, sd: read.sd };
}

/** Values of every measure of so many made clips a movement and source of points, against the truth. */
export function checkedValues(clips: number, seed: number): readonly Checked[] {
  const all: Checked[] = [];
  for (const movement of MOVEMENTS_MADE) {
    const measures = measuresFor(movement);
    for (const [points, from] of Object.entries(SOURCES)) {
      for (let n = 0; n < clips; n++) {
        const roll = dice(seed + 977 * n + 31 * points.length + movement.length);
        const alike = alikeOf(movement, from, roll);
        const [clip, other] = (['athlete', 'reference'] as const).map((role) =>
          shot(movement, mannerOf(roll), role, role, shootingOf(from, roll), alike, roll),
        ) as [MadeClip, MadeClip];
        for (const moments of MOMENTS) {
          const performance = withMoments(moments, clip, other, movement);
          const truth = truthFor(clip, performance);
          for (const measure of measures) {
            const checked = check(measure, performance, truth);
            if (checked) all.push({ movement, measure, points, moments, ...checked });
          }
        }
      }
    }
  }
  return all;
}
