import { JOINT_POINTS, type PointId } from '../anatomy/body-points';
import { LENGTH_SHARES } from '../anatomy/segment-table';
import { TEXT } from '../../text/core/reconstruction';

/**
 * What is known of the distance between two joints: the same in every frame but for how far a detector's idea of the
 * joints wanders along the body, and on the left and right. In standing heights.
 */
export interface Segment {
  readonly name: string;
  readonly length: number;
  /** How people differ, standard deviation of the natural logarithm. */
  readonly logSd: number;
  /** How it changes from frame to frame, standing heights. */
  readonly wander: number;
  readonly joints: readonly [string, string];
}

/**
 * Lengths of limbs: Drillis and Contini (`segment-table.ts`); of feet, hips and shoulders between the points that the
 * detectors mean, and how they differ and wander: common practice. A trunk bends and shoulders are drawn up, so that
 * their distances say little.
 */
export const SEGMENTS_IN_SPACE: readonly Segment[] = [
  {
    name: TEXT.upperArm,
    length: LENGTH_SHARES.upperArm * 0.93,
    logSd: 0.08,
    wander: 0.01,
    joints: ['shoulder', 'elbow'],
  },
  { name: 'forearm', length: LENGTH_SHARES.forearm, logSd: 0.08, wander: 0.008, joints: ['elbow', 'wrist'] },
  { name: 'thigh', length: LENGTH_SHARES.thigh, logSd: 0.07, wander: 0.01, joints: ['hip', 'knee'] },
  { name: 'shank', length: LENGTH_SHARES.shank, logSd: 0.07, wander: 0.008, joints: ['knee', 'ankle'] },
  { name: TEXT.hindFoot, length: 0.045, logSd: 0.3, wander: 0.008, joints: ['ankle', 'heel'] },
  { name: 'forefoot', length: 0.09, logSd: 0.25, wander: 0.012, joints: ['ankle', 'foot-index'] },
  { name: 'foot', length: 0.125, logSd: 0.2, wander: 0.012, joints: ['heel', 'foot-index'] },
  { name: 'trunk', length: LENGTH_SHARES.trunk, logSd: 0.1, wander: 0.025, joints: ['shoulder', 'hip'] },
];
/** Across the body: from the left to the right joint. */
export const WIDTHS_IN_SPACE: readonly Omit<Segment, 'joints'>[] = [
  { name: 'hip', length: 0.105, logSd: 0.2, wander: 0.01 },
  { name: 'shoulder', length: 0.2, logSd: 0.15, wander: 0.025 },
];

/** A segment between two of the points that are there. */
export interface Link {
  /** Places of the two in the list of points. */
  readonly a: number;
  readonly b: number;
  /** Which length it has: the same number for left and right. */
  readonly length: number;
  readonly wander: number;
}

export interface Links {
  readonly links: readonly Link[];
  readonly lengths: readonly { readonly name: string; readonly length: number; readonly logSd: number }[];
}

/** The segments between those points of a body that are there. */
export function linksBetween(ids: readonly PointId[]): Links {
  const links: Link[] = [];
  const lengths: { name: string; length: number; logSd: number }[] = [];
  const add = (
    { name, length, logSd, wander }: Omit<Segment, 'joints'>,
    pairs: readonly (readonly [string, string])[],
  ) => {
    const there = pairs
      .map(([a, b]) => [ids.indexOf(a as PointId), ids.indexOf(b as PointId)] as const)
      .filter(([a, b]) => a >= 0 && b >= 0);
    if (there.length === 0) return;
    for (const [a, b] of there) links.push({ a, b, length: lengths.length, wander });
    lengths.push({ name, length, logSd });
  };
  for (const segment of SEGMENTS_IN_SPACE) {
    const [a, b] = segment.joints;
    add(segment, [
      [`left-${a}`, `left-${b}`],
      [`right-${a}`, `right-${b}`],
    ]);
  }
  for (const width of WIDTHS_IN_SPACE) add(width, [[`left-${width.name}`, `right-${width.name}`]]);
  return { links, lengths };
}

/** Points by which cameras are brought together: joints of the body with a side, and the nose. */
export const isJoint = (id: PointId): boolean => (JOINT_POINTS as readonly PointId[]).includes(id);
