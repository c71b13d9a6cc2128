import { cameraPathSchema, type CameraPath } from '../model/clip';
import { cameraStretches } from './camera-rates';

/** A camera that pans to the right at 0.4 widths and 12 degrees a second for half of the pictures, then zooms in. */
const N = 11;
const panned = (k: number): number => Math.min(k, 5);
const zoomed = (k: number): number => 1.02 ** Math.max(0, k - 5);
const column = (of: (k: number) => number): Float64Array<ArrayBuffer> =>
  Float64Array.from({ length: N }, (_, k) => of(k));
const path = (change: Partial<CameraPath> = {}): CameraPath =>
  cameraPathSchema.parse({
    frames: column((k) => 4 * k),
    x: column((k) => 0.04 * panned(k)),
    y: column(() => 0),
    scale: column(zoomed),
    roll: column(() => 0),
    share: column((k) => (k === 3 ? 0.05 : 0.9)),
    turned: {
      x: column(() => 0),
      y: column((k) => (1.2 * panned(k) * Math.PI) / 180),
      z: column(() => 0),
      zoom: column(zoomed),
      own: column(() => 0),
      drift: column(() => 0),
      focal: 1,
      focalLogSd: 0.1,
    },
    ...change,
  });
const times = Float64Array.from({ length: 4 * N }, (_, i) => i / 40);

test('a camera is told stretch by stretch: how fast it turns and zooms, and where nothing holds', () => {
  const stretches = cameraStretches(path(), times);
  expect(stretches).toHaveLength(N - 1);
  expect([stretches[0]!.from, stretches[0]!.to]).toEqual([0, 4]);
  expect((stretches[0]!.turns * 180) / Math.PI).toBeCloseTo(12, 9);
  expect(stretches[0]!.shifts).toBeCloseTo(0.4, 9);
  expect(stretches.at(-1)!.turns).toBeCloseTo(0, 9);
  expect(stretches.at(-1)!.zooms).toBeCloseTo(Math.log(1.02) / 0.1, 9);
  expect(stretches.map((s) => s.holds).indexOf(false)).toBe(2);
});

test('over a cut nothing is said, and nothing of a camera that stands still or was not looked at', () => {
  expect(cameraStretches(path({ cuts: [8] }), times).map((s) => s.to)).not.toContain(8);
  expect(cameraStretches(path({ x: column(() => 0), scale: column(() => 1), turned: null }), times)).toEqual([]);
  expect(cameraStretches(null, times)).toEqual([]);
});

test('a long clip is told in at most 120 stretches that leave nothing out', () => {
  const n = 601;
  const long = (of: (k: number) => number): Float64Array<ArrayBuffer> =>
    Float64Array.from({ length: n }, (_, k) => of(k));
  const still = long(() => 0);
  const camera = cameraPathSchema.parse({
    frames: long((k) => k),
    x: long((k) => 0.002 * k),
    y: still,
    scale: long(() => 1),
    roll: still,
    share: long((k) => (k === 300 ? 0 : 0.9)),
  });
  const stretches = cameraStretches(
    camera,
    long((k) => k / 60),
  );
  expect(stretches).toHaveLength(120);
  expect([stretches[0]!.from, stretches.at(-1)!.to]).toEqual([0, 600]);
  expect(stretches.filter((s) => !s.holds)).toHaveLength(1);
  expect(stretches[7]!.shifts).toBeCloseTo(0.12, 9);
  expect(stretches[7]!.turns).toBeNaN();
});
