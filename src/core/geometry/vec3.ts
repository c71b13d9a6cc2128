/** A point or direction in space. */
export interface Vec3 {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

export const minus = (a: Vec3, b: Vec3): Vec3 => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z });
export const lengthOf = ({ x, y, z }: Vec3): number => Math.hypot(x, y, z);
export const dot = (a: Vec3, b: Vec3): number => a.x * b.x + a.y * b.y + a.z * b.z;
export const cross = (a: Vec3, b: Vec3): Vec3 => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});

/** Angle between two directions, 0..pi, sound near both ends (Kahan 2006); NaN where one has no length. */
export const angleBetween = (u: Vec3, v: Vec3): number =>
  lengthOf(u) === 0 || lengthOf(v) === 0 ? NaN : Math.atan2(lengthOf(cross(u, v)), dot(u, v));

export const plus = (a: Vec3, b: Vec3): Vec3 => ({ x: a.x + b.x, y: a.y + b.y, z: a.z + b.z });
export const scaled = ({ x, y, z }: Vec3, by: number): Vec3 => ({ x: by * x, y: by * y, z: by * z });
export const unit = (v: Vec3): Vec3 => scaled(v, 1 / lengthOf(v));
