import type { SoundWave } from './sound-wave';

/** Half the width of the filter, samples of the lower rate. */
const TAPS = 12;
/** Places between two samples for which the filter is tabulated: its error is then far below any noise. */
const FINE = 256;

/**
 * A sound at another, lower rate, by a sinc in a Hann window; its first sample stays the first.
 * @param longest seconds of it at most
 */
export function atRate({ rate, samples }: SoundWave, wanted: number, longest: number): Float64Array {
  const cut = Math.min(1, wanted / rate);
  const half = Math.ceil(TAPS / cut);
  const filter = Float64Array.from({ length: 2 * half * FINE + 1 }, (_, i) => {
    const x = i / FINE - half;
    const sinc = x === 0 ? 1 : Math.sin(Math.PI * x * cut) / (Math.PI * x * cut);
    return cut * sinc * (0.5 + 0.5 * Math.cos((Math.PI * x) / half));
  });
  const out = new Float64Array(Math.min(longest * wanted, Math.floor((samples.length / rate) * wanted)));
  for (let k = 0; k < out.length; k++) {
    const at = (k * rate) / wanted;
    const first = Math.max(0, Math.ceil(at - half));
    const last = Math.min(samples.length - 1, Math.floor(at + half));
    let place = (first - at + half) * FINE + 0.5;
    let sum = 0;
    for (let i = first; i <= last; i++, place += FINE) sum += samples[i]! * filter[place | 0]!;
    out[k] = sum;
  }
  return out;
}
