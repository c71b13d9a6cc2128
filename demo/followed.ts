import { besideOf, type Beside } from './athlete/beside';
import type { Camera } from './camera/camera';
import { DEMO_CLIPS, type DemoClip } from './scenario';

/** A walker with something nearer to the camera whose points are followed by how they look, and no detector knows. */
const followed = (what: Beside, name: string, of: string, camera: Partial<Camera>): DemoClip => {
  const clip = DEMO_CLIPS.find(({ id }) => id === of)!;
  return {
    ...clip,
    id: `followed-${what}-${name}`,
    camera: { ...clip.camera, ...camera },
    beside: what,
    perform: () => besideOf(clip.perform(), what),
  };
};

const WHAT: readonly Beside[] = ['animal', 'implement'];
/** Constants may be chosen on these. */
export const FOLLOWED_FOR_CHOOSING = WHAT.map((what) =>
  followed(what, 'a', 'walk-side-athlete', { fieldOfView: 21, frameRate: 120, shutter: 1 / 500 }),
);
/** What is reported is of these: somebody else before another sky, nearer, with fewer pictures and more blur. */
export const FOLLOWED_FOR_REPORTING = WHAT.map((what) =>
  followed(what, 'b', 'walk-side-reference', { fieldOfView: 18, elevation: 6, frameRate: 60, shutter: 1 / 250 }),
);
/** Clips of which no session is made: following points by how they look is held against them. */
export const FOLLOWED_CLIPS: readonly DemoClip[] = [...FOLLOWED_FOR_CHOOSING, ...FOLLOWED_FOR_REPORTING];
