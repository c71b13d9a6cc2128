import type { Vec2 } from '../geometry/vec2';
import type { Clip, TurnedPath } from '../model/clip';
import { extentOf } from '../signal/extent';
import type { Tied } from './tie-points';
import { betweenStands, OFF_MIDDLE, rotationOf, type Turned } from './turning-camera';

export type PictureSize = Pick<Clip, 'width' | 'height'>;

/**
 * The motion of a camera that turns and zooms, taken out: every picture is brought to that of one stand of the camera,
 * in which the ground does not move. Pixels of the displayed picture; frame positions may lie between frames.
 */
export interface Steady {
  toGround(frame: number, point: Vec2): Vec2;
  toPicture(frame: number, point: Vec2): Vec2;
  /** Length of a pixel of a frame's picture, at its middle, in pixels of the steady one. */
  growth(frame: number): number;
  /** Focal length of the steady picture, pixels. */
  readonly focal: number;
  /**
   * How far places of two frames may be off against each other, pixels of the steady picture, one standard deviation.
   */
  sdBetween(frame: number, other: number): number;
  /** The same of one frame against where the ground is taken to be. */
  sdAt(frame: number): number;
  /** How far off a length at a frame may be, share of it. */
  sizeSd(frame: number): number;
  /** How far off a direction against the level may be, radians. */
  levelSd(frame: number): number;
}

/** A number of a path at a frame position, linear between the pictures that were looked at. */
export function sampled(frames: Float64Array, values: Float64Array, frame: number): number {
  let [low, high] = [0, frames.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (frames[middle]! <= frame) low = middle;
    else high = middle;
  }
  const span = frames[high]! - frames[low]!;
  const u = span > 0 ? Math.min(1, Math.max(0, (frame - frames[low]!) / span)) : 0;
  return values[low]! * (1 - u) + values[high]! * u;
}

/** What places that were seen again tell of a chain: where it is, and of how large and how turned. */
export interface Ties {
  readonly place: Tied | null;
  readonly size: Tied | null;
}
export const NOT_TIED: Ties = { place: null, size: null };

/** How the tangent of an angle changes that is a length over a focal length, by the logarithm of that. */
const tangentByLens = (angle: number): number => Math.tan(angle) - angle / Math.cos(angle) ** 2;

/** How the pictures of a path are brought to that of its look number m. */
export function steadyBy(
  frames: Float64Array,
  path: TurnedPath,
  { width, height }: PictureSize,
  m: number,
  tied: Ties,
): Steady {
  // A level that was set, or none, is that of the camera on the whole.
  const meanRoll = path.z.reduce((sum, z) => sum + z, 0) / path.z.length;
  const rolls = extentOf(path.z);
  const rollExtent = rolls.most - rolls.least;
  const reference: Turned = { rotation: rotationOf([path.x[m]!, path.y[m]!, meanRoll]), zoom: path.zoom[m]! };
  const at = (values: Float64Array, frame: number): number => sampled(frames, values, frame);
  const standAt = (frame: number): Turned => ({
    rotation: rotationOf([at(path.x, frame), at(path.y, frame), at(path.z, frame)]),
    zoom: at(path.zoom, frame),
  });
  const fromMiddle = ({ x, y }: Vec2): Vec2 => ({ x: (x - width / 2) / width, y: (y - height / 2) / width });
  const toPixels = ({ x, y }: Vec2): Vec2 => ({ x: x * width + width / 2, y: y * width + height / 2 });
  const mapping = new Map<string, (p: Vec2) => Vec2>();
  const between = (frame: number, back: boolean): ((p: Vec2) => Vec2) => {
    const key = `${frame} ${back}`;
    const before = mapping.get(key);
    if (before) return before;
    const stand = standAt(frame);
    const made = back ? betweenStands(reference, stand, path.focal) : betweenStands(stand, reference, path.focal);
    mapping.set(key, made);
    return made;
  };
  const toGround = (frame: number, point: Vec2): Vec2 => toPixels(between(frame, false)(fromMiddle(point)));
  const growth = (frame: number): number => {
    const by = 0.01 * width;
    const [a, b] = [-by, by].map((x) => toGround(frame, { x: width / 2 + x, y: height / 2 })) as [Vec2, Vec2];
    return Math.hypot(b.x - a.x, b.y - a.y) / (2 * by);
  };
  /** From the reference's direction, radians. */
  const turnedBy = (frame: number): Vec2 => ({
    x: at(path.y, frame) - path.y[m]!,
    y: at(path.x, frame) - path.x[m]!,
  });
  // A lens taken too long places what lies at an angle too near: f tan(s / f) for a way s through the pictures, of which
  // the derivative by the logarithm of f is f (tan a - a / cos^2 a) at the angle a = s / f.
  const byLens = (frame: number): Vec2 => {
    const { x, y } = turnedBy(frame);
    const size = path.focal * reference.zoom * path.focalLogSd;
    return { x: size * tangentByLens(x), y: size * tangentByLens(y) };
  };
  const own = (frame: number): number => at(path.own, frame) * growth(frame);
  // What turns the picture moves a place the more, the more obliquely it is seen from the reference.
  const drift = (frame: number): number => at(path.drift, frame) * Math.max(1, growth(frame));
  const sizeDrift = (frame: number): number =>
    tied.size
      ? Math.sqrt(Math.abs(drift(frame) ** 2 - path.drift[m]! ** 2) * tied.size.left(frame, frames[m]!))
      : drift(frame);
  return {
    toGround,
    toPicture: (frame, point) => toPixels(between(frame, true)(fromMiddle(point))),
    growth,
    focal: path.focal * reference.zoom * width,
    sdBetween: (frame, other) => {
      const [a, b] = [byLens(frame), byLens(other)];
      const chain = Math.sqrt(Math.abs(drift(frame) ** 2 - drift(other) ** 2) * (tied.place?.left(frame, other) ?? 1));
      return width * Math.hypot(own(frame), own(other), chain, a.x - b.x, a.y - b.y);
    },
    sdAt: (frame) => {
      const { x, y } = byLens(frame);
      const chain = Math.sqrt(
        Math.abs(drift(frame) ** 2 - path.drift[m]! ** 2) * (tied.place?.left(frame, frames[m]!) ?? 1),
      );
      return width * Math.hypot(own(frame), chain, x, y);
    },
    sizeSd: (frame) => {
      const { x, y } = turnedBy(frame);
      return Math.hypot(Math.hypot(own(frame), sizeDrift(frame)) / OFF_MIDDLE, (x * x + y * y) * path.focalLogSd);
    },
    levelSd: (frame) => Math.hypot(Math.hypot(own(frame), sizeDrift(frame)) / OFF_MIDDLE, rollExtent / Math.sqrt(12)),
  };
}
