import { PACE, WHEN } from '../model/words';
import { momentSd } from '../performance/moments';
import type { Performance } from '../performance/performance';
import { refsOfWay } from '../performance/way';
import { NOTHING_SHARED, notMeasurable, type Measured } from '../reading';
import { derivativeSd } from '../signal/derivative';
import { largest } from '../signal/peaks';
import { interpolateLinear } from '../signal/resample';
import { quadrature } from '../statistics/propagate';
import { timeAtFrame } from '../timing/clip-time';
import type { DisplayUnit } from '../units';
import { plainDifference, type KindOfMeasure, type MeasureOf } from './kind';
import { aboveTop, edgeSd, flattened, lostInNoise, PEAK_WIDENING, peakTimeSd } from './peak-error';
import { drawPath, isPath, pathOf, pathProvenance, speeds, type Path } from './point-path';

const unitOf = ({ lengthIn }: Pick<MeasureOf<'speed'>, 'lengthIn'>): DisplayUnit => (lengthIn === 'm' ? 'm/s' : 'BH/s');

/** Noise of a speed: that of the positions through the filter. */
const noiseOf = (performance: Performance, path: Path): number =>
  derivativeSd(path.sd, performance.interval, performance.cutoff);

/**
 * A point that is taken beside the joint in the same way throughout goes round with its segment: its speed is off by as
 * much as it is long.
 */
const besideSd = (path: Path, value: number): number => (Math.abs(value) * path.alike) / path.lever;

function speedReading(
  performance: Performance,
  measure: MeasureOf<'speed'>,
  path: Path,
  value: number,
  frame: number,
  noise: number,
): Measured {
  const shared = { ...NOTHING_SHARED, scale: value * path.scaleSd };
  const alikeSd = besideSd(path, value);
  return {
    measurable: true,
    value,
    sd: quadrature(noise, alikeSd, shared.scale),
    alikeSd,
    shared,
    unit: unitOf(measure),
    provenance: pathProvenance(performance, measure, [frame]),
  };
}

/** Peak speed of a point. */
export const speed: KindOfMeasure<'speed'> = {
  kind: 'speed',
  unit: (measure) => (measure.give === 'time' ? 'ms' : unitOf(measure)),
  convention:
    'Peak speed of a point in a phase, in the picture or as seen from another point, on axes that may turn with a line; straight, or along one axis; or when it comes.',
  error: 'noise through the filter, where on the segment the point is, and the scale',
  drawn: 'the path of the point',
  words: ({ give }) => (give === 'time' ? WHEN : PACE),
  refs: refsOfWay,
  picture: ({ relativeTo }) => (relativeTo ? 'size' : 'place'),
  needsSureMoments: true,
  evaluate: (measure, performance) => {
    const path = pathOf(performance, measure);
    if (!isPath(path)) return path;
    const curve = speeds(path, performance.times, measure.along);
    const top = largest(curve, path.span);
    if (!top)
      return notMeasurable('point-missing', 'The phase is too short for a speed', 'Mark the moments farther apart.');
    const noise = noiseOf(performance, path);
    const trembling = derivativeSd(path.jitter, performance.interval, performance.cutoff);
    const value = top.value - aboveTop(performance, curve, path.span, trembling);
    const lost = measure.along === 'straight' ? lostInNoise(value) : null;
    if (lost) return lost;
    if (measure.give === 'time') {
      const start = performance.marks[measure.from]!;
      const later = timeAtFrame(performance.times, top.frame) - timeAtFrame(performance.times, start);
      const sd = quadrature(
        peakTimeSd(performance, curve, path.span, top.frame, quadrature(noise, besideSd(path, top.value))),
        momentSd(performance, measure.from),
      );
      return {
        measurable: true,
        value: later,
        sd,
        alikeSd: 0,
        unit: 'ms',
        provenance: pathProvenance(performance, measure, [top.frame, start]),
      };
    }
    return speedReading(
      performance,
      measure,
      path,
      value,
      top.frame,
      quadrature(
        PEAK_WIDENING * noise,
        edgeSd(performance, curve, top.frame, measure),
        flattened(performance, curve, top.frame),
      ),
    );
  },
  difference: plainDifference,
  draw: drawPath,
  series: {
    unit: unitOf,
    values: (measure, performance) => {
      const path = pathOf(performance, measure);
      return isPath(path) ? speeds(path, performance.times, measure.along) : performance.times.map(() => NaN);
    },
    read: (measure, performance, frame) => {
      const path = pathOf(performance, measure);
      if (!isPath(path)) return path;
      const value = interpolateLinear(
        performance.times,
        speeds(path, performance.times, measure.along),
        timeAtFrame(performance.times, frame),
      );
      return Number.isNaN(value)
        ? notMeasurable(
            'point-missing',
            'The speed is not known there',
            'Find points, or place the missing ones by hand.',
          )
        : speedReading(performance, measure, path, value, frame, noiseOf(performance, path));
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
