/** How somebody is built and what they wear. */
export interface Look {
  readonly skin: string;
  readonly shirt: string;
  readonly trousers: string;
  readonly hair: string;
  /** Thickness of trunk and limbs over that of a usual build; left out: 1. */
  readonly girth?: number;
  /** Size of the head over that of an adult as tall; left out: 1. */
  readonly headSize?: number;
  /** Left out: short. */
  readonly sleeves?: 'long';
  /** Left out: tight. */
  readonly legs?: 'loose' | 'skirt';
  /** Left out: short. */
  readonly hairLength?: 'long';
}

/** Light and what stands round somebody who is filmed. */
export interface Surroundings {
  /** Left out: daylight. */
  readonly light?: 'low-sun' | 'hall' | 'dusk';
  /** People who stand behind and look on. */
  readonly people?: number;
  /** Poles behind and before. */
  readonly poles?: boolean;
}

/** Where onlookers stand, one after the other: along the way, and behind it, metres. */
export const ONLOOKERS = [
  { x: -1.6, away: 3.2 },
  { x: 1.1, away: 4.1 },
  { x: 2.4, away: 2.9 },
] as const;
