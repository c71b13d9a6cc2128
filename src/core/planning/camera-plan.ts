import { aheadOfSquare, cameraAngles } from '../calibration/view';
import type { CameraPlan, Filming } from '../model/camera-plan';
import { LIMITS } from '../model/limits';
import type { Trial } from '../trial/trial';

/** Width of the picture to which focal lengths of cameras of any size are referred, millimetres (ISO 12231). */
const FULL_FRAME = 36;

/** Pixels of the picture that a metre at the performer takes: a pinhole camera. */
export const pixelsPerMetre = ({ distance, focal, width }: Pick<CameraPlan, 'distance' | 'focal' | 'width'>): number =>
  (width * focal) / (FULL_FRAME * distance);

/** What the picture shows at the performer, metres. */
export const metresSeen = (
  plan: Pick<CameraPlan, 'distance' | 'focal' | 'width' | 'height'>,
): { readonly width: number; readonly height: number } => ({
  width: plan.width / pixelsPerMetre(plan),
  height: plan.height / pixelsPerMetre(plan),
});

/** The distance from which a body of some height is so many pixels tall. */
export const distanceFor = (
  { focal, width }: Pick<CameraPlan, 'focal' | 'width'>,
  stature: number,
  pixels: number,
): number => (width * focal * stature) / (FULL_FRAME * pixels);

const within = ({ least, most }: { readonly least: number; readonly most: number }, value: number): number =>
  Math.min(most, Math.max(least, value));

/** The same as a plan states it: to a tenth of a metre, no nearer or farther than a camera can stand. */
export const plannedDistance = (...to: Parameters<typeof distanceFor>): number =>
  within(LIMITS.cameraMetres, Math.round(10 * distanceFor(...to)) / 10);

/** How far round from the first a second camera stands in a plan: whole degrees, where one can stand. */
export const plannedApart = (degrees: number): number => within(LIMITS.cameraApart, Math.round(degrees));

/** A plan with some of it changed. A second camera stays where it is when the first is moved round the performer. */
export function changedPlan(plan: CameraPlan, part: Partial<CameraPlan>): CameraPlan {
  const { second } = plan;
  if (!second || part.second !== undefined || part.offPlane === undefined) return { ...plan, ...part };
  return { ...plan, ...part, second: { ...second, apart: plannedApart(second.apart + plan.offPlane - part.offPlane) } };
}

/** A plan with a second camera. */
export type TwoCameraPlan = CameraPlan & { readonly second: NonNullable<CameraPlan['second']> };

export const hasSecond = (plan: CameraPlan): plan is TwoCameraPlan => plan.second !== null;

/** How a plan's first camera films. */
export const filmingOf = ({ focal, width, height, rate }: CameraPlan): Filming => ({ focal, width, height, rate });

/** The plan of the second camera as if it were the only one, where the first stands but for its distance. */
export const planOfSecond = (plan: TwoCameraPlan): CameraPlan => ({
  ...plan,
  ...plan.second.films,
  distance: plan.second.distance,
  second: null,
});

/** A grown performer where nobody said how tall (common practice), metres. */
const STATURE = 1.75;
/** A phone's main camera, referred to a picture 36 mm wide (common practice), millimetres. */
const MAIN_CAMERA = 26;

/** Hips are so high, a share of standing height (Drillis and Contini 1966). */
const HIPS = 0.53;

/** The height of the hips, metres. */
export const hipHeight = ({ stature }: Pick<CameraPlan, 'stature'>): number => HIPS * stature;

/** The height of the lens from which a camera sees the performer level, as a plan states it: to a tenth of a metre. */
export const levelHeight = (plan: Pick<CameraPlan, 'stature'>): number => Math.round(10 * hipHeight(plan)) / 10;

/** By how much a camera at a distance looks down on the performer's hips, degrees, negative up. */
export const looksDown = (plan: Pick<CameraPlan, 'lensHeight' | 'stature'>, distance: number): number =>
  (Math.atan2(plan.lensHeight - hipHeight(plan), distance) * 180) / Math.PI;

/** How a clip was filmed, with a phone's usual lens. */
export const filmingOfClip = ({ width, height, captureRate }: Trial['clip']): Filming => ({
  focal: MAIN_CAMERA,
  width,
  height,
  rate: captureRate,
});

/** The plan that a clip was filmed by, as far as it tells: the distance follows from how tall the performer is in it. */
export function planOf({ clip, bodyHeight }: Trial): CameraPlan {
  const metres = clip.scale
    ? (bodyHeight / clip.scale.pixels) * clip.scale.metres
    : (clip.performer.heightMetres ?? STATURE);
  const stature = Math.min(2.6, Math.max(0.5, Math.round(100 * metres) / 100));
  const filming = filmingOfClip(clip);
  const distance = plannedDistance(filming, stature, bodyHeight);
  const raised = distance * Math.tan(cameraAngles(clip).down);
  return {
    ...filming,
    distance,
    lensHeight: within(LIMITS.lensMetres, Math.round(10 * (HIPS * stature + raised)) / 10),
    offPlane: aheadOfSquare(clip.view.offPlaneDegrees ?? 0, clip.view.kind, clip.travel),
    stature,
    second: null,
  };
}
