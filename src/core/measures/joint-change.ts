import { quadrature } from '../statistics/propagate';
import { angleCurve, readAngle } from './angle-at';
import { momentMissing } from '../performance/phase';
import { drawInterior, interiorOf } from './joint-angle';
import type { KindOfMeasure } from './kind';

/** Change of a joint angle from one moment to a later one: extension positive. */
export const jointChange: KindOfMeasure<'joint-change'> = {
  kind: 'joint-change',
  unit: 'deg',
  convention: 'Interior angle at the later moment minus the earlier: straightening is positive.',
  evaluate: (measure, performance) => {
    const from = performance.marks[measure.from];
    const to = performance.marks[measure.to];
    if (from === undefined) return momentMissing(measure.from);
    if (to === undefined) return momentMissing(measure.to);
    const angle = interiorOf(measure.points);
    const before = readAngle(performance, angle, measure.plane, from);
    if (!before.measurable) return before;
    const after = readAngle(performance, angle, measure.plane, to);
    if (!after.measurable) return after;
    return {
      ...after,
      value: after.value - before.value,
      sd: quadrature(before.sd, after.sd),
      alikeSd: quadrature(before.alikeSd, after.alikeSd),
      provenance: { ...after.provenance, frames: [to, from] },
    };
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: (measure, performance, frame) => drawInterior(measure.points, performance, frame),
  curve: (measure, performance) => angleCurve(performance, interiorOf(measure.points)),
};
