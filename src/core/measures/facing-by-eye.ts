import { wrapAngle } from '../geometry/angle';
import { PLAIN } from '../model/words';
import { notMeasurable } from '../reading';
import type { KindOfMeasure } from './kind';

const RADIANS = Math.PI / 180;
/** An eye tells where somebody faces to about two thirds of an hour of the clock, in 95 of 100 (common practice). */
const EYE_SD = 10 * RADIANS;

/** Where something faces, judged by eye as on a clock seen from above. */
export const facingByEye: KindOfMeasure<'facing-by-eye'> = {
  kind: 'facing-by-eye',
  unit: 'deg',
  convention:
    'Where something faces at a moment, judged by eye as on a clock seen from above: 0 is forward, away from the ' +
    'dominant side positive (for a right-hander 9 o\u2019clock is 90, 3 o\u2019clock -90).',
  error: 'that of an eye, 20 degrees (95 %)',
  drawn: 'nothing',
  words: () => PLAIN,
  refs: () => [],
  picture: () => 'nothing',
  reads: 'moments',
  needsSureEvents: false,
  evaluate: (measure, trial) => {
    const answer = trial.checks[measure.id];
    if (answer === 'not-visible')
      return notMeasurable('not-visible', 'Not to be seen in this picture', 'Film it so that it can be seen.');
    if (typeof answer !== 'number')
      return notMeasurable('not-answered', measure.question, 'Look at the picture and set the dial.');
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
