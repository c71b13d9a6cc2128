import { farSide, type View } from '../model/clip';
import type { Trial } from './trial';
import { placesOf } from './places';
import { fail, ok, type Issue, type Result } from '../result';
import { COVERAGE_95 } from '../statistics/normal';
import { MOST_OFF_PLANE_DEGREES, offPlaneSd, SQUARE } from '../calibration/view';
import { TEXT } from '../../text/core/trial';

/**
 * How far apart left and right joint lie, shares of standing height, how much people differ in it, and where a detector
 * sees both, shares of standing height.
 */
const WIDTHS = [
  { joint: 'shoulder', width: 0.21, differs: 0.1, detector: 0.012 },
  { joint: 'hip', width: 0.1, differs: 0.2, detector: 0.008 },
] as const;

/** Fewer frames say too little about how a trunk turns. */
const LEAST_FRAMES = 20;
/** Shoulders and hips turn to and fro while somebody moves: so many of their turns are averaged, at least. */
const TURNS = 8;

export interface ViewEstimate {
  /** As `View.offPlaneDegrees`. */
  readonly degrees: number;
  readonly sdDegrees: number;
}

/**
 * How far a camera is off the side view, from the body: seen square from the side the left and the right shoulder, and
 * the left and the right hip, lie behind each other on average, while a camera that is psi ahead sees the far one
 * further on by sin(psi) of their distance. Needs a performer who faces the way of travel on average: a walker or
 * runner, not somebody who stands turned.
 * @param trial with both shoulders or both hips on 20 frames Source: parallel projection of joint distances as
 * shares of standing height (Drillis and Contini 1966; joint centres lie inside the breadths there, from memory); both
 * are joined by their variances.
 */
export function estimateOffPlane(
  trial: Trial,
): Result<ViewEstimate, Issue<'no-side-view' | 'too-little' | 'too-oblique'>> {
  const { clip, bodyHeight } = trial;
  if (farSide(clip) === null) return fail('no-side-view', TEXT.camerasDirectionCanBeTold);
  const sides = ['dominant', 'opposite'] as const;
  const [far, near] = farSide(clip) === clip.performer.dominantSide ? sides : [sides[1], sides[0]];
  const sines: { readonly sine: number; readonly variance: number }[] = [];
  for (const { joint, width, differs, detector } of WIDTHS) {
    const [f, n] = [placesOf(trial, `${far}-${joint}`, SQUARE).x, placesOf(trial, `${near}-${joint}`, SQUARE).x];
    const ahead = Array.from(f, (x, i) => (x - n[i]!) / bodyHeight).filter((v) => !Number.isNaN(v));
    if (ahead.length < LEAST_FRAMES) continue;
    const mean = ahead.reduce((sum, v) => sum + v, 0) / ahead.length;
    const spread = ahead.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (ahead.length - 1);
    sines.push({
      sine: mean / width,
      variance: ((differs * mean) / width) ** 2 + (detector / width) ** 2 + spread / TURNS / width ** 2,
    });
  }
  if (sines.length === 0) return fail('too-little', TEXT.bothShouldersOrBothHips(LEAST_FRAMES));
  const weight = sines.reduce((sum, s) => sum + 1 / s.variance, 0);
  const sine = sines.reduce((sum, s) => sum + s.sine / s.variance, 0) / weight;
  if (Math.abs(sine) > Math.sin(((MOST_OFF_PLANE_DEGREES + 15) * Math.PI) / 180))
    return fail('too-oblique', TEXT.bodyLooksAsIf);
  const offPlane = Math.asin(sine);
  const toDegrees = 180 / Math.PI;
  // Positive is anticlockwise seen from above: towards the front of somebody who goes to the right, towards the back of
  // one who goes left.
  return ok({
    degrees: (clip.travel === 'right' ? 1 : -1) * offPlane * toDegrees,
    sdDegrees: (toDegrees * Math.sqrt(1 / weight)) / Math.cos(offPlane),
  });
}

/** Whether what the body says can be what is known of a camera (95 %). */
export const agrees = (view: View, { degrees, sdDegrees }: ViewEstimate): boolean =>
  Math.abs(degrees - (view.offPlaneDegrees ?? 0)) <= COVERAGE_95 * Math.hypot(sdDegrees, offPlaneSd(view));

/** The view as it was estimated, in whole degrees, with how sure it is. */
export const viewAsEstimated = (view: View, { degrees, sdDegrees }: ViewEstimate): View => ({
  ...view,
  offPlaneDegrees: Math.round(degrees),
  offPlaneSdDegrees: Math.round(10 * sdDegrees) / 10,
});
