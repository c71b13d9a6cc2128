import fc from 'fast-check';
import { storedSize } from '../core/geometry/quarter-turn';
import { paintPicture, seenPart, type Picture } from './paint-picture';
import { toPane, toPicture, type Viewport } from './viewport';

type Matrix = readonly [number, number, number, number, number, number];
const times = ([a, b, c, d, e, f]: Matrix, [g, h, i, j, k, l]: Matrix): Matrix => [
  a * g + c * h,
  b * g + d * h,
  a * i + c * j,
  b * i + d * j,
  a * k + c * l + e,
  b * k + d * l + f,
];

/** A context that only knows its matrix, and how the picture was drawn. */
class Recorder {
  matrix: Matrix = [1, 0, 0, 1, 0, 0];
  filter = 'none';
  imageSmoothingQuality = 'low';
  drawn: { matrix: Matrix; x: number; y: number; width: number; height: number } | null = null;
  save(): void {}
  restore(): void {}
  translate(x: number, y: number): void {
    this.matrix = times(this.matrix, [1, 0, 0, 1, x, y]);
  }
  scale(x: number, y: number): void {
    this.matrix = times(this.matrix, [x, 0, 0, y, 0, 0]);
  }
  rotate(angle: number): void {
    this.matrix = times(this.matrix, [Math.cos(angle), Math.sin(angle), -Math.sin(angle), Math.cos(angle), 0, 0]);
  }
  transform(a: number, b: number, c: number, d: number, e: number, f: number): void {
    this.matrix = times(this.matrix, [a, b, c, d, e, f]);
  }
  drawImage(_: unknown, x: number, y: number, width: number, height: number): void {
    this.drawn = { matrix: this.matrix, x, y, width, height };
  }
}

const pane = { width: 460, height: 380 };
const picture = { width: 1280, height: 720 };
const viewport = fc.record({
  x: fc.double({ min: 0, max: 1280, noNaN: true }),
  y: fc.double({ min: 0, max: 720, noNaN: true }),
  scale: fc.double({ min: 0.2, max: 5, noNaN: true }),
  mirrored: fc.boolean(),
  turn: fc.double({ min: -0.7, max: 0.7, noNaN: true }),
});

function paint(view: Viewport, rotation: 0 | 90 | 180 | 270, shade: Partial<Picture> = {}): Recorder {
  const recorder = new Recorder();
  paintPicture(
    recorder as unknown as CanvasRenderingContext2D,
    { frame: null as never, ...picture, rotation, ...shade },
    view,
    pane,
  );
  return recorder;
}

describe('a picture in a pane', () => {
  it('lies where its points lie, whatever the zoom, mirror, level and rotation', () => {
    fc.assert(
      fc.property(viewport, fc.constantFrom(0, 90, 180, 270), (view, rotation) => {
        const { matrix, width, height } = paint(view, rotation as 0).drawn!;
        // The stored picture's corner that is shown top left.
        const corner = { 0: [0, 0], 90: [0, height], 180: [width, height], 270: [width, 0] }[rotation as 0]!;
        const at = {
          x: matrix[0] * corner[0]! + matrix[2] * corner[1]! + matrix[4],
          y: matrix[1] * corner[0]! + matrix[3] * corner[1]! + matrix[5],
        };
        const expected = toPane(view, pane, { x: 0, y: 0 });
        expect(at.x).toBeCloseTo(expected.x, 6);
        expect(at.y).toBeCloseTo(expected.y, 6);
        expect([width, height]).toEqual(rotation % 180 === 0 ? [1280, 720] : [720, 1280]);
      }),
      { seed: 3, numRuns: 200 },
    );
  });

  it('covers the pane with the part that is seen wherever the whole picture would', () => {
    const inPane = fc.record({
      x: fc.double({ min: 0, max: 1, noNaN: true }),
      y: fc.double({ min: 0, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(viewport, fc.constantFrom(0, 90, 180, 270), inPane, (view, rotation, share) => {
        const turned = { ...picture, rotation: rotation as 0 };
        const part = seenPart(turned, view, pane);
        const stored = storedSize(turned);
        expect(part.x + part.width).toBeLessThanOrEqual(stored.width);
        expect(part.y + part.height).toBeLessThanOrEqual(stored.height);
        const at = { x: share.x * pane.width, y: share.y * pane.height };
        const shown = toPicture(view, pane, at);
        if (shown.x < 0 || shown.y < 0 || shown.x > picture.width || shown.y > picture.height) return;
        // The same place of the pane, back through the matrix by which the part is drawn.
        const { matrix, ...drawn } = paint(view, rotation as 0, { part }).drawn!;
        const [a, b, c, d, e, f] = matrix;
        const [dx, dy] = [at.x - e, at.y - f];
        const place = { x: (d * dx - c * dy) / (a * d - b * c), y: (a * dy - b * dx) / (a * d - b * c) };
        expect(place.x).toBeGreaterThanOrEqual(drawn.x - 1e-6);
        expect(place.y).toBeGreaterThanOrEqual(drawn.y - 1e-6);
        expect(place.x).toBeLessThanOrEqual(drawn.x + drawn.width + 1e-6);
        expect(place.y).toBeLessThanOrEqual(drawn.y + drawn.height + 1e-6);
      }),
      { seed: 5, numRuns: 300 },
    );
  });

  it('needs no more than the pane shows', () => {
    const view = { x: 640, y: 360, scale: 1.25, mirrored: false, turn: 0 };
    const { width, height } = seenPart({ ...picture, rotation: 0 }, view, pane);
    expect(width).toBeCloseTo(pane.width / view.scale + 4, 9);
    expect(height).toBeCloseTo(pane.height / view.scale + 4, 9);
  });

  it('is shaded only where that was asked for', () => {
    const view = { x: 0, y: 0, scale: 1, mirrored: false, turn: 0 };
    expect(paint(view, 0).filter).toBe('none');
    expect(paint(view, 0, { brightness: 1.5, contrast: 1.2 }).filter).toBe('brightness(1.5) contrast(1.2)');
  });
});
