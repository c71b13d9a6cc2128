import { eventsOf, type Measure, type Plane } from '../model/measure';
import type { Movement } from '../model/movement';
import { TEXT } from '../../text/core/coaching';

const CAMERA: Readonly<Record<Plane, string>> = {
  sagittal: TEXT.cameraFromSideAtHip,
  frontal: TEXT.cameraFromFrontOr,
  transverse: TEXT.cameraFromAbove,
  any: TEXT.cameraOnStandEverything,
};

const eventName = (movement: Movement, id: string | undefined): string =>
  movement.moments.find((m) => m.id === id)?.name.toLowerCase() ?? '';

/**
 * Hold, slow, full: a position is held, a time or a rhythm is paced (common practice: from the part to the whole, from
 * slow to fast).
 */
export function usualDrills(movement: Movement, measure: Measure, range: string): readonly string[] {
  const [at = '', from = at] = eventsOf(measure).map((id) => eventName(movement, id));
  if (measure.kind === 'checkpoint' || measure.kind === 'facing-by-eye')
    return [TEXT.holdPositionOfAndLook(at), TEXT.slowlyIntoAndStopThere(at), TEXT.fullMovementLookedAtAgain];
  if (measure.region === 'timing')
    return [TEXT.walkThroughItFrom(from, at), TEXT.atHalfSpeedToClaps, TEXT.atFullSpeedFilmedUntil(range)];
  return [
    TEXT.holdPositionOfWith(at, range.startsWith('a') ? range : TEXT.atRange(range)),
    TEXT.slowlyIntoAndStopThere(at),
    TEXT.atFullSpeedFilmedOnce(range),
  ];
}

/** From where, when and what number. */
export function usualSelfCheck(movement: Movement, measure: Measure, range: string): string {
  const at = eventName(movement, eventsOf(measure)[0]);
  if (measure.kind === 'checkpoint' || measure.kind === 'facing-by-eye')
    return TEXT.stopAtAndAsk(CAMERA[measure.plane], at, measure.question);
  return TEXT.stopAtShould(CAMERA[measure.plane], at, measure.name.toLowerCase(), range);
}

/** What follows from it in this movement, or else where the target comes from. */
export function usualWhy(movement: Movement, measure: Measure): string {
  const follows = movement.causes.filter((link) => link.cause === measure.id);
  if (follows.length > 0)
    return `${follows.map((link) => link.because).join('; ')}.`.replace(/^./, (c) => c.toUpperCase());
  if (!measure.target) return '';
  return measure.target.type === 'same-as-reference'
    ? TEXT.referenceHasItOtherwise
    : TEXT.targetSource(measure.target.source);
}
