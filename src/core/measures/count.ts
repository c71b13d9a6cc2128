import { contactEdges } from '../events/contacts';
import { awayFrom, crossingsOf, noiseOf } from '../events/occurrences';
import type { Occurrence } from '../model/movement';
import { PLAIN } from '../model/words';
import { momentSd } from '../performance/moments';
import type { Performance } from '../performance/performance';
import { isSpan, spanOf, tooLittleKnown } from '../performance/phase';
import { peaksOf, type FrameSpan } from '../signal/peaks';
import { notMeasurable } from '../reading';
import { pictureOfQuantity, quantityCurve, refsOfQuantity } from '../quantities';
import { drawQuantity } from '../quantities/draw';
import { plainDifference, type KindOfMeasure } from './kind';

/** A happening this near to an edge of the phase may lie on either side of it, frames. */
const EDGE = 1;
/** What is counted surely may still be one that noise made, or hid. */
const SURE_SD = 0.2;

/** A turn of a curve that ends this near to the level, in deviations of its noise, may pass it or not. */
const ALMOST = 3;

/** Whether a quantity turns round so near to the level that noise decides whether it has passed it. */
function almostPasses(
  performance: Performance,
  { of, level }: Extract<Occurrence, { each: 'crossing' }>,
  span: FrameSpan,
): boolean {
  const away = awayFrom(performance, of, level);
  const noise = ALMOST * noiseOf(performance, of, span);
  const inside = away.slice(span.first, span.last + 1);
  return [...peaksOf(inside), ...peaksOf(inside.map((v) => -v)).map((p) => ({ ...p, value: -p.value }))].some(
    (p) => p.prominence > noise / ALMOST && Math.abs(p.value) < noise,
  );
}

/** How often something happens in a phase. */
export const count: KindOfMeasure<'count'> = {
  kind: 'count',
  unit: 'n',
  convention:
    'How often feet touch down or lift off, or a quantity passes a level, in a phase; one that lies on its edge counts half as error.',
  error: 'one more or less where one lies on the edge of the phase, or all but passes the level',
  drawn: 'its quantity, where it has one',
  words: () => PLAIN,
  refs: ({ each }) =>
    each.each === 'contact'
      ? (['dominant', 'opposite'] as const).flatMap((side) => [`${side}-heel`, `${side}-foot-index`] as const)
      : refsOfQuantity(each.of),
  picture: ({ each }) => (each.each === 'contact' ? 'place' : pictureOfQuantity(each.of)),
  needsSureMoments: true,
  evaluate: (measure, performance) => {
    const { each } = measure;
    const span = spanOf(performance, measure);
    if (!isSpan(span)) return span;
    if (each.each === 'contact' && Number.isNaN(performance.bodyHeight))
      return notMeasurable('point-missing', 'The feet are not known', 'Find points, or place heel and toe by hand.');
    if (each.each === 'crossing') {
      const unknown = tooLittleKnown(quantityCurve(performance, each.of, '%BH'), span, 'What is counted');
      if (unknown) return unknown;
    }
    const all =
      each.each === 'contact'
        ? contactEdges(performance, each.side, each.edge).map((c) => c.frame)
        : crossingsOf(performance, each.of, each.level, each.direction, {
            first: 0,
            last: performance.times.length - 1,
          });
    const inside = all.filter(
      (frame) => frame >= performance.marks[measure.from]! && frame <= performance.marks[measure.to]!,
    );
    // One that lies as near to an edge as its moment is unsure may be on either side of it.
    const near = (id: string): number => Math.max(EDGE, (2 * momentSd(performance, id)) / performance.interval);
    const onEdge = [measure.from, measure.to].some((id) =>
      all.some((frame) => Math.abs(frame - performance.marks[id]!) <= near(id)),
    );
    const doubtful = each.each === 'crossing' && almostPasses(performance, each, span);
    return {
      measurable: true,
      value: inside.length,
      sd: onEdge || doubtful ? 0.6 : SURE_SD,
      alikeSd: 0,
      unit: 'n',
      provenance: {
        clipId: performance.clip.id,
        frames: inside.length > 0 ? inside : [span.first],
        points: each.each === 'contact' ? ['dominant-heel', 'opposite-heel'] : [...refsOfQuantity(each.of)],
      },
    };
  },
  difference: plainDifference,
  draw: ({ each }, performance, frame) =>
    each.each === 'crossing' ? drawQuantity(each.of, performance, frame, '%BH') : [],
  series: null,
};
