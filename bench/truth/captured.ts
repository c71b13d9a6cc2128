import type { Trial as Motion } from '../../demo/athlete/motion';
import type { SkeletonPose } from '../../demo/athlete/skeleton-pose';
import { vec3, type Vec3 } from '../../demo/athlete/vec3';
import { movementDocumentSchema, type Movement } from '../../src/core/model/movement';
import type { SpatialTrack } from '../../src/core/tracks/marker-map';
import { CMU_UNIT, readMotion } from '../../tests/fixtures/motion';
import { more } from './measures';

/** Stretches of real captured motion, whose joints move as people's do. */

/** Seconds of a stretch, and what of it lies before and after its phase. */
const LENGTH = 2;
const BESIDE = 0.4;
const FILES = [
  { file: 'jumps.bvh', unit: CMU_UNIT, from: 1 },
  { file: 'climb.bvh', unit: CMU_UNIT, from: 0.2 },
  { file: 'squat.c3d', unit: 0.001, from: 1 },
] as const;

const MOMENTS = ['phase-begin', 'phase-end'] as const;
/** Nothing but a phase and every kind of measure over it. */
export const CAPTURED_MOVEMENT: Movement = movementDocumentSchema.parse({
  schemaVersion: 1,
  id: 'captured',
  name: 'Captured',
  sport: 'Any sport',
  moments: MOMENTS.map((id, i) => ({ id, name: id, key: String(i + 1), hint: '' })),
  phases: [{ from: MOMENTS[0], to: MOMENTS[1], name: 'Phase' }],
  measures: [...more(...MOMENTS)],
  causes: [],
  cautions: [],
});

type Series = Readonly<Record<'x' | 'y' | 'z', Float64Array>>;

/** Cubic through four samples (Catmull and Rom 1974), which keeps its slope where two pieces meet. */
function between(values: Float64Array, at: number): number {
  const i = Math.floor(at);
  const u = at - i;
  const v = (k: number): number => values[Math.min(values.length - 1, Math.max(0, i + k))]!;
  const [a, b, c, d] = [v(-1), v(0), v(1), v(2)];
  return b + (u / 2) * (c - a + u * (2 * a - 5 * b + 4 * c - d + u * (3 * (b - c) + d - a)));
}

/** The stretch turned so that the performer faces along x, with the ground at 0 and its middle above the origin. */
function motionFrom(points: SpatialTrack, rate: number, first: number): Motion {
  const frames = Math.round(LENGTH * rate);
  const all = Object.entries(points).filter(([, s]) => s) as [string, Series][];
  const mean = (of: (i: number) => number): number =>
    Array.from({ length: frames }, (_, k) => of(first + k))
      .filter((v) => !Number.isNaN(v))
      .reduce((sum, v, _, list) => sum + v / list.length, 0);
  const [left, right] = [points['left-hip']!, points['right-hip']!];
  const across = { x: mean((i) => right.x[i]! - left.x[i]!), z: mean((i) => right.z[i]! - left.z[i]!) };
  const size = Math.hypot(across.x, across.z);
  const [cos, sin] = [across.z / size, across.x / size];
  const middle = { x: mean((i) => (left.x[i]! + right.x[i]!) / 2), z: mean((i) => (left.z[i]! + right.z[i]!) / 2) };
  const toes = points['left-foot-index']!.y.slice(first, first + frames).filter((v) => !Number.isNaN(v));
  const ground = Math.min(...toes);
  const poseAt = (time: number): SkeletonPose => {
    const at = first + time * rate;
    const place = (s: Series): Vec3 => {
      const [x, y, z] = [between(s.x, at) - middle.x, between(s.y, at) - ground, between(s.z, at) - middle.z];
      return vec3(cos * x - sin * z, y, sin * x + cos * z);
    };
    return { points: Object.fromEntries(all.map(([id, s]) => [id, place(s)])) } as unknown as SkeletonPose;
  };
  const moments = { [MOMENTS[0]]: BESIDE, [MOMENTS[1]]: LENGTH - BESIDE };
  return { poseAt, start: 0, end: LENGTH, moments, repetitions: [moments], objects: {} } as unknown as Motion;
}

/** Every whole stretch of the recordings. */
export function capturedMotions(): readonly { readonly name: string; readonly motion: Motion }[] {
  return FILES.flatMap(({ file, unit, from }) => {
    const { recording, points } = readMotion(file, unit);
    const frames = points['left-hip']!.x.length;
    const step = Math.round(LENGTH * recording.rate);
    const first = Math.round(from * recording.rate);
    return Array.from({ length: Math.floor((frames - first) / step) }, (_, k) => ({
      name: `${file} ${k + 1}`,
      motion: motionFrom(points, recording.rate, first + k * step),
    }));
  });
}
