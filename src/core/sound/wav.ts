import { fail, ok, type Issue, type Result } from '../result';
import { TEXT } from '../../text/core/sound';

/** Mono sound. */
export interface Sound {
  readonly samples: Int16Array<ArrayBuffer>;
  /** Samples a second. */
  readonly rate: number;
}

/** One sample, -1..1, as a file holds it; what is louder is cut off. */
export const asInt16 = (sample: number): number => Math.round(Math.max(-1, Math.min(1, sample)) * 0x7fff);

const HEADER = 44;
const BYTES = 2;
const PCM = 1;

/**
 * Sound as a WAV file: 16-bit linear PCM, little-endian, one channel.
 *
 * Layout: Multimedia Programming Interface and Data Specifications 1.0 (IBM and Microsoft, 1991), "Waveform Audio File
 * Format".
 */
export function writeWav({ samples, rate }: Sound): Uint8Array<ArrayBuffer> {
  const bytes = new Uint8Array(HEADER + BYTES * samples.length);
  const view = new DataView(bytes.buffer);
  const text = (at: number, word: string): void =>
    [...word].forEach((letter, i) => view.setUint8(at + i, letter.charCodeAt(0)));
  text(0, 'RIFF');
  view.setUint32(4, bytes.length - 8, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, PCM, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * BYTES, true);
  view.setUint16(32, BYTES, true);
  view.setUint16(34, 8 * BYTES, true);
  text(36, 'data');
  view.setUint32(40, BYTES * samples.length, true);
  samples.forEach((sample, i) => view.setInt16(HEADER + BYTES * i, sample, true));
  return bytes;
}

/** Reads what `writeWav` wrote; chunks that it does not write are passed over. */
export function readWav(bytes: Uint8Array<ArrayBuffer>): Result<Sound, Issue<'damaged'>> {
  const damaged = (what: string): Result<never, Issue<'damaged'>> => fail('damaged', TEXT.partOfWhatWasSaid(what));
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const word = (at: number): string => String.fromCharCode(...bytes.subarray(at, at + 4));
  if (bytes.length < HEADER || word(0) !== 'RIFF' || word(8) !== 'WAVE') return damaged(TEXT.itIsNoWavFile);
  let rate: number | null = null;
  for (let at = 12; at + 8 <= bytes.length;) {
    const length = view.getUint32(at + 4, true);
    const begin = at + 8;
    if (word(at) === 'fmt ') {
      if (view.getUint16(begin, true) !== PCM || view.getUint16(begin + 2, true) !== 1)
        return damaged(TEXT.itIsNotLinearPcm);
      if (view.getUint16(begin + 14, true) !== 8 * BYTES) return damaged(TEXT.itsSamplesHaveNotBits);
      rate = view.getUint32(begin + 4, true);
    }
    if (word(at) === 'data') {
      if (rate === null || rate === 0) return damaged(TEXT.itDoesNotSayIts);
      const count = Math.floor(Math.min(length, bytes.length - begin) / BYTES);
      return ok({
        samples: Int16Array.from({ length: count }, (_, i) => view.getInt16(begin + BYTES * i, true)),
        rate,
      });
    }
    at = begin + length + (length % 2);
  }
  return damaged(TEXT.thereIsNoSound);
}
