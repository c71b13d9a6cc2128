import type { BodyPoint } from './body-points';
import { SEGMENT_TABLES, totalMass, type SegmentName, type TableName } from './segment-table';

/** A point's part in a weighted mean of points. */
export interface PointWeight {
  readonly id: BodyPoint;
  readonly weight: number;
}

/** Ends of each segment: proximal, distal; an end may be the mean of several points. */
const ends = (
  side: 'left' | 'right',
): Readonly<Record<Exclude<SegmentName, 'head' | 'trunk'>, readonly [BodyPoint, BodyPoint]>> => ({
  upperArm: [`${side}-shoulder`, `${side}-elbow`],
  forearm: [`${side}-elbow`, `${side}-wrist`],
  hand: [`${side}-wrist`, `${side}-wrist`],
  thigh: [`${side}-hip`, `${side}-knee`],
  shank: [`${side}-knee`, `${side}-ankle`],
  foot: [`${side}-heel`, `${side}-foot-index`],
});

/**
 * How a person's centre of mass lies beside the table's, share of standing height in one coordinate: people are built
 * differently, and a trunk bends (common practice).
 */
export const TABLE_SD_SHARE = 0.006;

/**
 * The whole body's centre of mass as a weighted mean of body points; the weights sum to 1.
 * Source of the parameters: `segment-table.ts`.
 * @param head points whose mean is the head's centre: the ears where they are known, else the nose
 */
export function centreOfMassWeights(
  name: TableName,
  head: readonly BodyPoint[] = ['left-ear', 'right-ear'],
): readonly PointWeight[] {
  const table = SEGMENT_TABLES[name];
  const weights = new Map<BodyPoint, number>();
  const add = (id: BodyPoint, weight: number): void =>
    void weights.set(id, (weights.get(id) ?? 0) + weight / totalMass(name));
  for (const id of head) add(id, table.head.mass / head.length);
  for (const side of ['left', 'right'] as const) {
    // Half of the trunk hangs on each side's shoulder and hip.
    add(`${side}-shoulder`, (table.trunk.mass / 2) * (1 - table.trunk.centre / 100));
    add(`${side}-hip`, (table.trunk.mass / 2) * (table.trunk.centre / 100));
    for (const [segment, [proximal, distal]] of Object.entries(ends(side)) as [
      Exclude<SegmentName, 'head' | 'trunk'>,
      [BodyPoint, BodyPoint],
    ][]) {
      const { mass, centre } = table[segment];
      add(proximal, mass * (1 - centre / 100));
      add(distal, (mass * centre) / 100);
    }
  }
  return [...weights].map(([id, weight]) => ({ id, weight }));
}

/** One segment of a limb as a plane figure: proximal and distal end, metres. */
export interface LimbSegment {
  readonly name: SegmentName;
  readonly from: { readonly x: number; readonly y: number };
  readonly to: { readonly x: number; readonly y: number };
}

/**
 * Moment of inertia of a limb about an axis through a point at right angles to the plane, per kilogram of body mass
 * (m2): parallel axes (Steiner) over its segments. A bent leg is quicker to swing than a straight one by this.
 */
export function limbInertia(
  segments: readonly LimbSegment[],
  about: { readonly x: number; readonly y: number },
  name: TableName,
): number {
  return segments.reduce((sum, { name: segment, from, to }) => {
    const { mass, centre, gyration } = SEGMENT_TABLES[name][segment];
    const length = Math.hypot(to.x - from.x, to.y - from.y);
    const u = centre / 100;
    const away = Math.hypot(from.x + u * (to.x - from.x) - about.x, from.y + u * (to.y - from.y) - about.y);
    return sum + (mass / 100) * (((gyration / 100) * length) ** 2 + away ** 2);
  }, 0);
}
