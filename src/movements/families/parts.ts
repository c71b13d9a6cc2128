import type { MovementDocument } from '../../core/model/movement';
import { like } from '../like';
import type { FamilyWords } from './words/family-words';

/**
 * Parts of which the starters are built, one for each family of movements: moments, points, measures and their order,
 * but no numbers taken from anyone: what is judged is judged against the reference.
 */
type Part = Pick<
  MovementDocument,
  'id' | 'name' | 'points' | 'moments' | 'measures' | 'causes' | 'cautions' | 'repeats' | 'sheet'
>;

const AID = {
  id: 'aid',
  always: true,
  text:
    'This is an aid to coaching and no diagnosis: stop on pain, change technique at reduced load and speed under a ' +
    'qualified coach, and keep to the rules of the sport.',
} as const;

type Cause = NonNullable<Part['causes']>[number];

/** One measure follows from another, each on one side of its range; left out where either side will do. */
export const because = (
  [cause, causeSide]: readonly [string, Cause['causeSide']?],
  [effect, effectSide]: readonly [string, Cause['effectSide']?],
  share: number,
  words: string,
): Cause => ({ cause, effect, causeSide, effectSide, share, because: words });

interface FamilyParts extends Omit<Part, 'cautions'> {
  readonly cautions?: Part['cautions'];
  readonly words: FamilyWords;
}

/** @throws Error for words of a measure that the family has not */
export function family({ moments, measures, cautions = [], words, ...part }: FamilyParts): MovementDocument {
  const unknown = Object.keys(words).filter((id) => !measures.some((m) => m.id === id));
  if (unknown.length > 0)
    throw new Error(`"${part.id}" has words for what it does not measure: ${unknown.join(', ')}.`);
  return {
    schemaVersion: 1,
    sport: 'Any sport',
    ...part,
    moments,
    measures: measures.map((measure) => {
      const said = words[measure.id];
      if (!said) return measure;
      const { low, high, why, cue, drills } = said;
      return { ...measure, coaching: { seenLow: low, seenHigh: high, why, cue, drills: [...drills] } };
    }),
    phases: moments
      .slice(1)
      .map((to, i) => ({ from: moments[i]!.id, to: to.id, name: `${moments[i]!.name} to ${to.name.toLowerCase()}` })),
    cautions: [AID, ...cautions],
  };
}

export const joint = (side: 'dominant' | 'opposite', which: 'knee' | 'elbow' | 'hip') =>
  ({
    knee: [`${side}-hip`, `${side}-knee`, `${side}-ankle`],
    elbow: [`${side}-shoulder`, `${side}-elbow`, `${side}-wrist`],
    hip: [`${side}-shoulder`, `${side}-hip`, `${side}-knee`],
  })[which] as [`${typeof side}-hip`, `${typeof side}-knee`, `${typeof side}-ankle`];
export const angleAt = (
  id: string,
  name: string,
  side: 'dominant' | 'opposite',
  which: 'knee' | 'elbow' | 'hip',
  at: string,
  importance = 0.6,
) =>
  ({
    id,
    name,
    kind: 'value',
    region: which === 'elbow' ? 'arms' : which === 'hip' ? 'hips' : 'legs',
    plane: 'sagittal',
    of: { type: 'joint-angle', points: joint(side, which) },
    at,
    target: like(8),
    margin: 3,
    importance,
    cost: 'weeks',
  }) as const;
export const TRUNK: ['mid-hip', 'mid-shoulder'] = ['mid-hip', 'mid-shoulder'];
export const trunkAt = (at: string, importance = 0.6) =>
  ({
    id: `trunk-at-${at}`,
    name: 'Trunk lean',
    kind: 'value',
    region: 'trunk',
    plane: 'sagittal',
    of: { type: 'segment-angle', points: TRUNK, against: 'up' },
    at,
    target: like(6),
    margin: 3,
    importance,
    cost: 'weeks',
  }) as const;
/** Where something faces, set by eye on a dial: any camera that shows it will do. */
export const facingAt = (id: string, name: string, question: string, at: string, importance = 0.5) =>
  ({
    id,
    name,
    kind: 'facing-by-eye',
    question,
    region: 'hips',
    plane: 'any',
    at,
    target: like(30),
    margin: 10,
    importance,
    cost: 'weeks',
  }) as const;
export const phaseTime = (from: string, to: string, name: string, importance = 0.5) =>
  ({
    id: `time-${from}-${to}`.slice(0, 60),
    name,
    kind: 'duration',
    region: 'timing',
    plane: 'any',
    from,
    to,
    target: like(20),
    margin: 10,
    importance,
    cost: 'weeks',
  }) as const;
/** Where a point goes at the end of a phase, against level: rising is positive. */
export const directionAt = (
  id: string,
  name: string,
  region: 'arms' | 'hips',
  point: 'centre-of-mass' | 'dominant-wrist' | `own-${string}`,
  [from, to]: readonly [string, string],
  importance = 0.6,
) =>
  ({
    id,
    name,
    kind: 'path-angle',
    region,
    plane: 'sagittal',
    point,
    take: 'end',
    against: 'forward',
    from,
    to,
    target: like(4),
    margin: 2,
    importance,
    cost: 'season',
  }) as const;
export const moment = (
  id: string,
  name: string,
  key: string,
  hint: string,
  rule?: MovementDocument['moments'][number]['rule'],
) => ({ id, name, key, hint, ...(rule ? { rule } : {}) });
