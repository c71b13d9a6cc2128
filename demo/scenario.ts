import { bodyOf, type Body } from './athlete/body';
import { PACE_DELIVERY } from './athlete/pace-delivery';
import { NOTHING_PLANTED, perform, type Performance, type PlantedDifferences } from './athlete/motion';
import { vec3 } from './athlete/vec3';
import type { Camera } from './camera/camera';

export interface Look {
  readonly skin: string;
  readonly shirt: string;
  readonly trousers: string;
  readonly hair: string;
}

/** One made-up performer filmed by one camera. */
export interface DemoClip {
  readonly id: string;
  readonly performer: string;
  readonly body: Body;
  readonly planted: PlantedDifferences;
  readonly camera: Camera;
  readonly look: Look;
  /** Colours of the ground, so that the two clips are not taken for the same afternoon. */
  readonly afternoon: 'clear' | 'hazy';
}

const SIDE_CAMERA: Omit<Camera, 'distance' | 'fieldOfView' | 'elevation' | 'target'> = {
  azimuth: -90,
  width: 1280,
  height: 720,
  frameRate: 120,
  shutter: 1 / 500,
};

export const DEMO_CLIPS: readonly DemoClip[] = [
  {
    id: 'pace-side-reference',
    performer: 'Oren Tavish',
    body: bodyOf(1.88, 84),
    planted: NOTHING_PLANTED,
    camera: { ...SIDE_CAMERA, elevation: 1.5, distance: 14, fieldOfView: 21, target: vec3(-0.6, 1.08, 0) },
    look: { skin: '#9c6b4a', shirt: '#8a4152', trousers: '#d8d3c4', hair: '#20160f' },
    afternoon: 'clear',
  },
  {
    id: 'pace-side-athlete',
    performer: 'Kip Marlowe',
    body: bodyOf(1.79, 74),
    planted: { frontKneeCollapse: 18, trunkLeanAtRelease: 12, frontArmEarly: 0.04, releaseLate: 0.025 },
    camera: { ...SIDE_CAMERA, elevation: 2.5, distance: 12.5, fieldOfView: 22.5, target: vec3(-0.55, 1.02, 0) },
    look: { skin: '#c99372', shirt: '#2d6e7e', trousers: '#39424e', hair: '#5b3b22' },
    afternoon: 'hazy',
  },
];

export function performanceOf(clip: DemoClip): Performance {
  return perform(clip.body, PACE_DELIVERY, clip.planted);
}
