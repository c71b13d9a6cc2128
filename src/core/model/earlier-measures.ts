import { withTodaysNames } from './earlier-names';

/** What movement documents were written with before, in today's form: kinds, quantities and the names of parts. */

type Written = Readonly<Record<string, unknown>>;

const isRecord = (value: unknown): value is Written =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const jointAngle = (points: unknown): Written => ({ type: 'joint-angle', points });
const segmentAngle = (points: unknown, against: unknown): Written => ({ type: 'segment-angle', points, against });

const KINDS: Readonly<Record<string, string>> = {
  turn: 'rotation',
  lead: 'event-offset',
  evenness: 'symmetry',
  steadiness: 'dispersion',
  stop: 'dwell',
};
const QUANTITIES: Readonly<Record<string, string>> = { fold: 'relative-inertia' };

const todays = (names: Readonly<Record<string, string>>, name: unknown): unknown =>
  typeof name === 'string' && Object.hasOwn(names, name) ? names[name] : name;

/** A quantity named its type `q`. */
function todaysQuantity(quantity: unknown): unknown {
  if (!isRecord(quantity) || quantity['q'] === undefined) return quantity;
  const { q, ...rest } = quantity;
  return { ...rest, type: todays(QUANTITIES, q) };
}

const QUANTITY_PARTS = ['of', 'first', 'second'];
/** A part that is or holds quantities: of a measure, a step of an order, something that is counted, a rule. */
const withQuantities = (part: Written): Written =>
  Object.fromEntries(
    Object.entries(part).map(([name, value]) => [name, QUANTITY_PARTS.includes(name) ? todaysQuantity(value) : value]),
  );

const eachOf = (list: unknown, change: (part: Written) => unknown): unknown =>
  Array.isArray(list) ? list.map((part: unknown) => (isRecord(part) ? change(part) : part)) : list;

/** What is counted was called `each`, and its type again `each`. */
const occurrence = (each: unknown): unknown =>
  isRecord(each) ? withQuantities(withTodaysNames({ each: 'type' })(each) as Written) : each;

/** Measures of angles had kinds of their own before every kind could be taken of any quantity. */
function angleKind(measure: Written): Written {
  const { kind, points, against, ...rest } = measure;
  if (kind === 'joint-angle') return { ...rest, kind: 'value', of: jointAngle(points) };
  if (kind === 'segment-angle') return { ...rest, kind: 'value', of: segmentAngle(points, against) };
  if (kind === 'joint-change') return { ...rest, kind: 'rotation', of: jointAngle(points) };
  if (kind === 'lead' && points !== undefined) return { ...rest, kind, of: segmentAngle(points, against) };
  return measure;
}

/** A measure in today's form; whatever is not of an earlier one is left as it is, for the schema to judge. */
export function todaysMeasure(measure: unknown): unknown {
  if (!isRecord(measure)) return measure;
  const named = withTodaysNames({ give: 'output', each: 'occurrence' })(angleKind(measure)) as Written;
  return {
    ...withQuantities(named),
    kind: todays(KINDS, named['kind']),
    ...(named['steps'] === undefined ? {} : { steps: eachOf(named['steps'], withQuantities) }),
    ...(named['occurrence'] === undefined ? {} : { occurrence: occurrence(named['occurrence']) }),
  };
}

const todaysPoint = withTodaysNames({ look: 'hint' });

function todaysEvent(moment: Written): unknown {
  const named = todaysPoint(moment) as Written;
  return isRecord(named['rule']) ? { ...named, rule: withQuantities(named['rule']) } : named;
}

/** A movement with its parts in today's form. */
export const todaysMovement = (movement: unknown): unknown =>
  isRecord(movement)
    ? {
        ...movement,
        ...(movement['points'] === undefined ? {} : { points: eachOf(movement['points'], todaysPoint) }),
        ...(movement['moments'] === undefined ? {} : { moments: eachOf(movement['moments'], todaysEvent) }),
        ...(movement['measures'] === undefined ? {} : { measures: eachOf(movement['measures'], todaysMeasure) }),
      }
    : movement;
