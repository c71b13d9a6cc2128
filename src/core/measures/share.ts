import { timeAtFrame } from '../timing/clip-time';
import { eventSd } from '../statistics/event-time';
import { notMeasurable } from '../reading';
import { momentMissing } from '../performance/phase';
import type { KindOfMeasure } from './kind';

/** Share of a whole that passes between two moments. */
export const share: KindOfMeasure<'share'> = {
  kind: 'share',
  unit: '%',
  convention: 'Time between two moments as a share of the time between two others.',
  evaluate: (measure, performance) => {
    const ids = [measure.from, measure.to, ...measure.whole];
    const missing = ids.find((id) => performance.marks[id] === undefined);
    if (missing !== undefined) return momentMissing(missing);
    const at = (id: string): number => timeAtFrame(performance.times, performance.marks[id]!);
    const whole = at(measure.whole[1]) - at(measure.whole[0]);
    if (whole <= 0) return notMeasurable('order', 'The whole ends before it begins', 'Move one of its two moments.');
    const ratio = (at(measure.to) - at(measure.from)) / whole;
    // Each of the moments enters once; one that bounds both the part and the whole enters with both its weights.
    const weights = new Map<string, number>();
    const weigh = (id: string, weight: number): void => void weights.set(id, (weights.get(id) ?? 0) + weight);
    weigh(measure.to, 1 / whole);
    weigh(measure.from, -1 / whole);
    weigh(measure.whole[1], -ratio / whole);
    weigh(measure.whole[0], ratio / whole);
    const variance = [...weights.values()].reduce((sum, w) => sum + w * w, 0) * eventSd(performance.interval) ** 2;
    return {
      measurable: true,
      value: ratio,
      sd: Math.sqrt(variance),
      alikeSd: 0,
      unit: '%',
      provenance: {
        clipId: performance.clip.id,
        frames: [performance.marks[measure.to]!, performance.marks[measure.from]!],
        points: [],
      },
    };
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: () => [],
};
