import { wrapAngle } from '../geometry/angle';
import { PLAIN } from '../model/words';
import { notMeasurable } from '../reading';
import type { KindOfMeasure } from './kind';
import { TEXT } from '../../text/core/measures';

const RADIANS = Math.PI / 180;
/** An eye tells where somebody faces to about two thirds of an hour of the clock, in 95 of 100 (common practice). */
const EYE_SD = 10 * RADIANS;

/** Where something faces, judged by eye as on a clock seen from above. */
export const facingByEye: KindOfMeasure<'facing-by-eye'> = {
  kind: 'facing-by-eye',
  unit: 'deg',
  convention: TEXT.whereSomethingFacesAtMoment,
  error: TEXT.thatOfEyeDegrees,
  drawn: 'nothing',
  words: () => PLAIN,
  refs: () => [],
  picture: () => 'nothing',
  reads: 'moments',
  needsSureEvents: false,
  evaluate: (measure, trial) => {
    const answer = trial.checks[measure.id];
    if (answer === 'not-visible') return notMeasurable('not-visible', TEXT.notToBeSeen, TEXT.filmItSoThat);
    if (typeof answer !== 'number') return notMeasurable('not-answered', measure.question, TEXT.lookAtPictureAndSet);
    const leftward = trial.clip.performer.dominantSide === 'right' ? 1 : -1;
    return {
      measurable: true,
      value: wrapAngle(leftward * answer * RADIANS),
      sd: EYE_SD,
      systematicSd: 0,
      unit: 'deg',
      provenance: { clipId: trial.clip.id, frames: [trial.marks[measure.at]!], points: [] },
    };
  },
  difference: (_, a, b) => wrapAngle(a - b),
  draw: () => [],
  series: null,
};
