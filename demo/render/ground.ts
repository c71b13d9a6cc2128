import * as THREE from 'three';
import type { Trial } from '../athlete/motion';
import type { DemoClip } from '../scenario';
import { addLight, addSurroundings, hallTexture } from './surroundings';
import { matte, seeded } from './surfaces';

function backdropTexture(afternoon: DemoClip['afternoon']): THREE.Texture {
  const canvas = document.createElement('canvas');
  canvas.width = 2048;
  canvas.height = 512;
  const g = canvas.getContext('2d')!;
  const sky = g.createLinearGradient(0, 0, 0, 400);
  sky.addColorStop(0, afternoon === 'clear' ? '#86b8dd' : '#b9c6cc');
  sky.addColorStop(1, afternoon === 'clear' ? '#dfeaf0' : '#dcdcd4');
  g.fillStyle = sky;
  g.fillRect(0, 0, 2048, 512);
  const random = seeded(afternoon === 'clear' ? 11 : 29);
  for (let i = 0; i < 5200; i++) {
    const x = random() * 2048;
    const size = 3 + random() * 11;
    const crown = 26 * Math.sin(x / 61) + 18 * Math.sin(x / 23 + 2);
    const y = 352 + crown * 0.5 + random() * (64 - crown * 0.5) - size;
    g.fillStyle = `rgb(${Math.round(40 + random() * 40)},${Math.round(78 + random() * 44)},${Math.round(42 + random() * 26)})`;
    g.beginPath();
    g.ellipse(x, y, size, size * 0.8, 0, 0, 7);
    g.fill();
  }
  g.fillStyle = '#5f8f48';
  g.fillRect(0, 410, 2048, 102);
  // A low boundary rail and a pavilion roof, far away.
  g.fillStyle = '#ece6d8';
  g.fillRect(0, 404, 2048, 5);
  g.fillStyle = '#a9523f';
  g.beginPath();
  g.moveTo(1380, 330);
  g.lineTo(1520, 282);
  g.lineTo(1660, 330);
  g.fill();
  g.fillStyle = '#e9e2d2';
  g.fillRect(1398, 330, 246, 74);
  g.fillStyle = '#5a6a72';
  for (let x = 1412; x < 1630; x += 36) g.fillRect(x, 346, 18, 30);
  const texture = new THREE.CanvasTexture(canvas);
  texture.colorSpace = THREE.SRGBColorSpace;
  return texture;
}

function grassTexture(): THREE.Texture {
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = 512;
  const g = canvas.getContext('2d')!;
  g.fillStyle = '#6d9c4c';
  g.fillRect(0, 0, 512, 512);
  const random = seeded(7);
  for (let i = 0; i < 9000; i++) {
    g.fillStyle = `rgba(${Math.round(70 + random() * 50)},${Math.round(120 + random() * 50)},${Math.round(50 + random() * 30)},.4)`;
    g.fillRect(random() * 512, random() * 512, 2, 3);
  }
  const texture = new THREE.CanvasTexture(canvas);
  texture.colorSpace = THREE.SRGBColorSpace;
  texture.wrapS = texture.wrapT = THREE.RepeatWrapping;
  texture.repeat.set(14, 14);
  return texture;
}

function flat(
  scene: THREE.Scene,
  width: number,
  depth: number,
  material: THREE.Material,
  x: number,
  y: number,
  z: number,
): void {
  const mesh = new THREE.Mesh(new THREE.PlaneGeometry(width, depth), material);
  mesh.rotation.x = -Math.PI / 2;
  mesh.position.set(x, y, z);
  mesh.receiveShadow = true;
  scene.add(mesh);
}

function bar(
  scene: THREE.Scene,
  size: readonly [number, number, number],
  material: THREE.Material,
  x: number,
  y: number,
  z: number,
): void {
  const mesh = new THREE.Mesh(new THREE.BoxGeometry(...size), material);
  mesh.position.set(x, y, z);
  mesh.castShadow = true;
  scene.add(mesh);
}

/** A rolled strip with its creases and stumps. */
function cricketStrip(scene: THREE.Scene, clip: DemoClip, back: number): void {
  flat(scene, 26, 3.05, matte(clip.afternoon === 'clear' ? '#c9b184' : '#bda67c'), 9, -0.006, 0);
  flat(scene, 0.05, 2.64, matte('#f3f1ea'), 0.6, -0.002, 0);
  flat(scene, 0.05, 3.6, matte('#f3f1ea'), 1.82, -0.002, 0);
  for (const z of [-1.32, 1.32]) flat(scene, 2.44, 0.05, matte('#f3f1ea'), 0.6, -0.003, z);
  for (const z of [-0.1, 0, 0.1]) {
    const stump = new THREE.Mesh(new THREE.CylinderGeometry(0.019, 0.019, 0.711, 10), matte('#d8b479'));
    stump.position.set(0.6, 0.355, back * 0.9 + z);
    stump.castShadow = true;
    scene.add(stump);
  }
}

/** Lanes of a running track, 1.22 m wide, with marks every metre beside the lane in use. */
function lanes(scene: THREE.Scene, clip: DemoClip): void {
  flat(scene, 60, 8.6, matte(clip.afternoon === 'clear' ? '#9a5b49' : '#8a5f55'), 0, -0.006, 0);
  for (let lane = -3; lane <= 3; lane++) flat(scene, 60, 0.05, matte('#efece4'), 0, -0.003, (lane + 0.5) * 1.22);
  for (let metre = -12; metre <= 12; metre++) flat(scene, 0.03, 0.18, matte('#efece4'), metre, -0.002, 0.72);
}

/** A hurdle: two posts, feet against the running direction, a bar with dark ends. */
function hurdle(scene: THREE.Scene, at: { readonly x: number; readonly y: number }): void {
  const post = matte('#5b6268');
  for (const z of [-0.55, 0.55]) {
    bar(scene, [0.03, at.y - 0.06, 0.03], post, at.x + 0.012, (at.y - 0.06) / 2, z);
    bar(scene, [0.7, 0.03, 0.04], post, at.x - 0.34, 0.015, z);
  }
  bar(scene, [0.02, 0.07, 1.18], matte('#f1efe8'), at.x, at.y - 0.035, 0);
  for (const z of [-0.48, 0.48]) bar(scene, [0.024, 0.072, 0.22], matte('#b4572f'), at.x, at.y - 0.035, z);
}

/** Where a clip was filmed: grass, what the movement needs, trees, sun; or a hall. */
export function buildGround(scene: THREE.Scene, clip: DemoClip, trial: Trial): void {
  const azimuth = (clip.camera.azimuth / 180) * Math.PI;
  const [toX, toZ] = [Math.cos(azimuth), Math.sin(azimuth)];
  const back = clip.camera.azimuth < 0 ? 1 : -1;
  const { light } = clip.surroundings ?? {};
  const floor =
    light === 'hall' ? matte('#a98f6c') : new THREE.MeshStandardMaterial({ map: grassTexture(), roughness: 1 });
  flat(scene, 70, 60, floor, 0, -0.012, 0);
  if (clip.ground === 'practice-ground') cricketStrip(scene, clip, back);
  else lanes(scene, clip);
  const place = trial.objects['own-hurdle']?.(0);
  if (place) hurdle(scene, place);
  const backdrop = new THREE.Mesh(
    new THREE.PlaneGeometry(64, 16),
    new THREE.MeshBasicMaterial({
      map: light === 'hall' ? hallTexture() : backdropTexture(clip.afternoon),
      color: light === 'dusk' ? '#4d5568' : '#ffffff',
    }),
  );
  backdrop.position.set(-toX * 22, 4.2, -toZ * 22);
  backdrop.rotation.y = Math.atan2(toX, toZ);
  scene.add(backdrop);
  addLight(scene, clip);
  if (clip.surroundings) addSurroundings(scene, clip.surroundings, back);
}
