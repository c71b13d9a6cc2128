import { momentsOf, type Measure, type Movement, type Plane } from '../model/movement';

/** What is said of a measure for which the movement has no words of its own. */
export interface UsualWords {
  readonly seenLow: string;
  readonly seenHigh: string;
  readonly cueLow: string;
  readonly cueHigh: string;
}

const ANGLE: UsualWords = { seenLow: 'More bent than it should be', seenHigh: 'Straighter than it should be', cueLow: 'Longer', cueHigh: 'More bend' };
const TIME: UsualWords = { seenLow: 'Too short', seenHigh: 'Too long', cueLow: 'Take the time', cueHigh: 'Quicker' };
const WHEN: UsualWords = { seenLow: 'Too early', seenHigh: 'Too late', cueLow: 'Wait for it', cueHigh: 'Earlier' };
const PACE: UsualWords = { seenLow: 'Too slow', seenHigh: 'Too fast', cueLow: 'Quicker', cueHigh: 'Calmer' };
const LENGTH: UsualWords = { seenLow: 'Too short', seenHigh: 'Too long', cueLow: 'Longer', cueHigh: 'Shorter' };
const HEIGHT: UsualWords = { seenLow: 'Too low', seenHigh: 'Too high', cueLow: 'Higher', cueHigh: 'Lower' };
const EXTENT: UsualWords = { seenLow: 'Moves too little', seenHigh: 'Moves too much', cueLow: 'Let it move', cueHigh: 'Keep it still' };
const PLAIN: UsualWords = { seenLow: 'Too small', seenHigh: 'Too large', cueLow: 'More', cueHigh: 'Less' };

/** Words for too little and too much that go with what is measured. */
export function usualWords(measure: Measure): UsualWords {
  switch (measure.kind) {
    case 'joint-angle':
      return ANGLE;
    case 'duration':
    case 'share':
    case 'split':
    case 'stop':
      return TIME;
    case 'lead':
    case 'lag':
      return WHEN;
    case 'order':
      return { ...WHEN, seenLow: 'Out of order' };
    case 'rate':
      return PACE;
    case 'speed':
    case 'peak-rate':
      return measure.give === 'time' ? WHEN : PACE;
    case 'path':
      return measure.what === 'length' ? LENGTH : PLAIN;
    case 'range':
    case 'steadiness':
      return EXTENT;
    case 'extreme':
      if (measure.give === 'time') return WHEN;
      return ofQuantity(measure.of.q);
    case 'value':
      return ofQuantity(measure.of.q);
    default:
      return PLAIN;
  }
}

function ofQuantity(q: Extract<Measure, { kind: 'value' }>['of']['q']): UsualWords {
  if (q === 'joint-angle') return ANGLE;
  if (q === 'height') return HEIGHT;
  return q === 'distance' || q === 'ground-distance' ? LENGTH : PLAIN;
}

const CAMERA: Readonly<Record<Plane, string>> = {
  sagittal: 'Camera from the side at hip height', frontal: 'Camera from the front or from behind at hip height', transverse: 'Camera from above', any: 'Camera on a stand, everything in the picture',
};

const momentName = (movement: Movement, id: string | undefined): string => movement.moments.find((m) => m.id === id)?.name.toLowerCase() ?? '';

/** Hold, slow, full: a position is held, a time or a rhythm is paced (common practice: from the part to the whole, from slow to fast). */
export function usualDrills(movement: Movement, measure: Measure, range: string): readonly string[] {
  const [at, from] = momentsOf(measure).map((id) => momentName(movement, id));
  if (measure.kind === 'checkpoint') return [`Hold the position of ${at} and look at it`, `Slowly into ${at}, and stop there`, 'Full movement, looked at again'];
  if (measure.region === 'timing') return [`Walk through it from ${from ?? at} to ${at}, counting aloud`, 'At half speed, to claps in the rhythm of the reference', `At full speed, filmed, until it is ${range}`];
  return [`Hold the position of ${at} with it at ${range}, before a mirror or a camera`, `Slowly into ${at}, and stop there`, `At full speed, filmed, once the slow one is ${range}`];
}

/** From where, when and what number. */
export function usualSelfCheck(movement: Movement, measure: Measure, range: string): string {
  const at = momentName(movement, momentsOf(measure)[0]);
  if (measure.kind === 'checkpoint') return `${CAMERA[measure.plane]}; stop at ${at} and ask: ${measure.question}`;
  return `${CAMERA[measure.plane]}; stop at ${at}: ${measure.name.toLowerCase()} should be ${range}.`;
}

/** What follows from it in this movement, or else where the target comes from. */
export function usualWhy(movement: Movement, measure: Measure): string {
  const follows = movement.causes.filter((link) => link.cause === measure.id);
  if (follows.length > 0) return `${follows.map((link) => link.because).join('; ')}.`.replace(/^./, (c) => c.toUpperCase());
  if (!measure.target) return '';
  return measure.target.type === 'same-as-reference' ? 'The reference has it otherwise, by more than the tolerance.' : `The target: ${measure.target.source}.`;
}
