import { differenceSd } from '../../src/core/comparison/compare';
import type { Quantity } from '../../src/core/model/quantity';
import { readQuantity } from '../../src/core/quantities';
import type { Trial } from '../../src/core/trial/trial';
import type { BodyPoint } from '../../src/core/anatomy/body-points';
import { COVERAGE_95 } from '../../src/core/statistics/normal';

type Side = 'dominant' | 'opposite';

/** The angles that are checked: of the side towards the camera, and the trunk. */
export const checkedOn = (side: Side): Readonly<Record<'knee' | 'hip' | 'elbow' | 'ankle' | 'trunk', Quantity>> => ({
  knee: { type: 'joint-angle', points: [`${side}-hip`, `${side}-knee`, `${side}-ankle`] },
  hip: { type: 'joint-angle', points: [`${side}-shoulder`, `${side}-hip`, `${side}-knee`] },
  elbow: { type: 'joint-angle', points: [`${side}-shoulder`, `${side}-elbow`, `${side}-wrist`] },
  ankle: { type: 'joint-angle', points: [`${side}-knee`, `${side}-ankle`, `${side}-foot-index`] },
  trunk: { type: 'segment-angle', points: ['mid-hip', 'mid-shoulder'], against: 'up' },
});
export type Checked = keyof ReturnType<typeof checkedOn>;

/** Error of one angle over a clip. */
export interface AngleErrors {
  /** Absolute errors of all frames, degrees, sorted. */
  readonly errors: readonly number[];
  /** Frames whose stated 95 % interval holds the truth. */
  readonly held: number;
}

/** Found and true points of one clip. */
export interface DetectedAndTrue {
  readonly detected: Trial;
  readonly truth: Trial;
}

/** Several clips as one. */
export const together = (all: readonly AngleErrors[]): AngleErrors => ({
  errors: all.flatMap((a) => a.errors).sort((a, b) => a - b),
  held: all.reduce((sum, a) => sum + a.held, 0),
});

/**
 * Found angles against the true ones on every frame of the movement (from its first to its last moment) that has both.
 */
export function compareWithTruth({ detected, truth }: DetectedAndTrue, of: Quantity): AngleErrors {
  const errors: number[] = [];
  let held = 0;
  const marks = Object.values(truth.marks);
  const last = Math.min(detected.times.length - 1, Math.floor(Math.max(...marks)));
  for (let frame = Math.ceil(Math.min(...marks)); frame <= last; frame++) {
    const measured = readQuantity(detected, of, { plane: 'any', frame: frame, lengthIn: '%BH' });
    const true_ = readQuantity(truth, of, { plane: 'any', frame: frame, lengthIn: '%BH' });
    if (!measured.measurable || !true_.measurable) continue;
    const error = Math.abs(measured.value - true_.value);
    errors.push((error * 180) / Math.PI);
    if (error <= COVERAGE_95 * measured.sd) held++;
  }
  return { errors: errors.sort((a, b) => a - b), held };
}

/** Steps in which each phase is compared. */
const STEPS = 20;

/** Differences of two clips at matched times, from the first moment to the last, against the true differences. */
export function compareDifferences(a: DetectedAndTrue, b: DetectedAndTrue, of: Quantity): AngleErrors {
  const marksOf = (trial: Trial): number[] => Object.values(trial.marks).sort((x, y) => x - y);
  const [marksA, marksB] = [marksOf(a.truth), marksOf(b.truth)];
  const errors: number[] = [];
  let held = 0;
  for (let phase = 0; phase + 1 < marksA.length; phase++) {
    for (let step = 0; step < STEPS; step++) {
      const at = (marks: readonly number[]): number =>
        marks[phase]! + ((marks[phase + 1]! - marks[phase]!) * step) / STEPS;
      const readings = [
        readQuantity(a.detected, of, { plane: 'any', frame: at(marksA), lengthIn: '%BH' }),
        readQuantity(b.detected, of, { plane: 'any', frame: at(marksB), lengthIn: '%BH' }),
        readQuantity(a.truth, of, { plane: 'any', frame: at(marksA), lengthIn: '%BH' }),
        readQuantity(b.truth, of, { plane: 'any', frame: at(marksB), lengthIn: '%BH' }),
      ];
      const [foundA, foundB, trueA, trueB] = readings;
      if (!foundA?.measurable || !foundB?.measurable || !trueA?.measurable || !trueB?.measurable) continue;
      const error = Math.abs(foundA.value - foundB.value - (trueA.value - trueB.value));
      errors.push((error * 180) / Math.PI);
      if (error <= COVERAGE_95 * differenceSd(foundA, foundB, true)) held++;
    }
  }
  return { errors: errors.sort((x, y) => x - y), held };
}

const LEGS = ['knee', 'ankle'] as const;
/** Legs nearer to each other than this share of standing height cannot be told apart by where they are. */
const APART = 0.08;

/** Frames in which left and right are exchanged, of those in which the legs are far enough apart to tell. */
export function swappedFrames({ detected, truth }: DetectedAndTrue): {
  readonly swapped: number;
  readonly frames: number;
} {
  let [swapped, frames] = [0, 0];
  for (let i = 0; i < detected.times.length; i++) {
    const at = (trial: Trial, side: 'left' | 'right', joint: (typeof LEGS)[number]): { x: number; y: number } => {
      const series = trial.smoothed[`${side}-${joint}` as BodyPoint];
      return { x: series?.x[i] ?? NaN, y: series?.y[i] ?? NaN };
    };
    let [same, other, apart] = [0, 0, Infinity];
    for (const joint of LEGS) {
      const [fl, fr, tl, tr] = [
        at(detected, 'left', joint),
        at(detected, 'right', joint),
        at(truth, 'left', joint),
        at(truth, 'right', joint),
      ];
      const d = (p: { x: number; y: number }, q: { x: number; y: number }): number => Math.hypot(p.x - q.x, p.y - q.y);
      same += d(fl, tl) + d(fr, tr);
      other += d(fl, tr) + d(fr, tl);
      apart = Math.min(apart, d(tl, tr));
    }
    if (Number.isNaN(same + other) || apart < APART * truth.bodyHeight) continue;
    frames++;
    if (other < same) swapped++;
  }
  return { swapped, frames };
}
