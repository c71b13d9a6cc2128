import { produce } from 'immer';
import { eventsOf, type Measure } from '../../core/model/measure';
import { movementSchema, type KeyEvent, type Movement, type OwnPointOfMovement } from '../../core/model/movement';
import { freeId } from '../../core/model/measure-form';
import { fail, ok, type Issue, type Result } from '../../core/result';
import { movementOf, MOVEMENTS } from '../../movements';
import { eventKey } from '../../movements/event-key';
import { baseOf } from '../analysis/derived';
import { edit, useDocument } from '../stores/document-store';
import { TEXT } from '../../text/application/movement';

/**
 * Changes of the open session's movement. It becomes the session's own with the first change; no other session changes
 * with it.
 */

/** Where an issue lies, in words. */
const placeOf = (movement: Movement, path: readonly PropertyKey[]): string => {
  const [part, index] = path;
  if (part === 'measures' && typeof index === 'number')
    return TEXT.measureName(movement.measures[index]?.name ?? index + 1);
  if (part === 'moments' && typeof index === 'number')
    return TEXT.momentName(movement.moments[index]?.name ?? index + 1);
  return '';
};

/** Applies a change as one undoable step; one that would leave the movement invalid is refused with what is wrong. */
export function changeMovement(
  change: (movement: Movement) => void,
): Result<Movement, Issue<'invalid-movement' | 'no-session'>> {
  const { session } = useDocument.getState();
  if (!session) return fail('no-session', TEXT.noSessionIsOpen);
  const changed = produce(baseOf(session), change as (draft: unknown) => void);
  const checked = movementSchema.safeParse(changed);
  if (!checked.success) {
    const issue = checked.error.issues[0]!;
    return fail('invalid-movement', `${placeOf(changed, issue.path)}${issue.message}`);
  }
  edit((s) => {
    s.ownMovement = checked.data as never;
    s.movementId = checked.data.id;
  });
  return ok(checked.data);
}

type Changed = ReturnType<typeof changeMovement>;

const rejoin = (movement: Movement): void => {
  // Phases join neighbouring moments; names of those that stay are kept.
  movement.phases = movement.moments.slice(1).map((to, i) => {
    const from = movement.moments[i]!;
    return (
      movement.phases.find((p) => p.from === from.id && p.to === to.id) ?? {
        from: from.id,
        to: to.id,
        name: TEXT.nameToName2(from.name, to.name.toLowerCase()),
      }
    );
  });
};

export const addEvent = (name: string): Changed =>
  changeMovement((movement) => {
    const taken = movement.moments.map((m) => m.key);
    const key =
      Array.from({ length: 21 }, (_, i) => eventKey(i)).find((k) => !taken.includes(k)) ??
      eventKey(movement.moments.length);
    movement.moments.push({
      id: freeId(
        name,
        movement.moments.map((m) => m.id),
      ),
      name,
      key,
      hint: '',
      frame: 'nearest',
      eitherOrder: false,
      rule: null,
    });
    rejoin(movement);
  });

/** Takes a moment away; measures that need it must go, or be moved, first. */
export function removeEvent(id: string): Changed {
  const { session } = useDocument.getState();
  const needed = session
    ? baseOf(session)
        .measures.filter((m) => eventsOf(m).includes(id))
        .map((m) => `\u201c${m.name}\u201d`)
    : [];
  const need =
    needed.length > 3 ? TEXT.andCountMoreMeasuresNeed(needed.length - 3) : needed.length === 1 ? TEXT.needs : TEXT.need;
  if (needed.length > 0)
    return fail('invalid-movement', TEXT.neededNeedThisMomentRead(needed.slice(0, 3).join(', '), need));
  return changeMovement((movement) => {
    movement.moments = movement.moments
      .filter((m) => m.id !== id)
      .map((m) =>
        m.rule && (m.rule.after === id || m.rule.before === id)
          ? {
              ...m,
              rule: {
                ...m.rule,
                after: m.rule.after === id ? null : m.rule.after,
                before: m.rule.before === id ? null : m.rule.before,
              },
            }
          : m,
      ) as KeyEvent[];
    if (movement.repeats?.by === id) movement.repeats = null;
    rejoin(movement);
  });
}

export const changeEvent = (
  id: string,
  change: Partial<Pick<KeyEvent, 'name' | 'hint' | 'key' | 'frame' | 'eitherOrder' | 'rule'>>,
): Changed =>
  changeMovement((movement) => {
    movement.moments = movement.moments.map((m) => (m.id === id ? { ...m, ...change } : m));
    rejoin(movement);
  });

export const sortEvents = (ids: readonly string[]): Changed =>
  changeMovement((movement) => {
    movement.moments = ids.flatMap((id) => movement.moments.find((m) => m.id === id) ?? []);
    rejoin(movement);
  });

export const addMeasure = (measure: Measure): Changed =>
  changeMovement((movement) => void movement.measures.push(measure));

export const changeMeasure = (id: string, measure: Measure): Changed =>
  changeMovement((movement) => {
    movement.measures = movement.measures.map((m) => (m.id === id ? measure : m));
  });

/** Takes a measure away, with the links, criteria and school targets that name it. */
export const removeMeasure = (id: string): Changed =>
  changeMovement((movement) => {
    movement.measures = movement.measures.filter((m) => m.id !== id);
    movement.causes = movement.causes.filter((link) => link.cause !== id && link.effect !== id);
    movement.schools = movement.schools.map((s) => ({
      ...s,
      targets: Object.fromEntries(Object.entries(s.targets).filter(([key]) => key !== id)),
      when: s.when?.measure === id ? undefined : s.when,
    }));
    if (movement.sheet) {
      const gone = movement.sheet.criteria.filter((c) => c.measure === id).map((c) => c.id);
      const criteria = movement.sheet.criteria.filter((c) => c.measure !== id);
      movement.sheet =
        criteria.length === 0
          ? null
          : {
              ...movement.sheet,
              criteria,
              gates: movement.sheet.gates.flatMap((g) => {
                const needs = g.needs.filter((n) => !gone.includes(n));
                return needs.length > 0 ? [{ ...g, needs }] : [];
              }),
            };
    }
  });

export const sortMeasures = (ids: readonly string[]): Changed =>
  changeMovement((movement) => {
    movement.measures = ids.flatMap((id) => movement.measures.find((m) => m.id === id) ?? []);
  });

/** A movement that ships and is given another name is another one: sessions of both are not one athlete’s history. */
export const renameMovement = (change: Partial<Pick<Movement, 'name' | 'sport'>>): Changed =>
  changeMovement((movement) => {
    const shipped = movementOf(movement.id);
    if (change.name !== undefined && shipped && shipped.name !== change.name)
      movement.id = freeId(
        change.name,
        MOVEMENTS.map((m) => m.id),
      );
    Object.assign(movement, change);
  });

/** Adds a point beside the body. */
export const addPoint = (name: string, hint: string): Changed =>
  changeMovement(
    (movement) =>
      void movement.points.push({
        id: `own-${freeId(
          name,
          movement.points.map((p) => p.id.slice(4)),
        )}`,
        name,
        hint,
      }),
  );

/** Says that a point is the same as one of another person's in the picture, or that it is placed by hand (null). */
export const followPartner = (id: string, partner: NonNullable<OwnPointOfMovement['partner']> | null): Changed =>
  changeMovement((movement) => {
    const point = movement.points.find((p) => p.id === id);
    if (!point) return;
    if (partner) point.partner = partner;
    else delete point.partner;
  });

/** Says that one measure is a cause of another, changes what is said of it, or takes that back (null). */
export const linkCause = (
  cause: string,
  effect: string,
  link: Partial<Omit<Movement['causes'][number], 'cause' | 'effect'>> | null,
): Changed =>
  changeMovement((movement) => {
    const before = movement.causes.find((l) => l.cause === cause && l.effect === effect) ?? {
      cause,
      effect,
      share: 0.5,
      because: TEXT.oneLeadsToOther,
    };
    movement.causes = [
      ...movement.causes.filter((l) => l.cause !== cause || l.effect !== effect),
      ...(link ? [{ ...before, ...link }] : []),
    ];
  });

/** Sets the criteria sheet; null for none. */
export const changeSheet = (sheet: Movement['sheet']): Changed =>
  changeMovement((movement) => {
    movement.sheet = sheet;
  });

/** Sets the cautions; a measure whose caution is gone carries no risk any more. */
export const changeCautions = (cautions: Movement['cautions']): Changed =>
  changeMovement((movement) => {
    movement.cautions = cautions;
    const known = new Set(cautions.map((c) => c.id));
    movement.measures = movement.measures.map((m) =>
      m.risk !== undefined && !known.has(m.risk) ? { ...m, risk: undefined } : m,
    );
  });

export const changeSchools = (schools: Movement['schools']): Changed =>
  changeMovement((movement) => {
    movement.schools = schools;
  });

/** Says by which moment repetitions are counted; null where a clip holds one. */
export const changeRepeats = (repeats: Movement['repeats']): Changed =>
  changeMovement((movement) => {
    movement.repeats = repeats;
  });

export const changeKnownLengths = (lengths: Movement['knownLengths']): Changed =>
  changeMovement((movement) => {
    movement.knownLengths = lengths;
  });

/** Removes a point beside the body, unless something is measured on it. */
export function removePoint(id: string): Changed {
  const { session } = useDocument.getState();
  const base = session && baseOf(session);
  // A point is named in many places of a measure, always by its id.
  const names = (part: unknown): boolean => JSON.stringify(part).includes(`"${id}"`);
  const user =
    base?.measures.find(names)?.name ?? base?.moments.find(({ rule }) => rule !== null && names(rule))?.name ?? null;
  if (user !== null) return fail('invalid-movement', TEXT.userNeedsThisPointRead(user));
  return changeMovement((movement) => {
    movement.points = movement.points.filter((p) => p.id !== id);
  });
}
