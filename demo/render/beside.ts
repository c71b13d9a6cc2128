import * as THREE from 'three';
import type { Beside } from '../athlete/beside';
import { add, scale, subtract, vec3, type Vec3 } from '../athlete/vec3';
import { Ellipsoid, Limb } from './figure-parts';
import type { Profile } from './profile';
import { seeded } from './surfaces';

type Points = Readonly<Record<string, Vec3>>;
type Laid = (points: Points) => void;

/** A surface with marks of its own, as a coat or a worn blade has. */
function marked(ground: string, marks: string, count: number, size: number): THREE.Material {
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = 256;
  const g = canvas.getContext('2d')!;
  g.fillStyle = ground;
  g.fillRect(0, 0, 256, 256);
  const random = seeded(count);
  g.fillStyle = marks;
  for (let i = 0; i < count; i++) {
    g.beginPath();
    g.ellipse(random() * 256, random() * 256, size * (0.5 + random()), size * (0.5 + random()), random() * 3, 0, 7);
    g.fill();
  }
  const map = new THREE.CanvasTexture(canvas);
  map.colorSpace = THREE.SRGBColorSpace;
  return new THREE.MeshStandardMaterial({ map, roughness: 0.9 });
}

const plain = (color: string): THREE.Material => new THREE.MeshStandardMaterial({ color, roughness: 0.9 });
const SIDE = vec3(0, 0, 1);
const even = (radius: number): Profile => [
  [0, radius],
  [1, radius * 0.8],
];

function pony(group: THREE.Group): Laid {
  const coat = marked('#7a5236', '#efe7d8', 26, 22);
  const [white, hoof, mane] = [plain('#e9e2d3'), plain('#2a2622'), plain('#241a14')];
  const barrel = new Ellipsoid(group, coat, [0.56, 0.27, 0.24]);
  const parts: Laid[] = [
    (p) =>
      barrel.place(add(scale(add(p['withers']!, p['croup']!), 0.5), vec3(0, -0.2, 0)), vec3(1, 0, 0), vec3(0, 1, 0)),
  ];
  const limb = (from: string, to: string, material: THREE.Material, profile: Profile, lift = vec3(0, 0, 0)): void => {
    const part = new Limb(group, material, profile);
    parts.push((p) => part.place(add(p[from]!, lift), p[to]!, SIDE));
  };
  limb('withers', 'poll', coat, [[0, 0.3], [1, 0.2]], vec3(0.06, -0.14, 0)); // prettier-ignore
  limb('withers', 'poll', mane, even(0.09), vec3(-0.04, 0.06, 0));
  limb('poll', 'nose', coat, [[0, 0.32], [1, 0.22]]); // prettier-ignore
  for (const leg of ['left-fore', 'right-fore', 'left-hind', 'right-hind']) {
    limb(`${leg}-top`, `${leg}-knee`, coat, [[0, 0.3], [1, 0.15]]); // prettier-ignore
    limb(`${leg}-knee`, `${leg}-fetlock`, leg.endsWith('hind') ? white : coat, even(0.2));
    limb(`${leg}-fetlock`, `${leg}-hoof`, hoof, [[0, 0.22], [1, 0.36]]); // prettier-ignore
  }
  // Stickers, as they are put on where a coat shows nothing to follow.
  for (const id of ['croup-mark', 'fore-knee-mark', 'hind-knee-mark']) {
    const sticker = new Ellipsoid(group, plain('#f4f4f0'), [0.022, 0.022, 0.012]);
    parts.push((p) => sticker.place(p[id]!, vec3(1, 0, 0), vec3(0, 1, 0)));
  }
  return (points) => parts.forEach((lay) => lay(points));
}

function bat(group: THREE.Group): Laid {
  const blade = new THREE.Mesh(new THREE.BoxGeometry(0.11, 0.64, 0.05), marked('#d9bd8a', '#b3905a', 40, 7));
  const sticker = new THREE.Mesh(new THREE.BoxGeometry(0.09, 0.12, 0.052), plain('#2f6f8f'));
  const toe = new THREE.Mesh(new THREE.BoxGeometry(0.112, 0.05, 0.054), plain('#3c2f25'));
  const grip = new THREE.Mesh(new THREE.CylinderGeometry(0.017, 0.02, 0.32), marked('#b4382f', '#40201c', 30, 8));
  for (const part of [blade, sticker, toe, grip]) part.castShadow = true;
  const moving = new THREE.Group();
  for (const [part, far] of [
    [grip, 0.26],
    [blade, 0.72],
    [sticker, 0.64],
    [toe, 1.06],
  ] as const) {
    // prettier-ignore
    part.position.set(0, far - 0.22, 0);
    moving.add(part);
  }
  moving.matrixAutoUpdate = false;
  group.add(moving);
  return (p) => {
    const [from, to] = [p['handle-end']!, p['toe']!];
    const y = subtract(to, from);
    const along = new THREE.Vector3(y.x, y.y, y.z).normalize();
    const wide = subtract(p['toe-corner']!, to);
    const across = new THREE.Vector3(wide.x, wide.y, wide.z);
    across.addScaledVector(along, -across.dot(along)).normalize();
    const face = new THREE.Vector3().crossVectors(across, along);
    // The group's middle lies where the hands' end of the blade is.
    const base = add(from, scale(y, 0.12 / (Math.hypot(y.x, y.y, y.z) || 1)));
    moving.matrix.makeBasis(across, along, face).setPosition(base.x, base.y, base.z);
  };
}

/** Builds what moves beside the performer; it is laid where its points are. */
export function buildBeside(scene: THREE.Scene, what: Beside): Laid {
  const group = new THREE.Group();
  scene.add(group);
  return what === 'animal' ? pony(group) : bat(group);
}
