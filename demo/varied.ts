import { bodyOf, type Body } from './athlete/body';
import { vec3 } from './athlete/vec3';
import type { Camera } from './camera/camera';
import type { Look, Surroundings } from './look';
import { hurdling, pace, walking, type DemoClip, type Person } from './scenario';

/** How a file was coded after the camera: a phone's few bits, the grain of a dark picture. */
export interface Coding {
  /** Bits for each pixel of each frame. */
  readonly bitsPerPixel: number;
  /** Strength of the grain, standard deviation of 255 levels. */
  readonly grain: number;
}

/** A clip of somebody built, dressed, lit and filmed otherwise than the demo's performers. */
export interface VariedClip {
  /** Constants may be chosen on the one set; what is reported is of the other. */
  readonly set: 'choosing' | 'reporting';
  readonly clip: DemoClip;
  readonly coding: Coding;
}

interface Build {
  readonly body: Body;
  readonly look: Partial<Look>;
}

const adult = (height: number, look: Partial<Look> = {}): Build => ({ body: bodyOf(height, 70), look });

/** A child of about nine: shorter legs and neck, a larger head, narrower shoulders for its height (from memory). */
function child(height: number): Build {
  const body = bodyOf(height, 30);
  const shorter = 0.95;
  return {
    body: {
      ...body,
      thigh: shorter * body.thigh,
      shank: shorter * body.shank,
      neck: 0.8 * body.neck,
      shoulderHalfWidth: 0.96 * body.shoulderHalfWidth,
    },
    look: { headSize: 1.2, girth: 0.95 },
  };
}

const BUILDS = {
  slim: (height: number) => adult(height, { girth: 0.82 }),
  heavy: (height: number) => adult(height, { girth: 1.35 }),
  child,
  longHair: (height: number) => adult(height, { hairLength: 'long', legs: 'loose' }),
  skirt: (height: number) => adult(height, { legs: 'skirt', hairLength: 'long', girth: 0.95 }),
  covered: (height: number) => adult(height, { sleeves: 'long', legs: 'loose' }),
} as const;

/** @param colours of skin, shirt, trousers and hair */
function dressed({ body, look }: Build, colours: string): Person {
  const [skin, shirt, trousers, hair] = colours.split(' ') as [string, string, string, string];
  const appearance = { skin, shirt, trousers, hair, ...look };
  return { performer: 'Somebody', body, appearance, afternoon: 'clear' };
}

/** Pictures of so many lines. */
const lines = (height: 360 | 540 | 720 | 1080): Pick<Camera, 'width' | 'height'> => ({
  width: (height / 9) * 16,
  height,
});

const PHONE = { bitsPerPixel: 0.04, grain: 0 } as const;
const GOOD = { bitsPerPixel: 0.12, grain: 0 } as const;
const DARK = { bitsPerPixel: 0.08, grain: 9 } as const;

interface Varied<Differs> {
  readonly who: Person;
  /** What the performer does otherwise than the reference. */
  readonly differs: Differs;
  readonly camera: Pick<Camera, 'width' | 'height' | 'frameRate' | 'shutter'> & Partial<Pick<Camera, 'fieldOfView'>>;
  readonly coding: Coding;
  readonly surroundings: Surroundings;
}

/** Clips of a movement by a camera that stands to one side, filmed as a row says. */
const filmed =
  <Differs>(
    movement: string,
    make: (id: string, who: Person, differs: Differs, camera: Camera) => DemoClip,
    usual: Omit<Camera, 'width' | 'height' | 'frameRate' | 'shutter' | 'motion'>,
  ) =>
  (set: VariedClip['set'], name: string, of: Varied<Differs>): VariedClip => ({
    set,
    clip: {
      ...make(`varied-${movement}-${name}`, of.who, of.differs, { ...usual, ...of.camera }),
      surroundings: of.surroundings,
    },
    coding: of.coding,
  });

const SIDE = { elevation: 2, distance: 13 } as const;
const bowler = filmed('pace', pace, { ...SIDE, azimuth: -90, fieldOfView: 22.5, target: vec3(-0.6, 1.05, 0) });
const walker = filmed('walk', walking, { ...SIDE, azimuth: 90, fieldOfView: 17.5, target: vec3(0, 0.95, 0) });
const hurdler = filmed('hurdle', hurdling, {
  ...SIDE,
  azimuth: 90,
  distance: 16,
  fieldOfView: 17.5,
  target: vec3(-0.1, 1.1, 0),
});

/**
 * What the detectors and the stated errors are held against beyond the demo's performers. In the last one the first and
 * the last step are half out of the picture.
 */
export const VARIED: readonly VariedClip[] = [
  bowler('choosing', 'a', {
    who: dressed(BUILDS.heavy(1.8), '#8a5a3c #32523a #46505c #20160f'),
    differs: { trunkLeanAtRelease: 4 },
    camera: { ...lines(720), frameRate: 60, shutter: 1 / 250 },
    coding: PHONE,
    surroundings: { light: 'low-sun', poles: true },
  }),
  bowler('choosing', 'b', {
    who: dressed(BUILDS.covered(1.74), '#d9b090 #55585e #33415e #5b3b22'),
    differs: { frontKneeCollapse: 9 },
    camera: { ...lines(540), fieldOfView: 30, frameRate: 60, shutter: 1 / 500 },
    coding: GOOD,
    surroundings: { light: 'hall', people: 2 },
  }),
  walker('choosing', 'a', {
    who: dressed(BUILDS.skirt(1.68), '#b98660 #a03a52 #2f3038 #1a120c'),
    differs: { trunkLean: 3 },
    camera: { ...lines(720), frameRate: 60, shutter: 1 / 120 },
    coding: PHONE,
    surroundings: { people: 3 },
  }),
  walker('choosing', 'b', {
    who: dressed(BUILDS.slim(1.86), '#6e4630 #d8c34a #23262b #15100c'),
    differs: { kneeAtVertical: 4 },
    camera: { ...lines(360), frameRate: 30, shutter: 1 / 250 },
    coding: GOOD,
    surroundings: { light: 'dusk' },
  }),
  hurdler('choosing', 'a', {
    who: dressed(BUILDS.child(1.42), '#c99372 #2f6fa8 #b04a3a #3b2617'),
    differs: {},
    camera: { ...lines(720), frameRate: 120, shutter: 1 / 500 },
    coding: DARK,
    surroundings: { light: 'dusk', poles: true },
  }),
  hurdler('choosing', 'b', {
    who: dressed(BUILDS.longHair(1.72), '#e0b597 #4b3f73 #3a3f47 #a8834e'),
    differs: { upright: 6 },
    camera: { ...lines(1080), fieldOfView: 14, frameRate: 60, shutter: 1 / 1000 },
    coding: PHONE,
    surroundings: { light: 'low-sun', people: 2 },
  }),
  bowler('choosing', 'c', {
    who: dressed(BUILDS.child(1.4), '#b98660 #d8862f #3f4a34 #20160f'),
    differs: { trunkLeanAtRelease: 3 },
    camera: { ...lines(720), frameRate: 120, shutter: 1 / 500 },
    coding: GOOD,
    surroundings: { people: 3 },
  }),
  walker('choosing', 'c', {
    who: dressed(BUILDS.covered(1.72), '#dfb394 #3c4a5c #2a2d33 #5b3b22'),
    differs: { trunkLean: 4 },
    camera: { ...lines(540), frameRate: 60, shutter: 1 / 250 },
    coding: GOOD,
    surroundings: { light: 'dusk', people: 3 },
  }),
  bowler('reporting', '1', {
    who: dressed(BUILDS.slim(1.9), '#5f3c28 #c8c6bd #3d4a3c #120d0a'),
    differs: { frontKneeCollapse: 14 },
    camera: { ...lines(1080), fieldOfView: 19, frameRate: 60, shutter: 1 / 1000 },
    coding: PHONE,
    surroundings: { light: 'low-sun', people: 3 },
  }),
  bowler('reporting', '2', {
    who: dressed(BUILDS.child(1.38), '#dcb493 #b83f3f #27324a #8b6a3d'),
    differs: { trunkLeanAtRelease: -4 },
    camera: { ...lines(720), fieldOfView: 20, frameRate: 120, shutter: 1 / 250 },
    coding: GOOD,
    surroundings: { people: 2, poles: true },
  }),
  bowler('reporting', '3', {
    who: dressed(BUILDS.longHair(1.7), '#a8734f #3f7f78 #55483a #2a1b12'),
    differs: { frontArmEarly: 0.03 },
    camera: { ...lines(360), frameRate: 60, shutter: 1 / 500 },
    coding: DARK,
    surroundings: { light: 'dusk' },
  }),
  bowler('reporting', '4', {
    who: dressed(BUILDS.heavy(1.84), '#c08a66 #3a3d44 #3c4048 #20160f'),
    differs: { releaseLate: 0.02 },
    camera: { ...lines(720), frameRate: 30, shutter: 1 / 100 },
    coding: PHONE,
    surroundings: { light: 'hall', people: 2 },
  }),
  walker('reporting', '1', {
    who: dressed(BUILDS.heavy(1.65), '#8f6143 #d9d3c4 #5b2f45 #120d0a'),
    differs: { kneeAtContact: 8 },
    camera: { ...lines(720), frameRate: 60, shutter: 1 / 250 },
    coding: PHONE,
    surroundings: { light: 'low-sun', poles: true },
  }),
  walker('reporting', '2', {
    who: dressed(BUILDS.covered(1.77), '#d2a07e #2b2f36 #2d333b #6b3a1e'),
    differs: { trunkLean: 6 },
    camera: { ...lines(540), fieldOfView: 24, frameRate: 30, shutter: 1 / 500 },
    coding: GOOD,
    surroundings: { light: 'dusk', people: 2 },
  }),
  walker('reporting', '3', {
    who: dressed(BUILDS.skirt(1.62), '#7a4e35 #d8862f #323a55 #0f0b09'),
    differs: { stepTime: 0.31 },
    camera: { ...lines(1080), fieldOfView: 13, frameRate: 60, shutter: 1 / 500 },
    coding: PHONE,
    surroundings: { light: 'hall', people: 3 },
  }),
  walker('reporting', '4', {
    who: dressed(BUILDS.slim(1.8), '#e0b899 #39808c #20242a #a8834e'),
    differs: { kneeAtVertical: 7 },
    camera: { ...lines(720), fieldOfView: 30, frameRate: 120, shutter: 1 / 250 },
    coding: DARK,
    surroundings: { poles: true },
  }),
  hurdler('reporting', '1', {
    who: dressed(BUILDS.skirt(1.7), '#9c6b4a #d6d0c2 #8a2f3a #20160f'),
    differs: { takeOffDistance: 1.9 },
    camera: { ...lines(720), frameRate: 60, shutter: 1 / 250 },
    coding: GOOD,
    surroundings: { light: 'hall', poles: true },
  }),
  hurdler('reporting', '2', {
    who: dressed(BUILDS.covered(1.78), '#d6a786 #7a3f8a #2c2f38 #3b2617'),
    differs: { openTrail: 6 },
    camera: { ...lines(720), frameRate: 120, shutter: 1 / 500 },
    coding: PHONE,
    surroundings: { people: 3 },
  }),
  hurdler('reporting', '3', {
    who: dressed(BUILDS.child(1.46), '#c48d68 #e0c23a #3a4a6e #5a4023'),
    differs: { upright: 5 },
    camera: { ...lines(540), frameRate: 60, shutter: 1 / 1000 },
    coding: PHONE,
    surroundings: { light: 'low-sun' },
  }),
  hurdler('reporting', '4', {
    who: dressed(BUILDS.longHair(1.74), '#7a4e35 #c8503c #3d3f45 #120d0a'),
    differs: { longFlight: 0.02 },
    camera: { ...lines(1080), fieldOfView: 11, frameRate: 60, shutter: 1 / 500 },
    coding: GOOD,
    surroundings: { light: 'dusk', people: 2 },
  }),
];

export const VARIED_CLIPS: readonly DemoClip[] = VARIED.map(({ clip }) => clip);
