import { carryOver } from '../../src/core/events/carry-over';
import { proposeTrial } from '../../src/core/events/repetitions';
import type { Proposal } from '../../src/core/events/propose-events';
import { differenceOf, evaluateMeasure } from '../../src/core/measures';
import type { Measure } from '../../src/core/model/measure';
import { eventsOfMarks } from '../../src/core/trial/key-events';
import type { Trial } from '../../src/core/trial/trial';
import { COVERAGE_95 } from '../../src/core/statistics/normal';
import { movementOf } from '../../src/movements';
import { dice, filmed, systematicShift, type MadeClip, type PointsFrom } from '../made-clips';
import { capturedMotions } from '../../tests/fixtures/captured';
import { CAPTURED_MOVEMENT } from './captured-movement';
import { measuresFor } from './measures';
import { systematicOf, mannerOf, MOVEMENTS_MADE, shootingOf, shot, type MadeMovement } from './population';

export const MOMENTS = ['by hand', 'proposed', 'carried over'] as const;
export type EventsBy = (typeof MOMENTS)[number];

export const SOURCES: Readonly<Record<string, PointsFrom>> = {
  hand: { by: 'hand' },
  detected: { by: 'detector' },
  'file 0.2 %': { by: 'file', noise: 0.002 },
  'file 0.6 %': { by: 'file', noise: 0.006 },
  'file 1.2 %': { by: 'file', noise: 0.012 },
};

/** One value against its truth. */
export interface Checked {
  readonly movement: MadeMovement | 'captured';
  readonly measure: Measure;
  readonly points: string;
  readonly moments: EventsBy;
  readonly held: boolean;
  /** Error over its stated deviation. */
  readonly z: number;
  readonly error: number;
  readonly sd: number;
}

const asMarks = (
  proposals: readonly Proposal[],
  last: number,
): Readonly<Record<string, { frame: number; proposed: number; sd: number; systematic: number }>> =>
  Object.fromEntries(
    proposals.map(({ eventId, frame, confidence, sd, systematic }) => [
      eventId,
      { frame: Math.min(last, Math.max(0, frame)), proposed: confidence, sd, systematic },
    ]),
  );

/** The trial with moments as they come about in one of three ways. */
export function withEvents(by: EventsBy, clip: MadeClip, other: MadeClip, id: MadeMovement): Trial {
  if (by === 'by hand') return clip.detected;
  const movement = movementOf(id)!;
  const bare = { ...clip.detected, marks: {}, timing: {} };
  const proposals = by === 'proposed' ? proposeTrial(movement, bare) : carryOver(movement, other.detected, bare);
  return { ...bare, ...eventsOfMarks(asMarks(proposals, bare.times.length - 1)) };
}

/** The true trial, with the moments of that repetition which a trial means. */
export function truthFor({ truth, repetitions }: MadeClip, trial: Trial): Trial {
  const ids = Object.keys(trial.marks);
  const off = (marks: Readonly<Record<string, number>>): number =>
    ids.reduce((sum, id) => sum + Math.abs(trial.marks[id]! - (marks[id] ?? Infinity)), 0);
  const marks = repetitions.reduce((best, r) => (off(r) < off(best) ? r : best), truth.marks);
  return { ...truth, marks };
}

function check(
  measure: Measure,
  trial: Trial,
  truth: Trial,
): Omit<Checked, 'movement' | 'points' | 'moments' | 'measure'> | null {
  const [read, is] = [evaluateMeasure(measure, trial), evaluateMeasure(measure, truth)];
  if (!read.measurable || !is.measurable) return null;
  const error = differenceOf(measure, read.value, is.value);
  return { held: Math.abs(error) <= COVERAGE_95 * read.sd, z: error / read.sd, error, sd: read.sd };
}

/** Values of every kind of measure on stretches of real motion, filmed as the made ones are. */
export function capturedValues(seed: number): readonly Checked[] {
  const all: Checked[] = [];
  for (const [points, from] of Object.entries(SOURCES)) {
    capturedMotions().forEach(({ name, motion }, n) => {
      const roll = dice(seed + 977 * n + 31 * points.length);
      const names = Object.keys(motion.poseAt(motion.start).points);
      const clip = filmed(
        {
          motion,
          movement: CAPTURED_MOVEMENT,
          role: 'athlete',
          name,
          side: roll() < 0.5 ? -90 : 90,
          systematic: systematicShift(names, from, roll),
          ...shootingOf(from, roll),
        },
        roll,
      );
      for (const measure of CAPTURED_MOVEMENT.measures) {
        const checked = check(measure, clip.detected, clip.truth);
        if (checked) all.push({ movement: 'captured', measure, points, moments: 'by hand', ...checked });
      }
    });
  }
  return all;
}

/** Values of every measure of so many made clips a movement and source of points, against the truth. */
export function checkedValues(clips: number, seed: number): readonly Checked[] {
  const all: Checked[] = [];
  for (const movement of MOVEMENTS_MADE) {
    const measures = measuresFor(movement);
    for (const [points, from] of Object.entries(SOURCES)) {
      for (let n = 0; n < clips; n++) {
        const roll = dice(seed + 977 * n + 31 * points.length + movement.length);
        const systematic = systematicOf(movement, from, roll);
        const [clip, other] = (['athlete', 'reference'] as const).map((role) =>
          shot(movement, mannerOf(roll), role, role, shootingOf(from, roll), systematic, roll),
        ) as [MadeClip, MadeClip];
        for (const moments of MOMENTS) {
          const trial = withEvents(moments, clip, other, movement);
          const truth = truthFor(clip, trial);
          for (const measure of measures) {
            const checked = check(measure, trial, truth);
            if (checked) all.push({ movement, measure, points, moments, ...checked });
          }
        }
      }
    }
  }
  return all;
}
