import type { PointId } from './body-points';

/** Regions of the body in the order in which they are gone through, from the ground up. */
export const REGIONS = ['feet', 'legs', 'hips', 'trunk', 'arms', 'head'] as const;

const POINTS: Readonly<Record<string, RegExp>> = {
  feet: /ankle|heel|foot-index/,
  legs: /hip|knee|ankle/,
  hips: /hip/,
  trunk: /shoulder|hip/,
  arms: /shoulder|elbow|wrist/,
  head: /nose|ear/,
};

/** Whether a point belongs to a region; a region of the user's own has no points. */
export const inRegion = (region: string, id: PointId): boolean => POINTS[region]?.test(id) ?? false;
