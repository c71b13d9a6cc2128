import { dice } from '../../../tests/fixtures/random';
import { similarity } from '../geometry/similarity';
import { stepBetween } from './camera-motion';
import { sharedMotion } from './shared-motion';
import type { Gray } from '../signal/gray';

/** A random landscape: waves of all lengths, the longer the higher, as pictures have them (Field 1987). */
function landscape(seed: number): (x: number, y: number) => number {
  const roll = dice(seed);
  const waves = Array.from({ length: 28 }, (_, n) => {
    const k = 0.03 * 1.14 ** n;
    const direction = 7 * roll();
    return { kx: k * Math.cos(direction), ky: k * Math.sin(direction), phase: 7 * roll(), high: 3 / k ** 0.6 };
  });
  return (x, y) =>
    128 + waves.reduce((sum, { kx, ky, phase, high }) => sum + high * Math.sin(kx * x + ky * y + phase), 0);
}
const SIZE = { width: 320, height: 180 };

/** What a camera sees of a landscape that moved so against it. */
function seen(
  of: (x: number, y: number) => number,
  { x = 0, y = 0, scale = 1, roll = 0, lighter = 0, noise = 0 },
): Gray {
  const grain = dice(11);
  const [cx, cy] = [SIZE.width / 2, SIZE.height / 2];
  const [c, s] = [Math.cos(roll) / scale, Math.sin(roll) / scale];
  const values = new Float32Array(SIZE.width * SIZE.height);
  for (let v = 0; v < SIZE.height; v++)
    for (let u = 0; u < SIZE.width; u++) {
      const [dx, dy] = [u - cx - x, v - cy - y];
      values[v * SIZE.width + u] = of(cx + c * dx + s * dy, cy - s * dx + c * dy) + lighter + noise * (grain() - 0.5);
    }
  return { ...SIZE, values };
}

describe('the motion of a camera from two pictures', () => {
  const of = landscape(3);
  it.each([
    ['stands still', {}],
    ['pans', { x: 13.3, y: -2.4 }],
    ['zooms', { x: 1.2, scale: 1.03 }],
    ['rolls', { roll: 0.02, y: 4 }],
    [
      'does it all, in other light and with grain',
      { x: -9.7, y: 3.1, scale: 0.98, roll: -0.015, lighter: 9, noise: 12 },
    ],
  ])('is found where it %s', (_, motion) => {
    const step = stepBetween(seen(of, { noise: 'noise' in motion ? motion.noise : 0 }), seen(of, motion), []);
    const truth = { x: 0, y: 0, scale: 1, roll: 0, ...motion };
    expect(step.x * SIZE.width).toBeCloseTo(truth.x, 0);
    expect(Math.abs(step.x * SIZE.width - truth.x)).toBeLessThan(0.15);
    expect(Math.abs(step.y * SIZE.width - truth.y)).toBeLessThan(0.15);
    expect(Math.abs(step.scale - truth.scale)).toBeLessThan(0.001);
    expect(Math.abs(step.roll - truth.roll)).toBeLessThan(0.001);
    expect(step.share).toBeGreaterThan(0.6);
  });

  it('gives no hold on water, fog or sky: a picture without corners, or another one altogether', () => {
    const plain: Gray = { ...SIZE, values: new Float32Array(SIZE.width * SIZE.height).fill(90) };
    expect(stepBetween(plain, plain, [])).toMatchObject({ share: 0, corners: 0 });
    expect(stepBetween(seen(of, {}), seen(landscape(8), {}), []).share).toBeLessThan(0.3);
  });

  it('is that of the background where somebody runs through a third of it, told of or not', () => {
    const runner = landscape(21);
    const scene = (shift: number, from: number) => (x: number, y: number) =>
      x > from && x < from + 100 ? runner(x - from, y) : of(x - shift, y);
    const [before, after] = [seen(scene(0, 90), {}), seen(scene(-6, 98), {})];
    for (const hidden of [[], [{ left: 0.27, top: 0, right: 0.63, bottom: 1 }]]) {
      const step = stepBetween(before, after, hidden);
      expect(Math.abs(step.x * SIZE.width + 6)).toBeLessThan(0.15);
      expect(Math.abs(step.scale - 1)).toBeLessThan(0.002);
    }
  });
});

test('half of the points but one may move by themselves', () => {
  const roll = dice(5);
  const from = Array.from({ length: 41 }, () => ({ x: 320 * roll(), y: 180 * roll() }));
  const to = from.map((p, i) =>
    i < 20 ? { x: p.x + 40 * roll() + 6, y: p.y - 30 * roll() } : { x: p.x - 4, y: p.y + 1 },
  );
  const step = sharedMotion(from, to, SIZE)!;
  expect(step.x * SIZE.width).toBeCloseTo(-4, 6);
  expect(step.share).toBeCloseTo(21 / 41);
  // A fit of all of them would have been led astray.
  const naive = similarity(from, to);
  expect(naive.ok && Math.abs(naive.value.scale - 1)).toBeGreaterThan(0.01);
});
