import { SoundClock } from './sound-clock';

/** Blocks of 2048 samples at 48 kHz, as the page gets them. */
const BLOCK = 1000 * (2048 / 48_000);

/** What the page is told of block `i`: its beginning on the sound's clock, and when it was whole on the page's clock. */
const block = (i: number, late: number, stalled = 0): { at: number; whole: number } => ({
  at: i * BLOCK,
  whole: 500 + (i + 1) * BLOCK + stalled + late,
});

/** How far each placed block lies from where it was heard, ms. */
function errors(count: number, late: (i: number) => number, stalledFrom = Infinity, stall = 0): number[] {
  const clock = new SoundClock();
  return Array.from({ length: count }, (_, i) => {
    const stalled = i >= stalledFrom ? stall : 0;
    const { at, whole } = block(i, late(i), stalled);
    const placed = clock.place(at, BLOCK, whole);
    if (i === 20) clock.hold();
    return placed - (500 + i * BLOCK + stalled);
  });
}

test('blocks that come late now and then stay where they were heard, one after the other', () => {
  const placed = errors(200, (i) => (i % 7 === 0 ? 3 : 60 + (i % 5) * 20)).slice(21);
  expect(new Set(placed.map((e) => e.toFixed(6))).size).toBe(1);
  expect(placed[0]).toBeCloseTo(3, 6);
});

test('a sound clock that stood still for a while is set anew: what is said later stays beside its pictures', () => {
  const placed = errors(200, (i) => i % 3, 100, 1870);
  // A second and a half is needed to tell a clock that stood still from blocks that are late.
  for (const error of placed.slice(137)) expect(Math.abs(error)).toBeLessThan(1000 / 30);
});

test('a sound clock that runs slow is followed within a picture', () => {
  const clock = new SoundClock();
  const slow = 1 + 200e-6;
  clock.place(0, BLOCK, BLOCK);
  clock.hold();
  const off = Array.from({ length: 14_000 }, (_, i) => {
    const whole = (i + 1) * BLOCK * slow + (i % 4);
    return clock.place(i * BLOCK, BLOCK, whole) - i * BLOCK * slow;
  });
  expect(Math.max(...off.map(Math.abs))).toBeLessThan(1000 / 30);
});
