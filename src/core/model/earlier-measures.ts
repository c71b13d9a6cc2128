/** Kinds of measure that were written before every one of them could be taken of any quantity, in today's form. */

type Written = Readonly<Record<string, unknown>>;

const isRecord = (value: unknown): value is Written =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const jointAngle = (points: unknown): Written => ({ q: 'joint-angle', points });
const segmentAngle = (points: unknown, against: unknown): Written => ({ q: 'segment-angle', points, against });

/** A measure in today's form; whatever is not of an earlier one is left as it is, for the schema to judge. */
export function todaysMeasure(measure: unknown): unknown {
  if (!isRecord(measure)) return measure;
  const { kind, points, against, ...rest } = measure;
  switch (kind) {
    case 'joint-angle':
      return { ...rest, kind: 'value', of: jointAngle(points) };
    case 'segment-angle':
      return { ...rest, kind: 'value', of: segmentAngle(points, against) };
    case 'joint-change':
      return { ...rest, kind: 'turn', of: jointAngle(points) };
    case 'lead':
      return points === undefined ? measure : { ...rest, kind, of: segmentAngle(points, against) };
    default:
      return measure;
  }
}

/** A movement with its measures in today's form. */
export const withTodaysMeasures = (movement: unknown): unknown =>
  isRecord(movement) && Array.isArray(movement['measures'])
    ? { ...movement, measures: movement['measures'].map(todaysMeasure) }
    : movement;
