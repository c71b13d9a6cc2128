import { wrapAngle } from '../geometry/angle';
import type { Measure } from '../model/measure';
import type { PointRef } from '../model/quantity';
import { goesRound, refsOfQuantity } from '../quantities';
import { notMeasurable, type Measured, type NotMeasurable } from '../reading';
import { partsOf } from '../trial/places';
import type { Trial } from '../trial/trial';
import { isFromDetector } from '../tracks/track';
import { viewOf, type Side } from './side';

/** Bodies that do the same face the same way, or nearly: so far apart, radians, they were read from other ends. */
const OPPOSITE = (150 * Math.PI) / 180;

const jointOf = (ref: PointRef): string | null => /^(?:dominant|opposite)-(.+)$/.exec(ref)?.[1] ?? null;

/** Joints of both sides whose line gives a measure its direction: exchanged, they turn it by half a turn. */
function linesOf(measure: Measure): readonly PointRef[] {
  if (measure.kind !== 'value' || !goesRound(measure.of)) return [];
  const refs = refsOfQuantity(measure.of);
  return refs.filter((ref) => jointOf(ref) !== null && refs.some((r) => r !== ref && jointOf(r) === jointOf(ref)));
}

/** Whether a detector, and nobody who saw it, named the sides of some points where a reading was taken. */
const namedByDetector = (trial: Trial, refs: readonly PointRef[], { provenance }: Measured): boolean =>
  provenance.frames.some((frame) =>
    refs.some((ref) =>
      partsOf(ref, trial.clip.performer, trial.raw).some(({ id }) =>
        isFromDetector(trial.raw[id]?.origin[Math.round(frame)]),
      ),
    ),
  );

/**
 * Why a direction of a line from one side of the body to the other is not compared: both bodies would face opposite
 * ways at the same moment, and in one of them a detector named the sides. That is left taken for right, not technique.
 * @returns null where it may be compared
 */
export function exchangedEnds(
  measure: Measure,
  [athlete, reference]: readonly [Side, Side],
  [a, r]: readonly [Measured, Measured],
): NotMeasurable | null {
  const refs = linesOf(measure);
  if (refs.length === 0 || Math.abs(wrapAngle(a.value - r.value)) < OPPOSITE) return null;
  const byDetector = (side: Side, reading: Measured): boolean =>
    side.some((views) => namedByDetector(viewOf(measure, views), refs, reading));
  if (!byDetector(athlete, a) && !byDetector(reference, r)) return null;
  return notMeasurable(
    'sides-exchanged',
    'Athlete and reference face opposite ways here: a detector has likely taken left for right in one of them',
    'Look at both pictures of this moment. Where the sides are wrong, exchange left and right at Measure; where they ' +
      'are right, place these points by hand.',
  );
}
