import { parabolaTop } from '../signal/peaks';
import { fail, ok, type Issue, type Result } from '../result';
import { TEXT } from '../../text/core/sound';

/** By how much the same sound comes later in a second recording than in a first. */
export interface SoundOffset {
  readonly seconds: number;
  /** One standard deviation of it, of the sounds alone. */
  readonly sd: number;
}

/** Correlation of two recordings at lags that follow each other. */
export interface Correlation {
  readonly values: Float64Array;
  /** Lag of the first value, seconds by which the second recording comes later, and the step from one to the next. */
  readonly from: number;
  readonly step: number;
  /** How alike the loudest sound is that both hear at the lag of a value, 0..1. */
  readonly likeness: (i: number) => number;
}

/** How far the best lag must stand out of the scatter of all lags, standard deviations: chance reaches five. */
const STANDS_OUT = 8;
/** How much higher than any other lag it must be, which steps or claps at an even beat are not. */
const ALONE = 1.35;
/** How alike the sound must be on which the lag rests. */
const SAME_SOUND = 0.45;
/** Lags this near belong to the same sound and its echoes, seconds. */
const NEAR = 0.015;
/** Scatter of a normal distribution over its median magnitude. */
const SD_BY_MEDIAN = 1 / 0.6745;

/**
 * The lag at which two recordings of one event agree. A microphone may be wired the other way round: magnitudes count.
 * @returns unsure where no lag stands out, or two do
 */
export function soundOffset({ values, from, step, likeness }: Correlation): Result<SoundOffset, Issue<'unsure'>> {
  const heights = values.map(Math.abs);
  let top = 0;
  for (let i = 1; i < heights.length; i++) if (heights[i]! > heights[top]!) top = i;
  const median = Float64Array.from(heights).sort()[heights.length >> 1] ?? 0;
  const near = Math.round(NEAR / step);
  let second = 0;
  for (let i = 0; i < heights.length; i++) if (Math.abs(i - top) > near) second = Math.max(second, heights[i]!);
  if (!(heights[top]! > STANDS_OUT * SD_BY_MEDIAN * median)) return fail('unsure', TEXT.twoSoundsHaveNothing);
  if (heights[top]! < ALONE * second) return fail('unsure', TEXT.twoSoundsAgreeAtSeveral);
  if (likeness(top) < SAME_SOUND) return fail('unsure', TEXT.loudestThatFallsTogether);
  const { shift } = parabolaTop(heights[top - 1] ?? 0, heights[top]!, heights[top + 1] ?? 0);
  // Of a lag between two samples the parabola is off by a fifth of the step at most.
  return ok({ seconds: from + (top + shift) * step, sd: step / Math.sqrt(12) });
}
