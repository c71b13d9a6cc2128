import { steadyOf, steadySd } from '../calibration/steady';
import { lensOf } from '../calibration/usual-camera';
import { axesOf, cameraAngles, cameraDown, cameraOffPlane, ontoPlane } from '../calibration/view';
import { segmentAngle, unwrap, wrapAngle } from '../geometry/angle';
import { subtract, type Vec2 } from '../geometry/vec2';
import { PLAIN } from '../model/words';
import { bestLine } from '../quantities/lengths';
import { NOTHING_SHARED, notMeasurable, type Reading } from '../reading';
import { derivativeSd, rateOfChange } from '../signal/derivative';
import { valueBetween } from '../signal/peaks';
import { quadrature } from '../statistics/propagate';
import { intervalAt } from '../timing/clip-time';
import { keyEventSd } from '../trial/key-events';
import { refsOfTrajectory } from '../trial/trajectory';
import type { Trial } from '../trial/trial';
import type { KindOfMeasure, MeasureOf } from './kind';
import { LEAST_CHORD } from './path';
import {
  drawPath,
  framesOf,
  isPath,
  LENGTH_OF_RMS,
  MOST_DIRECTION_SD,
  pathOf,
  pathProvenance,
  placeOnPath,
  type Path,
} from './point-path';
import { TEXT } from '../../text/core/measures';

type PathAngle = MeasureOf<'path-angle'>;

/** A path that is wider than this share of its length has no direction as a whole. */
const MOST_WIDTH = 0.5;
/** How far the way of a point leaves the plane: about a fifth of its length (common practice). */
const OUT_OF_PLANE = 0.2;

const HARDLY = notMeasurable('too-uncertain', TEXT.pointHardlyMovesThere, TEXT.chooseMomentAtWhichItMoves);

/** Where a way goes, against the base of the measure. */
const directionOf = (way: Vec2, { against }: PathAngle): number => segmentAngle({ x: 0, y: 0 }, way, against);

/** Velocity at every frame, unit of the path a second. */
const velocities = ({ x, y }: Path, times: Float64Array): readonly [Float64Array, Float64Array] => [
  rateOfChange(times, x),
  rateOfChange(times, y),
];

interface ByCamera {
  /** What a camera that stands elsewhere than was said, or looks down otherwise, does to a direction, radians. */
  readonly stated: number;
  readonly tilt: number;
  /** What is seen in the plane of a way that leaves it, radians. */
  readonly depth: number;
}

/**
 * How far above or below the lens's axis a point is seen, as the tangent of the angle. Of a point that is seen from
 * another nothing counts, nor in space. The lens is known by its logarithm: the root mean square of 1 / focal counts.
 */
function besideAxis(
  { clip, space }: Trial,
  { x, y, perPixel }: Path,
  { relativeTo, line }: PathAngle,
  at: number,
): number {
  if (line || space || relativeTo) return 0;
  const { focal, logSd } = lensOf(clip);
  const [plane, axes] = [ontoPlane(cameraAngles(clip)), axesOf(clip)];
  const right = (axes.x * valueBetween(x, at)) / plane.x;
  const down = (plane.lean * right - axes.y * valueBetween(y, at)) / (plane.y * perPixel);
  return ((down - clip.height / 2) * Math.exp(logSd ** 2)) / focal || 0;
}

function byCamera({ clip, space }: Trial, way: Vec2, { plane, line }: PathAngle, beside: number): ByCamera {
  if (plane === 'any' || line) return { stated: 0, tilt: 0, depth: 0 };
  const [along, up] = [way.x / Math.hypot(way.x, way.y), way.y / Math.hypot(way.x, way.y)];
  if (space?.errors) {
    const { headingSd } = space.errors;
    return plane === 'transverse'
      ? { stated: headingSd, tilt: 0, depth: 0 }
      : { stated: 0, tilt: 0, depth: OUT_OF_PLANE * Math.tan(headingSd) * up };
  }
  const [psi, theta] = [cameraOffPlane(clip), cameraDown(clip)];
  const most = ({ angle, sd }: typeof psi): number => Math.tan(Math.hypot(angle, sd));
  const seenFrom = (offPlane: number, down: number): number =>
    Math.atan2((up * Math.cos(theta.angle)) / Math.cos(down), (along * Math.cos(psi.angle)) / Math.cos(offPlane));
  const is = seenFrom(psi.angle, theta.angle);
  // What leaves the plane is seen along it by the camera's angle and up it by how far it looks down. A level way that
  // comes nearer above or below the lens's axis is seen to rise or fall, and so it is by a camera that looks down more or
  // stands farther beside than was said.
  const lean = Math.hypot(
    Math.tan(psi.angle) * Math.tan(theta.sd),
    Math.tan(psi.sd) * Math.tan(theta.angle),
    Math.tan(psi.sd) * Math.tan(theta.sd),
  );
  return {
    stated: wrapAngle(seenFrom(psi.angle + psi.sd, theta.angle) - is),
    tilt: wrapAngle(seenFrom(psi.angle, theta.angle + theta.sd) - is),
    depth: quadrature(
      OUT_OF_PLANE * most(psi) * up,
      OUT_OF_PLANE * most(theta) * along,
      beside * most(psi) * along,
      lean * along,
    ),
  };
}

/** How far the background was followed wrongly between two frames, unit of the path; 0 of a camera that stands. */
function driftBetween(
  trial: Trial,
  { perPixel }: Path,
  { relativeTo, line }: PathAngle,
  frames: readonly number[],
): number {
  const steady = relativeTo || line ? null : steadyOf(trial.clip);
  return steady ? steady.sdBetween(frames[0]!, frames.at(-1)!) * perPixel : 0;
}

function reading(
  trial: Trial,
  measure: PathAngle,
  way: Vec2,
  errors: { readonly random: number; readonly systematic: number },
  frames: readonly number[],
  beside: number,
): Reading {
  const value = directionOf(way, measure);
  if (Number.isNaN(value)) return HARDLY;
  const camera = byCamera(trial, way, measure, beside);
  const moved = measure.line ? 0 : steadySd(trial.clip, 'level', frames[0]!);
  const sd = quadrature(errors.random, errors.systematic, camera.stated, camera.tilt, camera.depth, moved);
  if (!(sd <= MOST_DIRECTION_SD)) return HARDLY;
  return {
    measurable: true,
    value,
    sd,
    systematicSd: errors.systematic,
    shared: { ...NOTHING_SHARED, camera: camera.stated, tilt: camera.tilt },
    unit: 'deg',
    provenance: pathProvenance(trial, measure, frames),
  };
}

/**
 * Direction of the velocity at a frame position. What the velocity is off across itself, over the speed, is what the
 * direction is off; a point that is taken beside the joint in the same way goes round with its segment.
 */
function readAt(trial: Trial, measure: PathAngle, path: Path, frame: number, timeSd: number): Reading {
  const [vx, vy] = velocities(path, trial.times);
  const at = (f: number): Vec2 => ({ x: valueBetween(vx, f), y: valueBetween(vy, f) });
  const way = at(frame);
  const speed = Math.hypot(way.x, way.y);
  if (Number.isNaN(speed))
    return notMeasurable('point-missing', TEXT.directionIsNotKnownThere, TEXT.detectPointsOrPlaceMissing);
  const interval = intervalAt(trial, Math.round(frame));
  const noise = derivativeSd(Math.max(path.sd, path.trembling), interval, trial.cutoff);
  const turn = wrapAngle(directionOf(at(frame + 1), measure) - directionOf(at(frame - 1), measure)) / (2 * interval);
  const drift = driftBetween(trial, path, measure, [frame - 1, frame + 1]) / (2 * interval);
  return reading(
    trial,
    measure,
    way,
    {
      random: quadrature(noise / speed, drift / speed, (turn || 0) * timeSd),
      systematic: path.systematic === 0 ? 0 : path.systematic / path.lever,
    },
    [frame],
    besideAxis(trial, path, measure, frame),
  );
}

interface PathLine {
  /** Unit vector from the beginning to the end. */
  readonly way: Vec2;
  /** Root mean square of its points along it, and across. */
  readonly along: number;
  readonly across: number;
  /** From its beginning to its end, along it. */
  readonly gone: number;
}

/** The line that a path lies nearest to. */
function lineOf(path: Path, first: number, last: number): PathLine {
  const whole = { first: Math.ceil(first), last: Math.floor(last), from: first, to: last };
  const points = framesOf(whole)
    .map((f) => placeOnPath(path, f))
    .filter((p) => !Number.isNaN(p.x));
  const { middle, direction } = bestLine(points);
  const chord = subtract(points.at(-1)!, points[0]!);
  const [c, s] = [Math.cos(direction), Math.sin(direction)];
  const gone = c * chord.x + s * chord.y;
  const onward = gone < 0 ? -1 : 1;
  const rms = (of: (p: Vec2) => number): number =>
    Math.sqrt(points.reduce((sum, p) => sum + of(p) ** 2, 0) / points.length);
  return {
    way: { x: onward * c, y: onward * s },
    along: rms((p) => c * (p.x - middle.x) + s * (p.y - middle.y)),
    across: rms((p) => c * (p.y - middle.y) - s * (p.x - middle.x)),
    gone: Math.abs(gone),
  };
}

/**
 * Direction of the line that a path lies nearest to (orthogonal least squares). Its points are smoothed: only two in a
 * period of the cut-off are independent.
 */
function readWhole(trial: Trial, measure: PathAngle, path: Path): Reading {
  const { first, last, from = first, to = last } = path.span;
  const { way, along, across, gone } = lineOf(path, from, to);
  const length = LENGTH_OF_RMS * along;
  if (!(length > 2 * path.sd)) return HARDLY;
  if (across > MOST_WIDTH * along)
    return notMeasurable('too-uncertain', TEXT.pathIsNearlyAsWide, TEXT.chooseShorterPhase);
  if (gone < LEAST_CHORD * length) return notMeasurable('too-uncertain', TEXT.pathComesBack, TEXT.chooseShorterPhase);
  const interval = intervalAt(trial, first);
  const independent = Math.max(2, Math.min(last - first + 1, 2 * trial.cutoff * (last - first) * interval));
  // A moment that is off takes other points into the line.
  const byMoment = ([measure.from, measure.to] as const).map((id, end) => {
    const by = keyEventSd(trial, id) / interval;
    const other = end === 0 ? lineOf(path, Math.max(0, from - by), to) : lineOf(path, from, to + by);
    return wrapAngle(directionOf(other.way, measure) - directionOf(way, measure)) || 0;
  });
  return reading(
    trial,
    measure,
    way,
    {
      random: quadrature(
        path.sd / (Math.sqrt(independent) * along),
        driftBetween(trial, path, measure, [first, last]) / length,
        ...byMoment,
      ),
      // The detector sees a joint elsewhere at the beginning of its way than at the end.
      systematic: (Math.SQRT2 * path.systematic) / length,
    },
    [first, last],
    besideAxis(trial, path, measure, (first + last) / 2),
  );
}

/** Direction in which a point moves: at release, at entry, or of a swing seen along its plane. */
export const pathAngle: KindOfMeasure<'path-angle'> = {
  kind: 'path-angle',
  unit: 'deg',
  convention: TEXT.directionInWhichPointMoves,
  error: TEXT.noiseOfVelocityOverSpeed,
  drawn: TEXT.pathOfPoint,
  words: () => PLAIN,
  refs: refsOfTrajectory,
  picture: ({ relativeTo, line }) => (line ? 'nothing' : relativeTo ? 'level' : 'place'),
  reads: 'movement',
  needsSureEvents: true,
  evaluate: (measure, trial) => {
    const path = pathOf(trial, measure);
    if (!isPath(path)) return path;
    if (measure.take === 'whole') return readWhole(trial, measure, path);
    const moment = measure.take === 'start' ? measure.from : measure.to;
    return readAt(trial, measure, path, trial.marks[moment]!, keyEventSd(trial, moment));
  },
  difference: (_measure, a, b) => wrapAngle(a - b),
  draw: drawPath,
  series: {
    unit: () => 'deg',
    values: (measure, trial) => {
      const path = pathOf(trial, measure);
      if (!isPath(path)) return trial.times.map(() => NaN);
      const [vx, vy] = velocities(path, trial.times);
      return unwrap(vx.map((x, i) => directionOf({ x, y: vy[i]! }, measure)));
    },
    read: (measure, trial, frame, timeSd = 0) => {
      const path = pathOf(trial, measure);
      return isPath(path) ? readAt(trial, measure, path, frame, timeSd) : path;
    },
    of: ({ point, relativeTo, line, against, from, to }) => ['path-angle', point, relativeTo, line, against, from, to],
    holdsValue: ({ take }) => take !== 'whole',
  },
};
