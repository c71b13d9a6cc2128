import { bodyOf } from '../../demo/athlete/body';
import { NOTHING_PLANTED, PACE_DELIVERY, perform, type PlantedDifferences } from '../../demo/athlete/pace-delivery';
import { vec3 } from '../../demo/athlete/vec3';
import { project, type Camera } from '../../demo/camera/camera';
import { clipSchema, type Clip } from '../../src/core/model/clip';
import { BODY_POINTS, type BodyPoint } from '../../src/core/anatomy/body-points';
import { bodyHeightPixels } from '../../src/core/tracks/point-error';
import { preparePerformance, type Performance } from '../../src/core/performance/performance';
import { DEFAULT_CUTOFF } from '../../src/core/model/session';
import { ORIGIN, type PointSeries, type Track } from '../../src/core/tracks/track';

/** Numbers from 0 to 1, the same in every run (Park and Miller 1988). */
export function dice(seed: number): () => number {
  let state = (seed * 48271 + 11) % 2147483647 || 1;
  for (let i = 0; i < 5; i++) state = (state * 48271) % 2147483647;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}

const normal = (roll: () => number): number => Math.sqrt(-2 * Math.log(1 - roll() * 0.999999)) * Math.cos(2 * Math.PI * roll());

interface Finder {
  readonly random: number;
  readonly alike: number;
  /** The joint of the side turned away from the camera is found so many times worse from frame to frame. */
  readonly far: number;
}

/**
 * How far each joint is found beside the truth, as it was measured on the rendered clips (`npm run bench points`): what changes from frame
 * to frame and clip to clip, and what the finder does alike in both clips of a pair; shares of standing height.
 */
const FINDER: Readonly<Record<string, Finder>> = {
  shoulder: { random: 0.0056, alike: 0.008, far: 1 },
  elbow: { random: 0.0032, alike: 0.005, far: 2.2 },
  wrist: { random: 0.0026, alike: 0.003, far: 1.6 },
  hip: { random: 0.0036, alike: 0.007, far: 1 },
  knee: { random: 0.0022, alike: 0.003, far: 1.4 },
  ankle: { random: 0.0031, alike: 0.006, far: 1 },
  heel: { random: 0.0032, alike: 0.012, far: 1.5 },
  'foot-index': { random: 0.0042, alike: 0.013, far: 1.8 },
};
const OTHER: Finder = { random: 0.005, alike: 0.01, far: 1.4 };
const finderOf = (id: BodyPoint): Finder => FINDER[id.replace(/^(left|right)-/, '')] ?? OTHER;
/** How much of a frame's error is still there in the next one. */
const CARRIED = 0.7;
/** Share of stretches in which a point is lost. */
const LOST = 0.02;
const RATES = [60, 100, 120, 240] as const;

/** How far cameras stand off the side view where nobody said so, and how well it is known where somebody did, degrees (common practice). */
const UNSTATED_SD = 4;
const STATED_SD = 2.5;

/** The four differences that can be planted, and how large they are when they are. */
export const FAULTS = {
  frontKneeCollapse: { from: 14, to: 28, measure: 'front-knee-at-release', sign: -1 },
  trunkLeanAtRelease: { from: 13, to: 22, measure: 'trunk-at-release', sign: 1 },
  frontArmEarly: { from: 0.035, to: 0.06, measure: 'front-arm-lead', sign: -1 },
  releaseLate: { from: 0.025, to: 0.05, measure: 'front-foot-to-release', sign: 1 },
} as const satisfies Record<keyof PlantedDifferences, object>;
export type Fault = keyof typeof FAULTS;

export interface GeneratedClip {
  /** As a finder would give it and a person would mark it. */
  readonly found: Performance;
  readonly truth: Performance;
}

type Shifts = ReadonlyMap<BodyPoint, readonly [number, number]>;

/** What the finder does alike in both clips of a pair: one shift a joint. */
const alikeShift = (roll: () => number): Shifts => new Map(BODY_POINTS.map((id) => [id, [normal(roll) * finderOf(id).alike, normal(roll) * finderOf(id).alike]]));

interface Filming {
  readonly planted: PlantedDifferences;
  readonly height: number;
  readonly rate: number;
  readonly leftHanded: boolean;
  /** Degrees by which the camera stands beside the side view, and what is said of it: nothing where nobody looked. */
  readonly off: number;
  readonly stated: number | null;
}

const mirrorSide = (id: BodyPoint): BodyPoint => (id.includes('left') ? id.replace('left', 'right') : id.replace('right', 'left')) as BodyPoint;

function film({ planted, height, rate, leftHanded, off, stated }: Filming, role: Clip['role'], alike: Shifts, roll: () => number): GeneratedClip {
  const performance = perform(bodyOf(height, 22.5 * height ** 2), PACE_DELIVERY, planted);
  const camera: Camera = { azimuth: -90 + off, elevation: 2, distance: 13, fieldOfView: 22, target: vec3(-0.6, 1.05, 0), width: 1280, height: 720, frameRate: rate, shutter: 0 };
  const frames = Math.floor((performance.end - performance.start) * rate);
  const shown = (x: number): number => (leftHanded ? camera.width - x : x);
  const poses = Array.from({ length: frames }, (_, i) => performance.poseAt(performance.start + i / rate).points);
  const seenBy = (from: Camera) => (id: BodyPoint): PointSeries => {
    const source = leftHanded ? mirrorSide(id) : id;
    const at = poses.map((points) => project(from, points[source]!));
    return { x: Float64Array.from(at, (p) => shown(p.x)), y: Float64Array.from(at, (p) => p.y), confidence: new Float32Array(frames).fill(1), origin: new Uint8Array(frames).fill(ORIGIN.hand) };
  };
  const names = Object.keys(poses[0]!) as BodyPoint[];
  // What is true is what a camera square to the movement would see; what is found is what this one sees.
  const truth: Track = Object.fromEntries(names.map((id) => [id, seenBy({ ...camera, azimuth: -90 })(id)]));
  const seen: Track = Object.fromEntries(names.map((id) => [id, seenBy(camera)(id)]));
  const pixels = bodyHeightPixels(truth);
  // The performer goes to the left past a camera on the left side; mirrored, to the right.
  const far = leftHanded ? 'left' : 'right';
  const found: Track = Object.fromEntries(
    names.map((id) => {
      const series = seen[id]!;
      const random = (id.startsWith(far) ? finderOf(id).far : 1) * finderOf(id).random * pixels;
      const [sx, sy] = alike.get(leftHanded ? mirrorSide(id) : id)!;
      let [nx, ny] = [normal(roll) * random, normal(roll) * random];
      const fresh = Math.sqrt(1 - CARRIED ** 2) * random;
      let gone = 0;
      const x = new Float64Array(frames);
      const y = new Float64Array(frames);
      const origin = new Uint8Array(frames).fill(ORIGIN.found);
      for (let i = 0; i < frames; i++) {
        nx = CARRIED * nx + fresh * normal(roll);
        ny = CARRIED * ny + fresh * normal(roll);
        if (gone === 0 && roll() < LOST / 5) gone = 1 + Math.floor(roll() * 5);
        x[i] = gone > 0 ? NaN : series.x[i]! + nx + (leftHanded ? -1 : 1) * sx * pixels;
        y[i] = gone > 0 ? NaN : series.y[i]! + ny + sy * pixels;
        if (gone > 0) {
          origin[i] = ORIGIN.missing;
          gone--;
        }
      }
      return [id, { x, y, confidence: Float32Array.from(x, (v) => (Number.isNaN(v) ? 0 : 0.9)), origin }];
    }),
  );
  const clip = clipSchema.parse({
    id: role, role, fileName: `${role}.webm`, mediaId: null, codec: 'none', width: camera.width, height: camera.height, rotation: 0,
    frameTimes: Float64Array.from({ length: frames }, (_, i) => Math.round((i * 1e6) / rate)), fileRate: rate, captureRate: rate,
    performer: { name: role, dominantSide: leftHanded ? 'left' : 'right', minor: false, consent: true },
    view: { kind: 'side', offPlaneDegrees: stated }, travel: leftHanded ? 'right' : 'left', mirrored: leftHanded,
  });
  // A person marks the whole frame next to the moment.
  const marks = Object.fromEntries(Object.entries(performance.moments).map(([id, time]) => [id, { frame: Math.min(frames - 1, Math.round((time - performance.start) * rate)) }]));
  const exact = Object.fromEntries(Object.entries(performance.moments).map(([id, time]) => [id, Math.min(frames - 1, (time - performance.start) * rate)]));
  const prepared = preparePerformance(clip, found, marks, DEFAULT_CUTOFF);
  const square = { ...clip, view: { kind: 'side' as const, offPlaneDegrees: 0 } };
  return { found: prepared, truth: { ...prepared, clip: square, smoothed: truth, raw: truth, marks: exact, bodyHeight: pixels } };
}

export interface GeneratedPair {
  readonly faults: readonly Fault[];
  readonly athlete: GeneratedClip;
  readonly reference: GeneratedClip;
}

/** One athlete and one reference: other sizes, rates, hands and cameras, 0 to 4 planted faults. */
export function generatePair(seed: number): GeneratedPair {
  const roll = dice(seed + 1);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(roll() * list.length)]!;
  const between = (low: number, high: number): number => low + roll() * (high - low);
  const count = Math.floor(roll() * 5);
  const faults = (Object.keys(FAULTS) as Fault[]).map((fault) => ({ fault, order: roll() })).sort((a, b) => a.order - b.order).slice(0, count).map(({ fault }) => fault);
  const planted = { ...NOTHING_PLANTED, ...Object.fromEntries(faults.map((fault) => [fault, between(FAULTS[fault].from, FAULTS[fault].to)])) };
  const filming = (): Omit<Filming, 'planted'> => {
    const oblique = roll() < 0.3;
    // Who films obliquely knows it, to a few degrees; who stands about square does not look.
    const off = oblique ? between(-14, 14) : UNSTATED_SD * normal(roll);
    return { height: between(1.62, 1.98), rate: pick(RATES), leftHanded: roll() < 0.25, off, stated: oblique ? Math.round(off + STATED_SD * normal(roll)) : null };
  };
  const alike = alikeShift(roll);
  return { faults, athlete: film({ ...filming(), planted }, 'athlete', alike, roll), reference: film({ ...filming(), planted: NOTHING_PLANTED }, 'reference', alike, roll) };
}
