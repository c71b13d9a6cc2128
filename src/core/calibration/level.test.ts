import { rotate } from '../geometry/vec2';
import { levelByLine } from './level';

describe('levelling by a line', () => {
  it.each([
    // A horizon that falls to the right by 5 degrees is turned back, anticlockwise; drawn from either end.
    [[0, 0], [100, 100 * Math.tan((5 * Math.PI) / 180)], -5],
    [[100, 100 * Math.tan((5 * Math.PI) / 180)], [0, 0], -5],
    // A post that leans to the right by 8 degrees, drawn upwards.
    [[0, 100], [100 * Math.tan((8 * Math.PI) / 180), 0], -8],
    [[0, 0], [100, 0], 0],
    [[0, 0], [0, -60], 0],
  ] as const)('from %p to %p turns by %p degrees', ([x1, y1], [x2, y2], expected) => {
    const level = levelByLine({ x: x1, y: y1 }, { x: x2, y: y2 });
    expect(level.ok && level.value).toBeCloseTo(expected, 9);
    const turned = rotate({ x: x2 - x1, y: y2 - y1 }, (expected * Math.PI) / 180);
    expect(Math.min(Math.abs(turned.x), Math.abs(turned.y))).toBeLessThan(1e-9);
  });

  it('refuses a line that says nothing', () => {
    const level = levelByLine({ x: 10, y: 10 }, { x: 14, y: 13 });
    expect(!level.ok && level.issue.message).toMatch(/5 pixels is too short/);
  });
});
