import { TEXT } from '../../text/application/intake';

/** The demo sessions that ship. */
export const DEMOS = [
  {
    id: 'pace',
    name: TEXT.paceDelivery,
    about: TEXT.bowlerFromSideBesideOne,
    before: ['pace-autumn', 'pace-winter'],
  },
  {
    id: 'walk',
    name: TEXT.raceWalking,
    about: TEXT.twoStridesOfWalkerBeside,
    before: [],
  },
  {
    id: 'hurdle',
    name: TEXT.hurdleClearance,
    about: TEXT.oneHurdleFromSideBeside,
    before: [],
  },
  {
    id: 'pace-two-cameras',
    name: TEXT.twoCameras,
    about: TEXT.bowlerAndReferenceFromSide,
    before: [],
  },
] as const;
export type DemoId = (typeof DEMOS)[number]['id'];
