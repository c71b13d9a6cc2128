import * as THREE from 'three';
import type { Vec3 } from '../athlete/vec3';

export type Profile = readonly (readonly [along: number, radius: number])[];

export const three = (v: Vec3): THREE.Vector3 => new THREE.Vector3(v.x, v.y, v.z);
