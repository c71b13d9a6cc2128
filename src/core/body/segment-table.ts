/**
 * Relative segment masses, percent of body mass.
 * Source: de Leva 1996, Adjustments to Zatsiorsky-Seluyanov's segment inertia parameters, J. Biomech. 29, table 4
 * (from memory; the male column sums to 100.00, the female to 99.99).
 */
export interface SegmentMasses {
  readonly head: number;
  readonly trunk: number;
  readonly upperArm: number;
  readonly forearm: number;
  readonly hand: number;
  readonly thigh: number;
  readonly shank: number;
  readonly foot: number;
}

export const SEGMENT_MASSES: Readonly<Record<'male' | 'female', SegmentMasses>> = {
  male: { head: 6.94, trunk: 43.46, upperArm: 2.71, forearm: 1.62, hand: 0.61, thigh: 14.16, shank: 4.33, foot: 1.37 },
  female: { head: 6.68, trunk: 42.57, upperArm: 2.55, forearm: 1.38, hand: 0.56, thigh: 14.78, shank: 4.81, foot: 1.29 },
};

/** Mass share of a whole body, percent: head and trunk once, every limb segment twice. */
export function totalMass(masses: SegmentMasses): number {
  const limbs = masses.upperArm + masses.forearm + masses.hand + masses.thigh + masses.shank + masses.foot;
  return masses.head + masses.trunk + 2 * limbs;
}

/** Segment lengths as shares of standing height. Source: Drillis and Contini 1966, as in Winter (from memory). */
export const LENGTH_SHARES = { thigh: 0.245, shank: 0.246, trunk: 0.288, upperArm: 0.186, forearm: 0.146 } as const;
