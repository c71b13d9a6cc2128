import * as THREE from 'three';
import type { Body } from '../athlete/body';
import type { SkeletonPose } from '../athlete/skeleton-pose';
import { add, mix, scale, subtract, type Vec3 } from '../athlete/vec3';
import type { Look } from '../look';
import { LongHair, Skirt, SLEEVE, THICKER } from './figure-clothes';
import { Limb, Ellipsoid, Trunk } from './figure-parts';
import { type Profile, three } from './profile';

/**
 * The point of the elbow: with skin it stands about five centimetres from the joint's axis when the arm is bent (from
 * memory). Shares of standing height: radius, and how far its middle moves out at a right angle, divided by sin 45.
 */
const OLECRANON = { radius: 0.017, reach: 0.016 };

/** The rendered person: built once, posed for every exposure. */
export class Figure {
  readonly group = new THREE.Group();
  private readonly limbs: { limb: Limb; from: string; to: string; stretch: readonly [number, number] }[] = [];
  private readonly trunks: Trunk[];
  private readonly neck: Limb;
  private readonly shoes: { limb: Limb; sole: Limb; side: 'left' | 'right' }[] = [];
  private readonly hands: { palm: Limb; thumb: Limb; side: 'left' | 'right' }[] = [];
  private readonly elbows: { part: Ellipsoid; side: 'left' | 'right' }[] = [];
  private readonly headParts: { part: Ellipsoid; at: readonly [number, number, number] }[] = [];
  private readonly loose: (Skirt | LongHair)[] = [];

  constructor(
    private readonly body: Body,
    hint: Look,
  ) {
    const matte = (color: string): THREE.Material => new THREE.MeshStandardMaterial({ color, roughness: 0.85 });
    const skin = matte(hint.skin);
    const shirt = matte(hint.shirt);
    const trousers = matte(hint.trousers);
    const hair = matte(hint.hair);
    const shoe = matte('#f2f0ea');
    const sole = matte('#2b2b2b');
    const dark = matte('#1a1210');
    const white = matte('#f6f6f6');
    const h = body.height;
    const girth = hint.girth ?? 1;
    const loose = hint.legs === 'loose';
    const headSize = hint.headSize ?? 1;
    const thick = (profile: Profile, by = 1): Profile => profile.map(([along, radius]) => [along, radius * girth * by]);
    const link = (
      from: string,
      to: string,
      material: THREE.Material,
      profile: Profile,
      { stretch = [0, 1], by = 1 }: { stretch?: readonly [number, number]; by?: number } = {},
    ): void => {
      this.limbs.push({ limb: new Limb(this.group, material, thick(profile, by)), from, to, stretch });
    };
    const legs = hint.legs === 'skirt' ? skin : trousers;
    if (hint.legs === 'skirt') this.loose.push(new Skirt(this.group, trousers, h * girth));
    if (hint.hairLength === 'long') this.loose.push(new LongHair(this.group, hair, h));
    for (const s of ['left', 'right'] as const) {
      link(
        `${s}-hip`,
        `${s}-knee`,
        legs,
        [
          [0, 0.2],
          [0.25, 0.2],
          [0.6, 0.16],
          [1, 0.128],
        ],
        { by: loose ? THICKER.thigh : 1 },
      );
      link(
        `${s}-knee`,
        `${s}-ankle`,
        legs,
        [
          [0, 0.126],
          [0.28, 0.135],
          [0.65, 0.108],
          [1, 0.1],
        ],
        { stretch: [0, 0.93], by: loose ? THICKER.shank : 1 },
      );
      link(`${s}-shoulder`, `${s}-elbow`, skin, [
        [0, 0.15],
        [0.35, 0.145],
        [0.7, 0.122],
        [1, 0.112],
      ]);
      link(
        `${s}-shoulder`,
        `${s}-elbow`,
        shirt,
        [
          [0, 0.33],
          [0.5, 0.33],
          [1, 0.31],
        ],
        { stretch: [-0.06, 0.52] },
      );
      if (hint.sleeves === 'long') {
        link(`${s}-shoulder`, `${s}-elbow`, shirt, SLEEVE);
        link(`${s}-elbow`, `${s}-wrist`, shirt, SLEEVE, { stretch: [0, 0.94] });
      }
      link(`${s}-elbow`, `${s}-wrist`, skin, [
        [0, 0.14],
        [0.28, 0.15],
        [0.65, 0.112],
        [1, 0.088],
      ]);
      this.elbows.push({
        side: s,
        part: new Ellipsoid(this.group, skin, [OLECRANON.radius * h, OLECRANON.radius * h, OLECRANON.radius * h]),
      });
      this.shoes.push({
        side: s,
        limb: new Limb(
          this.group,
          shoe,
          [
            [0, 0.16],
            [0.35, 0.185],
            [0.75, 0.15],
            [1, 0.1],
          ],
          0.85,
        ),
        sole: new Limb(
          this.group,
          sole,
          [
            [0, 0.12],
            [0.5, 0.145],
            [1, 0.11],
          ],
          0.95,
        ),
      });
      this.hands.push({
        side: s,
        palm: new Limb(
          this.group,
          skin,
          [
            [0, 0.16],
            [0.35, 0.26],
            [0.7, 0.24],
            [1, 0.12],
          ],
          0.5,
        ),
        thumb: new Limb(this.group, skin, [
          [0, 0.2],
          [1, 0.14],
        ]),
      });
    }
    this.trunks = [
      new Trunk(
        this.group,
        trousers,
        -0.13,
        0.2,
        thick([
          [-0.13, 0.085],
          [0, 0.103],
          [0.2, 0.094],
        ]),
        thick([
          [-0.13, 0.06],
          [0, 0.077],
          [0.2, 0.068],
        ]),
      ),
      new Trunk(
        this.group,
        shirt,
        0.12,
        1.0,
        thick([
          [0.12, 0.099],
          [0.35, 0.094],
          [0.6, 0.104],
          [0.8, 0.115],
          [0.92, 0.1],
          [1, 0.034],
        ]),
        thick([
          [0.12, 0.074],
          [0.35, 0.066],
          [0.65, 0.074],
          [0.85, 0.064],
          [1, 0.034],
        ]),
      ),
    ];
    this.neck = new Limb(this.group, skin, [
      [0, 0.36],
      [1, 0.31],
    ]);
    const head = (
      material: THREE.Material,
      radii: readonly [number, number, number],
      at: readonly [number, number, number],
    ): void => {
      this.headParts.push({
        part: new Ellipsoid(
          this.group,
          material,
          radii.map((r) => r * h * headSize) as unknown as [number, number, number],
        ),
        at: at.map((a) => a * headSize) as unknown as [number, number, number],
      });
    };
    head(skin, [0.052, 0.066, 0.043], [0, 0, 0]);
    head(skin, [0.036, 0.034, 0.031], [0.018, -0.034, 0]);
    head(skin, [0.013, 0.011, 0.008], [0.053, -0.01, 0]);
    head(hair, [0.056, 0.054, 0.047], [-0.01, 0.022, 0]);
    head(hair, [0.03, 0.04, 0.041], [-0.032, -0.002, 0]);
    head(matte('#8d4740'), [0.005, 0.004, 0.013], [0.05, -0.033, 0]);
    for (const sign of [-1, 1]) {
      head(white, [0.006, 0.0055, 0.008], [0.046, 0.006, sign * 0.018]);
      head(dark, [0.004, 0.005, 0.005], [0.0505, 0.006, sign * 0.0185]);
      head(hair, [0.005, 0.003, 0.011], [0.049, 0.018, sign * 0.018]);
      head(skin, [0.009, 0.017, 0.005], [-0.003, 0, sign * 0.044]);
    }
  }

  pose(pose: SkeletonPose): void {
    const p = (name: string): Vec3 => pose.points[name]!;
    const side = pose.thoraxRight;
    for (const { limb, from, to, stretch } of this.limbs) {
      const a = p(from);
      const d = subtract(p(to), a);
      limb.place(
        add(a, scale(d, stretch[0])),
        add(a, scale(d, stretch[1])),
        from.includes('hip') || from.includes('knee') ? pose.pelvisRight : side,
      );
    }
    for (const trunk of this.trunks) trunk.place(pose, this.body.height);
    this.neck.place(
      add(pose.neckBase, scale(subtract(pose.pelvis, pose.neckBase), 0.06)),
      mix(pose.neckBase, pose.head, 0.75),
      side,
    );
    const right = scale(
      {
        x: pose.headForward.y * pose.headUp.z - pose.headForward.z * pose.headUp.y,
        y: pose.headForward.z * pose.headUp.x - pose.headForward.x * pose.headUp.z,
        z: pose.headForward.x * pose.headUp.y - pose.headForward.y * pose.headUp.x,
      },
      1,
    );
    for (const { part, at } of this.headParts) {
      const [f, u, r] = at;
      const h = this.body.height;
      part.place(
        add(pose.head, add(scale(pose.headForward, f * h), add(scale(pose.headUp, u * h), scale(right, r * h)))),
        pose.headForward,
        pose.headUp,
      );
    }
    for (const part of this.loose) part.place(pose);
    const h = this.body.height;
    for (const { part, side: s } of this.elbows) {
      const elbow = p(`${s}-elbow`);
      const toShoulder = three(subtract(p(`${s}-shoulder`), elbow)).normalize();
      const toWrist = three(subtract(p(`${s}-wrist`), elbow)).normalize();
      // Away from the inside of the bend; a straight arm hides it.
      const outward = toShoulder.clone().add(toWrist).multiplyScalar(-0.5);
      part.place(
        add(elbow, scale({ x: outward.x, y: outward.y, z: outward.z }, OLECRANON.reach * h)),
        toWrist as Vec3,
        toShoulder as Vec3,
      );
    }
    for (const { limb, sole, side: s } of this.shoes) {
      const heel = p(`${s}-heel`);
      const toe = p(`${s}-foot-index`);
      const along = subtract(toe, heel);
      const lift = { x: -along.y, y: along.x, z: 0 };
      const k = (0.016 * h) / Math.hypot(along.x, along.y);
      limb.place(add(heel, scale(lift, k * 1.15)), add(add(toe, scale(along, 0.16)), scale(lift, k * 0.8)), {
        x: 0,
        y: 0,
        z: 1,
      });
      sole.place(add(heel, scale(lift, k * 0.45)), add(add(toe, scale(along, 0.18)), scale(lift, k * 0.4)), {
        x: 0,
        y: 0,
        z: 1,
      });
    }
    for (const { palm, thumb, side: s } of this.hands) {
      palm.place(p(`${s}-wrist`), p(`${s}-index`), side);
      thumb.place(mix(p(`${s}-wrist`), p(`${s}-index`), 0.2), p(`${s}-thumb`), side);
    }
  }
}
