import { storedSize, toStored, uprightTransform, type Rotation } from './quarter-turn';

test.each([0, 90, 180, 270] as Rotation[])('%s degrees: what is stored is shown where it is looked for', (rotation) => {
  const picture = { width: 30, height: 50, rotation };
  const stored = storedSize(picture);
  const [a, b, c, d, e, f] = uprightTransform(picture);
  for (const [x, y] of [
    [0, 0],
    [30, 50],
    [7, 11],
  ] as const) {
    const at = toStored(picture, { x, y });
    expect([at.x >= 0, at.x <= stored.width, at.y >= 0, at.y <= stored.height]).toEqual([true, true, true, true]);
    expect([a * at.x + c * at.y + e, b * at.x + d * at.y + f]).toEqual([x, y]);
  }
});

test('turned clockwise by 90 degrees, what is stored at the upper left is shown at the upper right', () => {
  expect(toStored({ width: 30, height: 50, rotation: 90 }, { x: 30, y: 0 })).toEqual({ x: 0, y: 0 });
});
