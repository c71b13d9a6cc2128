import { dice } from '../../../tests/fixtures/random';
import type { Gray } from '../signal/gray';
import { leftByMixture } from './picture-differences';

const [WIDTH, HEIGHT] = [64, 48];

/** A textured ball that stands at a column, before a textured wall; grain differs from picture to picture. */
function picture(column: number, { light = 1, grain = 0, seed = 1 } = {}): Gray {
  const roll = dice(seed);
  const values = Float32Array.from({ length: WIDTH * HEIGHT }, (_, i) => {
    const [x, y] = [i % WIDTH, Math.floor(i / WIDTH)];
    const isBall = Math.hypot(x - column, y - 24) < 7;
    const shade = isBall ? 190 + 40 * Math.sin(x - column) : 90 + 25 * Math.sin(x * 1.3) * Math.cos(y * 0.9);
    return light * shade + grain * (roll() - 0.5);
  });
  return { width: WIDTH, height: HEIGHT, values };
}

const mixed = (a: Gray, b: Gray, weight: number): Gray => ({
  ...a,
  values: a.values.map((v, i) => Math.round((1 - weight) * v + weight * b.values[i]!)),
});

test.each([0.25, 0.5, 0.75])('a blend, %s of it the picture after, leaves next to nothing', (weight) => {
  const [before, after] = [picture(20, { grain: 12, seed: 3 }), picture(26, { grain: 12, seed: 4 })];
  expect(leftByMixture(before, mixed(before, after, weight), after)).toBeLessThan(0.05);
});

test('a picture that was filmed shows what moves elsewhere than either', () => {
  expect(leftByMixture(picture(20), picture(23), picture(26))).toBeGreaterThan(0.4);
});

test('rest and a light that flickers tell nothing', () => {
  expect(leftByMixture(picture(20), picture(20), picture(20))).toBeNull();
  expect(leftByMixture(picture(20), picture(20, { light: 1.2 }), picture(20, { light: 0.7 }))).toBeNull();
});
