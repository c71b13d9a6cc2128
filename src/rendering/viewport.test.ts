import fc from 'fast-check';
import { detailFor, fitPicture, followBody, panBy, toPane, toPicture, zoomAt } from './viewport';

const pane = { width: 460, height: 380 };
const AS_FILMED = { mirrored: false, turn: 0 };
const viewport = fc.record({
  x: fc.double({ min: 0, max: 1280, noNaN: true }),
  y: fc.double({ min: 0, max: 720, noNaN: true }),
  scale: fc.double({ min: 0.2, max: 10, noNaN: true }),
  mirrored: fc.boolean(),
  turn: fc.double({ min: -0.8, max: 0.8, noNaN: true }),
});
const point = fc.record({
  x: fc.double({ min: -100, max: 1400, noNaN: true }),
  y: fc.double({ min: -100, max: 900, noNaN: true }),
});

describe('viewport', () => {
  it('maps to the pane and back', () => {
    fc.assert(
      fc.property(viewport, point, (v, p) => {
        const back = toPicture(v, pane, toPane(v, pane, p));
        expect(back.x).toBeCloseTo(p.x, 6);
        expect(back.y).toBeCloseTo(p.y, 6);
      }),
      { seed: 1 },
    );
  });

  it('keeps the picture under the pointer where it is while zooming', () => {
    fc.assert(
      fc.property(viewport, fc.double({ min: 0.5, max: 2, noNaN: true }), (v, factor) => {
        const pointer = { x: 120, y: 300 };
        const before = toPicture(v, pane, pointer);
        const after = toPicture(zoomAt(v, pane, pointer, factor), pane, pointer);
        expect(after.x).toBeCloseTo(before.x, 6);
        expect(after.y).toBeCloseTo(before.y, 6);
      }),
      { seed: 1 },
    );
  });

  it('moves the picture with the pointer while panning, mirrored or not', () => {
    for (const mirrored of [false, true]) {
      const v = { x: 600, y: 300, scale: 2, mirrored, turn: 0.2 };
      const p = { x: 500, y: 200 };
      const before = toPane(v, pane, p);
      const after = toPane(panBy(v, 30, -12), pane, p);
      expect(after.x - before.x).toBeCloseTo(30, 9);
      expect(after.y - before.y).toBeCloseTo(-12, 9);
    }
  });

  it('shows the whole picture when it fits it', () => {
    const v = fitPicture({ width: 1280, height: 720 }, pane, AS_FILMED);
    expect(toPane(v, pane, { x: 0, y: 0 }).x).toBeCloseTo(0, 9);
    expect(toPane(v, pane, { x: 1280, y: 720 }).x).toBeCloseTo(460, 9);
  });

  it('shows two performers at one size whatever their height in the picture', () => {
    const tall = followBody({ x: 1, y: 1, height: 300 }, pane, AS_FILMED);
    const small = followBody({ x: 1, y: 1, height: 120 }, pane, AS_FILMED);
    expect(tall.scale * 300).toBeCloseTo(small.scale * 120, 9);
  });
});

test('a small pane asks for no more of a picture than it shows', () => {
  expect([0.2, 0.25, 0.3, 0.5, 0.51, 1, 4].map(detailFor)).toEqual([0.25, 0.25, 0.5, 0.5, 1, 1, 1]);
});
