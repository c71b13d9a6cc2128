import { viewRefusal } from '../calibration/view';
import { contactEdges, crossingsOf } from '../events/occurrences';
import { notMeasurable } from '../reading';
import { quantityCurve, refsOfQuantity } from '../quantities';
import { drawQuantity } from '../quantities/draw';
import type { KindOfMeasure } from './kind';
import { isSpan, spanOf, tooLittleKnown } from '../performance/phase';

/** A happening this near to an edge of the phase may lie on either side of it, frames. */
const EDGE = 1;

/** How often something happens in a phase. */
export const count: KindOfMeasure<'count'> = {
  kind: 'count',
  unit: 'n',
  convention: 'How often feet touch down or lift off, or a quantity passes a level, in a phase; one that lies on its edge counts half as error.',
  evaluate: ({ each, plane, ...phase }, performance) => {
    const refusal = viewRefusal(performance.clip, plane);
    if (refusal) return refusal;
    const span = spanOf(performance, phase);
    if (!isSpan(span)) return span;
    if (each.each === 'contact' && Number.isNaN(performance.bodyHeight)) return notMeasurable('point-missing', 'The feet are not known', 'Find points, or place heel and toe by hand.');
    if (each.each === 'crossing') {
      const unknown = tooLittleKnown(quantityCurve(performance, each.of, '%BH'), span, 'What is counted');
      if (unknown) return unknown;
    }
    const all = each.each === 'contact' ? contactEdges(performance, each.side, each.edge).map((c) => c.frame) : crossingsOf(performance, each.of, each.level, each.direction, { first: 0, last: performance.times.length - 1 });
    const inside = all.filter((frame) => frame >= span.first && frame <= span.last);
    const onEdge = all.some((frame) => Math.abs(frame - span.first) <= EDGE || Math.abs(frame - span.last) <= EDGE);
    return {
      measurable: true, value: inside.length, sd: onEdge ? 0.5 : 0, alikeSd: 0, unit: 'n',
      provenance: { clipId: performance.clip.id, frames: inside.length > 0 ? inside : [span.first], points: each.each === 'contact' ? ['dominant-heel', 'opposite-heel'] : [...refsOfQuantity(each.of)] },
    };
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: ({ each }, performance, frame) => (each.each === 'crossing' ? drawQuantity(each.of, performance, frame, '%BH') : []),
};
