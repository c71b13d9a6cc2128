import type { Movement } from '../../../core/model/movement';

const REF_NAMES: Readonly<Record<string, string>> = {
  'mid-hip': 'hips, middle',
  'mid-shoulder': 'shoulders, middle',
  nose: 'nose',
  'centre-of-mass': 'centre of mass',
};

/** A point of a movement in words. */
export function refName(ref: string, movement: Pick<Movement, 'points'>): string {
  const own = movement.points.find((p) => p.id === ref);
  if (own) return own.name;
  const joint = ref.replace(/^(dominant|opposite)-/, '').replace('foot-index', 'toe');
  return REF_NAMES[ref] ?? `${joint}, ${ref.startsWith('dominant') ? 'dominant' : 'other'} side`;
}

/** Words of the schema that are units. */
const UNIT_WORDS: Readonly<Record<string, string>> = { m: 'Metres', '%BH': 'Standing heights' };

/** Words of the schema as they are shown. */
export const words = (id: string): string =>
  UNIT_WORDS[id] ?? id.replaceAll('-', ' ').replace(/^./, (c) => c.toUpperCase());

export const PART_NAMES: Readonly<Record<string, string>> = {
  at: 'At',
  after: 'After',
  before: 'Before',
  level: 'Level',
  take: 'Take the',
  edge: 'Edge',
  flight: 'Flight fitted over, s',
  from: 'From',
  to: 'To',
  moment: 'Moment',
  against: 'Against',
  which: 'Which',
  direction: 'Direction',
  output: 'Give',
  along: 'Along',
  what: 'What',
  event: 'Event',
  lengthIn: 'Lengths in',
  count: 'How many',
  crossing: 'Passes, degrees',
  within: 'Within, ms',
  slower: 'Slower than, a second',
  question: 'Question',
  of: 'Of',
  first: 'First',
  second: 'Second',
  axis: 'Axis',
  side: 'Side',
  limb: 'Limb',
  relativeTo: 'Seen from',
  line: 'Line',
  point: 'Point',
};
