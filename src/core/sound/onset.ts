import { atRate } from './at-rate';
import type { SoundWave } from './sound-wave';

/** A sound that begins. */
export interface Onset {
  /** Seconds after the clip's first frame, file time. */
  readonly at: number;
  /** How much louder it is than what was heard just before, decibels. */
  readonly decibels: number;
}

/** Samples a second at which a sound is looked at: blows have most of their energy below half of it. */
const RATE = 16_000;
/** Energy after an instant is compared with that before it over these times, seconds. */
const [BEFORE, AFTER] = [0.02, 0.005];
/** A contact stands out of what is heard around it by at least this much, decibels. */
const CLEAR = 9;

/** Sums of the energy of the samples before each, without hum and wind: their mean over the window before is left out. */
function energySums(samples: Float64Array): Float64Array {
  const span = Math.round(AFTER * RATE);
  const sums = new Float64Array(samples.length + 1);
  let mean = 0;
  for (let i = 0; i < samples.length; i++) {
    mean += (samples[i]! - (samples[i - span] ?? 0)) / span;
    const change = samples[i]! - mean;
    sums[i + 1] = sums[i]! + change * change;
  }
  return sums;
}

/**
 * The instant in a stretch of sound at which it becomes louder most suddenly, as a foot or a bat that hits does: the
 * largest ratio of the energy just after an instant to that before it (common practice in finding percussive onsets).
 * @param from,to seconds after the clip's first frame, file time
 * @returns null where nothing stands out
 */
export function onsetBetween({ rate, samples }: SoundWave, from: number, to: number): Onset | null {
  const start = Math.max(0, Math.floor((from - BEFORE - AFTER) * rate));
  const stretch = samples.subarray(start, Math.max(start, Math.ceil((to + 2 * AFTER) * rate)));
  const lowered = atRate({ rate, samples: stretch }, RATE, Infinity);
  const sums = energySums(lowered);
  const [before, after] = [BEFORE * RATE, AFTER * RATE];
  // Silence before a faint click is no onset: it is measured against what the whole stretch holds.
  const floor = (0.01 * sums[lowered.length]!) / Math.max(1, lowered.length);
  let best = { ratio: 0, at: -1 };
  for (let i = before + after; i + after <= lowered.length; i++) {
    const ratio = (sums[i + after]! - sums[i]!) / after / ((sums[i]! - sums[i - before]!) / before + floor);
    if (ratio > best.ratio) best = { ratio, at: i };
  }
  const decibels = 10 * Math.log10(best.ratio);
  return decibels < CLEAR ? null : { at: start / rate + best.at / RATE, decibels };
}
