import * as THREE from 'three';
import { bodyOf } from '../athlete/body';
import { walk, WALKING } from '../athlete/race-walking';
import type { Vec3 } from '../athlete/vec3';
import { ONLOOKERS, type Surroundings } from '../look';
import type { DemoClip } from '../scenario';
import { Figure } from './figure';
import { matte, seeded } from './surfaces';

/** Where the sun stands, metres from the middle of the ground: on the camera's side, and behind the performer. */
export function sunOf({ camera, surroundings }: DemoClip): Vec3 {
  const azimuth = (camera.azimuth / 180) * Math.PI;
  const [toX, toZ] = [Math.cos(azimuth) * 4, Math.sin(azimuth) * 4];
  return surroundings?.light === 'low-sun' ? { x: -5 + toX, y: 1.9, z: 0.9 * toZ } : { x: -2.5 + toX, y: 6, z: toZ };
}

/** Strength of the light from all sides and of the sun; a hall and dusk have next to no sun. */
const STRENGTHS = {
  clear: { around: 1.5, sun: 2.3 },
  hazy: { around: 2, sun: 1.4 },
  'low-sun': { around: 0.7, sun: 3.4 },
  hall: { around: 2.2, sun: 0.5 },
  dusk: { around: 0.55, sun: 0.25 },
} as const;

export function addLight(scene: THREE.Scene, clip: DemoClip): void {
  const { around, sun: strength } = STRENGTHS[clip.surroundings?.light ?? clip.afternoon];
  scene.add(new THREE.HemisphereLight(0xffffff, 0x8a7a55, around));
  const sun = new THREE.DirectionalLight(0xfff2dd, strength);
  const { x, y, z } = sunOf(clip);
  sun.position.set(x, y, z);
  sun.castShadow = true;
  const reach = clip.surroundings?.light === 'low-sun' ? 2 : 1;
  sun.shadow.mapSize.set(1024 * reach, 1024 * reach);
  Object.assign(sun.shadow.camera, { left: -6 * reach, right: 6 * reach, top: 4 * reach, bottom: -4 * reach });
  scene.add(sun);
}

/** The wall of a hall: boards below, windows above, wall bars. */
export function hallTexture(): THREE.Texture {
  const canvas = document.createElement('canvas');
  canvas.width = 2048;
  canvas.height = 512;
  const g = canvas.getContext('2d')!;
  g.fillStyle = '#b9b4a6';
  g.fillRect(0, 0, 2048, 512);
  g.fillStyle = '#8d7453';
  g.fillRect(0, 330, 2048, 182);
  g.fillStyle = '#d8e4ea';
  for (let x = 30; x < 2048; x += 150) g.fillRect(x, 60, 110, 120);
  g.fillStyle = '#6d5639';
  for (let x = 200; x < 2048; x += 420) for (let bar = 0; bar < 12; bar++) g.fillRect(x, 270 + bar * 12, 90, 5);
  const texture = new THREE.CanvasTexture(canvas);
  texture.colorSpace = THREE.SRGBColorSpace;
  return texture;
}

const DRESS = [
  { skin: '#c99372', shirt: '#6a7d8f', trousers: '#3a3f47', hair: '#3b2617' },
  { skin: '#7a4e35', shirt: '#b8a25c', trousers: '#2b3350', hair: '#120d0a' },
  { skin: '#dfb394', shirt: '#8a4152', trousers: '#4a4a44', hair: '#a8834e' },
] as const;
/** Where poles stand: three behind and a thin one before. */
const POLES = [
  { x: -2.1, away: 1.6, radius: 0.05 },
  { x: 0.2, away: 2.2, radius: 0.06 },
  { x: 2.3, away: 1.7, radius: 0.05 },
  { x: 0.9, away: -2.4, radius: 0.025 },
] as const;

/** @param back 1 where behind the performer is to the performer's right, else -1 */
export function addSurroundings(scene: THREE.Scene, { people = 0, poles = false }: Surroundings, back: number): void {
  const random = seeded(people + 3);
  const body = bodyOf(1.76, 70);
  const standing = walk(body, WALKING).poseAt(0.18);
  for (const [i, { x, away }] of ONLOOKERS.slice(0, people).entries()) {
    const onlooker = new Figure(body, DRESS[i]!);
    onlooker.pose(standing);
    onlooker.group.position.set(x - standing.pelvis.x, 0, back * away);
    onlooker.group.rotation.y = (random() - 0.5) * 0.8;
    scene.add(onlooker.group);
  }
  if (!poles) return;
  for (const { x, away, radius } of POLES) {
    const pole = new THREE.Mesh(new THREE.CylinderGeometry(radius, radius, 4, 12), matte('#8b8f92'));
    pole.position.set(x, 2, back * away);
    pole.castShadow = true;
    scene.add(pole);
  }
}
