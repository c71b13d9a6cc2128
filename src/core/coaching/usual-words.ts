import { eventsOf, type Measure, type Plane } from '../model/measure';
import type { Movement } from '../model/movement';

const CAMERA: Readonly<Record<Plane, string>> = {
  sagittal: 'Camera from the side at hip height',
  frontal: 'Camera from the front or from behind at hip height',
  transverse: 'Camera from above',
  any: 'Camera on a stand, everything in the picture',
};

const eventName = (movement: Movement, id: string | undefined): string =>
  movement.moments.find((m) => m.id === id)?.name.toLowerCase() ?? '';

/**
 * Hold, slow, full: a position is held, a time or a rhythm is paced (common practice: from the part to the whole, from
 * slow to fast).
 */
export function usualDrills(movement: Movement, measure: Measure, range: string): readonly string[] {
  const [at, from] = eventsOf(measure).map((id) => eventName(movement, id));
  if (measure.kind === 'checkpoint' || measure.kind === 'facing-by-eye')
    return [
      `Hold the position of ${at} and look at it`,
      `Slowly into ${at}, and stop there`,
      'Full movement, looked at again',
    ];
  if (measure.region === 'timing')
    return [
      `Walk through it from ${from ?? at} to ${at}, counting aloud`,
      'At half speed, to claps in the rhythm of the reference',
      `At full speed, filmed, until it is ${range}`,
    ];
  return [
    `Hold the position of ${at} with it ${range.startsWith('a') ? range : `at ${range}`}, before a mirror or a camera`,
    `Slowly into ${at}, and stop there`,
    `At full speed, filmed, once the slow one is ${range}`,
  ];
}

/** From where, when and what number. */
export function usualSelfCheck(movement: Movement, measure: Measure, range: string): string {
  const at = eventName(movement, eventsOf(measure)[0]);
  if (measure.kind === 'checkpoint' || measure.kind === 'facing-by-eye')
    return `${CAMERA[measure.plane]}; stop at ${at} and ask: ${measure.question}`;
  return `${CAMERA[measure.plane]}; stop at ${at}: ${measure.name.toLowerCase()} should be ${range}.`;
}

/** What follows from it in this movement, or else where the target comes from. */
export function usualWhy(movement: Movement, measure: Measure): string {
  const follows = movement.causes.filter((link) => link.cause === measure.id);
  if (follows.length > 0)
    return `${follows.map((link) => link.because).join('; ')}.`.replace(/^./, (c) => c.toUpperCase());
  if (!measure.target) return '';
  return measure.target.type === 'same-as-reference'
    ? 'The reference has it otherwise, by more than the tolerance.'
    : `The target: ${measure.target.source}.`;
}
