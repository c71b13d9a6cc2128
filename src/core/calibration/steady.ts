import type { Vec2 } from '../geometry/vec2';
import type { CameraPath, Clip, TurnedPath } from '../model/clip';
import { extentOf } from '../signal/extent';
import { HAND_SD_PIXELS } from '../statistics/hand-sd';
import { cameraState, type PictureNeed } from './camera-state';
import { sightingsOf, tiedBy, type Tied } from './tie-points';
import { betweenStands, OFF_MIDDLE, rotationOf, type Turned } from './turning-camera';

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
function sampled(frames: Float64Array, values: Float64Array, frame: number): number {
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

/** The look that stands nearest the middle of where the camera went. */
function middleOf({ x, y }: TurnedPath): number {
  const middle = (values: Float64Array): number => {
    const { least, most } = extentOf(values);
    return (least + most) / 2;
  };
  const [mx, my] = [middle(x), middle(y)];
  let best = 0;
  for (let i = 1; i < x.length; i++)
    if (Math.hypot(x[i]! - mx, y[i]! - my) < Math.hypot(x[best]! - mx, y[best]! - my)) best = i;
  return best;
}

/** A camera that turned farther than this from the middle of its way sees nothing of the same picture, radians. */
const MOST_TURNED = 1;
type Seen = Pick<Clip, 'camera' | 'width' | 'height'> & Partial<Pick<Clip, 'tiePoints'>>;
const known = new WeakMap<object, { readonly ties: Clip['tiePoints']; readonly steady: Steady | null }>();
const NONE: Clip['tiePoints'] = [];

/**
 * How a clip's pictures are brought to one.
 * @returns null where the camera stands still, where nobody has looked, and where its motion could not be told
 */
export function steadyOf(clip: Seen): Steady | null {
  const { camera, tiePoints: ties = NONE } = clip;
  if (!camera) return null;
  const before = known.get(camera);
  if (before?.ties === ties) return before.steady;
  const steady = takenOut(camera, clip, ties);
  known.set(camera, { ties, steady });
  return steady;
}

function takenOut(camera: CameraPath, size: Pick<Clip, 'width' | 'height'>, ties: Clip['tiePoints']): Steady | null {
  const { frames, turned } = camera;
  if (!turned || cameraState(camera).kind !== 'moves') return null;
  const m = middleOf(turned);
  const far = turned.x.some((x, i) => Math.hypot(x - turned.x[m]!, turned.y[i]! - turned.y[m]!) > MOST_TURNED);
  return far ? null : tiedDown(frames, turned, size, m, ties);
}

/** Rounds in which a path is brought to its ties: what is shifted is seen at another angle. */
const ROUNDS = 3;

/** The same, its drift taken out by places that stand still and were pressed in several frames. */
function tiedDown(
  frames: Float64Array,
  path: TurnedPath,
  size: Pick<Clip, 'width' | 'height'>,
  m: number,
  ties: Clip['tiePoints'],
): Steady {
  const untied = steadyBy(frames, path, size, m, null);
  const pairs = sightingsOf(ties);
  if (pairs.length === 0) return untied;
  const { width } = size;
  const own = (frame: number): number => sampled(frames, path.own, frame) ** 2;
  const tied = tiedBy(
    pairs.map(({ from, to }) => ({
      frame: from.frame,
      other: to.frame,
      variance: own(from.frame) + own(to.frame) + 2 * (HAND_SD_PIXELS / width) ** 2,
    })),
    (frame) => sampled(frames, path.drift, frame) ** 2,
  );
  if (!tied) return untied;
  const reference = frames[m]!;
  let [steady, apart] = [untied, pairs.map((): Vec2 => ({ x: 0, y: 0 }))];
  for (let round = 0; round < ROUNDS; round++) {
    // What is left after the shifts that were made already.
    apart = pairs.map(({ from, to }) => {
      const [a, b] = [steady.toGround(from.frame, from), steady.toGround(to.frame, to)];
      const shifted = tied.shift(apart, from.frame, to.frame);
      return { x: shifted.x - (b.x - a.x) / width, y: shifted.y - (b.y - a.y) / width };
    });
    const shifts = Array.from(frames, (frame) => tied.shift(apart, reference, frame));
    steady = steadyBy(frames, shiftedBy(frames, path, size, m, shifts), size, m, tied);
  }
  return steady;
}

/** A path whose pictures are shifted in that of the reference: turned by as much, widths. */
function shiftedBy(
  frames: Float64Array,
  path: TurnedPath,
  size: Pick<Clip, 'width' | 'height'>,
  m: number,
  shifts: readonly Vec2[],
): TurnedPath {
  const STEP = 1e-5;
  const middle = { x: size.width / 2, y: size.height / 2 };
  const placed = (x: TurnedPath['x'], y: TurnedPath['y']): readonly Vec2[] => {
    const by = steadyBy(frames, { ...path, x, y }, size, m, null);
    return Array.from(frames, (frame) => by.toGround(frame, middle));
  };
  const nudged = (values: TurnedPath['x']): TurnedPath['x'] =>
    Float64Array.from(values, (v, i) => (i === m ? v : v + STEP));
  const at = placed(path.x, path.y);
  const [byX, byY] = [placed(nudged(path.x), path.y), placed(path.x, nudged(path.y))];
  const [x, y] = [Float64Array.from(path.x), Float64Array.from(path.y)];
  shifts.forEach((shift, i) => {
    if (i === m) return;
    const slope = (there: readonly Vec2[]): Vec2 => ({
      x: (there[i]!.x - at[i]!.x) / (STEP * size.width),
      y: (there[i]!.y - at[i]!.y) / (STEP * size.width),
    });
    const [a, b] = [slope(byX), slope(byY)];
    const determinant = a.x * b.y - a.y * b.x;
    if (determinant === 0) return;
    x[i] = x[i]! + (shift.x * b.y - shift.y * b.x) / determinant;
    y[i] = y[i]! + (a.x * shift.y - a.y * shift.x) / determinant;
  });
  return { ...path, x, y };
}

/** How the tangent of an angle changes that is a length over a focal length, by the logarithm of that. */
const tangentByLens = (angle: number): number => Math.tan(angle) - angle / Math.cos(angle) ** 2;

function steadyBy(
  frames: Float64Array,
  path: TurnedPath,
  { width, height }: Pick<Clip, 'width' | 'height'>,
  m: number,
  tied: Tied | null,
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
  return {
    toGround,
    toPicture: (frame, point) => toPixels(between(frame, true)(fromMiddle(point))),
    growth,
    focal: path.focal * reference.zoom * width,
    sdBetween: (frame, other) => {
      const [a, b] = [byLens(frame), byLens(other)];
      const chain = Math.sqrt(Math.abs(drift(frame) ** 2 - drift(other) ** 2) * (tied?.left(frame, other) ?? 1));
      return width * Math.hypot(own(frame), own(other), chain, a.x - b.x, a.y - b.y);
    },
    sdAt: (frame) => {
      const { x, y } = byLens(frame);
      const chain = Math.sqrt(Math.abs(drift(frame) ** 2 - path.drift[m]! ** 2) * (tied?.left(frame, frames[m]!) ?? 1));
      return width * Math.hypot(own(frame), chain, x, y);
    },
    sizeSd: (frame) => {
      const { x, y } = turnedBy(frame);
      return Math.hypot(Math.hypot(own(frame), drift(frame)) / OFF_MIDDLE, (x * x + y * y) * path.focalLogSd);
    },
    levelSd: (frame) => Math.hypot(Math.hypot(own(frame), drift(frame)) / OFF_MIDDLE, rollExtent / Math.sqrt(12)),
  };
}

/** How far off a clip's picture may be for something that needs it to stay, in the unit of the need. */
export function steadySd(clip: Seen, need: PictureNeed, frame: number): number {
  const steady = steadyOf(clip);
  if (!steady || need === 'nothing') return 0;
  return { level: steady.levelSd, size: steady.sizeSd, place: steady.sdAt }[need](frame);
}
