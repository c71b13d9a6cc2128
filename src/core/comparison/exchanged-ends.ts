import { wrapAngle } from '../geometry/angle';
import type { Measure } from '../model/measure';
import type { PointRef } from '../model/quantity';
import { goesRound, refsOfQuantity } from '../quantities';
import { notMeasurable, type Measured } from '../reading';
import { partsOf } from '../trial/places';
import type { Trial } from '../trial/trial';
import { isFromDetector } from '../tracks/track';
import type { ReadingOf } from './side';
import { TEXT } from '../../text/core/comparison';

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

const EXCHANGED = notMeasurable('sides-exchanged', TEXT.athleteAndReferenceFaceOpposite, TEXT.lookAtBothPictures);

/**
 * Readings of one measure in all trials of a comparison, without those of a direction from side to side that faces the
 * other way than most of the others, where a detector named the sides: bodies that do the same face the same way, and
 * that is left taken for right, not technique. Of two that face opposite ways neither is told.
 * @param trials the trial that each reading was taken from
 */
export function withoutExchangedEnds(
  measure: Measure,
  trials: readonly Trial[],
  readings: readonly ReadingOf[],
): readonly ReadingOf[] {
  const refs = linesOf(measure);
  if (refs.length === 0) return readings;
  const values = readings.map(({ reading }) => (reading.measurable ? reading.value : NaN));
  const opposite = (a: number, b: number): boolean => Math.abs(wrapAngle(a - b)) >= OPPOSITE;
  return readings.map((own, i) => {
    const others = values.filter((v, k) => k !== i && !Number.isNaN(v));
    const against = others.filter((v) => opposite(v, values[i]!)).length;
    if (!own.reading.measurable || 2 * against <= others.length) return own;
    return namedByDetector(trials[i]!, refs, own.reading) ? { ...own, reading: EXCHANGED } : own;
  });
}
