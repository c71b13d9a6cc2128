import fc from 'fast-check';
import { BVHLoader } from 'three/examples/jsm/loaders/BVHLoader.js';
import { Vector3, type Bone } from 'three';
import { figureOf, proposeFigure, recordingOf } from '../../src/core/tracks/figure';
import { pointError } from '../../src/core/tracks/point-error';
import { ORIGIN, type PointSeries } from '../../src/core/tracks/track';
import { framesOf, type Recording } from '../../src/core/tracks/recording';
import { POINT_FORMATS, readPointFile } from '../../src/formats/points';
import { bvh } from '../../src/formats/points/bvh';
import { type ByteOrder } from '../../src/formats/points/c3d-layout';
import { writeC3d } from '../../src/formats/points/write-c3d';
import { csv } from '../../src/formats/points/csv';
import { motionBytes } from '../fixtures/motion';

const marker = (name: string, frames: number, seed: number, flat: boolean): Recording['markers'][number] => {
  const wave = (phase: number): Float64Array =>
    Float64Array.from({ length: frames }, (_, i) => Math.fround(400 + 300 * Math.sin(0.3 * i + seed + phase)));
  const m = { name, x: wave(0), y: wave(1), z: flat ? null : wave(2) };
  if (frames > 3) for (const values of [m.x, m.y, m.z]) if (values) values[2] = NaN;
  return m;
};
const recording = (frames: number, flat = false): Recording => ({
  name: 'test',
  rate: 50,
  unit: flat ? 'px' : 'mm',
  up: 'y',
  markers: ['left-knee', 'right ankle', 'own-ball'].map((name, k) => marker(name, frames, k, flat)),
});
const samples = (r: Recording): unknown =>
  r.markers.map((m) => [m.name, Array.from(m.x), Array.from(m.y), m.z && Array.from(m.z)]);

function readBack(bytes: Uint8Array, name: string): Recording {
  const read = readPointFile(bytes, name);
  if (!read.ok) throw new Error(read.issue.message);
  expect(read.value.recordings).toHaveLength(1);
  return read.value.recordings[0]!;
}

describe('written and read again, every sample is the same', () => {
  it.each(['trc', 'csv', 'c3d'])('in space: %s', (id) => {
    const format = POINT_FORMATS.find((f) => f.id === id)!;
    const back = readBack(format.write(recording(40)), `test.${format.extensions[0]}`);
    expect(samples(back)).toEqual(samples(recording(40)));
    expect([back.rate, back.unit, back.up]).toEqual([50, 'mm', 'y']);
  });
  it.each(['csv', 'coco'])('in the picture: %s', (id) => {
    const format = POINT_FORMATS.find((f) => f.id === id)!;
    const back = readBack(format.write(recording(40, true)), `test.${format.extensions[0]}`);
    expect(samples(back)).toEqual(samples(recording(40, true)));
    expect([back.rate, back.unit]).toEqual([50, 'px']);
  });
  it('BVH: what is missing repeats the sample before, since the format has no word for it', () => {
    const back = readBack(bvh.write(recording(40)), 'test.bvh');
    const points = back.markers.filter((m) => !/origin|end$/.test(m.name));
    recording(40).markers.forEach((m, k) => {
      m.x.forEach((v, i) => expect(points[k]!.x[i]).toBe(Number.isNaN(v) ? m.x[i - 1] : v));
      m.z!.forEach((v, i) => expect(points[k]!.z![i]).toBe(Number.isNaN(v) ? m.z![i - 1] : v));
    });
  });
  it.each(
    (['intel', 'dec', 'mips'] as const).flatMap((order) =>
      (['float', 'integer'] as const).map((storage) => [order, storage] as const),
    ),
  )('C3D: %s byte order, %s', (order: ByteOrder, storage) => {
    // Integers hold whole multiples of their unit exactly.
    const whole = recording(40);
    const largest = 32000;
    for (const m of whole.markers)
      for (const values of [m.x, m.y, m.z!]) values.forEach((v, i) => (values[i] = Math.round(v)));
    whole.markers[0]!.x[0] = largest;
    const source = storage === 'integer' ? whole : recording(40);
    const back = readBack(writeC3d(source, { order, storage }), 'test.c3d');
    expect(samples(back)).toEqual(samples(source));
    expect([back.rate, back.unit, framesOf(back)]).toEqual([50, 'mm', 40]);
  });
  it('a C3D longer than its header can count', () => {
    const long: Recording = {
      ...recording(1),
      markers: [
        {
          name: 'p',
          x: Float64Array.from({ length: 70_000 }, (_, i) => i),
          y: new Float64Array(70_000),
          z: new Float64Array(70_000),
        },
      ],
    };
    expect(framesOf(readBack(writeC3d(long, { order: 'intel', storage: 'float' }), 'long.c3d'))).toBe(70_000);
  });
});

test('joint positions are those of another library (three, BVHLoader) on a real recording', () => {
  const text = new TextDecoder().decode(motionBytes('climb.bvh'));
  const ours = readBack(motionBytes('climb.bvh'), 'climb.bvh');
  const { skeleton, clip } = new BVHLoader().parse(text);
  for (const frame of [0, 777, 3000]) {
    for (const track of clip.tracks) {
      const [name, property] = [
        track.name.slice(0, track.name.lastIndexOf('.')),
        track.name.slice(track.name.lastIndexOf('.') + 1),
      ];
      const bone = skeleton.bones.find((b: Bone) => b.name === name)!;
      const size = property === 'position' ? 3 : 4;
      const values = Array.from(track.values.slice(frame * size, (frame + 1) * size));
      if (property === 'position') bone.position.fromArray(values);
      else bone.quaternion.fromArray(values);
    }
    skeleton.bones[0]!.updateMatrixWorld(true);
    for (const name of ['LeftLeg', 'LeftFoot', 'RightHand', 'Head', 'RightToeBase']) {
      const there = new Vector3().setFromMatrixPosition(skeleton.bones.find((b: Bone) => b.name === name)!.matrixWorld);
      const here = ours.markers.find((m) => m.name === name)!;
      expect(Math.hypot(here.x[frame]! - there.x, here.y[frame]! - there.y, here.z![frame]! - there.z)).toBeLessThan(
        1e-3,
      );
    }
  }
});

describe('whatever is in a file, it is read or refused in words', () => {
  const written = Object.fromEntries(
    POINT_FORMATS.map((format) => [format.id, format.write(recording(6, format.id === 'coco'))]),
  );
  const mutation = fc.array(
    fc.oneof(
      fc.record({ kind: fc.constant('set' as const), at: fc.nat(), value: fc.nat(255) }),
      fc.record({ kind: fc.constant('cut' as const), at: fc.nat(), value: fc.nat(40) }),
      fc.record({ kind: fc.constant('double' as const), at: fc.nat(), value: fc.nat(40) }),
      fc.record({ kind: fc.constant('end' as const), at: fc.nat(), value: fc.constant(0) }),
      fc.record({ kind: fc.constant('huge' as const), at: fc.nat(), value: fc.constantFrom(0x30, 0x39, 0x2d, 0x65) }),
    ),
    { minLength: 1, maxLength: 6 },
  );
  const mutate = (bytes: Uint8Array, changes: readonly { kind: string; at: number; value: number }[]): Uint8Array =>
    changes.reduce((now: Uint8Array, { kind, at: where, value }) => {
      if (now.length === 0) return now;
      const at = where % now.length;
      const joined = (...parts: Uint8Array[]): Uint8Array => Uint8Array.from(Buffer.concat(parts));
      if (kind === 'set') return now.with(at, value);
      if (kind === 'cut') return joined(now.subarray(0, at), now.subarray(at + value));
      if (kind === 'double') return joined(now.subarray(0, at + value), now.subarray(at));
      if (kind === 'end') return now.slice(0, at);
      return joined(now.subarray(0, at), new Uint8Array(5).fill(value), now.subarray(at));
    }, bytes);

  it.each(POINT_FORMATS.map((f) => f.id))(
    '%s: 10 000 damaged files',
    (id) => {
      const format = POINT_FORMATS.find((f) => f.id === id)!;
      fc.assert(
        fc.property(mutation, (changes) => {
          const read = format.read(mutate(written[id]!, changes), 'damaged');
          if (read.ok)
            return read.value.recordings.every(
              (r) => r.markers.length > 0 && r.rate > 0 && r.markers.every((m) => m.x.length === framesOf(r)),
            );
          return read.issue.message.length > 10 && read.issue.message.includes('\u201cdamaged\u201d');
        }),
        { numRuns: 10_000, seed: 20261125 },
      );
    },
    120_000,
  );

  it('says which row is wrong', () => {
    const bad = csv.read(new TextEncoder().encode('time,a_x,a_y\n0,1,2\n0.02,1,2\nsoon,1,2\n'), 'a.csv');
    expect(!bad.ok && bad.issue.message).toContain('row 4: its time \u201csoon\u201d');
    const none = csv.read(new TextEncoder().encode('time,height\n0,1\n'), 'a.csv');
    expect(!none.ok && none.issue.message).toContain('names no points in its first line: \u201ctime, height\u201d');
  });
});

describe('points that a detector placed', () => {
  it('stay a detector\u2019s in a CSV: as unsure as they were, beside those that a hand placed', () => {
    const detected: PointSeries = {
      x: Float64Array.of(1, 2, NaN, 4),
      y: Float64Array.of(5, 6, NaN, 8),
      confidence: Float32Array.of(0.5, 1, 0, 0.25),
      origin: Uint8Array.of(ORIGIN.detected, ORIGIN.hand, ORIGIN.missing, ORIGIN.filled),
    };
    const written = csv.write(recordingOf('a', 100, { 'left-knee': detected }, null, true, null));
    const read = readPointFile(written, 'a.csv');
    if (!read.ok) throw new Error(read.issue.message);
    const knee = figureOf(proposeFigure(read.value.recordings[0]!, null)).track['left-knee']!;
    expect(Array.from(knee.origin)).toEqual([ORIGIN.detected, ORIGIN.recorded, ORIGIN.missing, ORIGIN.detected]);
    expect(Array.from(knee.confidence)).toEqual([0.5, 1, 0, 0.25]);
    const error = (frame: number): number => pointError(knee, 'left-knee', frame, 300, 'near').sd.x;
    expect(error(3)).toBeGreaterThan(error(0));
  });
});
