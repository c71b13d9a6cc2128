import * as THREE from 'three';
import type { SkeletonPose } from '../athlete/skeleton-pose';
import { add, mix, scale, subtract, type Vec3 } from '../athlete/vec3';
import { type Profile, three } from './profile';

function profileAt(profile: Profile, along: number): number {
  let i = 0;
  while (i < profile.length - 2 && profile[i + 1]![0] < along) i++;
  const [a, ra] = profile[i]!;
  const [b, rb] = profile[i + 1]!;
  const u = Math.min(1, Math.max(0, (along - a) / (b - a)));
  return ra + (rb - ra) * u * u * (3 - 2 * u);
}

/** A rounded, tapered limb of length 1 along +y; radii are shares of its length. */
function limbGeometry(profile: Profile): THREE.BufferGeometry {
  const outline: THREE.Vector2[] = [];
  const start = profileAt(profile, 0);
  const end = profileAt(profile, 1);
  for (let i = 0; i <= 6; i++) {
    const a = -Math.PI / 2 + ((i / 6) * Math.PI) / 2;
    outline.push(new THREE.Vector2(Math.max(1e-4, start * Math.cos(a)), start * 0.7 * Math.sin(a)));
  }
  for (let i = 1; i < 20; i++) outline.push(new THREE.Vector2(profileAt(profile, i / 20), i / 20));
  for (let i = 0; i <= 6; i++) {
    const a = ((i / 6) * Math.PI) / 2;
    outline.push(new THREE.Vector2(Math.max(1e-4, end * Math.cos(a)), 1 + end * 0.7 * Math.sin(a)));
  }
  return new THREE.LatheGeometry(outline, 20);
}

export class Limb {
  readonly mesh: THREE.Mesh;
  constructor(
    group: THREE.Object3D,
    material: THREE.Material,
    profile: Profile,
    private readonly flatten = 1,
  ) {
    this.mesh = new THREE.Mesh(limbGeometry(profile), material);
    this.mesh.castShadow = true;
    group.add(this.mesh);
  }

  /** Lays the limb from one point to another; `side` fixes its twist. */
  place(from: Vec3, to: Vec3, side: Vec3): void {
    const y = three(subtract(to, from));
    const length = y.length();
    y.normalize();
    const z = three(side);
    z.addScaledVector(y, -z.dot(y)).normalize();
    const x = new THREE.Vector3().crossVectors(y, z);
    this.mesh.matrixAutoUpdate = false;
    this.mesh.matrix
      .makeBasis(x, y, z)
      .scale(new THREE.Vector3(length, length, length * this.flatten))
      .setPosition(three(from));
  }
}

export class Ellipsoid {
  readonly mesh: THREE.Mesh;
  constructor(
    group: THREE.Object3D,
    material: THREE.Material,
    private readonly radii: readonly [number, number, number],
  ) {
    this.mesh = new THREE.Mesh(new THREE.SphereGeometry(1, 24, 18), material);
    this.mesh.castShadow = true;
    this.mesh.matrixAutoUpdate = false;
    group.add(this.mesh);
  }

  place(centre: Vec3, forward: Vec3, up: Vec3): void {
    const x = three(forward).normalize();
    const y = three(up);
    y.addScaledVector(x, -y.dot(x)).normalize();
    const z = new THREE.Vector3().crossVectors(x, y);
    const [rx, ry, rz] = this.radii;
    this.mesh.matrix
      .makeBasis(x, y, z)
      .scale(new THREE.Vector3(rx, ry, rz))
      .setPosition(three(centre));
  }
}

/** A trunk of elliptical rings, twisting from the pelvis' axis to the shoulders'. */
export class Trunk {
  readonly mesh: THREE.Mesh;
  private readonly rings = 22;
  private readonly around = 28;
  constructor(
    group: THREE.Object3D,
    material: THREE.Material,
    private readonly from: number,
    private readonly to: number,
    private readonly halfWidth: Profile,
    private readonly halfDepth: Profile,
  ) {
    const geometry = new THREE.BufferGeometry();
    const index: number[] = [];
    const n = this.around;
    for (let r = 0; r < this.rings; r++) {
      for (let a = 0; a < n; a++) {
        const b = (a + 1) % n;
        index.push(r * n + a, r * n + b, (r + 1) * n + a, r * n + b, (r + 1) * n + b, (r + 1) * n + a);
      }
    }
    geometry.setIndex(index);
    geometry.setAttribute('position', new THREE.Float32BufferAttribute(new Float32Array((this.rings + 1) * n * 3), 3));
    this.mesh = new THREE.Mesh(geometry, material);
    this.mesh.castShadow = true;
    this.mesh.frustumCulled = false;
    group.add(this.mesh);
  }

  place(pose: SkeletonPose, height: number): void {
    const position = this.mesh.geometry.getAttribute('position');
    const up = three(subtract(pose.neckBase, pose.pelvis)).normalize();
    for (let r = 0; r <= this.rings; r++) {
      const s = this.from + ((this.to - this.from) * r) / this.rings;
      const centre = add(pose.pelvis, scale(subtract(pose.neckBase, pose.pelvis), s));
      const right = three(mix(pose.pelvisRight, pose.thoraxRight, Math.min(1, Math.max(0, (s - 0.1) / 0.6))));
      right.addScaledVector(up, -right.dot(up) * 0.6).normalize();
      const front = new THREE.Vector3().crossVectors(up, right).normalize();
      const w = profileAt(this.halfWidth, s) * height;
      const d = profileAt(this.halfDepth, s) * height;
      for (let a = 0; a < this.around; a++) {
        const angle = (a / this.around) * Math.PI * 2;
        const p = three(centre)
          .addScaledVector(right, Math.cos(angle) * w)
          .addScaledVector(front, Math.sin(angle) * d);
        position.setXYZ(r * this.around + a, p.x, p.y, p.z);
      }
    }
    position.needsUpdate = true;
    this.mesh.geometry.computeVertexNormals();
  }
}
