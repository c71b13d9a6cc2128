import type { Trial as Motion } from '../demo/athlete/motion';
import { vec3, type Vec3 } from '../demo/athlete/vec3';
import { project, type Camera } from '../demo/camera/camera';
import type { PointId } from '../src/core/anatomy/body-points';
import { clipSchema, type Clip } from '../src/core/model/clip';
import { DEFAULT_CUTOFF } from '../src/core/model/session';
import type { Movement } from '../src/core/model/movement';
import { prepareTrial, type Trial } from '../src/core/trial/trial';
import { statureOf } from '../src/core/trial/stature';
import { ORIGIN, type PointSeries, type Track } from '../src/core/tracks/track';
import { marked } from '../demo/marked';
import { dice as diceOf, normal } from '../tests/fixtures/random';

/** Numbers from 0 to 1 of a seed; seeds that lie beside each other begin far apart. */
export function dice(seed: number): () => number {
  const roll = diceOf((seed * 48271 + 11) % 2147483647 || 1);
  for (let i = 0; i < 5; i++) roll();
  return roll;
}

interface Detector {
  readonly random: number;
  readonly systematic: number;
  /** The joint of the side turned away from the camera is found so many times worse from frame to frame. */
  readonly far: number;
}

/**
 * How far each joint is found beside the truth, as it was measured on the rendered clips (`npm run bench points`): what
 * changes from frame to frame and clip to clip, and what the detector does systematically in both clips of a pair;
 * shares of standing height.
 */
const FINDER: Readonly<Record<string, Detector>> = {
  shoulder: { random: 0.0056, systematic: 0.008, far: 1 },
  elbow: { random: 0.0032, systematic: 0.005, far: 2.2 },
  wrist: { random: 0.0026, systematic: 0.003, far: 1.6 },
  hip: { random: 0.0036, systematic: 0.007, far: 1 },
  knee: { random: 0.0022, systematic: 0.003, far: 1.4 },
  ankle: { random: 0.0031, systematic: 0.006, far: 1 },
  heel: { random: 0.0032, systematic: 0.012, far: 1.5 },
  'foot-index': { random: 0.0042, systematic: 0.013, far: 1.8 },
};
const OTHER: Detector = { random: 0.005, systematic: 0.01, far: 1.4 };
const detectorOf = (id: string): Detector => FINDER[id.replace(/^(left|right)-/, '')] ?? OTHER;
/** How much of a frame's error is still there in the next one. */
const CARRIED = 0.7;
/** Share of stretches in which a point is lost. */
const LOST = 0.02;
/** Markers sit beside the joint, share of standing height. */
const MARKER_BESIDE = 0.006;

/**
 * Where a clip's points come from: found by the application, placed by hand on every frame, or in a file that jitters
 * by a share of standing height.
 */
export type PointsFrom =
  { readonly by: 'detector' } | { readonly by: 'hand' } | { readonly by: 'file'; readonly noise: number };

type Shifts = ReadonlyMap<string, readonly [number, number]>;

/** What is alike in all clips that are measured the same way: one shift a joint, share of standing height. */
export function systematicShift(names: readonly string[], from: PointsFrom, roll: () => number): Shifts {
  const size = (id: string): number =>
    from.by === 'hand' ? 0 : from.by === 'file' ? MARKER_BESIDE : detectorOf(id).systematic;
  return new Map(names.map((id) => [id, [normal(roll) * size(id), normal(roll) * size(id)]]));
}

/** Where a camera stands, degrees, and what is said of it: nothing where nobody looked. */
export interface Standing {
  /** Beside the side view. */
  readonly off: number;
  readonly stated: number | null;
  /** Above the performer. */
  readonly above: number;
  readonly down: number | undefined;
}

/**
 * How far cameras stand off the side view, and how far from level they look, where nobody said so, and how well it is
 * known where somebody did, degrees (common practice).
 */
const UNSTATED_SD = 4;
const USUALLY_DOWN = 2;
const STATED_SD = 2.5;

/** Who films obliquely, or from a stand, knows it, to a few degrees; who stands about square and level does not look. */
export function standingOf(roll: () => number): Standing {
  const between = (low: number, high: number): number => low + roll() * (high - low);
  const oblique = roll() < 0.3;
  const off = oblique ? between(-14, 14) : UNSTATED_SD * normal(roll);
  const raised = roll() < 0.3;
  const above = raised ? between(5, 18) : USUALLY_DOWN + UNSTATED_SD * normal(roll);
  const said = (degrees: number): number => Math.round(degrees + STATED_SD * normal(roll));
  return { off, stated: oblique ? said(off) : null, above, down: raised ? said(above) : undefined };
}

export interface Filming extends Standing {
  readonly motion: Motion;
  readonly movement: Movement;
  readonly role: Clip['role'];
  readonly name: string;
  readonly rate: number;
  /** The camera's side of the performer: -90 on the left, 90 on the right. */
  readonly side: -90 | 90;
  /** The picture is turned as in a mirror: a right-hander becomes a left-hander who goes the other way. */
  readonly mirrored: boolean;
  readonly from: PointsFrom;
  readonly systematic: Shifts;
}

export interface MadeClip {
  /** As a detector, a hand or a file would give it, with moments as a person would mark them. */
  readonly detected: Trial;
  readonly truth: Trial;
  /** The true moments of every repetition, frame positions. */
  readonly repetitions: readonly Readonly<Record<string, number>>[];
}

const mirrorSide = (id: string): string =>
  id.includes('left') ? id.replace('left', 'right') : id.replace('right', 'left');

/** Points of a track with the errors of where they come from. */
function withErrors(
  seen: Track,
  { from, mirrored, systematic }: Filming,
  far: 'left' | 'right',
  pixels: number,
  roll: () => number,
): Track {
  return Object.fromEntries(
    (Object.entries(seen) as [PointId, PointSeries][]).map(([id, series]) => {
      const frames = series.x.length;
      const still = id.startsWith('own-');
      const random =
        from.by === 'hand'
          ? 1.5
          : from.by === 'file'
            ? from.noise * pixels
            : (id.startsWith(far) ? detectorOf(id).far : 1) * detectorOf(id).random * pixels;
      const carried = from.by === 'detector' ? CARRIED : 0;
      const [sx, sy] = (still ? null : systematic.get(mirrored ? mirrorSide(id) : id)) ?? [0, 0];
      const fresh = Math.sqrt(1 - carried ** 2) * random;
      let [nx, ny] = [normal(roll) * random, normal(roll) * random];
      let gone = 0;
      const [x, y] = [new Float64Array(frames), new Float64Array(frames)];
      const origin = new Uint8Array(frames).fill(
        { detector: ORIGIN.detected, hand: ORIGIN.hand, file: ORIGIN.recorded }[from.by],
      );
      for (let i = 0; i < frames; i++) {
        nx = carried * nx + fresh * normal(roll);
        ny = carried * ny + fresh * normal(roll);
        if (from.by === 'detector' && gone === 0 && roll() < LOST / 5) gone = 1 + Math.floor(roll() * 5);
        x[i] = gone > 0 ? NaN : series.x[i]! + nx + (mirrored ? -1 : 1) * sx * pixels;
        y[i] = gone > 0 ? NaN : series.y[i]! + ny + sy * pixels;
        if (gone > 0) {
          origin[i] = ORIGIN.missing;
          gone--;
        }
      }
      return [
        id,
        {
          x,
          y,
          confidence: Float32Array.from(x, (v) => (Number.isNaN(v) ? 0 : from.by === 'detector' ? 0.9 : 1)),
          origin,
        },
      ];
    }),
  );
}

/** A made trial as one camera sees it, and as it truly is seen square to the movement. */
export function filmed(filming: Filming, roll: () => number): MadeClip {
  const { motion, movement, role, name, rate, side, mirrored, off, stated, above, down } = filming;
  const camera: Camera = {
    azimuth: side + off,
    elevation: above,
    distance: 13,
    fieldOfView: 22,
    target: vec3(side < 0 ? -0.6 : 0, 1.05, 0),
    width: 1280,
    height: 720,
    frameRate: rate,
    shutter: 0,
  };
  // Nothing happens on a frame on purpose.
  const start = motion.start + roll() / rate;
  const frames = Math.floor((motion.end - start) * rate);
  const shown = (x: number): number => (mirrored ? camera.width - x : x);
  const poses = Array.from({ length: frames }, (_, i) => {
    const time = start + i / rate;
    return {
      ...motion.poseAt(time).points,
      ...Object.fromEntries(Object.entries(motion.objects).map(([id, at]) => [id, at(time)])),
    } as Record<string, Vec3>;
  });
  const names = Object.keys(poses[0]!) as PointId[];
  const seenBy = (from: Camera): Track =>
    Object.fromEntries(
      names.map((id) => {
        const source = mirrored && !id.startsWith('own-') ? mirrorSide(id) : id;
        const at = poses.map((points) => project(from, points[source]!));
        return [
          id,
          {
            x: Float64Array.from(at, (p) => shown(p.x)),
            y: Float64Array.from(at, (p) => p.y),
            confidence: new Float32Array(frames).fill(1),
            origin: new Uint8Array(frames).fill(ORIGIN.hand),
          },
        ];
      }),
    );
  const truth = seenBy({ ...camera, azimuth: side, elevation: 0 });
  const pixels = statureOf({ view: { kind: 'side', offPlaneDegrees: 0 }, levelDegrees: 0 }, truth);
  // The performer goes to the left past a camera on the left side, to the right past one on the right.
  const travel = side < 0 === mirrored ? 'right' : 'left';
  const detected = withErrors(seenBy(camera), filming, travel === 'right' ? 'left' : 'right', pixels, roll);
  const clip = clipSchema.parse({
    id: `${role}-${name}`,
    role,
    fileName: `${name}.webm`,
    mediaId: null,
    codec: 'none',
    width: camera.width,
    height: camera.height,
    rotation: 0,
    frameTimes: Float64Array.from({ length: frames }, (_, i) => Math.round((i * 1e6) / rate)),
    fileRate: rate,
    captureRate: rate,
    performer: { name, dominantSide: mirrored ? 'left' : 'right', minor: false, consent: true },
    view: { kind: 'side', offPlaneDegrees: stated, ...(down === undefined ? {} : { downDegrees: down }) },
    travel,
    mirrored,
    scale: { pixels, metres: 1.75, alongDegrees: 90 },
  });
  const fromStart = Object.fromEntries(Object.entries(motion.moments).map(([id, time]) => [id, time - start]));
  const prepared = prepareTrial(clip, detected, marked(movement, fromStart, rate, frames - 1), DEFAULT_CUTOFF);
  const framesOf = (moments: Readonly<Record<string, number>>): Record<string, number> =>
    Object.fromEntries(Object.entries(moments).map(([id, time]) => [id, Math.min(frames - 1, (time - start) * rate)]));
  const exact = framesOf(motion.moments);
  const square = { ...clip, view: { kind: 'side' as const, offPlaneDegrees: 0 } };
  return {
    detected: prepared,
    truth: { ...prepared, clip: square, smoothed: truth, raw: truth, marks: exact, timing: {}, bodyHeight: pixels },
    repetitions: motion.repetitions.map(framesOf),
  };
}
