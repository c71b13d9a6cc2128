import { BufferTarget, CanvasSource, Output, WebMOutputFormat } from 'mediabunny';
import * as THREE from 'three';
import { cameraPosition } from '../camera/camera';
import { BALL_RADIUS, ballAt } from '../athlete/ball';
import { DEMO_CLIPS, performanceOf, type DemoClip } from '../scenario';
import { Figure } from './figure';
import { buildGround } from './ground';

/** Draws one exposure after another into a canvas: `exposures` instants of the open shutter, averaged. */
class Filming {
  private readonly renderer = new THREE.WebGLRenderer({ antialias: true, preserveDrawingBuffer: true });
  private readonly scene = new THREE.Scene();
  private readonly lens: THREE.PerspectiveCamera;
  private readonly figure: Figure;
  private readonly ball: THREE.Mesh;
  private readonly performance;
  readonly canvas = document.createElement('canvas');
  private readonly picture: CanvasRenderingContext2D;

  constructor(private readonly clip: DemoClip) {
    const { camera } = clip;
    this.performance = performanceOf(clip);
    this.renderer.setPixelRatio(1);
    this.renderer.setSize(camera.width, camera.height, false);
    this.renderer.shadowMap.enabled = true;
    this.lens = new THREE.PerspectiveCamera(camera.fieldOfView, camera.width / camera.height, 0.1, 80);
    const at = cameraPosition(camera);
    this.lens.position.set(at.x, at.y, at.z);
    this.lens.lookAt(camera.target.x, camera.target.y, camera.target.z);
    buildGround(this.scene, clip);
    this.figure = new Figure(clip.body, clip.look);
    this.ball = new THREE.Mesh(
      new THREE.SphereGeometry(BALL_RADIUS, 16, 12),
      new THREE.MeshStandardMaterial({ color: '#8e1f24', roughness: 0.5 }),
    );
    this.scene.add(this.figure.group, this.ball);
    this.canvas.width = camera.width;
    this.canvas.height = camera.height;
    this.picture = this.canvas.getContext('2d', { alpha: false })!;
  }

  get frames(): number {
    return Math.floor((this.performance.end - this.performance.start) * this.clip.camera.frameRate);
  }

  expose(frame: number, exposures: number): void {
    const { frameRate, shutter } = this.clip.camera;
    const centre = this.performance.start + frame / frameRate;
    for (let k = 0; k < exposures; k++) {
      const time = centre + (exposures === 1 ? 0 : ((k + 0.5) / exposures - 0.5) * shutter);
      const pose = this.performance.poseAt(time);
      this.figure.pose(pose);
      const ball = ballAt(this.performance, time);
      this.ball.position.set(ball.x, ball.y, ball.z);
      this.renderer.render(this.scene, this.lens);
      this.picture.globalAlpha = 1 / (k + 1);
      this.picture.drawImage(this.renderer.domElement, 0, 0);
    }
    this.picture.globalAlpha = 1;
  }
}

const clipOf = (id: string): DemoClip => DEMO_CLIPS.find((clip) => clip.id === id)!;

/** One still as a data address, for looking at a pose without rendering the clip. */
function still(id: string, frame: number): string {
  const filming = new Filming(clipOf(id));
  filming.expose(frame, 1);
  return filming.canvas.toDataURL('image/png');
}

/** The whole clip as WebM (VP9), reported frame by frame. */
async function film(id: string, exposures: number, onFrame: (done: number, all: number) => Promise<void>): Promise<string> {
  const filming = new Filming(clipOf(id));
  const { frameRate } = clipOf(id).camera;
  const output = new Output({ format: new WebMOutputFormat(), target: new BufferTarget() });
  const source = new CanvasSource(filming.canvas, { codec: 'vp9', bitrate: 9_000_000, keyFrameInterval: 0.5 });
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
