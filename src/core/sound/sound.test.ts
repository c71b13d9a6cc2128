import { clapRecording } from '../../../tests/fixtures/claps';
import { activeStretches, AROUND_CONTACT } from '../signal/active-stretches';
import { frameOfSound, pairBySound, soundDelay } from './sound-time';
import { levelsOf, waveColumns } from './sound-wave';
import { Suddenness } from './suddenness';

test('levels are shares of the loudest, silent where nothing is heard, and columns take the loudest within', () => {
  const samples = new Float32Array(8000);
  samples.fill(0.1, 4000, 6000);
  samples.fill(-0.4, 6000);
  const levels = levelsOf({ rate: 8000, samples });
  expect([...waveColumns(levels, [-0.5, 0, 0.25, 0.5, 0.75, 0.9, 1.5])].map((h) => Math.round(100 * h))).toEqual([
    0, 0, 0, 25, 100, 100,
  ]);
  expect([...waveColumns(levelsOf({ rate: 8000, samples: new Float32Array(80) }), [0, 1])]).toEqual([0]);
});

test('sound takes 2.9 ms a metre (ISO 9613-1: 343.2 m/s at 20 degrees Celsius)', () => {
  expect(1000 * soundDelay(1)).toBeCloseTo(2.914, 3);
});

const at = (rate: number, count: number): Float64Array => Float64Array.from({ length: count }, (_, i) => i / rate);

test('a blow heard from ten metres came 29 ms before: its frame lies where it came', () => {
  expect(frameOfSound(at(100, 300), 1.0291, 10)).toBeCloseTo(100, 1);
  expect(frameOfSound(at(100, 300), 1.0, null)).toBeCloseTo(100, 9);
  expect(frameOfSound(at(100, 300), 9, null)).toBe(299);
});

test('two cameras are joined at an instant that both film, each without the way of the sound to it', () => {
  const first = { times: at(50, 500), metres: 20 };
  const own = { times: at(120, 900), metres: 3 };
  // The second began 1.5 s later, and hears what happens 17 m sooner.
  const pair = pairBySound(first, own, -1.5 - soundDelay(17));
  expect(pair!.own / 120).toBeCloseTo(pair!.other / 50 - 1.5, 9);
  expect(pair!.own).toBeGreaterThan(0);
  expect(pairBySound(first, own, -30)).toBeNull();
});

describe('attempts by sound', () => {
  const heard = (claps: readonly number[], decibels: number, seed: number) => {
    const { rate, samples } = clapRecording({
      rate: 16_000,
      seconds: 60,
      claps,
      decibels,
      shape: seed,
      seed: 7 * seed,
    });
    const sudden = new Suddenness(rate);
    // Pieces of any length are one recording.
    const pieces = Array.from({ length: Math.ceil(samples.length / 7001) }, (_, i) =>
      sudden.take(samples.subarray(7001 * i, 7001 * (i + 1))),
    );
    return activeStretches(pieces.flat(), AROUND_CONTACT);
  };

  it.each([1, 2, 3, 4, 5])('each clap in noise is one, with the seconds before it (recording %i)', (seed) => {
    const claps = [9, 24.3, 41.7];
    const found = heard(claps, 15, seed);
    expect(found).toHaveLength(claps.length);
    found.forEach(({ from, to }, i) => {
      expect(claps[i]! - from).toBeGreaterThanOrEqual(2.4);
      expect(claps[i]! - from).toBeLessThan(3.4);
      expect(to - claps[i]!).toBeGreaterThan(1);
      expect(to - claps[i]!).toBeLessThan(2.4);
    });
  });

  it('two contacts of one attempt, a second apart, do not part it', () => {
    expect(heard([20, 21], 20, 3)).toHaveLength(1);
  });

  it('noise alone proposes nothing', () => {
    for (const seed of [1, 2, 3, 4, 5]) expect(heard([], 0, seed)).toEqual([]);
  });
});
