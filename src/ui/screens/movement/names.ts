import type { Movement } from '../../../core/model/movement';
import { TEXT } from '../../../text/screens/movement';

const REF_NAMES: Readonly<Record<string, string>> = {
  'mid-hip': TEXT.hipsMiddle,
  'mid-shoulder': TEXT.shouldersMiddle,
  nose: TEXT.nose,
  'centre-of-mass': TEXT.centreOfMass,
};

/** A point of a movement in words. */
export function refName(ref: string, movement: Pick<Movement, 'points'>): string {
  const own = movement.points.find((p) => p.id === ref);
  if (own) return own.name;
  const joint = ref.replace(/^(dominant|opposite)-/, '').replace('foot-index', 'toe');
  return REF_NAMES[ref] ?? (ref.startsWith('dominant') ? TEXT.jointDominantSide(joint) : TEXT.jointOtherSide(joint));
}

/** Words of the schema that are units. */
const UNIT_WORDS: Readonly<Record<string, string>> = { m: TEXT.metres, '%BH': TEXT.standingHeights };

/** Words of the schema as they are shown. */
export const words = (id: string): string =>
  UNIT_WORDS[id] ?? id.replaceAll('-', ' ').replace(/^./, (c) => c.toUpperCase());

export const PART_NAMES: Readonly<Record<string, string>> = {
  at: TEXT.at,
  after: TEXT.after,
  before: TEXT.before,
  level: TEXT.level,
  take: TEXT.take,
  edge: TEXT.edge,
  flight: TEXT.flightFittedOverS,
  from: TEXT.from,
  to: TEXT.to,
  moment: TEXT.moment,
  against: TEXT.against,
  which: TEXT.which,
  direction: TEXT.direction,
  output: TEXT.give,
  along: TEXT.along,
  what: TEXT.what,
  event: TEXT.event,
  lengthIn: TEXT.lengthsIn,
  count: TEXT.howMany,
  crossing: TEXT.passesDegrees,
  within: TEXT.withinMs,
  slower: TEXT.slowerThanSecond,
  question: TEXT.question,
  of: TEXT.of,
  first: TEXT.first,
  second: TEXT.second,
  axis: TEXT.axis,
  angle: TEXT.angle,
  side: TEXT.side,
  limb: TEXT.limb,
  relativeTo: TEXT.seenFrom,
  line: TEXT.line,
  point: TEXT.point,
};
