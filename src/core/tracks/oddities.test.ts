import type { PointId } from '../anatomy/body-points';
import type { SpatialSeries, SpatialTrack } from './marker-map';
import { oddities, slowedBy } from './oddities';
import { ORIGIN, type PointSeries, type Track } from './track';

/** A body that stands and faces +x in a space with y up, metres; right is then +z. */
const STANDING: Readonly<Record<string, readonly [number, number, number]>> = {
  'left-shoulder': [0, 1.5, -0.2],
  'right-shoulder': [0, 1.5, 0.2],
  'left-hip': [0, 1, -0.1],
  'right-hip': [0, 1, 0.1],
  'left-ankle': [0, 0.1, -0.1],
  'right-ankle': [0, 0.1, 0.1],
  'left-foot-index': [0.2, 0, -0.1],
  'right-foot-index': [0.2, 0, 0.1],
};
const FRAMES = 9;
const still = (v: number): Float64Array => new Float64Array(FRAMES).fill(v);

type Turn = (p: readonly [number, number, number]) => readonly [number, number, number];
const spatial = (turn: Turn = (p) => p): SpatialTrack =>
  Object.fromEntries(
    Object.entries(STANDING).map(([id, p]) => {
      const [x, y, z] = turn(p);
      return [id, { x: still(x), y: still(y), z: still(z) }];
    }),
  );
/** In a picture whose y grows downward, 100 pixels to the metre. */
const flat = (turn: Turn = (p) => p): Track =>
  Object.fromEntries(
    Object.entries(STANDING).map(([id, p]): [PointId, Track[PointId]] => {
      const [x, y] = turn([300 + 100 * p[0], 300 - 100 * p[1], 0]);
      const confidence = new Float32Array(FRAMES).fill(1);
      return [
        id as PointId,
        { x: still(x), y: still(y), confidence, origin: new Uint8Array(FRAMES).fill(ORIGIN.recorded) },
      ];
    }),
  );

describe('what is odd about the points of a file', () => {
  it('is nothing where a body stands, whichever way it faces', () => {
    expect(oddities(flat(), null)).toEqual([]);
    for (let turn = 0; turn < 360; turn += 45) {
      const [c, s] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
      expect(
        oddities(
          {},
          spatial(([x, y, z]) => [c * x + s * z, y, c * z - s * x]),
        ),
      ).toEqual([]);
    }
  });

  it('is said of exchanged axes and of an axis that runs the other way', () => {
    expect(
      oddities(
        flat(([x, y]) => [y, x, 0]),
        null,
      ),
    ).toEqual([expect.stringContaining('x and y are exchanged')]);
    expect(
      oddities(
        flat(([x, y]) => [x, 600 - y, 0]),
        null,
      ),
    ).toEqual([expect.stringContaining('y grows the other way')]);
    expect(
      oddities(
        {},
        spatial(([x, y, z]) => [y, x, z]),
      ),
    ).toContainEqual(expect.stringContaining('lies on most'));
  });

  it('is said of left and right that are exchanged in space, by their names or by a mirrored axis', () => {
    const right = spatial();
    const names = Object.fromEntries(
      Object.entries(right).map(([id, p]) => [
        id.startsWith('left') ? id.replace('left', 'right') : id.replace('right', 'left'),
        p,
      ]),
    );
    const said = [expect.stringContaining('Left and right are exchanged')];
    expect(oddities({}, names)).toEqual(said);
    expect(
      oddities(
        {},
        spatial(([x, y, z]) => [x, y, -z]),
      ),
    ).toEqual(said);
  });

  it('is said of left and right that are exchanged in a picture from the front or from behind, never from the side', () => {
    const series = (x: number, y: number) => ({
      x: new Float64Array(20).fill(x),
      y: new Float64Array(20).fill(y),
      confidence: new Float32Array(20).fill(1),
      origin: new Uint8Array(20).fill(1),
    });
    // From the front the left shoulder is on the right of the picture.
    const front: Track = {
      'left-shoulder': series(120, 100),
      'right-shoulder': series(80, 100),
      'left-hip': series(112, 200),
      'right-hip': series(88, 200),
      'left-ankle': series(110, 380),
      'right-ankle': series(90, 380),
    };
    expect(oddities(front, null, 'front')).toEqual([]);
    expect(oddities(front, null, 'back')).toEqual([
      expect.stringContaining('left and right lie as seen from the front'),
    ]);
    for (const view of ['side', 'overhead', null] as const) expect(oddities(front, null, view)).toEqual([]);
    const turned: Track = Object.fromEntries(
      (Object.entries(front) as [PointId, PointSeries][]).map(([id, s]) => [id, { ...s, x: s.x.map((x) => 200 - x) }]),
    );
    expect(oddities(turned, null, 'front')).toEqual([expect.stringContaining('exchanged in it, or it was filmed')]);
  });

  it('claims nothing of too few frames', () => {
    const lying = spatial(([x, y, z]) => [y, x, z]);
    const short = Object.fromEntries(
      (Object.entries(lying) as [PointId, SpatialSeries][]).map(([id, { x, y, z }]) => [
        id,
        { x: x.slice(0, 2), y: y.slice(0, 2), z: z.slice(0, 2) },
      ]),
    );
    expect(oddities({}, short)).toEqual([]);
  });
});

test('slow motion shows in times that people do not differ by, in either direction', () => {
  const usual = { contact: 1, release: 1.25 };
  expect(slowedBy(usual, { contact: 0.4, release: 0.7 })).toBeNull();
  expect(slowedBy({ contact: 2, release: 3 }, usual)).toBeCloseTo(4);
  expect(slowedBy(usual, { contact: 2, release: 3 })).toBeCloseTo(0.25);
  expect(slowedBy(usual, { contact: 5 })).toBeNull();
});
