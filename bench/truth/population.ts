import { bodyOf } from '../../demo/athlete/body';
import type { Trial as Motion } from '../../demo/athlete/motion';
import { NOTHING_PLANTED, perform } from '../../demo/athlete/pace-delivery';
import { PACE_DELIVERY } from '../../demo/athlete/pace-delivery-keys';
import { walk, WALKING } from '../../demo/athlete/race-walking';
import { clearHurdle, HURDLING } from '../../demo/athlete/sprint-hurdles';
import type { Movement } from '../../src/core/model/movement';
import { movementOf } from '../../src/movements';
import { normal } from '../../tests/fixtures/random';
import {
  standingOf,
  systematicShift,
  dice,
  filmed,
  type MadeClip,
  type PointsFrom,
  type Standing,
} from '../made-clips';

export const MOVEMENTS_MADE = ['pace-delivery', 'race-walking', 'sprint-hurdles'] as const;
export type MadeMovement = (typeof MOVEMENTS_MADE)[number];

/** How far a performer's way of moving lies from the population's, in its standard deviations, by name. */
type Manner = Readonly<Record<string, number>>;

const NAMES = ['a', 'b', 'c', 'd', 'e', 'f'] as const;
export const mannerOf = (roll: () => number): Manner =>
  Object.fromEntries([...NAMES, 'height'].map((name) => [name, normal(roll)]));
/** One attempt of a performer: their manner, and a little beside it. */
export const attemptOf = (manner: Manner, roll: () => number, share = 0.3): Manner =>
  Object.fromEntries(
    Object.entries(manner).map(([name, v]) => [name, name === 'height' ? v : v + share * normal(roll)]),
  );

/** A performer of a population of good ones: each does it in a way of their own. */
export function motionOf(movement: MadeMovement, m: Manner): Motion {
  const height = Math.min(2, Math.max(1.55, 1.77 + 0.08 * m['height']!));
  const body = bodyOf(height, 22.5 * height ** 2);
  switch (movement) {
    case 'pace-delivery':
      return perform(body, PACE_DELIVERY, {
        ...NOTHING_PLANTED,
        frontKneeCollapse: 4 * m['a']!,
        trunkLeanAtRelease: 3 * m['b']!,
        frontArmEarly: 0.008 * m['c']!,
        releaseLate: 0.006 * m['d']!,
      });
    case 'race-walking':
      return walk(body, {
        ...WALKING,
        stepTime: 0.3 + 0.008 * m['a']!,
        speed: 3.2 + 0.12 * m['b']!,
        kneeAtContact: Math.max(0, 3 + 1.5 * m['c']!),
        kneeAtVertical: Math.max(0, 3 + 1.5 * m['d']!),
        trunkLean: 3 + 1.5 * m['e']!,
        flight: Math.max(0.006, 0.024 + 0.006 * m['f']!),
      });
    case 'sprint-hurdles':
      return clearHurdle(body, {
        ...HURDLING,
        takeOffDistance: 2.05 + 0.08 * m['a']!,
        longFlight: 0.008 * m['b']!,
        upright: 3 * m['c']!,
        openTrail: 3 * m['d']!,
      });
  }
}

const RATES = [50, 60, 100, 120, 240] as const;
export interface Shooting extends Standing {
  readonly from: PointsFrom;
  readonly rate: number;
  readonly mirrored: boolean;
}

/** How one clip is filmed: rate, hand and camera by chance. */
export function shootingOf(from: PointsFrom, roll: () => number): Shooting {
  const standing = standingOf(roll);
  return {
    from,
    rate: RATES[Math.floor(roll() * RATES.length)]!,
    ...standing,
    mirrored: roll() < 0.25,
  };
}

/** A performer of a movement, filmed. */
export function shot(
  movement: MadeMovement,
  manner: Manner,
  name: string,
  role: 'athlete' | 'reference',
  shooting: Shooting,
  systematic: ReturnType<typeof systematicShift>,
  roll: () => number,
): MadeClip {
  return filmed(
    {
      motion: motionOf(movement, manner),
      movement: movementOf(movement) as Movement,
      role,
      name,
      side: movement === 'pace-delivery' ? -90 : 90,
      systematic,
      ...shooting,
    },
    roll,
  );
}

/** What a detector or a file does alike in all clips of one comparison. */
export function systematicOf(
  movement: MadeMovement,
  from: PointsFrom,
  roll: () => number,
): ReturnType<typeof systematicShift> {
  const motion = motionOf(movement, mannerOf(dice(1)));
  return systematicShift(Object.keys(motion.poseAt(motion.start).points), from, roll);
}
