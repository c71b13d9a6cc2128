import { BufferTarget, CanvasSource, Output, WebMOutputFormat } from 'mediabunny';
import * as THREE from 'three';
import type { Trial } from '../athlete/motion';
import type { Vec3 } from '../athlete/vec3';
import { axesAt, cameraPosition, project, turnAt } from '../camera/camera';
import { BALL_RADIUS, ballAt } from '../athlete/ball';
import { clipNamed } from '../named';
import { trialOf, type DemoClip } from '../scenario';
import { buildBeside } from './beside';
import { Figure } from './figure';
import { buildGround } from './ground';
import { sunOf } from './surroundings';

/** Pixels round the joints within which the whole figure lies. */
const BOX_MARGIN = 60;
/** Bits a second for each pixel: 9 Mb/s at 1280 x 720. */
const BITS_PER_PIXEL = 9.77;

/** Draws one exposure after another into a canvas: `exposures` instants of the open shutter, averaged. */
class Filming {
  private readonly renderer = new THREE.WebGLRenderer({ antialias: true, preserveDrawingBuffer: true });
  private readonly scene = new THREE.Scene();
  private readonly lens: THREE.PerspectiveCamera;
  private readonly figure: Figure;
  private readonly passer: { readonly figure: Figure; readonly trial: Trial } | null;
  private readonly ball: THREE.Mesh;
  private readonly layBeside: ReturnType<typeof buildBeside> | null;
  private readonly trial;
  readonly canvas = document.createElement('canvas');
  private readonly picture: CanvasRenderingContext2D;
  private drawn: { left: number; top: number; right: number; bottom: number } | null = null;

  constructor(private readonly clip: DemoClip) {
    const { camera } = clip;
    this.trial = trialOf(clip);
    this.renderer.setPixelRatio(1);
    this.renderer.setSize(camera.width, camera.height, false);
    this.renderer.shadowMap.enabled = true;
    this.lens = new THREE.PerspectiveCamera(camera.fieldOfView, camera.width / camera.height, 0.1, 80);
    const at = cameraPosition(camera);
    this.lens.position.set(at.x, at.y, at.z);
    this.lens.lookAt(camera.target.x, camera.target.y, camera.target.z);
    buildGround(this.scene, clip, this.trial);
    this.figure = new Figure(clip.body, clip.appearance);
    this.ball = new THREE.Mesh(
      new THREE.SphereGeometry(BALL_RADIUS, 16, 12),
      new THREE.MeshStandardMaterial({ color: '#8e1f24', roughness: 0.5 }),
    );
    this.scene.add(this.figure.group);
    this.passer = clip.passer
      ? { figure: new Figure(clip.passer.body, clip.passer.appearance), trial: trialOf(clip.passer) }
      : null;
    if (this.passer) this.scene.add(this.passer.figure.group);
    if (clip.movement === 'pace-delivery') this.scene.add(this.ball);
    this.layBeside = clip.beside ? buildBeside(this.scene, clip.beside) : null;
    this.canvas.width = camera.width;
    this.canvas.height = camera.height;
    this.picture = this.canvas.getContext('2d', { alpha: false })!;
  }

  get frames(): number {
    return Math.floor((this.trial.end - this.trial.start) * this.clip.camera.frameRate);
  }

  /**
   * Draws what lies round the moving points and their shadows, now and in the exposure before; the rest of the picture
   * stands still.
   */
  private drawChanged(points: readonly Vec3[], time: number): void {
    const { camera } = this.clip;
    if (camera.motion) {
      this.aim(time);
      this.renderer.render(this.scene, this.lens);
      return;
    }
    const sun = sunOf(this.clip);
    const places = points
      .flatMap((p) => [p, { x: p.x - (sun.x * p.y) / sun.y, y: 0, z: p.z - (sun.z * p.y) / sun.y }])
      .map((p) => project(camera, p));
    const box = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };
    for (const { x, y } of places) {
      box.left = Math.min(box.left, x - BOX_MARGIN);
      box.right = Math.max(box.right, x + BOX_MARGIN);
      box.top = Math.min(box.top, y - BOX_MARGIN);
      box.bottom = Math.max(box.bottom, y + BOX_MARGIN);
    }
    const before = this.drawn ?? { left: 0, top: 0, right: camera.width, bottom: camera.height };
    this.drawn = box;
    const [left, top] = [
      Math.max(0, Math.floor(Math.min(box.left, before.left))),
      Math.max(0, Math.floor(Math.min(box.top, before.top))),
    ];
    const [right, bottom] = [
      Math.min(camera.width, Math.ceil(Math.max(box.right, before.right))),
      Math.min(camera.height, Math.ceil(Math.max(box.bottom, before.bottom))),
    ];
    this.renderer.setScissorTest(true);
    this.renderer.setScissor(left, camera.height - bottom, Math.max(0, right - left), Math.max(0, bottom - top));
    this.renderer.render(this.scene, this.lens);
  }

  /** Turns the lens to where a camera that moves looks. */
  private aim(time: number): void {
    const { camera } = this.clip;
    const { ahead, up } = axesAt(camera, time);
    const at = cameraPosition(camera);
    this.lens.up.set(up.x, up.y, up.z);
    this.lens.lookAt(at.x + ahead.x, at.y + ahead.y, at.z + ahead.z);
    this.lens.zoom = turnAt(camera, time).zoom;
    this.lens.updateProjectionMatrix();
  }

  expose(frame: number, exposures: number): void {
    const { frameRate, shutter } = this.clip.camera;
    const centre = this.trial.start + frame / frameRate;
    for (let k = 0; k < exposures; k++) {
      const time = centre + (exposures === 1 ? 0 : ((k + 0.5) / exposures - 0.5) * shutter);
      const pose = this.trial.poseAt(time);
      this.figure.pose(pose);
      const moving = Object.values(pose.points);
      if (this.passer) {
        const passing = this.passer.trial.poseAt(time - this.trial.start + this.passer.trial.start);
        this.passer.figure.pose(passing);
        moving.push(...Object.values(passing.points));
      }
      if (this.layBeside) {
        const beside = Object.entries(this.trial.objects).map(([id, at]) => [id, at(time)] as const);
        this.layBeside(Object.fromEntries(beside));
        moving.push(...beside.map(([, at]) => at));
      }
      if (this.clip.movement === 'pace-delivery') {
        const ball = ballAt(this.trial, time);
        this.ball.position.set(ball.x, ball.y, ball.z);
        moving.push(ball);
      }
      this.drawChanged(moving, time);
      this.picture.globalAlpha = 1 / (k + 1);
      this.picture.drawImage(this.renderer.domElement, 0, 0);
    }
    this.picture.globalAlpha = 1;
  }
}

const clipOf = (id: string): DemoClip => clipNamed(id)!;

/** One still as a data address, for looking at a pose without rendering the clip. */
function still(id: string, frame: number): string {
  const filming = new Filming(clipOf(id));
  filming.expose(frame, 1);
  return filming.canvas.toDataURL('image/png');
}

/** The whole clip as WebM (VP9), reported frame by frame. */
async function film(
  id: string,
  exposures: number,
  onFrame: (done: number, all: number) => Promise<void>,
): Promise<string> {
  const filming = new Filming(clipOf(id));
  const { frameRate } = clipOf(id).camera;
  const output = new Output({ format: new WebMOutputFormat(), target: new BufferTarget() });
  const source = new CanvasSource(filming.canvas, {
    codec: 'vp9',
    bitrate: Math.round(BITS_PER_PIXEL * filming.canvas.width * filming.canvas.height),
    keyFrameInterval: 0.5,
  });
  output.addVideoTrack(source, { frameRate });
  await output.start();
  for (let frame = 0; frame < filming.frames; frame++) {
    filming.expose(frame, exposures);
    await source.add(frame / frameRate, 1 / frameRate);
    await onFrame(frame + 1, filming.frames);
  }
  await output.finalize();
  const bytes = new Uint8Array(output.target.buffer!);
  let text = '';
  for (let i = 0; i < bytes.length; i += 32768) text += String.fromCharCode(...bytes.subarray(i, i + 32768));
  return btoa(text);
}

Object.assign(window, { still, film });
