import type { Beside } from './athlete/beside';
import { bodyOf, type Body } from './athlete/body';
import { turnedRound } from './athlete/turned';
import type { Trial } from './athlete/motion';
import { NOTHING_PLANTED, perform, type PlantedDifferences } from './athlete/pace-delivery';
import { PACE_DELIVERY } from './athlete/pace-delivery-keys';
import { walk, WALKING, type WalkingManner } from './athlete/race-walking';
import { clearHurdle, HURDLING, type HurdlingManner } from './athlete/sprint-hurdles';
import { vec3 } from './athlete/vec3';
import type { Camera } from './camera/camera';
import { moved, type Filming } from './camera/moving';
import type { Look, Surroundings } from './look';

export type Ground = 'practice-ground' | 'track' | 'hurdles';

/** One made-up performer filmed by one camera. */
export interface DemoClip {
  readonly id: string;
  readonly performer: string;
  readonly movement: 'pace-delivery' | 'race-walking' | 'sprint-hurdles';
  readonly body: Body;
  /** What the performer does differently from the movement's reference, by name. */
  readonly planted: Readonly<Record<string, number>>;
  readonly perform: () => Trial;
  readonly camera: Camera;
  readonly appearance: Look;
  readonly ground: Ground;
  /** Colours of the ground, so that two clips are not taken for the same afternoon. */
  readonly afternoon: 'clear' | 'hazy';
  /** What else is round the performer; left out in the open by day. */
  readonly surroundings?: Surroundings;
  /**
   * Somebody else who goes through the picture, as a clip of their own with the same camera; it has truth and no video.
   */
  readonly passer?: DemoClip;
  /** Something that moves beside the performer, whose points the trial knows as objects. */
  readonly beside?: Beside;
}

export type Person = Pick<DemoClip, 'performer' | 'body' | 'appearance' | 'afternoon'>;

const person = (
  performer: string,
  height: number,
  mass: number,
  afternoon: DemoClip['afternoon'],
  ...[skin, shirt, trousers, hair]: [string, string, string, string]
): Person => ({
  performer,
  body: bodyOf(height, mass),
  appearance: { skin, shirt, trousers, hair },
  afternoon,
});

const OREN = person('Oren Tavish', 1.88, 84, 'clear', '#9c6b4a', '#8a4152', '#d8d3c4', '#20160f');
const KIP = person('Kip Marlowe', 1.79, 74, 'hazy', '#c99372', '#2d6e7e', '#39424e', '#5b3b22');
const BRAM = person('Bram Oduya', 1.93, 91, 'clear', '#6e4630', '#d0b25a', '#e4e0d6', '#15100c');
const JONAS = person('Jonas Wreford', 1.83, 79, 'hazy', '#d6a786', '#56704a', '#cfc8b6', '#8b6a3d');
const MIRA = person('Mira Castellan', 1.66, 54, 'clear', '#b57f5c', '#3f5d96', '#26282e', '#2a1b12');
const SILKE = person('Silke Aarden', 1.72, 58, 'hazy', '#dfb394', '#b4583a', '#2f3a3a', '#a8834e');
const NOOR = person('Noor Bashiri', 1.69, 56, 'clear', '#8f6143', '#6f8f3c', '#35304a', '#120d0a');
const TESS = person('Tess Halloran', 1.63, 55, 'hazy', '#d2a07e', '#9b4a7a', '#3a3f47', '#6b3a1e');
const ADA = person('Ada Ferrow', 1.75, 63, 'clear', '#7a4e35', '#c8503c', '#1f2430', '#0f0b09');
const IRIS = person('Iris Vandeleur', 1.78, 66, 'hazy', '#d9ab8b', '#39808c', '#22262c', '#5a4023');
const LENA = person('Lena Skarsbo', 1.72, 60, 'clear', '#e2b89c', '#e0a93a', '#2b3350', '#c09a5a');
const PIA = person('Pia Korhola', 1.71, 61, 'hazy', '#c48d68', '#6a58a0', '#2c2c30', '#3b2617');

export const FULL = { width: 1280, height: 720, frameRate: 120, shutter: 1 / 500 } as const;
const LEFT_SIDE = { ...FULL, azimuth: -90 } as const;
const RIGHT_SIDE = { ...FULL, azimuth: 90 } as const;

export const pace = (id: string, who: Person, planted: Partial<PlantedDifferences>, camera: Camera): DemoClip => {
  const all = { ...NOTHING_PLANTED, ...planted };
  return {
    ...who,
    id,
    movement: 'pace-delivery',
    ground: 'practice-ground',
    planted: { ...all },
    perform: () => perform(who.body, PACE_DELIVERY, all),
    camera,
  };
};

export const walking = (id: string, who: Person, manner: Partial<WalkingManner>, camera: Camera): DemoClip => {
  const all = { ...WALKING, ...manner };
  return {
    ...who,
    id,
    movement: 'race-walking',
    ground: 'track',
    planted: { ...manner },
    perform: () => walk(who.body, all),
    camera,
  };
};

export const hurdling = (id: string, who: Person, manner: Partial<HurdlingManner>, camera: Camera): DemoClip => {
  const all = { ...HURDLING, ...manner };
  return {
    ...who,
    id,
    movement: 'sprint-hurdles',
    ground: 'hurdles',
    planted: { ...manner },
    perform: () => clearHurdle(who.body, all),
    camera,
  };
};

const FAULTS_OF_KIP: PlantedDifferences = {
  frontKneeCollapse: 18,
  trunkLeanAtRelease: 12,
  frontArmEarly: 0.04,
  releaseLate: 0.025,
};
/** The same bowler half a year and two months before: the knee gave way more, the trunk stayed higher. */
const KIP_IN_AUTUMN: PlantedDifferences = {
  frontKneeCollapse: 32,
  trunkLeanAtRelease: 3,
  frontArmEarly: 0.075,
  releaseLate: 0.05,
};
const KIP_IN_WINTER: PlantedDifferences = {
  frontKneeCollapse: 26,
  trunkLeanAtRelease: 7,
  frontArmEarly: 0.01,
  releaseLate: 0.035,
};
const KIP_SIDE = {
  ...LEFT_SIDE,
  elevation: 2.5,
  distance: 12.5,
  fieldOfView: 22.5,
  target: vec3(-0.55, 1.02, 0),
} as const;
const FRONT = { ...FULL, azimuth: 0, elevation: 3, distance: 15, fieldOfView: 14, target: vec3(0, 1.05, 0) } as const;
const OVERHEAD = {
  ...FULL,
  azimuth: -90,
  elevation: 86,
  distance: 11,
  fieldOfView: 28,
  target: vec3(0, 1.0, 0),
} as const;
const FAULTS_OF_TESS = {
  kneeAtContact: 12,
  kneeAtVertical: 10,
  flight: 0.056,
  trunkLean: 8,
  stepTime: 0.316,
  speed: 2.95,
} as const;
const FAULTS_OF_PIA = { takeOffDistance: 1.72, longFlight: 0.045, upright: 16, openTrail: 10 } as const;
const walkSide = { ...RIGHT_SIDE, elevation: 1.5, distance: 13, fieldOfView: 17.5, target: vec3(0, 0.95, 0) } as const;
const hurdleSide = {
  ...RIGHT_SIDE,
  shutter: 1 / 1000,
  elevation: 1.5,
  distance: 16,
  fieldOfView: 17.5,
  target: vec3(-0.1, 1.1, 0),
} as const;

/** Every clip of the demo; the reference performers carry small differences of their own, as people do. */
export const DEMO_CLIPS: readonly DemoClip[] = [
  pace(
    'pace-side-reference',
    OREN,
    {},
    { ...LEFT_SIDE, elevation: 1.5, distance: 14, fieldOfView: 21, target: vec3(-0.6, 1.08, 0) },
  ),
  pace('pace-side-athlete', KIP, FAULTS_OF_KIP, KIP_SIDE),
  pace(
    'pace-side-reference-2',
    BRAM,
    { frontKneeCollapse: -2, trunkLeanAtRelease: 2, frontArmEarly: -0.005, releaseLate: -0.003 },
    { ...LEFT_SIDE, elevation: 2, distance: 13.5, fieldOfView: 22, target: vec3(-0.6, 1.08, 0) },
  ),
  pace(
    'pace-side-reference-3',
    JONAS,
    { frontKneeCollapse: 3, trunkLeanAtRelease: -2, frontArmEarly: 0.006, releaseLate: 0.004 },
    { ...LEFT_SIDE, frameRate: 100, elevation: 1, distance: 14, fieldOfView: 21, target: vec3(-0.6, 1.05, 0) },
  ),
  pace('pace-oblique-athlete', KIP, FAULTS_OF_KIP, {
    ...LEFT_SIDE,
    azimuth: -70,
    elevation: 3,
    distance: 13,
    fieldOfView: 22,
    target: vec3(-0.55, 1.02, 0),
  }),
  pace('pace-front-reference', OREN, {}, FRONT),
  pace('pace-front-athlete', KIP, FAULTS_OF_KIP, FRONT),
  pace('pace-overhead-reference', OREN, {}, OVERHEAD),
  pace('pace-overhead-athlete', KIP, FAULTS_OF_KIP, OVERHEAD),
  pace(
    'pace-side-athlete-autumn',
    { ...KIP, appearance: { ...KIP.appearance, shirt: '#7a5b2d', trousers: '#43403a' } },
    KIP_IN_AUTUMN,
    KIP_SIDE,
  ),
  pace(
    'pace-side-athlete-winter',
    { ...KIP, appearance: { ...KIP.appearance, shirt: '#49505c', trousers: '#2c333c' } },
    KIP_IN_WINTER,
    KIP_SIDE,
  ),
  walking('walk-side-reference', MIRA, {}, walkSide),
  walking(
    'walk-side-reference-2',
    SILKE,
    { stepTime: 0.304, speed: 3.35, kneeAtVertical: 1.5, trunkLean: 2, flight: 0.026, elbowFlexion: 84 },
    walkSide,
  ),
  walking(
    'walk-side-reference-3',
    NOOR,
    { stepTime: 0.296, speed: 3.2, kneeAtContact: 3, trunkLean: 4, flight: 0.02, elbowFlexion: 92 },
    { ...walkSide, frameRate: 100 },
  ),
  walking('walk-side-athlete', TESS, FAULTS_OF_TESS, walkSide),
  walking('walk-oblique-athlete', TESS, FAULTS_OF_TESS, { ...walkSide, azimuth: 70, elevation: 3 }),
  hurdling('hurdle-side-reference', ADA, {}, hurdleSide),
  hurdling('hurdle-side-reference-2', IRIS, { takeOffDistance: 2.12, upright: -2, longFlight: -0.006 }, hurdleSide),
  hurdling(
    'hurdle-side-reference-3',
    LENA,
    { takeOffDistance: 1.99, upright: 3, longFlight: 0.005, openTrail: -4 },
    hurdleSide,
  ),
  hurdling('hurdle-side-athlete', PIA, FAULTS_OF_PIA, hurdleSide),
  hurdling('hurdle-oblique-athlete', PIA, FAULTS_OF_PIA, { ...hurdleSide, azimuth: 70, elevation: 3 }),
];

/** Two walkers who meet: the one behind goes the other way and is covered for a moment. */
const crossing = (id: string, who: Person, other: Person, behind: number): DemoClip => {
  const camera = { ...walkSide, frameRate: 60 };
  const passer = walking(`${id}-passer`, other, { stepTime: 0.31, speed: 3.1 }, camera);
  const turned = { ...passer, perform: () => turnedRound(passer.perform(), 0, -behind) };
  return { ...walking(id, who, {}, camera), passer: turned };
};

/** Clips of which no session is made: what detecting points must cope with. */
export const TRIAL_CLIPS: readonly DemoClip[] = [
  crossing('walk-crossing', MIRA, SILKE, 1.1),
  crossing('walk-crossing-alike', NOOR, { ...TESS, appearance: NOOR.appearance }, 1.1),
];

/** The same trial by a camera that somebody moves. */
export function filmed(id: string, filming: Filming): DemoClip {
  const clip = DEMO_CLIPS.find((one) => one.id === id)!;
  return { ...clip, id: `${id}-${filming}`, camera: moved(clip.camera, clip.perform(), filming) };
}

/** Clips whose camera moves: what is known of the camera, and what is measured in spite of it, is held against them. */
export const MOVING_CLIPS: readonly DemoClip[] = [
  filmed('pace-side-athlete', 'pans'),
  filmed('walk-side-athlete', 'pans'),
  filmed('hurdle-side-athlete', 'zooms'),
  filmed('walk-side-reference', 'hand-held'),
];

const towards = { ...FULL, azimuth: 0, elevation: 3, distance: 14 } as const;
const walkTowards = { ...towards, fieldOfView: 20, target: vec3(0, 0.95, 0) } as const;
const hurdleTowards = { ...towards, fieldOfView: 17, target: vec3(-0.1, 1.1, 0) } as const;
const behind = { azimuth: 180 } as const;
const above = { ...OVERHEAD, azimuth: 90, fieldOfView: 34 } as const;

/**
 * Trials from further cameras, of which no session is made: bodies in space, and what one camera sees from the front and
 * from behind, are held against them.
 */
export const FURTHER_VIEWS: readonly DemoClip[] = [
  pace('pace-quarter-athlete', KIP, FAULTS_OF_KIP, { ...KIP_SIDE, azimuth: -45, elevation: 4, fieldOfView: 26 }),
  pace('pace-back-athlete', KIP, FAULTS_OF_KIP, { ...FRONT, ...behind }),
  walking('walk-front-athlete', TESS, FAULTS_OF_TESS, walkTowards),
  walking('walk-front-reference', MIRA, {}, walkTowards),
  walking('walk-back-athlete', TESS, FAULTS_OF_TESS, { ...walkTowards, ...behind }),
  walking('walk-quarter-athlete', TESS, FAULTS_OF_TESS, { ...walkSide, azimuth: 45, elevation: 4, fieldOfView: 22 }),
  walking('walk-overhead-athlete', TESS, FAULTS_OF_TESS, above),
  hurdling('hurdle-front-athlete', PIA, FAULTS_OF_PIA, hurdleTowards),
  hurdling('hurdle-front-reference', ADA, {}, hurdleTowards),
  hurdling('hurdle-back-athlete', PIA, FAULTS_OF_PIA, { ...hurdleTowards, ...behind }),
  hurdling('hurdle-quarter-athlete', PIA, FAULTS_OF_PIA, { ...hurdleSide, azimuth: 45, elevation: 4, fieldOfView: 22 }),
  hurdling('hurdle-overhead-athlete', PIA, FAULTS_OF_PIA, above),
  // As from a stand: nearer than that the ground fills the picture.
  pace('pace-raised-athlete', KIP, FAULTS_OF_KIP, { ...KIP_SIDE, elevation: 15 }),
  walking('walk-raised-athlete', TESS, FAULTS_OF_TESS, { ...walkSide, elevation: 15 }),
  hurdling('hurdle-raised-athlete', PIA, FAULTS_OF_PIA, { ...hurdleSide, elevation: 15 }),
];

/** Every clip that is rendered, and every one that has truth. */
export const RENDERED_CLIPS: readonly DemoClip[] = [...DEMO_CLIPS, ...TRIAL_CLIPS, ...MOVING_CLIPS];

export const trialOf = (clip: DemoClip): Trial => clip.perform();
