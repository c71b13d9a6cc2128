import * as THREE from 'three';

/** Numbers that look random and are the same every time (Numerical Recipes' linear congruential generator). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state * 1664525 + 1013904223) >>> 0;
    return state / 4294967296;
  };
}

export const matte = (color: string): THREE.Material => new THREE.MeshStandardMaterial({ color, roughness: 1 });
