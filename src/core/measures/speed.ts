import { PACE, WHEN } from '../model/words';
import { keyEventSd } from '../trial/key-events';
import type { Trial } from '../trial/trial';
import { refsOfTrajectory } from '../trial/trajectory';
import { NOTHING_SHARED, notMeasurable, type Measured } from '../reading';
import { largest } from '../signal/peaks';
import { interpolateLinear } from '../signal/resample';
import { quadrature } from '../statistics/propagate';
import { timeAtFrame } from '../timing/clip-time';
import type { DisplayUnit } from '../units';
import { plainDifference, type KindOfMeasure, type MeasureOf } from './kind';
import { aboveTop, edgeSd, flattened, lostInNoise, PEAK_WIDENING, peakTimeSd } from './peak-error';
import { drawPath, isPath, pathOf, pathProvenance, speeds, speedSd, type Path } from './point-path';
import { TEXT } from '../../text/core/measures';

const unitOf = ({ lengthIn }: Pick<MeasureOf<'speed'>, 'lengthIn'>): DisplayUnit => (lengthIn === 'm' ? 'm/s' : 'BH/s');

/** Noise of a speed: that of the positions through the filter. */
const noiseOf = (trial: Trial, path: Path): number => speedSd(path, path.sd, trial);

/**
 * A point that is taken beside the joint in the same way throughout goes round with its segment: its speed is off by as
 * much as it is long.
 */
const besideSd = (path: Path, value: number): number => (Math.abs(value) * path.systematic) / path.lever;

function speedReading(
  trial: Trial,
  measure: MeasureOf<'speed'>,
  path: Path,
  value: number,
  frame: number,
  noise: number,
): Measured {
  const shared = { ...NOTHING_SHARED, scale: value * path.scaleSd };
  const systematicSd = besideSd(path, value);
  return {
    measurable: true,
    value,
    sd: quadrature(noise, systematicSd, shared.scale),
    systematicSd,
    shared,
    unit: unitOf(measure),
    provenance: pathProvenance(trial, measure, [frame]),
  };
}

/** Peak speed of a point. */
export const speed: KindOfMeasure<'speed'> = {
  kind: 'speed',
  unit: (measure) => (measure.output === 'time' ? 'ms' : unitOf(measure)),
  convention: TEXT.peakSpeedOfPoint,
  error: TEXT.noiseThroughFilterWhere,
  drawn: TEXT.pathOfPoint,
  words: ({ output }) => (output === 'time' ? WHEN : PACE),
  refs: refsOfTrajectory,
  picture: ({ relativeTo }) => (relativeTo ? 'size' : 'place'),
  reads: 'time',
  needsSureEvents: true,
  evaluate: (measure, trial) => {
    const path = pathOf(trial, measure);
    if (!isPath(path)) return path;
    const series = speeds(path, trial.times, measure.along);
    const top = largest(series, path.span);
    if (!top) return notMeasurable('point-missing', TEXT.phaseIsTooShortForSpeed, TEXT.markMomentsFartherApart);
    const noise = noiseOf(trial, path);
    const trembling = speedSd(path, path.trembling, trial);
    const value = top.value - aboveTop(trial, series, path.span, trembling);
    const lost = measure.along === 'straight' ? lostInNoise(value) : null;
    if (lost) return lost;
    if (measure.output === 'time') {
      const start = trial.marks[measure.from]!;
      const later = timeAtFrame(trial.times, top.frame) - timeAtFrame(trial.times, start);
      const sd = quadrature(
        peakTimeSd(trial, series, path.span, top.frame, quadrature(noise, besideSd(path, top.value))),
        keyEventSd(trial, measure.from),
      );
      return {
        measurable: true,
        value: later,
        sd,
        systematicSd: 0,
        unit: 'ms',
        provenance: pathProvenance(trial, measure, [top.frame, start]),
      };
    }
    return speedReading(
      trial,
      measure,
      path,
      value,
      top.frame,
      quadrature(PEAK_WIDENING * noise, edgeSd(trial, series, top.frame, measure), flattened(trial, series, top.frame)),
    );
  },
  difference: plainDifference,
  draw: drawPath,
  series: {
    unit: unitOf,
    values: (measure, trial) => {
      const path = pathOf(trial, measure);
      return isPath(path) ? speeds(path, trial.times, measure.along) : trial.times.map(() => NaN);
    },
    read: (measure, trial, frame) => {
      const path = pathOf(trial, measure);
      if (!isPath(path)) return path;
      const value = interpolateLinear(
        trial.times,
        speeds(path, trial.times, measure.along),
        timeAtFrame(trial.times, frame),
      );
      return Number.isNaN(value)
        ? notMeasurable('point-missing', TEXT.speedIsNotKnownThere, TEXT.detectPointsOrPlaceMissing)
        : speedReading(trial, measure, path, value, frame, noiseOf(trial, path));
    },
    of: ({ point, relativeTo, line, lengthIn, along, from, to }) => [
      'speed',
      point,
      relativeTo,
      line,
      lengthIn,
      along,
      from,
      to,
    ],
    holdsValue: () => false,
  },
};
