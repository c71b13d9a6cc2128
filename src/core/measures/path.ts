import { LENGTH, PLAIN } from '../model/words';
import type { Trial } from '../trial/trial';
import { refsOfTrajectory } from '../trial/trajectory';
import { NOTHING_SHARED, notMeasurable } from '../reading';
import { distance, type Vec2 } from '../geometry/vec2';
import { stepSd } from '../signal/derivative';
import { quadrature } from '../statistics/propagate';
import { timeAtFrame } from '../timing/clip-time';
import { plainDifference, type KindOfMeasure } from './kind';
import {
  drawPath,
  edgeLengths,
  framesOf,
  isPath,
  knownPoints,
  pathOf,
  pathProvenance,
  placeOnPath,
  type Path,
} from './point-path';
import { TEXT } from '../../text/core/measures';

/** Noise is told apart from movement over so much time, seconds. */
const WINDOW = 0.1;

/**
 * Length of a path. Noise makes a path longer: a point that stands still trembles on. Over short windows the mean
 * square of the speed is that of the movement plus the variance of the speed's noise in both coordinates, which the
 * trembling of the data gives; what the movement has is what is counted. The square's own variance (of a noncentral
 * chi-squared variable with as many degrees of freedom as noise up to the cut-off has independent values) is carried
 * through the root, and the variance of the noise, known to a share, through all windows alike.
 * @returns the length, and how much of it noise may still have given or taken
 */
function lengthOf(trial: Trial, path: Path): { readonly length: number; readonly sd: number } {
  const { times, interval, cutoff } = trial;
  const frames = framesOf(path.span);
  const steps = frames.slice(1).map((to, k) => {
    const from = frames[k]!;
    const step = distance(placeOnPath(path, from), placeOnPath(path, to));
    return { step: Number.isNaN(step) ? 0 : step, time: timeAtFrame(times, to) - timeAtFrame(times, from) };
  });
  const noise = 2 * stepSd(path.trembling, interval, cutoff) ** 2;
  const per = Math.max(1, Math.round(WINDOW / interval));
  let [length, variance, byNoise] = [0, 0, 0];
  for (let k = 0; k < steps.length; k += per) {
    const window = steps.slice(k, k + per);
    const time = window.reduce((sum, s) => sum + s.time, 0);
    const plain = window.reduce((sum, s) => sum + s.step, 0);
    const square = window.reduce((sum, s) => sum + s.step ** 2 / s.time, 0) / time;
    // The speed that is left without its noise, below zero where noise alone would have been larger: only so do windows
    // in which nothing moves cancel. Noise across the path lengthens a step of a moving point by half its variance over
    // the speed.
    const own = Math.sqrt(Math.abs(square - noise));
    const kept = own === 0 ? 0 : (Math.sign(square - noise) * own) / Math.sqrt(own ** 2 + noise / 2);
    length += plain * kept;
    const values = Math.max(1, 2 * Math.min(cutoff, 0.5 / interval) * time);
    const ownSquare = Math.max(0, square - noise);
    const least = Math.max(ownSquare, (0.3 * noise) / Math.sqrt(values));
    if (least === 0) continue;
    variance += (time ** 2 * (noise ** 2 + 2 * ownSquare * noise)) / values / (4 * least);
    byNoise += (time * noise * path.tremblingShare) / (2 * Math.sqrt(least));
  }
  return { length: Math.max(0, length), sd: quadrature(Math.sqrt(variance), byNoise) };
}

/** A chord shorter than this share of the path is none. */
export const LEAST_CHORD = 0.2;

/** The point of a path that lies farthest from its chord: how far, and how far along it, 0..1. */
function farthestFrom(points: readonly Vec2[]): { readonly distance: number; readonly along: number } {
  const [first, last] = [points[0]!, points.at(-1)!];
  const chord = Math.hypot(last.x - first.x, last.y - first.y);
  return points
    .map((p) => ({
      distance: Math.abs((p.x - first.x) * (last.y - first.y) - (p.y - first.y) * (last.x - first.x)) / chord,
      along: ((p.x - first.x) * (last.x - first.x) + (p.y - first.y) * (last.y - first.y)) / chord ** 2,
    }))
    .reduce((best, p) => (p.distance > best.distance ? p : best), { distance: 0, along: 0.5 });
}

/** How a point moves through a phase. */
export const path: KindOfMeasure<'path'> = {
  kind: 'path',
  unit: ({ what, lengthIn }) => (what === 'straightness' ? '%' : lengthIn),
  convention: TEXT.ofPointsPathThroughPhase,
  error: TEXT.pointsAtItsEndsNoise,
  drawn: TEXT.pathOfPoint,
  words: ({ what }) => (what === 'length' ? LENGTH : PLAIN),
  refs: refsOfTrajectory,
  picture: ({ relativeTo }) => (relativeTo ? 'size' : 'place'),
  reads: 'movement',
  needsSureEvents: true,
  evaluate: (measure, trial) => {
    const path = pathOf(trial, measure);
    if (!isPath(path)) return path;
    const points = knownPoints(path);
    const [first, last] = [points[0]!, points.at(-1)!];
    const arc = lengthOf(trial, path);
    const chord = Math.hypot(last.x - first.x, last.y - first.y);
    const edges = edgeLengths(trial, path, measure);
    const ends = quadrature(Math.SQRT2 * path.sd, ...edges);
    const { what } = measure;
    // A path no longer than its noise has no shape.
    if (what !== 'length' && arc.length <= 2 * quadrature(ends, arc.sd))
      return notMeasurable('too-uncertain', TEXT.pointHardlyMovesInThis, TEXT.lookAtMomentsThatBegin);
    const farthest = farthestFrom(points);
    // Where it ends all but where it begins there is no line to be beside of.
    if (what === 'sideways' && chord <= LEAST_CHORD * arc.length)
      return notMeasurable('too-uncertain', TEXT.pathEndsWhereItBegins, TEXT.chooseTwoMomentsSo);
    const unit = what === 'straightness' ? '%' : measure.lengthIn;
    const provenance = pathProvenance(trial, measure, [path.span.last, path.span.first]);
    // The detector sees a joint elsewhere at the beginning of its way than at the end.
    const beside = Math.SQRT2 * path.systematic;
    if (what === 'straightness') {
      const straight = Math.min(1, chord / arc.length);
      // Chord and arc share what their ends are off along the way.
      const sd = quadrature((straight * arc.sd) / arc.length, ((1 - straight) * ends + 0.2 * path.sd) / arc.length);
      const systematicSd = ((1 - straight) * beside + 0.2 * path.systematic) / arc.length;
      return { measurable: true, value: straight, sd: quadrature(sd, systematicSd), systematicSd, unit, provenance };
    }
    const value = what === 'length' ? arc.length : farthest.distance;
    const shared = { ...NOTHING_SHARED, scale: value * path.scaleSd };
    // An end that is off turns the chord: the farther along it the more.
    const random =
      what === 'sideways'
        ? quadrature(
            path.sd,
            (1 - farthest.along) * quadrature(path.sd, edges[0]),
            farthest.along * quadrature(path.sd, edges[1]),
          )
        : quadrature(ends, arc.sd);
    return {
      measurable: true,
      value,
      sd: quadrature(random, beside, shared.scale),
      systematicSd: beside,
      shared,
      unit,
      provenance,
    };
  },
  difference: plainDifference,
  draw: drawPath,
  series: null,
};
