import { clapRecording } from '../../tests/fixtures/claps';
import { dice } from '../../tests/fixtures/random';
import { onsetBetween } from '../core/sound/onset';
import { alignSounds } from './align-sounds';

/** Two microphones that hear the same claps, 10 dB above their noise. */
function pair(seed: number): { readonly recordings: Parameters<typeof alignSounds>; readonly later: number } {
  const roll = dice(1000 + seed);
  const at = 1 + 2 * roll();
  const claps = [at, at + 0.7 + roll()].slice(0, 1 + (seed % 2));
  const later = 3 * roll() - 0.9;
  const of = { decibels: 10, shape: 77 + seed };
  return {
    later,
    recordings: [
      clapRecording({ ...of, rate: 48_000, seconds: 5, claps, seed: 3 * seed + 1 }),
      clapRecording({
        ...of,
        rate: seed % 3 === 0 ? 44_100 : 48_000,
        seconds: 8,
        claps: claps.map((t) => t + later),
        seed: 3 * seed + 2,
      }),
    ],
  };
}

test('two recordings of a clap 10 dB above the noise are brought together within 1 ms', () => {
  const errors = Array.from({ length: 10 }, (_, seed) => {
    const { recordings, later } = pair(seed);
    const found = alignSounds(...recordings);
    return found.ok ? 1000 * Math.abs(found.value.seconds - later) : NaN;
  });
  expect(errors.filter((e) => !(e < 1))).toEqual([]);
});

test('recordings without anything in common are said to be unsure', () => {
  for (let seed = 0; seed < 10; seed++) {
    const [
      {
        recordings: [first],
      },
      {
        recordings: [, second],
      },
    ] = [pair(seed), pair(seed + 500)];
    const found = alignSounds(first, second);
    expect(found.ok ? found.value : found.issue.code).toBe('unsure');
  }
});

test('claps at an even beat fit at several places: unsure', () => {
  const beat = Array.from({ length: 12 }, (_, i) => 0.4 + 0.6 * i);
  const of = { rate: 48_000, seconds: 5.6, decibels: 20, shape: 5 };
  const found = alignSounds(
    clapRecording({ ...of, claps: beat.slice(0, 9), seed: 1 }),
    clapRecording({ ...of, claps: beat.slice(2, 11), seed: 2 }),
  );
  expect(found).toMatchObject({ ok: false, issue: { code: 'unsure' } });
});

test('the onset of a clap 10 dB above the noise is found within 2 ms, and none is made up', () => {
  const off = Array.from({ length: 20 }, (_, seed) => {
    const at = 1 + 0.01 * seed;
    const wave = clapRecording({
      rate: 48_000,
      seconds: 2,
      claps: [at],
      decibels: 10,
      shape: seed + 9,
      seed: seed + 50,
    });
    return 1000 * ((onsetBetween(wave, at - 0.15, at + 0.15)?.at ?? NaN) - at);
  });
  expect(off.filter((e) => !(Math.abs(e) < 2))).toEqual([]);
  for (let seed = 0; seed < 10; seed++) {
    const wave = clapRecording({ rate: 48_000, seconds: 2, claps: [], decibels: 0, shape: 1, seed: seed + 900 });
    expect(onsetBetween(wave, 0.5, 1.5)).toBeNull();
  }
});
