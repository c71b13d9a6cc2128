import { cameraAngles } from '../calibration/view';
import { bestPlane, inclinationOf, leverUp, shorterAxis } from '../geometry/best-plane';
import { minus, scaled, type Vec3 } from '../geometry/vec3';
import { PLAIN } from '../model/words';
import { gradientOf } from '../quantities';
import { notMeasurable } from '../reading';
import { COVERAGE_95 } from '../statistics/normal';
import { quadrature } from '../statistics/propagate';
import { intervalAt } from '../timing/clip-time';
import { keyEventSd } from '../trial/key-events';
import { isSpan, spanOf, tooLittleKnown } from '../trial/phase';
import { pointAt, spaceAt } from '../trial/places';
import { varianceInSpace } from '../trial/space';
import { refsOfTrajectory } from '../trial/trajectory';
import type { Trial } from '../trial/trial';
import { plainDifference, type KindOfMeasure, type MeasureOf } from './kind';
import { drawPath, framesOf, LENGTH_OF_RMS, MOST_DIRECTION_SD, pathProvenance } from './point-path';
import { TEXT } from '../../text/core/measures';

type PathPlane = MeasureOf<'path-plane'>;

/**
 * A path whose points are this far from its middle across its length lies in one plane more than in another, standing
 * heights, root mean square: a detector bends the way of a joint that is hidden by a few centimetres.
 */
const LEAST_WIDTH = 0.05;

/** A path that leaves its plane by more than this share of its width has none. */
const MOST_THICKNESS = 0.4;

/**
 * Of what two cameras do not know of a point half is taken to change from frame to frame. The other half stays, but for
 * what pose and view change of it from one end of a swing to the other (rendered clips with detected points).
 */
const CHANGES = 0.6;

/** Where the point is in space, as seen from another where one is named; null where that is not known. */
function placeAt(trial: Trial, { point, relativeTo }: PathPlane, frame: number): Vec3 | null {
  const own = spaceAt(trial, point, frame);
  const from = relativeTo ? spaceAt(trial, relativeTo, frame) : null;
  if (!own || (relativeTo && !from)) return null;
  return from ? minus(own, from) : own;
}

function placesBetween(trial: Trial, measure: PathPlane, from: number, to: number): readonly Vec3[] {
  const whole = { first: Math.ceil(from), last: Math.floor(to), from, to };
  return framesOf(whole).flatMap((frame) => placeAt(trial, measure, frame) ?? []);
}

/**
 * What a place is off along a line at a frame, unit of the space: what changes from frame to frame, and what does not.
 * Where all of a body is, is the least sure of what two cameras tell, and the same in every frame: it turns no plane.
 */
function offAlong(
  trial: Trial,
  { point, relativeTo }: PathPlane,
  line: Vec3,
  frame: number,
): { readonly random: number; readonly systematic: number } {
  const { errors, pixelsPerUnit } = trial.space!;
  if (errors) {
    const from = relativeTo ?? (point.endsWith('hip') ? 'mid-shoulder' : 'mid-hip');
    const gradient = gradientOf(trial, [point, from], [line, scaled(line, -1)]);
    const sd = Math.sqrt(varianceInSpace(errors, frame, gradient));
    return { random: Math.SQRT1_2 * sd, systematic: Math.SQRT1_2 * CHANGES * sd };
  }
  const parts = [point, relativeTo].flatMap((ref) =>
    ref ? (pointAt(trial, ref, frame, cameraAngles(trial.clip)) ?? []) : [],
  );
  return {
    random: quadrature(...parts.map((p) => p.sdY * Math.sqrt(1 - (p.systematic ?? 0) ** 2))) / pixelsPerUnit,
    systematic: quadrature(...parts.map((p) => p.sdY * (p.systematic ?? 0))) / pixelsPerUnit,
  };
}

/** The plane of a swing: how steep the plane is that the path of a point lies nearest to. */
export const pathPlane: KindOfMeasure<'path-plane'> = {
  kind: 'path-plane',
  unit: 'deg',
  convention: TEXT.inclinationOfPlane,
  error: TEXT.pathAcrossPlane,
  drawn: TEXT.pathOfPoint,
  words: () => PLAIN,
  refs: (measure) => refsOfTrajectory({ ...measure, line: null }),
  picture: () => 'nothing',
  reads: 'movement',
  onlyInSpace: true,
  needsSureEvents: true,
  evaluate: (measure, trial) => {
    const span = spanOf(trial, measure);
    if (!isSpan(span)) return span;
    const { first, last, from = first, to = last } = span;
    const known = trial.times.map((_, i) => placeAt(trial, measure, i)?.x ?? NaN);
    const unknown = tooLittleKnown(known, span, measure.point.replace(/^own-/, '').replaceAll('-', ' '));
    if (unknown) return unknown;
    const points = placesBetween(trial, measure, from, to);
    const plane = bestPlane(points);
    const lever = plane ? leverUp(plane, points) : 0;
    const hardly = notMeasurable('too-uncertain', TEXT.pathIsHardlyWider, TEXT.chooseLongerPhase);
    const stature = trial.bodyHeight / trial.space!.pixelsPerUnit;
    if (!plane || lever === 0 || plane.spread[1] < LEAST_WIDTH * stature) return hardly;
    if (plane.spread[2] > MOST_THICKNESS * plane.spread[1])
      return notMeasurable('too-uncertain', TEXT.pathLeavesEveryPlane, TEXT.chooseShorterPhaseOfSwing);
    const middle = Math.round((from + to) / 2);
    const wide = offAlong(trial, measure, shorterAxis(plane, points), middle);
    // What the places err makes a line as wide.
    if (plane.spread[1] <= COVERAGE_95 * quadrature(wide.random, wide.systematic)) return hardly;
    const value = inclinationOf(plane.normal);
    const off = offAlong(trial, measure, plane.normal, middle);
    const interval = intervalAt(trial, first);
    // Its points are smoothed: only two in a period of the cut-off are independent.
    const independent = Math.max(3, Math.min(points.length, 2 * trial.cutoff * (last - first) * interval));
    const byMoment = ([measure.from, measure.to] as const).map((id, end) => {
      const by = keyEventSd(trial, id) / interval;
      const [begin, finish] =
        end === 0 ? [Math.max(0, from - by), to] : [from, Math.min(trial.times.length - 1, to + by)];
      const other = bestPlane(placesBetween(trial, measure, begin, finish));
      return other ? inclinationOf(other.normal) - value : 0;
    });
    const random = off.random / (Math.sqrt(independent) * lever);
    const systematicSd = (Math.SQRT2 * off.systematic) / (LENGTH_OF_RMS * lever);
    const sd = quadrature(random, systematicSd, ...byMoment);
    if (!(sd <= MOST_DIRECTION_SD)) return hardly;
    return {
      measurable: true,
      value,
      sd,
      systematicSd: trial.space!.errors ? 0 : systematicSd,
      unit: 'deg',
      provenance: pathProvenance(trial, { ...measure, line: null }, [last, first]),
    };
  },
  difference: plainDifference,
  draw: drawPath,
  series: null,
};
