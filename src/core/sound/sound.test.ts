import { frameOfSound, pairBySound, soundDelay } from './sound-time';
import { levelsOf, waveColumns } from './sound-wave';

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
