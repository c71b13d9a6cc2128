import * as THREE from 'three';
import type { SkeletonPose } from '../athlete/skeleton-pose';
import { add, mix, scale, subtract, type Vec3 } from '../athlete/vec3';
import { Limb } from './figure-parts';
import type { Profile } from './profile';

/** How much wider loose trousers are than the limb. */
export const THICKER = { thigh: 1.25, shank: 1.6 };
export const SLEEVE: Profile = [
  [0, 0.2],
  [1, 0.175],
];

const RINGS = 8;
const AROUND = 28;
/** Where a skirt ends, share of the thighs; its half-width at the waist and beyond the thighs at the hem, of height. */
const HEM = 0.72;
const WAIST = 0.098;
const FLARE = 0.075;

/** A skirt from the waist to above the knees, wide enough for both thighs wherever they are. */
export class Skirt {
  private readonly mesh: THREE.Mesh;

  constructor(
    group: THREE.Object3D,
    material: THREE.Material,
    private readonly height: number,
  ) {
    const index: number[] = [];
    for (let r = 0; r < RINGS; r++)
      for (let a = 0; a < AROUND; a++) {
        const b = (a + 1) % AROUND;
        const [here, below] = [r * AROUND, (r + 1) * AROUND];
        index.push(here + a, below + a, here + b, here + b, below + a, below + b);
      }
    const geometry = new THREE.BufferGeometry();
    geometry.setIndex(index);
    geometry.setAttribute('position', new THREE.Float32BufferAttribute(new Float32Array((RINGS + 1) * AROUND * 3), 3));
    const cloth = material.clone();
    cloth.side = THREE.DoubleSide;
    this.mesh = new THREE.Mesh(geometry, cloth);
    this.mesh.castShadow = true;
    this.mesh.frustumCulled = false;
    group.add(this.mesh);
  }

  place({ points, pelvis, neckBase, pelvisRight }: SkeletonPose): void {
    const position = this.mesh.geometry.getAttribute('position');
    const waist = mix(pelvis, neckBase, 0.12);
    const thigh = (side: 'left' | 'right', u: number): Vec3 => mix(points[`${side}-hip`]!, points[`${side}-knee`]!, u);
    for (let r = 0; r <= RINGS; r++) {
      const u = (HEM * r) / RINGS;
      const [left, right] = [thigh('left', u), thigh('right', u)];
      const middle = mix(waist, mix(left, right, 0.5), r / RINGS);
      const apart = scale(subtract(right, left), 0.5);
      const radius = this.height * (WAIST + ((FLARE - WAIST) * r) / RINGS);
      // Across the pelvis and at a right angle to it on the level: the thighs' distance widens each.
      const ahead = { x: pelvisRight.z, y: 0, z: -pelvisRight.x };
      const along = (axis: Vec3): number => Math.abs(apart.x * axis.x + apart.y * axis.y + apart.z * axis.z);
      for (let a = 0; a < AROUND; a++) {
        const angle = (a / AROUND) * Math.PI * 2;
        const at = add(
          middle,
          add(
            scale(pelvisRight, Math.cos(angle) * (radius + along(pelvisRight) * (r / RINGS))),
            scale(ahead, Math.sin(angle) * (0.8 * radius + along(ahead) * (r / RINGS))),
          ),
        );
        position.setXYZ(r * AROUND + a, at.x, at.y, at.z);
      }
    }
    position.needsUpdate = true;
    this.mesh.geometry.computeVertexNormals();
  }
}

/** Hair that hangs down the back. */
export class LongHair {
  private readonly limb: Limb;

  constructor(
    group: THREE.Object3D,
    material: THREE.Material,
    private readonly height: number,
  ) {
    this.limb = new Limb(
      group,
      material,
      [
        [0, 0.2],
        [0.5, 0.27],
        [1, 0.12],
      ],
      1.3,
    );
  }

  place({ head, headForward, headUp, thoraxRight }: SkeletonPose): void {
    const from = add(head, add(scale(headForward, -0.035 * this.height), scale(headUp, 0.01 * this.height)));
    const to = add(from, add(scale(headForward, -0.02 * this.height), { x: 0, y: -0.14 * this.height, z: 0 }));
    this.limb.place(from, to, thoraxRight);
  }
}
