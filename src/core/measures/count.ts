import { contactEdges, crossingsOf } from '../events/occurrences';
import { PLAIN } from '../model/words';
import { isSpan, spanOf, tooLittleKnown } from '../performance/phase';
import { notMeasurable } from '../reading';
import { quantityCurve, refsOfQuantity } from '../quantities';
import { drawQuantity } from '../quantities/draw';
import { plainDifference, type KindOfMeasure } from './kind';

/** A happening this near to an edge of the phase may lie on either side of it, frames. */
const EDGE = 1;
/** What is counted surely may still be one that noise made, or hid. */
const SURE_SD = 0.2;

/** How often something happens in a phase. */
export const count: KindOfMeasure<'count'> = {
  kind: 'count',
  unit: 'n',
  convention: 'How often feet touch down or lift off, or a quantity passes a level, in a phase; one that lies on its edge counts half as error.',
  error: 'a half where one lies on the edge of the phase',
  drawn: 'its quantity, where it has one',
  words: () => PLAIN,
  refs: ({ each }) => (each.each === 'contact' ? (['dominant', 'opposite'] as const).flatMap((side) => [`${side}-heel`, `${side}-foot-index`] as const) : refsOfQuantity(each.of)),
  needsSureMoments: true,
  evaluate: (measure, performance) => {
    const { each } = measure;
    const span = spanOf(performance, measure);
    if (!isSpan(span)) return span;
    if (each.each === 'contact' && Number.isNaN(performance.bodyHeight)) return notMeasurable('point-missing', 'The feet are not known', 'Find points, or place heel and toe by hand.');
    if (each.each === 'crossing') {
      const unknown = tooLittleKnown(quantityCurve(performance, each.of, '%BH'), span, 'What is counted');
      if (unknown) return unknown;
    }
    const all = each.each === 'contact' ? contactEdges(performance, each.side, each.edge).map((c) => c.frame) : crossingsOf(performance, each.of, each.level, each.direction, { first: 0, last: performance.times.length - 1 });
    const inside = all.filter((frame) => frame >= performance.marks[measure.from]! && frame <= performance.marks[measure.to]!);
    const onEdge = all.some((frame) => Math.abs(frame - span.first) <= EDGE || Math.abs(frame - span.last) <= EDGE);
    return {
      measurable: true, value: inside.length, sd: onEdge ? 0.5 : SURE_SD, alikeSd: 0, unit: 'n',
      provenance: { clipId: performance.clip.id, frames: inside.length > 0 ? inside : [span.first], points: each.each === 'contact' ? ['dominant-heel', 'opposite-heel'] : [...refsOfQuantity(each.of)] },
    };
  },
  difference: plainDifference,
  draw: ({ each }, performance, frame) => (each.each === 'crossing' ? drawQuantity(each.of, performance, frame, '%BH') : []),
  series: null,
};
