import { wrapDegrees } from '../geometry/angle';
import type { Clip, View } from '../model/clip';
import type { Measure, Plane } from '../model/measure';
import { MOST_OFF_PLANE_DEGREES, PLANE_OF_VIEW } from './view';

/** Where the square views are, degrees clockwise seen from above from straight ahead of the performer. */
export const SQUARE_VIEWS = [
  { kind: 'front', travel: 'right', direction: 0 },
  { kind: 'side', travel: 'right', direction: 90 },
  { kind: 'back', travel: 'right', direction: 180 },
  { kind: 'side', travel: 'left', direction: 270 },
] as const;

/** What a camera's place says of its clip. */
export interface SeenFrom {
  readonly view: View & { readonly offPlaneDegrees: number };
  /** To which side the performer moves in the picture. */
  readonly travel: Clip['travel'];
}

/**
 * The view of a camera beside the performer: the nearest square one, and how far it is off, anticlockwise seen from
 * above (`View`).
 * @param direction degrees clockwise seen from above from straight ahead of the performer; 90 is to their right
 */
export function viewFrom(direction: number): SeenFrom {
  const off = (square: number): number => wrapDegrees(square - direction);
  const [nearest] = [...SQUARE_VIEWS].sort((a, b) => Math.abs(off(a.direction)) - Math.abs(off(b.direction)));
  const { kind, travel, direction: square } = nearest!;
  return { view: { kind, offPlaneDegrees: off(square) }, travel };
}

/** Where the camera of a view stands, as `viewFrom` takes it: 0 to 360; null of one above. */
export function directionOf({ view, travel }: Pick<Clip, 'view' | 'travel'>): number | null {
  const square = SQUARE_VIEWS.find((s) => s.kind === view.kind && (s.kind !== 'side' || s.travel === travel));
  return square ? (((square.direction - (view.offPlaneDegrees ?? 0)) % 360) + 360) % 360 : null;
}

/** How many measures can be read in each plane, and how many from anywhere. */
export function measuresByPlane(measures: readonly Pick<Measure, 'plane'>[]): Readonly<Record<Plane, number>> {
  const counts: Record<Plane, number> = { sagittal: 0, frontal: 0, transverse: 0, any: 0 };
  for (const { plane } of measures) counts[plane]++;
  return counts;
}

/** How many measures can be read from a view: those of its plane, where it is square enough, and those of any. */
export function readableFrom(
  { kind, offPlaneDegrees, downDegrees }: View,
  counts: Readonly<Record<Plane, number>>,
): number {
  const down = kind === 'overhead' ? 0 : (downDegrees ?? 0);
  const isSquare = Math.max(Math.abs(offPlaneDegrees ?? 0), Math.abs(down)) <= MOST_OFF_PLANE_DEGREES;
  return counts.any + (isSquare ? counts[PLANE_OF_VIEW[kind]] : 0);
}
