import { viewRefusal } from '../calibration/view';
import type { Primitive } from '../geometry/primitives';
import { eventsOf, quantitiesOf, type Measure, type MeasureKind } from '../model/measure';
import type { PointRef } from '../model/quantity';
import { kindOfQuantity } from '../quantities';
import type { UsualWords } from '../model/words';
import { cameraRefusal, cutRefusal } from '../trial/camera-refusal';
import { rateRefusal } from '../trial/rate-refusal';
import { tooSmall } from '../trial/too-small';
import type { Trial } from '../trial/trial';
import { eventMissing, quoted, unsureEvent } from '../trial/key-events';
import { notMeasurable, type Reading } from '../reading';
import type { DisplayUnit } from '../units';
import { checkpoint } from './checkpoint';
import { facingByEye } from './facing-by-eye';
import { count } from './count';
import { duration } from './duration';
import { symmetry } from './symmetry';
import { extreme } from './extreme';
import type { KindOfMeasure, Series } from './kind';
import { lag } from './lag';
import { eventOffset } from './event-offset';
import { order } from './order';
import { path } from './path';
import { pathAngle } from './path-angle';
import { pathPlane } from './path-plane';
import { peakRate } from './peak-rate';
import { range } from './range';
import { rate } from './rate';
import { share } from './share';
import { speed } from './speed';
import { split } from './split';
import { dispersion } from './dispersion';
import { dwell } from './dwell';
import { rotation } from './rotation';
import { value } from './value';
import { TEXT } from '../../text/core/measures';

/** The registry: a new kind of measure is one file and one line here. */
export const MEASURE_KINDS: { readonly [K in MeasureKind]: KindOfMeasure<K> } = {
  duration,
  share,
  rate,
  'event-offset': eventOffset,
  value,
  extreme,
  range,
  'peak-rate': peakRate,
  rotation,
  symmetry,
  lag,
  order,
  count,
  split,
  speed,
  path,
  'path-angle': pathAngle,
  'path-plane': pathPlane,
  dispersion,
  dwell,
  checkpoint,
  'facing-by-eye': facingByEye,
};

/** The kind of a measure, typed so that its functions take that measure. */
export const kindOf = (measure: Measure): KindOfMeasure<MeasureKind> =>
  MEASURE_KINDS[measure.kind] as unknown as KindOfMeasure<MeasureKind>;

/** Whether no single camera shows a measure, whatever its view. */
export const needsSpace = (measure: Measure): boolean =>
  kindOf(measure).onlyInSpace === true || quantitiesOf(measure).some((of) => kindOfQuantity(of).onlyInSpace === true);

/**
 * A measure's value in a trial; why there is none where the view does not show its plane or a moment is missing
 * or only a guess.
 */
export function evaluateMeasure(measure: Measure, trial: Trial): Reading {
  const kind = kindOf(measure);
  if (needsSpace(measure) && !trial.space)
    return notMeasurable('wrong-view', TEXT.oneCameraDoesNotSee, TEXT.filmWithSecondCamera);
  const refusal = viewRefusal(trial.clip, measure.plane);
  if (refusal) return refusal;
  const reads = typeof kind.reads === 'function' ? kind.reads(measure) : kind.reads;
  if (trial.clip.pictures && reads !== 'moments')
    return notMeasurable('still-pictures', TEXT.stillPicturesShowNoMovement, TEXT.useVideoFor);
  if (trial.clip.timesUnsure && trial.clip.rateChanges.length === 0 && reads === 'time')
    return notMeasurable('times-unsure', TEXT.fileRepeatsPicturesUnevenlyWhen, TEXT.useCamerasOwnFile);
  const moved = cameraRefusal(trial, kind.picture(measure));
  if (moved) return moved;
  const moments = eventsOf(measure);
  const missing = moments.find((id) => trial.marks[id] === undefined);
  if (missing !== undefined) return eventMissing(trial, missing);
  const outside = moments.find((id) => trial.marks[id]! < 0 || trial.marks[id]! > trial.times.length - 0.5);
  if (outside !== undefined)
    return notMeasurable('moment-missing', TEXT.momentLiesOutsideClip(quoted(trial, outside)), TEXT.markItAgain);
  return (
    cutRefusal(
      trial,
      moments.map((id) => trial.marks[id]!),
    ) ??
    (reads === 'time'
      ? rateRefusal(
          trial,
          moments.map((id) => trial.marks[id]!),
        )
      : null) ??
    (kind.needsSureEvents ? unsureEvent(trial, moments) : null) ??
    largeEnough(trial, readAs(trial, kind.evaluate(measure, trial)))
  );
}

const largeEnough = (trial: Trial, reading: Reading): Reading => tooSmall(trial, reading) ?? reading;

/** A reading that says whether it was taken in a picture or in space. */
const readAs = ({ space }: Trial, reading: Reading): Reading =>
  reading.measurable && space?.azimuthDegrees !== undefined
    ? { ...reading, provenance: { ...reading.provenance, inSpace: true } }
    : reading;

/** One value of a measure minus another, SI. */
export const differenceOf = (measure: Measure, a: number, b: number): number =>
  kindOf(measure).difference(measure, a, b);

export const drawMeasure = (measure: Measure, trial: Trial, frame: number): readonly Primitive[] =>
  kindOf(measure).draw(measure, trial, frame);

/** What a measure is at every frame; null for one that is nothing there. */
export const seriesOf = (measure: Measure): Series<MeasureKind> | null => kindOf(measure).series;
export const seriesOfMeasure = (measure: Measure, trial: Trial): Float64Array | null =>
  seriesOf(measure)?.values(measure, trial) ?? null;

/** Unit of a measure's value, and of its curve. */
export const unitOf = (measure: Measure): DisplayUnit => {
  const { unit } = kindOf(measure);
  return typeof unit === 'function' ? unit(measure as never) : unit;
};
export const seriesUnitOf = (measure: Measure): DisplayUnit => seriesOf(measure)?.unit(measure) ?? unitOf(measure);

/** Points that a measure needs. */
export const refsOfMeasure = (measure: Measure): readonly PointRef[] => kindOf(measure).refs(measure);
/** Words for too little and too much that go with what is measured. */
export const usualWords = (measure: Measure): UsualWords => kindOf(measure).words(measure);
