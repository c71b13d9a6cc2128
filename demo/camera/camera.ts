import { add, cross, dot, radians, scale, subtract, unit, vec3, type Vec3 } from '../athlete/vec3';

/** How a camera is turned and zoomed from where it looks at its target. */
export interface CameraTurn {
  /** Degrees to the right, upwards, and clockwise. */
  readonly pan: number;
  readonly tilt: number;
  readonly roll: number;
  /** Focal length over the usual one. */
  readonly zoom: number;
}

/** A pinhole camera in one place. */
export interface Camera {
  /** Degrees round the vertical from straight ahead of the performer: 90 the performer's right, -90 the left. */
  readonly azimuth: number;
  /** Degrees above the horizontal through the target. */
  readonly elevation: number;
  /** Metres from the target. */
  readonly distance: number;
  readonly target: Vec3;
  /** Vertical field of view, degrees. */
  readonly fieldOfView: number;
  readonly width: number;
  readonly height: number;
  /** Frames per second; the file plays at the rate it was captured. */
  readonly frameRate: number;
  /** Seconds that the shutter stays open, centred on the frame's time. */
  readonly shutter: number;
  /** How it is turned at a time of the trial, seconds; left out for one that stands still. */
  readonly motion?: (time: number) => CameraTurn;
}

const STILL: CameraTurn = { pan: 0, tilt: 0, roll: 0, zoom: 1 };
export const turnAt = ({ motion }: Camera, time: number): CameraTurn => motion?.(time) ?? STILL;

export function cameraPosition(camera: Camera): Vec3 {
  const azimuth = radians(camera.azimuth);
  const elevation = radians(camera.elevation);
  const direction = vec3(
    Math.cos(azimuth) * Math.cos(elevation),
    Math.sin(elevation),
    Math.sin(azimuth) * Math.cos(elevation),
  );
  return add(camera.target, scale(direction, camera.distance));
}

/** A direction turned about an axis of length 1 (Rodrigues), anticlockwise as the axis points at the eye. */
function turned(v: Vec3, axis: Vec3, degrees: number): Vec3 {
  const [c, s] = [Math.cos(radians(degrees)), Math.sin(radians(degrees))];
  return add(add(scale(v, c), scale(cross(axis, v), s)), scale(axis, dot(axis, v) * (1 - c)));
}

/** Where a camera looks at a time: directions ahead, to the right of the picture and up in it. */
export function axesAt(
  camera: Camera,
  time: number,
): { readonly ahead: Vec3; readonly right: Vec3; readonly up: Vec3 } {
  const straight = unit(subtract(camera.target, cameraPosition(camera)));
  const { pan, tilt, roll } = turnAt(camera, time);
  const panned = turned(straight, vec3(0, 1, 0), -pan);
  const level = unit(cross(panned, vec3(0, 1, 0)));
  const ahead = turned(panned, level, tilt);
  const right = turned(level, ahead, roll);
  return { ahead, right, up: cross(right, ahead) };
}

/** Picture position (pixels, x right, y down) of a point in space at a time. */
export function project(camera: Camera, point: Vec3, time = 0): { x: number; y: number } {
  const { ahead, right, up } = axesAt(camera, time);
  const ray = subtract(point, cameraPosition(camera));
  const depth = dot(ray, ahead);
  const focal = (camera.height / 2 / Math.tan(radians(camera.fieldOfView / 2))) * turnAt(camera, time).zoom;
  return {
    x: camera.width / 2 + (dot(ray, right) / depth) * focal,
    y: camera.height / 2 - (dot(ray, up) / depth) * focal,
  };
}
