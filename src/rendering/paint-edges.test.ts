import { toEdges } from './paint-edges';

const WIDTH = 12;
const HEIGHT = 8;
/** Dark to the left of a column, light from it on. */
function step(column: number, dark: number, light: number): Uint8ClampedArray {
  const pixels = new Uint8ClampedArray(4 * WIDTH * HEIGHT);
  for (let i = 0; i < WIDTH * HEIGHT; i++) pixels.fill(i % WIDTH < column ? dark : light, 4 * i, 4 * i + 4);
  return pixels;
}
const opacity = (pixels: Uint8ClampedArray, row: number): number[] =>
  Array.from({ length: WIDTH }, (_, x) => pixels[4 * (row * WIDTH + x) + 3]!);

describe('outlines', () => {
  it('stand on both sides of a step of brightness and nowhere else', () => {
    const pixels = step(6, 20, 220);
    toEdges(pixels, WIDTH, HEIGHT);
    expect(opacity(pixels, 4)).toEqual([0, 0, 0, 0, 0, 255, 255, 0, 0, 0, 0, 0]);
    expect(opacity(pixels, 0).every((o) => o === 0)).toBe(true);
  });

  it('are fainter where the step is smaller, and none where it is noise', () => {
    const weak = step(6, 100, 140);
    toEdges(weak, WIDTH, HEIGHT);
    expect(weak[4 * (4 * WIDTH + 6) + 3]).toBeGreaterThan(80);
    expect(weak[4 * (4 * WIDTH + 6) + 3]).toBeLessThan(160);
    const noise = step(6, 100, 110);
    toEdges(noise, WIDTH, HEIGHT);
    expect(opacity(noise, 4).every((o) => o === 0)).toBe(true);
  });
});
