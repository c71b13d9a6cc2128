import type { Trial } from '../athlete/motion';
import { degrees, dot, subtract } from '../athlete/vec3';
import { axesAt, cameraPosition, type Camera, type CameraTurn } from './camera';

/** How somebody films who does not leave the camera alone. */
export const FILMINGS = ['pans', 'pans-fast', 'zooms', 'hand-held'] as const;
export type Filming = (typeof FILMINGS)[number];

/** What a panning camera sees of what one that stands still sees. */
const CLOSER = 0.55;
/** Seconds by which a hand on a tripod comes late. */
const LATE = 0.08;
const MOST_ZOOM = 1.8;
/** How fast somebody close by turns the camera where the performer is fastest, degrees a second. */
const FAST = 60;
/** How often it is looked how fast that is, 1/s. */
const LOOKS = 200;

/** Trembling of a hand: slow sway and quick shake, degrees, not the same in any two seconds. */
function shake(time: number): CameraTurn {
  const sway = (hertz: number, phase: number): number => Math.sin(2 * Math.PI * (hertz * time + phase));
  return {
    pan: 0.9 * sway(0.43, 0.1) + 0.25 * sway(1.9, 0.4) + 0.05 * sway(6.3, 0.7),
    tilt: 0.6 * sway(0.37, 0.6) + 0.22 * sway(2.3, 0.2) + 0.05 * sway(7.1, 0.9),
    roll: 0.7 * sway(0.31, 0.3) + 0.2 * sway(1.7, 0.8),
    zoom: 1,
  };
}

/** The camera turned towards where the performer's hips were a moment ago. */
function following(camera: Camera, trial: Trial, time: number): { pan: number; tilt: number } {
  const { ahead, right, up } = axesAt(camera, 0);
  const then = Math.min(trial.end, Math.max(trial.start, time - LATE));
  const to = subtract(trial.poseAt(then).points['left-hip']!, cameraPosition(camera));
  return {
    pan: degrees(Math.atan2(dot(to, right), dot(to, ahead))),
    tilt: degrees(Math.atan2(dot(to, up), dot(to, ahead))) * 0.3,
  };
}

/** The camera brought so near that it turns as fast as a hand can follow, the performer as large as before. */
function near(camera: Camera, trial: Trial): Camera {
  let nearer = camera;
  // Nearer it turns faster than in proportion: three steps come within a hundredth.
  for (let step = 0; step < 3; step++) {
    const pans = Array.from(
      { length: Math.floor((trial.end - trial.start) * LOOKS) },
      (_, i) => following(nearer, trial, trial.start + i / LOOKS).pan,
    );
    const fastest = Math.max(...pans.slice(1).map((pan, i) => Math.abs(pan - pans[i]!) * LOOKS));
    const by = fastest / FAST;
    nearer = { ...nearer, distance: nearer.distance * by, fieldOfView: nearer.fieldOfView / by };
  }
  return nearer;
}

/** The camera of a clip as somebody would move it. */
export function moved(camera: Camera, trial: Trial, filming: Filming): Camera {
  const share = (time: number): number => (time - trial.start) / (trial.end - trial.start);
  const small = { ...camera, width: 960, height: 540, frameRate: 60 };
  switch (filming) {
    case 'pans':
      return {
        ...small,
        fieldOfView: camera.fieldOfView * CLOSER,
        motion: (time) => ({ ...following(camera, trial, time), roll: 0, zoom: 1 }),
      };
    case 'pans-fast':
      return moved(near(camera, trial), trial, 'pans');
    case 'zooms':
      return {
        ...small,
        motion: (time) => {
          const { pan, tilt } = following(camera, trial, time);
          // As far as the zoom lets it be seen.
          return { pan: pan * share(time), tilt: tilt * share(time), roll: 0, zoom: MOST_ZOOM ** share(time) };
        },
      };
    case 'hand-held':
      return { ...small, motion: shake };
  }
}
