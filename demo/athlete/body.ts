/** Lengths in metres of a body whose joints are moved by key frames. */
export interface Body {
  readonly height: number;
  readonly mass: number;
  readonly thigh: number;
  readonly shank: number;
  readonly ankleHeight: number;
  readonly heelBehindAnkle: number;
  readonly toeAheadOfAnkle: number;
  readonly trunk: number;
  readonly shoulderHalfWidth: number;
  readonly hipHalfWidth: number;
  readonly upperArm: number;
  readonly forearm: number;
  readonly hand: number;
  readonly neck: number;
}

/**
 * Segment lengths as shares of standing height.
 * Source: Drillis and Contini 1966 as drawn in Winter, Biomechanics and Motor Control of Human Movement, fig. 4.1
 * (shares from memory): thigh .245, shank .246, foot height .039, foot length .152, upper arm .186, forearm .146,
 * hand .108, hip to shoulder .288, half shoulder width .129 (outer; joint centres lie further in), half hip width
 * .0955 (outer).
 */
export function bodyOf(height: number, mass: number): Body {
  return {
    height,
    mass,
    thigh: 0.245 * height,
    shank: 0.246 * height,
    ankleHeight: 0.039 * height,
    heelBehindAnkle: 0.035 * height,
    toeAheadOfAnkle: 0.105 * height,
    trunk: 0.288 * height,
    shoulderHalfWidth: 0.104 * height,
    hipHalfWidth: 0.05 * height,
    upperArm: 0.186 * height,
    forearm: 0.146 * height,
    hand: 0.108 * height,
    neck: 0.052 * height,
  };
}
