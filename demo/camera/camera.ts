import { add, cross, dot, radians, scale, subtract, unit, vec3, type Vec3 } from '../athlete/vec3';

/** A pinhole camera on a tripod. */
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
}

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

/** Picture position (pixels, x right, y down) of a point in space. */
export function project(camera: Camera, point: Vec3): { x: number; y: number } {
  const position = cameraPosition(camera);
  const ahead = unit(subtract(camera.target, position));
  const right = unit(cross(ahead, vec3(0, 1, 0)));
  const up = cross(right, ahead);
  const ray = subtract(point, position);
  const depth = dot(ray, ahead);
  const focal = camera.height / 2 / Math.tan(radians(camera.fieldOfView / 2));
  return {
    x: camera.width / 2 + (dot(ray, right) / depth) * focal,
    y: camera.height / 2 - (dot(ray, up) / depth) * focal,
  };
}
