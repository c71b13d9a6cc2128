import { bodyOf } from '../../demo/athlete/body';
import { NOTHING_PLANTED, perform, type PlantedDifferences } from '../../demo/athlete/pace-delivery';
import { PACE_DELIVERY } from '../../demo/athlete/pace-delivery-keys';
import type { Clip } from '../../src/core/model/clip';
import type { Movement } from '../../src/core/model/movement';
import { movementOf } from '../../src/movements';
import { standingOf, systematicShift, dice, filmed, type MadeClip } from '../made-clips';

const RATES = [60, 100, 120, 240] as const;

/** The four differences that can be planted, and how large they are when they are. */
export const FAULTS = {
  frontKneeCollapse: { from: 14, to: 28, measure: 'front-knee-at-release', sign: -1 },
  trunkLeanAtRelease: { from: 13, to: 22, measure: 'trunk-at-release', sign: 1 },
  frontArmEarly: { from: 0.035, to: 0.06, measure: 'front-arm-lead', sign: -1 },
  releaseLate: { from: 0.025, to: 0.05, measure: 'front-foot-to-release', sign: 1 },
} as const satisfies Record<keyof PlantedDifferences, object>;
export type Fault = keyof typeof FAULTS;

export interface GeneratedPair {
  readonly faults: readonly Fault[];
  readonly athlete: MadeClip;
  readonly reference: MadeClip;
}

const FOUND = { by: 'detector' } as const;

/** One athlete and one reference: other sizes, rates, hands and cameras, 0 to 4 planted faults. */
export function generatePair(seed: number): GeneratedPair {
  const roll = dice(seed + 1);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(roll() * list.length)]!;
  const between = (low: number, high: number): number => low + roll() * (high - low);
  const count = Math.floor(roll() * 5);
  const faults = (Object.keys(FAULTS) as Fault[])
    .map((fault) => ({ fault, order: roll() }))
    .sort((a, b) => a.order - b.order)
    .slice(0, count)
    .map(({ fault }) => fault);
  const planted = {
    ...NOTHING_PLANTED,
    ...Object.fromEntries(faults.map((fault) => [fault, between(FAULTS[fault].from, FAULTS[fault].to)])),
  };
  const systematic = systematicShift(
    Object.keys(perform(bodyOf(1.8, 75), PACE_DELIVERY, NOTHING_PLANTED).poseAt(0).points),
    FOUND,
    roll,
  );
  const film = (role: Clip['role'], differences: PlantedDifferences): MadeClip => {
    const height = between(1.62, 1.98);
    const motion = perform(bodyOf(height, 22.5 * height ** 2), PACE_DELIVERY, differences);
    return filmed(
      {
        motion,
        movement: movementOf('pace-delivery') as Movement,
        role,
        name: role,
        rate: pick(RATES),
        side: -90,
        mirrored: roll() < 0.25,
        ...standingOf(roll),
        from: FOUND,
        systematic,
      },
      roll,
    );
  };
  return { faults, athlete: film('athlete', planted), reference: film('reference', NOTHING_PLANTED) };
}
