import { TIME } from '../model/words';
import { eventSystematic, keyEventSd } from '../trial/key-events';
import { notMeasurable } from '../reading';
import { timeAtFrame } from '../timing/clip-time';
import { plainDifference, type KindOfMeasure } from './kind';
import { TEXT } from '../../text/core/measures';

/** Share of a whole that passes between two moments. */
export const share: KindOfMeasure<'share'> = {
  kind: 'share',
  unit: '%',
  convention: TEXT.timeBetweenTwoMoments,
  error: TEXT.itsMomentsEachCountedOnce,
  drawn: TEXT.pinsAndThreadsOfRibbons,
  words: () => TIME,
  refs: () => [],
  picture: () => 'nothing',
  reads: 'time',
  needsSureEvents: true,
  evaluate: (measure, trial) => {
    const at = (id: string): number => timeAtFrame(trial.times, trial.marks[id]!);
    const whole = at(measure.whole[1]) - at(measure.whole[0]);
    if (whole <= 0) return notMeasurable('order', TEXT.wholeEndsBeforeItBegins, TEXT.moveOneOfItsTwo);
    const ratio = (at(measure.to) - at(measure.from)) / whole;
    // Each of the moments enters once; one that bounds both the part and the whole enters with both its weights.
    const weights = new Map<string, number>();
    const weigh = (id: string, weight: number): void => void weights.set(id, (weights.get(id) ?? 0) + weight);
    weigh(measure.to, 1 / whole);
    weigh(measure.from, -1 / whole);
    weigh(measure.whole[1], -ratio / whole);
    weigh(measure.whole[0], ratio / whole);
    const sync = (of: (id: string) => number): number =>
      Math.sqrt([...weights].reduce((sum, [id, weight]) => sum + (weight * of(id)) ** 2, 0));
    return {
      measurable: true,
      value: ratio,
      sd: sync((id) => keyEventSd(trial, id)),
      systematicSd: sync((id) => eventSystematic(trial, id)),
      unit: '%',
      provenance: {
        clipId: trial.clip.id,
        frames: [trial.marks[measure.to]!, trial.marks[measure.from]!],
        points: [],
      },
    };
  },
  difference: plainDifference,
  draw: () => [],
  series: null,
};
