import fc from 'fast-check';
import { paintPicture } from './paint-picture';
import { toPane, type Viewport } from './viewport';

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
  drawn: { matrix: Matrix; width: number; height: number } | null = null;
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
  drawImage(_: unknown, _x: number, _y: number, width: number, height: number): void {
    this.drawn = { matrix: this.matrix, width, height };
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

function paint(view: Viewport, rotation: 0 | 90 | 180 | 270, shade = {}): Recorder {
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

  it('is shaded only where that was asked for', () => {
    const view = { x: 0, y: 0, scale: 1, mirrored: false, turn: 0 };
    expect(paint(view, 0).filter).toBe('none');
    expect(paint(view, 0, { brightness: 1.5, contrast: 1.2 }).filter).toBe('brightness(1.5) contrast(1.2)');
  });
});
