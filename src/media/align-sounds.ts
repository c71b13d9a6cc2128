import FFT from 'fft.js';
import type { Issue, Result } from '../core/result';
import { soundOffset, type SoundOffset } from '../core/sound/sound-offset';
import { atRate } from '../core/sound/at-rate';
import type { SoundWave } from '../core/sound/sound-wave';

/** Samples a second at which sounds are compared, and the band in which they are, hertz: no hum, wind or hiss. */
const RATE = 16_000;
const [LOWEST, HIGHEST] = [200, 7000];
/** As much of a recording is compared, seconds. */
const LONGEST = 240;
/** Two recordings that lie beside each other for less than this tell nothing, seconds. */
const SHORTEST_OVERLAP = 0.3;

/**
 * Generalised cross-correlation with the phase transform: every frequency of the band counts alike, so that rooms and
 * microphones that colour a sound do not move its peak (Knapp and Carter 1976, IEEE Transactions on Acoustics, Speech,
 * and Signal Processing 24). 1 is the same sound but for its colour.
 * @returns the value at a lag in samples by which `b` comes later
 */
function phaseCorrelation(a: Float64Array, b: Float64Array): (lag: number) => number {
  const size = 2 ** Math.ceil(Math.log2(Math.max(4, a.length + b.length)));
  const fft = new FFT(size);
  const spectrum = (samples: Float64Array): number[] => {
    const padded = new Array<number>(size).fill(0);
    for (let i = 0; i < samples.length; i++) padded[i] = samples[i]!;
    const out = fft.createComplexArray();
    fft.realTransform(out, padded);
    return out;
  };
  const [one, other] = [spectrum(a), spectrum(b)];
  const cross = fft.createComplexArray().fill(0);
  const [lowest, highest] = [LOWEST, HIGHEST].map((hertz) => Math.round((hertz / RATE) * size)) as [number, number];
  for (let k = 2 * lowest; k <= 2 * highest; k += 2) {
    const real = one[k]! * other[k]! + one[k + 1]! * other[k + 1]!;
    const imaginary = one[k]! * other[k + 1]! - one[k + 1]! * other[k]!;
    const length = Math.sqrt(real * real + imaginary * imaginary);
    if (length === 0) continue;
    cross[k] = real / length;
    cross[k + 1] = imaginary / length;
  }
  const lags = fft.createComplexArray();
  fft.completeSpectrum(cross);
  fft.inverseTransform(lags, cross);
  const whole = (2 * (highest - lowest + 1)) / size;
  return (lag) => lags[2 * (lag < 0 ? lag + size : lag)]! / whole;
}

/** What is compared closely round the loudest sound that both hear, seconds before it and after. */
const CLOSE = { before: 0.004, after: 0.03 };
/** The loudest is looked for by the energy of this long, seconds. */
const BLOW = 0.01;
/** How far the close comparison may lie from the whole one, seconds. */
const SHIFTED = 0.0005;

/**
 * Whether the loudest that two recordings have in common, at a lag, is the same sound: their phase correlation there,
 * 0..1. Two different blows fall on each other as well as two recordings of one.
 */
function likeness(a: Float64Array, b: Float64Array, lag: number): number {
  const blow = BLOW * RATE;
  const [first, last] = [Math.max(0, -lag), Math.min(a.length, b.length - lag) - blow];
  let best = { product: -1, at: first };
  for (let at = first; at <= last; at += blow >> 2) {
    let [ofA, ofB] = [0, 0];
    for (let i = at; i < at + blow; i++) {
      ofA += a[i]! * a[i]!;
      ofB += b[i + lag]! * b[i + lag]!;
    }
    if (ofA * ofB > best.product) best = { product: ofA * ofB, at };
  }
  const close = (samples: Float64Array, at: number): Float64Array =>
    samples.slice(Math.max(0, at - CLOSE.before * RATE), at + CLOSE.after * RATE);
  const at = phaseCorrelation(close(a, best.at), close(b, best.at + lag));
  const shift = Math.round(SHIFTED * RATE);
  return Math.max(...Array.from({ length: 2 * shift + 1 }, (_, i) => Math.abs(at(i - shift))));
}

/**
 * By how much a sound comes later in `second` than in `first`, seconds of the clips' own time.
 * @returns unsure where nothing in them is surely the same sound
 */
export function alignSounds(first: SoundWave, second: SoundWave): Result<SoundOffset, Issue<'unsure'>> {
  const [a, b] = [atRate(first, RATE, LONGEST), atRate(second, RATE, LONGEST)];
  const overlap = Math.min(Math.round(SHORTEST_OVERLAP * RATE), a.length, b.length);
  const [least, most] = [overlap - a.length, b.length - overlap];
  const at = phaseCorrelation(a, b);
  return soundOffset({
    values: Float64Array.from({ length: Math.max(0, most - least + 1) }, (_, i) => at(least + i)),
    from: least / RATE,
    step: 1 / RATE,
    likeness: (i) => likeness(a, b, least + i),
  });
}
