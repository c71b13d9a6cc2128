import { z } from 'zod';
import { TEXT } from '../../text/core/model';

/** What the result of an attempt can be: its unit, and on which side it is better. */
export const RESULT_KINDS = {
  distance: { name: TEXT.distance, unit: 'm', better: 'higher' },
  height: { name: TEXT.height, unit: 'm', better: 'higher' },
  load: { name: TEXT.load, unit: 'kg', better: 'higher' },
  time: { name: TEXT.time, unit: 's', better: 'lower' },
  speed: { name: TEXT.speed, unit: 'km/h', better: 'higher' },
  points: { name: TEXT.points, unit: '', better: 'higher' },
  place: { name: TEXT.place, unit: '', better: 'lower' },
  success: { name: TEXT.success, unit: '', better: 'higher' },
} as const;
export type ResultKind = keyof typeof RESULT_KINDS;
export const resultKinds = Object.keys(RESULT_KINDS) as readonly ResultKind[];

/** What came of one attempt, in its kind's unit; a success is 1 or 0. */
export const attemptResultSchema = z.object({
  kind: z.enum(resultKinds),
  value: z.number().min(0, TEXT.resultIsNotNegative).max(1e6),
});
export type AttemptResult = z.infer<typeof attemptResultSchema>;

/** One fact of the set-up: what, and how it was. */
export const setUpFactSchema = z.object({
  what: z.string().trim().min(1, TEXT.sayWhatIt).max(40),
  value: z.string().trim().min(1, TEXT.sayHowItWas).max(120),
});
export type SetUpFact = z.infer<typeof setUpFactSchema>;

const MOST_FACTS = 30;
export const setUpSchema = z
  .array(setUpFactSchema)
  .max(MOST_FACTS)
  .refine((facts) => new Set(facts.map(({ what }) => what.toLowerCase())).size === facts.length, TEXT.factOfSetUp);

/** What is usually written down; anything else can be. */
export const USUAL_FACTS = [
  TEXT.implement,
  TEXT.lengthOfImplement,
  TEXT.load,
  TEXT.shoes,
  TEXT.blocks,
  TEXT.rig,
  TEXT.seatHeight,
  TEXT.surface,
  TEXT.wind,
] as const;

/** As a result stands on paper. */
export function resultText({ kind, value }: AttemptResult): string {
  if (kind === 'success') return value > 0 ? TEXT.success2 : TEXT.noSuccess;
  const { unit, name } = RESULT_KINDS[kind];
  return unit ? `${value} ${unit}` : `${name.toLowerCase()} ${value}`;
}

/** Best first; attempts without a result, or with one of another kind than the first that has one, are left out. */
export function byResult<T extends { readonly result: AttemptResult | null }>(attempts: readonly T[]): readonly T[] {
  const kind = attempts.find(({ result }) => result)?.result?.kind;
  if (kind === undefined) return [];
  const sign = RESULT_KINDS[kind].better === 'higher' ? -1 : 1;
  return attempts
    .filter(({ result }) => result?.kind === kind)
    .sort((a, b) => sign * (a.result!.value - b.result!.value));
}

/** A session's set-up with what an attempt had otherwise. */
export const setUpOf = (session: readonly SetUpFact[], attempt: readonly SetUpFact[]): readonly SetUpFact[] => [
  ...session.filter(({ what }) => !attempt.some((own) => same(own.what, what))),
  ...attempt,
];

const same = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();

/** A fact that is not as it was. */
export interface SetUpChange {
  readonly what: string;
  readonly before: string;
  readonly now: string;
}

/**
 * What of each set-up is not as it was when it was last written down: what is not written down is not known to have
 * changed.
 * @param setUps in time order
 */
export function setUpChanges(setUps: readonly (readonly SetUpFact[])[]): readonly (readonly SetUpChange[])[] {
  let known: readonly SetUpFact[] = [];
  return setUps.map((now) => {
    const changes = now.flatMap(({ what, value }) => {
      const was = known.find((fact) => same(fact.what, what));
      return was && !same(was.value, value) ? [{ what, before: was.value, now: value }] : [];
    });
    known = setUpOf(known, now);
    return changes;
  });
}
