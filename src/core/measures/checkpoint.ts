import type { Check } from '../model/check';
import { PLAIN } from '../model/words';
import { notMeasurable } from '../reading';
import { plainDifference, type KindOfMeasure } from './kind';
import { TEXT } from '../../text/core/measures';

const VALUES: Readonly<Record<Exclude<Check, 'not-visible' | number>, number>> = { yes: 1, partly: 0.5, no: 0 };
/** An answer by eye is no measurement; this keeps *partly* apart from *yes* and *no*. */
const ANSWER_SD = 0.1;

/** A question that only an eye can answer, at a moment: grip, foot flat, heel down. */
export const checkpoint: KindOfMeasure<'checkpoint'> = {
  kind: 'checkpoint',
  unit: 'answer',
  convention: TEXT.questionAnsweredByEye,
  error: TEXT.thatOfEye,
  drawn: 'nothing',
  words: () => PLAIN,
  refs: () => [],
  picture: () => 'nothing',
  reads: 'moments',
  needsSureEvents: false,
  evaluate: (measure, trial) => {
    const answer = trial.checks[measure.id];
    if (answer === undefined || typeof answer === 'number')
      return notMeasurable('not-answered', measure.question, TEXT.lookAtPictureAndAnswer);
    if (answer === 'not-visible') return notMeasurable('not-visible', TEXT.notToBeSeen, TEXT.filmItSoThat);
    return {
      measurable: true,
      value: VALUES[answer],
      sd: ANSWER_SD,
      systematicSd: 0,
      unit: 'answer',
      provenance: { clipId: trial.clip.id, frames: [trial.marks[measure.at]!], points: [] },
    };
  },
  difference: plainDifference,
  draw: () => [],
  series: null,
};
