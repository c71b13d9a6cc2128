import type { MovementDocument } from '../core/model/movement';
import { FAMILIES } from './families';
import { hurdleRace } from './hurdle-race';
import { paceDelivery } from './pace-delivery';
import { raceWalking } from './race-walking';
import { sprintHurdles } from './sprint-hurdles';

/** The movements that ship, as they are written: a new one is one data file and one line here. */
export const DOCUMENTS: readonly MovementDocument[] = [
  paceDelivery,
  raceWalking,
  sprintHurdles,
  hurdleRace,
  ...FAMILIES,
];
