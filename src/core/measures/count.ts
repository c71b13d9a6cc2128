import { contactEdges } from '../events/contacts';
import { awayFrom, crossingsOf, noiseOf } from '../events/occurrences';
import type { Occurrence } from '../model/measure';
import { PLAIN } from '../model/words';
import { keyEventSd } from '../trial/key-events';
import type { Trial } from '../trial/trial';
import { isSpan, spanOf, tooLittleKnown } from '../trial/phase';
import { peaksOf, type FrameSpan } from '../signal/peaks';
import { notMeasurable } from '../reading';
import { pictureOfQuantity, quantitySeries, refsOfQuantity } from '../quantities';
import { drawQuantity } from '../quantities/draw';
import { plainDifference, type KindOfMeasure } from './kind';
import { TEXT } from '../../text/core/measures';

/** A happening this near to an edge of the phase may lie on either side of it, frames. */
const EDGE = 1;
/** What is counted surely may still be one that noise made, or hid. */
const SURE_SD = 0.2;

/** A turn of a curve that ends this near to the level, in deviations of its noise, may pass it or not. */
const ALMOST = 3;

/** Whether a quantity turns round so near to the level that noise decides whether it has passed it. */
function almostPasses(
  trial: Trial,
  { of, level }: Extract<Occurrence, { type: 'crossing' }>,
  span: FrameSpan,
): boolean {
  const away = awayFrom(trial, of, level);
  const noise = ALMOST * noiseOf(trial, of, span);
  const inside = away.slice(span.first, span.last + 1);
  return [...peaksOf(inside), ...peaksOf(inside.map((v) => -v)).map((p) => ({ ...p, value: -p.value }))].some(
    (p) => p.prominence > noise / ALMOST && Math.abs(p.value) < noise,
  );
}

/** How often something happens in a phase. */
export const count: KindOfMeasure<'count'> = {
  kind: 'count',
  unit: 'n',
  convention: TEXT.howOftenFeetTouchDown,
  error: TEXT.oneMoreOrLessWhere,
  drawn: TEXT.itsQuantityWhereItHas,
  words: () => PLAIN,
  refs: ({ occurrence }) =>
    occurrence.type === 'contact'
      ? (['dominant', 'opposite'] as const).flatMap((side) => [`${side}-heel`, `${side}-foot-index`] as const)
      : refsOfQuantity(occurrence.of),
  picture: ({ occurrence }) => (occurrence.type === 'contact' ? 'place' : pictureOfQuantity(occurrence.of)),
  reads: 'movement',
  needsSureEvents: true,
  evaluate: (measure, trial) => {
    const { occurrence } = measure;
    const span = spanOf(trial, measure);
    if (!isSpan(span)) return span;
    if (occurrence.type === 'contact' && Number.isNaN(trial.bodyHeight))
      return notMeasurable('point-missing', TEXT.feetAreNotKnown, TEXT.detectPointsOrPlaceHeel);
    if (occurrence.type === 'crossing') {
      const unknown = tooLittleKnown(quantitySeries(trial, occurrence.of, '%BH'), span, TEXT.whatIsCounted);
      if (unknown) return unknown;
    }
    const all =
      occurrence.type === 'contact'
        ? contactEdges(trial, occurrence.side, occurrence.edge).map((c) => c.frame)
        : crossingsOf(trial, occurrence.of, occurrence.level, occurrence.direction, {
            first: 0,
            last: trial.times.length - 1,
          });
    const inside = all.filter((frame) => frame >= trial.marks[measure.from]! && frame <= trial.marks[measure.to]!);
    // One that lies as near to an edge as its moment is unsure may be on either side of it.
    const near = (id: string): number => Math.max(EDGE, (2 * keyEventSd(trial, id)) / trial.interval);
    const onEdge = [measure.from, measure.to].some((id) =>
      all.some((frame) => Math.abs(frame - trial.marks[id]!) <= near(id)),
    );
    const doubtful = occurrence.type === 'crossing' && almostPasses(trial, occurrence, span);
    return {
      measurable: true,
      value: inside.length,
      sd: onEdge || doubtful ? 0.6 : SURE_SD,
      systematicSd: 0,
      unit: 'n',
      provenance: {
        clipId: trial.clip.id,
        frames: inside.length > 0 ? inside : [span.first],
        points: occurrence.type === 'contact' ? ['dominant-heel', 'opposite-heel'] : [...refsOfQuantity(occurrence.of)],
      },
    };
  },
  difference: plainDifference,
  draw: ({ occurrence }, trial, frame) =>
    occurrence.type === 'crossing' ? drawQuantity(occurrence.of, trial, frame, '%BH') : [],
  series: null,
};
