import { fileRateOf, holesIn } from './file-rate';
import { realTimes } from './clip-time';

const even = (frames: number, rate: number): number[] => Array.from({ length: frames }, (_, i) => (i * 1e6) / rate);
/** Containers of the Matroska family keep whole milliseconds. */
const rounded = (times: readonly number[]): number[] => times.map((t) => Math.round(t / 1000) * 1000);
/** Sixty frames, two seconds nothing, sixty frames. */
const withHole = [...even(60, 30), ...even(60, 30).map((t) => t + 4e6 - 1e6 / 30)];

it.each([
  ['30 a second', even(90, 30), 30],
  ['29.97 a second', even(90, 30000 / 1001), 29.97],
  ['120 a second in whole milliseconds', rounded(even(240, 120)), 120],
  ['240 a second in whole milliseconds', rounded(even(480, 240)), 240],
  ['a rate that no camera states', even(100, 37), 37],
  ['a hole of two seconds', withHole, 30],
])('the rate of %s', (_, times, rate) => expect(fileRateOf(Float64Array.from(times))).toBeCloseTo(rate, 2));

it('one frame has no rate', () => expect(fileRateOf(Float64Array.of(0))).toBeNull());

it('a hole is told with its place and length', () => {
  const [hole, ...others] = holesIn(Float64Array.from(withHole));
  expect(others).toEqual([]);
  expect(hole!.after).toBe(59);
  expect(hole!.seconds).toBeCloseTo(2, 6);
  expect(holesIn(Float64Array.from(rounded(even(240, 120))))).toEqual([]);
  expect(holesIn(Float64Array.from(even(240, 120).filter((_, i) => i !== 100)))).toEqual([
    { after: 99, seconds: expect.closeTo(2 / 120, 9) as number },
  ]);
});

it('the true capture rate leaves a hole as long as it was, and slow motion stretches it with the rest', () => {
  const frameTimes = Float64Array.from(withHole);
  const fileRate = fileRateOf(frameTimes)!;
  const lasts = (captureRate: number): number => realTimes({ frameTimes, fileRate, captureRate }).at(-1)!;
  expect(lasts(30)).toBeCloseTo(withHole.at(-1)! / 1e6, 9);
  expect(lasts(120)).toBeCloseTo(withHole.at(-1)! / 4e6, 9);
});
