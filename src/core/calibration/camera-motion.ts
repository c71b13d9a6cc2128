import type { CameraPath, TurnedPath } from '../model/clip';
import { isCut } from './cut';
import { cornersOf, pyramidOf, trackCorners, type Corner, type HeldCorner } from './optical-flow';
import type { Gray } from '../signal/gray';
import {
  AS_AT_FIRST,
  fitStep,
  focalOf,
  thenRotate,
  vectorOf,
  type FittedStep,
  type Focal,
  type Pair,
  type Turned,
} from './turning-camera';
import { sharedMotion } from './shared-motion';
import type { CameraStep } from './camera-step';
import { seenBy, turnedMotion, type ShownTurn } from './turned-motion';

/** Where somebody is, who moves by themself; shares of the picture's width and height. */
export interface Hidden {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

const NOTHING: CameraStep = { x: 0, y: 0, scale: 1, roll: 0, share: 0, corners: 0 };

/** A picture whose corners can be found again in others. */
interface Prepared {
  readonly size: Pick<Gray, 'width' | 'height'>;
  readonly pyramid: readonly Gray[];
  readonly corners: readonly HeldCorner[];
}

function prepare(picture: Gray, hidden: readonly Hidden[]): Prepared {
  const inside = (x: number, y: number): boolean =>
    hidden.some(
      (box) =>
        x >= box.left * picture.width &&
        x <= box.right * picture.width &&
        y >= box.top * picture.height &&
        y <= box.bottom * picture.height,
    );
  return { size: picture, pyramid: pyramidOf(picture), corners: cornersOf(picture, inside) };
}

/** A step and the corners that it was told from, from the pictures' middle in widths. */
interface Found {
  readonly step: CameraStep;
  /** How a wide lens shows it; null where it shifts the whole picture alike. */
  readonly turn: ShownTurn | null;
  readonly pairs: readonly Pair[];
}

/** @param expected a first guess of the step */
function find(from: Prepared, to: readonly Gray[], expected: Pick<Found, 'turn'> & { readonly step: Pose }): Found {
  const { width, height } = from.size;
  const found = trackCorners(from.pyramid, to, from.corners, movedBy(expected, from.size), expected.step);
  const kept = from.corners.flatMap((corner, i) => (found[i] ? [[corner, found[i]] as const] : []));
  const motion = sharedMotion(
    kept.map(([corner]) => corner),
    kept.map(([, there]) => there),
    from.size,
  );
  const inWidths = ({ x, y }: Corner): Corner => ({ x: (x - width / 2) / width, y: (y - height / 2) / width });
  const pairs = kept.map(([corner, there]) => ({ from: inWidths(corner), to: inWidths(there), hold: corner.hold }));
  const turned = motion && turnedMotion(pairs, motion);
  const step = turned?.step ?? motion;
  return {
    // Corners that could not be found again do not speak for what was found.
    step: step ? { ...step, share: (step.share * kept.length) / from.corners.length } : NOTHING,
    turn: turned?.turn ?? null,
    pairs,
  };
}

/**
 * How the camera moved from one picture to the next, by the corners of the background.
 * @param hidden people in the first of them, whose corners are left out
 */
export const stepBetween = (from: Gray, to: Gray, hidden: readonly Hidden[]): CameraStep =>
  find(prepare(from, hidden), pyramidOf(to), AS_EXPECTED).step;

/** Fewer of the corners than this do not speak for the camera. */
export const LEAST_SHARE = 0.4;

/** Where what stood still in the first picture is in a later one. */
type Pose = Pick<CameraStep, 'x' | 'y' | 'scale' | 'roll'>;

const AS_IT_WAS: Pose = { x: 0, y: 0, scale: 1, roll: 0 };
const AS_EXPECTED = { step: AS_IT_WAS, turn: null };

/** One motion after another, both about the picture's middle. */
export function after(first: Pose, then: Pose): Pose {
  const [c, s] = [then.scale * Math.cos(then.roll), then.scale * Math.sin(then.roll)];
  return {
    x: then.x + c * first.x - s * first.y,
    y: then.y + s * first.x + c * first.y,
    scale: first.scale * then.scale,
    roll: first.roll + then.roll,
  };
}

/** Where a corner of one picture is in another by a step between them. */
function movedBy(
  { step: { x, y, scale, roll }, turn }: Pick<Found, 'turn'> & { readonly step: Pose },
  { width, height }: Pick<Gray, 'width' | 'height'>,
): (c: Corner) => Corner {
  const [c, s] = [scale * Math.cos(roll), scale * Math.sin(roll)];
  return (corner) => {
    const [u, v] = [corner.x - width / 2, corner.y - height / 2];
    if (!turn) return { x: width / 2 + c * u - s * v + x * width, y: height / 2 + s * u + c * v + y * width };
    const there = seenBy(turn, { x: u / width, y: v / width });
    return { x: width / 2 + there.x * width, y: height / 2 + there.y * width };
  };
}

/** One picture that was looked at. */
interface Observation {
  readonly frame: number;
  readonly pose: Pose;
  readonly share: number;
  /** It begins another shot. */
  readonly cut: boolean;
  /** The look that it was compared with, and what was found; null for the first. */
  readonly from: { readonly observe: number; readonly found: Found } | null;
}

/** No camera grows its picture by more from one look to another that still shows the same, logarithm. */
const MOST_ZOOM = 1;

const isSound = ({ zoom, sd }: FittedStep): boolean => Math.abs(Math.log(zoom)) < MOST_ZOOM && Number.isFinite(sd);

/** Where more of the corners than this are found again there was no cut. */
export const CUT_SHARE = 0.2;

/** A corner that grew or turned more than this is not found again where it is: logarithm of a size, radians. */
const MOST_GROWTH = 0.25;

const MOST_ROLL = 0.25;

/** The focal length is told from at most so many steps, the farthest. */
const STEPS_FOR_FOCAL = 12;

/** Steps over less than this tell nothing of it, widths. */
const LEAST_SHIFT = 0.03;

/** What a look that found no hold may be off by, widths. */
const LOST_SD = 0.05;

/** Corners err together with their neighbours: a fit is so many times less sure than its corners alone say. */
const TOGETHER_SD = 1.5;

/**
 * Follows a camera through pictures. Each is compared with an earlier one for as long as they show enough of the same,
 * so that errors add up only where the camera has moved on.
 */
export class CameraTracker {
  private readonly observations: Observation[] = [];
  private anchor: { readonly observe: number; readonly prepared: Prepared } | null = null;
  private last: Gray | null = null;
  private lastHidden: readonly Hidden[] = [];
  private lastStep: Parameters<typeof find>[2] = AS_EXPECTED;

  /** @param hidden where people are in it, shares of its sides */
  observe(frame: number, picture: Gray, hidden: readonly Hidden[]): void {
    this.observations.push({ frame, ...this.find(picture) });
    this.anchor ??= { observe: this.observations.length - 1, prepared: prepare(picture, hidden) };
    this.last = picture;
    this.lastHidden = hidden;
  }

  private find(picture: Gray): Omit<Observation, 'frame'> {
    if (!this.anchor || !this.last) return { pose: AS_IT_WAS, share: 1, cut: false, from: null };
    const pyramid = pyramidOf(picture);
    const found = this.fromAnchor(pyramid, this.lastStep);
    const alike =
      Math.abs(Math.log(found.from!.found.step.scale)) < MOST_GROWTH &&
      Math.abs(found.from!.found.step.roll) < MOST_ROLL;
    if ((found.share >= LEAST_SHARE && alike) || this.anchor.observe === this.observations.length - 1) return found;
    this.anchor = { observe: this.observations.length - 1, prepared: prepare(this.last, this.lastHidden) };
    const further = this.fromAnchor(pyramid, { step: this.goingOn(), turn: null });
    return further.share < CUT_SHARE && isCut(this.last, picture) ? this.newShot() : further;
  }

  /** The step that there will be if the camera goes on as it went. */
  private goingOn(): Pose {
    const [last, before] = [this.observations.at(-1)!.pose, this.observations.at(-2)?.pose ?? AS_IT_WAS];
    return {
      x: last.x - before.x,
      y: last.y - before.y,
      scale: last.scale / before.scale,
      roll: last.roll - before.roll,
    };
  }

  private fromAnchor(pyramid: readonly Gray[], expected: Parameters<typeof find>[2]): Omit<Observation, 'frame'> {
    const { observe, prepared } = this.anchor!;
    const found = find(prepared, pyramid, expected);
    this.lastStep = found.step.share >= LEAST_SHARE ? found : AS_EXPECTED;
    return {
      pose: after(this.observations[observe]!.pose, found.step),
      share: found.step.share,
      cut: false,
      from: { observe, found },
    };
  }

  /** A shot begins as the one before it ended: what lies between is another place. */
  private newShot(): Omit<Observation, 'frame'> {
    this.anchor = null;
    this.lastStep = AS_EXPECTED;
    return { pose: this.observations.at(-1)!.pose, share: 1, cut: true, from: null };
  }

  path(): CameraPath {
    const column = (of: (observe: Observation) => number): Float64Array<ArrayBuffer> =>
      Float64Array.from(this.observations, of);
    return {
      frames: column(({ frame }) => frame),
      x: column(({ pose }) => pose.x),
      y: column(({ pose }) => pose.y),
      scale: column(({ pose }) => pose.scale),
      roll: column(({ pose }) => pose.roll),
      share: column(({ share }) => share),
      cuts: this.observations.filter(({ cut }) => cut).map(({ frame }) => frame),
      turned: this.turned(),
    };
  }

  /** The lens by which the farthest steps are explained best. */
  private focal(): Focal {
    const far = (observe: Observation): number =>
      observe.from ? Math.hypot(observe.from.found.step.x, observe.from.found.step.y) : 0;
    const steps = this.observations
      .filter((observe) => observe.share >= LEAST_SHARE && far(observe) > LEAST_SHIFT)
      .sort((a, b) => far(b) - far(a))
      .slice(0, STEPS_FOR_FOCAL);
    return focalOf(
      steps.map(({ from }) => ({
        pairs: from!.found.pairs,
        start: from!.found.step,
        zoom: this.observations[from!.observe]!.pose.scale,
      })),
    );
  }

  private turned(): TurnedPath {
    const { focal, logSd } = this.focal();
    const stands: (Turned & { readonly own: number; readonly drift: number })[] = [];
    for (const { from, share } of this.observations) {
      const before = from ? stands[from.observe]! : null;
      if (!from || !before) {
        const last = stands.at(-1);
        stands.push(last ? { ...last, own: 0 } : { ...AS_AT_FIRST, own: 0, drift: 0 });
        continue;
      }
      const fitted = fitStep(from.found.pairs, focal * before.zoom, from.found.step);
      const fit = fitted && isSound(fitted) ? fitted : null;
      const sure = fit !== null && share >= LEAST_SHARE;
      stands.push({
        rotation: thenRotate(before.rotation, fit?.rotation ?? AS_AT_FIRST.rotation),
        zoom: before.zoom * (fit?.zoom ?? 1),
        own: Math.hypot(fit ? TOGETHER_SD * fit.sd : 0, sure ? 0 : LOST_SD),
        drift: Math.hypot(before.own, before.drift),
      });
    }
    const vectors = stands.map(({ rotation }) => vectorOf(rotation));
    return {
      x: Float64Array.from(vectors, ([x]) => x),
      y: Float64Array.from(vectors, ([, y]) => y),
      z: Float64Array.from(vectors, ([, , z]) => z),
      zoom: Float64Array.from(stands, ({ zoom }) => zoom),
      own: Float64Array.from(stands, ({ own }) => own),
      drift: Float64Array.from(stands, ({ drift }) => drift),
      focal,
      focalLogSd: logSd,
    };
  }
}
