import { differenceSd } from '../../src/core/comparison/compare';
import { readAngle, type AngleOfPoints } from '../../src/core/measures/angle-at';
import { interiorOf } from '../../src/core/measures/joint-angle';
import { directionOf } from '../../src/core/measures/segment-angle';
import type { Performance } from '../../src/core/performance/performance';
import { COVERAGE_95 } from '../../src/core/uncertainty/normal';

/** The angles that are checked: of the side towards the camera, and the trunk. */
export const CHECKED: Readonly<Record<string, AngleOfPoints>> = {
  knee: interiorOf(['opposite-hip', 'opposite-knee', 'opposite-ankle']),
  hip: interiorOf(['opposite-shoulder', 'opposite-hip', 'opposite-knee']),
  elbow: interiorOf(['opposite-shoulder', 'opposite-elbow', 'opposite-wrist']),
  trunk: directionOf(['mid-hip', 'mid-shoulder'], 'up'),
};

/** Error of one angle over a clip. */
export interface AngleErrors {
  /** Absolute errors of all frames, degrees, sorted. */
  readonly errors: readonly number[];
  /** Share of frames whose stated 95 % interval holds the truth. */
  readonly coverage: number;
}

/** Found angles against the true ones on every frame that has both. */
export function compareWithTruth(found: Performance, truth: Performance, of: AngleOfPoints): AngleErrors {
  const errors: number[] = [];
  let held = 0;
  for (let frame = 0; frame < found.times.length; frame++) {
    const measured = readAngle(found, of, 'any', frame);
    const true_ = readAngle(truth, of, 'any', frame);
    if (!measured.measurable || !true_.measurable) continue;
    const error = Math.abs(measured.value - true_.value);
    errors.push((error * 180) / Math.PI);
    if (error <= COVERAGE_95 * measured.sd) held++;
  }
  return { errors: errors.sort((a, b) => a - b), coverage: held / errors.length };
}

/** Found and true points of one clip. */
export interface FoundAndTrue {
  readonly found: Performance;
  readonly truth: Performance;
}

/** Steps in which each phase is compared. */
const STEPS = 20;

/** Differences of two clips at matched times, from the first moment to the last, against the true differences. */
export function compareDifferences(a: FoundAndTrue, b: FoundAndTrue, of: AngleOfPoints): AngleErrors {
  const marksOf = (performance: Performance): number[] => Object.values(performance.marks).sort((x, y) => x - y);
  const [marksA, marksB] = [marksOf(a.truth), marksOf(b.truth)];
  const errors: number[] = [];
  let held = 0;
  for (let phase = 0; phase + 1 < marksA.length; phase++) {
    for (let step = 0; step < STEPS; step++) {
      const at = (marks: readonly number[]): number => marks[phase]! + ((marks[phase + 1]! - marks[phase]!) * step) / STEPS;
      const readings = [readAngle(a.found, of, 'any', at(marksA)), readAngle(b.found, of, 'any', at(marksB)), readAngle(a.truth, of, 'any', at(marksA)), readAngle(b.truth, of, 'any', at(marksB))];
      const [foundA, foundB, trueA, trueB] = readings;
      if (!foundA?.measurable || !foundB?.measurable || !trueA?.measurable || !trueB?.measurable) continue;
      const error = Math.abs(foundA.value - foundB.value - (trueA.value - trueB.value));
      errors.push((error * 180) / Math.PI);
      if (error <= COVERAGE_95 * differenceSd(foundA, foundB, true)) held++;
    }
  }
  return { errors: errors.sort((x, y) => x - y), coverage: held / errors.length };
}
