import { FilesetResolver, PoseLandmarker } from '@mediapipe/tasks-vision';
import { expose } from 'comlink';
import { fail, ok, type Issue, type Result } from '../core/result';
import { BODY_POINTS, type PointId } from '../core/points/body-points';
import { exchangeSides, mergeLooks } from '../core/points/merge-looks';
import type { FoundPoints } from '../core/points/track';
import { drawDisplayed, type Rotation } from './rotation';

export type PoseIssue = Issue<'model-missing'>;

/** Part of the displayed picture that is given to the model, pixels. */
export interface Crop {
  readonly x: number;
  readonly y: number;
  readonly size: number;
}

/** Side of the square that a crop is brought to before the model sees it. */
const CROP_PIXELS = 512;
/** Side of a crop in units of the person's longer extent. */
const CROP_MARGIN = 1.45;

let landmarker: PoseLandmarker | null = null;
/** Whether every frame is looked at twice. */
let twice = false;
/** Frames looked at so far. */
let count = 0;
const canvas = new OffscreenCanvas(CROP_PIXELS, CROP_PIXELS);
const context = canvas.getContext('2d', { alpha: false })!;
/** Where the person was in the frame before. */
let following: Crop | null = null;

type Picture = { readonly frame: VideoFrame; readonly rotation: Rotation; readonly width: number; readonly height: number };

/** How a look turns the picture before the model sees it. */
interface Turn {
  readonly mirrored: boolean;
  /** Degrees, clockwise in the picture. */
  readonly tilt: number;
}

const UPRIGHT: Turn = { mirrored: false, tilt: 0 };
const TILT = 8;
/**
 * Two looks that differ as much as a body still looks natural: what the model owes to the way a body faces and leans falls
 * out of their average, and where they disagree the point is doubtful. The lean changes sides from frame to frame, so that
 * smoothing averages four ways of looking.
 */
const twoLooks = (count: number): readonly Turn[] => {
  const tilt = count % 2 === 0 ? -TILT : TILT;
  return [{ mirrored: false, tilt }, { mirrored: true, tilt: -tilt }];
};

function detect({ frame, rotation, width, height }: Picture, crop: Crop, { mirrored, tilt }: Turn = UPRIGHT): FoundPoints | null {
  const scale = CROP_PIXELS / crop.size;
  const half = CROP_PIXELS / 2;
  const turn = new DOMMatrix()
    .translateSelf(half, half)
    .scaleSelf(mirrored ? -scale : scale, scale)
    .rotateSelf(tilt)
    .translateSelf(-(crop.x + crop.size / 2), -(crop.y + crop.size / 2));
  const back = turn.inverse();
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.fillStyle = '#000';
  context.fillRect(0, 0, CROP_PIXELS, CROP_PIXELS);
  context.setTransform(turn);
  drawDisplayed(context, frame, rotation, width, height);
  const pose = landmarker!.detect(canvas).landmarks[0];
  if (!pose) return null;
  const found: Partial<Record<PointId, { x: number; y: number; confidence: number }>> = {};
  BODY_POINTS.forEach((id, i) => {
    const mark = pose[i]!;
    const { x, y } = back.transformPoint({ x: mark.x * CROP_PIXELS, y: mark.y * CROP_PIXELS });
    found[id] = { x, y, confidence: mark.visibility ?? 0 };
  });
  return mirrored ? exchangeSides(found) : found;
}

/** One upright look at a fitting crop, or at the accurate setting two that lean and face differently. */
function lookAt(picture: Picture, crop: Crop): readonly FoundPoints[] {
  return (twice ? twoLooks(count++) : [UPRIGHT]).map((turn) => detect(picture, crop, turn)).filter((look) => look !== null);
}

/** A square round a person with room for the next frame's movement. */
function cropRound([first, second]: readonly FoundPoints[]): Crop {
  const points = Object.values(second ? mergeLooks(first!, second) : first!);
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const size = Math.max(right - left, bottom - top) * CROP_MARGIN;
  return { x: (left + right) / 2 - size / 2, y: (top + bottom) / 2 - size / 2, size };
}

/** Squares to search when nobody is being followed: the whole picture, then overlapping parts of it. */
function searchCrops(width: number, height: number): Crop[] {
  const long = Math.max(width, height);
  const short = Math.min(width, height);
  const whole: Crop = { x: (width - long) / 2, y: (height - long) / 2, size: long };
  const parts = [0, 0.5, 1].map((u): Crop => (width >= height ? { x: u * (width - short), y: 0, size: short } : { x: 0, y: u * (height - short), size: short }));
  return [whole, ...parts];
}

/** Finds the body points of one person, following the person from frame to frame. */
const poseWorker = {
  async load(modelAddress: string, wasmAddress: string, looks: 1 | 2): Promise<Result<null, PoseIssue>> {
    try {
      const files = await FilesetResolver.forVisionTasks(wasmAddress, true);
      landmarker = await PoseLandmarker.createFromOptions(files, {
        baseOptions: { modelAssetPath: modelAddress, delegate: 'CPU' },
        runningMode: 'IMAGE',
        numPoses: 1,
        minPoseDetectionConfidence: 0.3,
        minPosePresenceConfidence: 0.3,
      });
      following = null;
      twice = looks === 2;
      return ok(null);
    } catch (error) {
      return fail('model-missing', `The point finder could not be loaded from ${modelAddress} (${error instanceof Error ? error.message : String(error)}). Reload the page; if it stays, reinstall the application.`);
    }
  },
  /** One look or two at the person, in pixels of the displayed picture; none where nobody is seen. */
  find(frame: VideoFrame, rotation: Rotation, width: number, height: number): Result<readonly FoundPoints[], never> {
    try {
      const picture: Picture = { frame, rotation, width, height };
      // Someone who is being followed is looked for where they were; otherwise everywhere, then closely.
      let looks = following ? lookAt(picture, following) : [];
      if (looks.length === 0) {
        for (const wide of searchCrops(width, height)) {
          const seen = detect(picture, wide);
          if (!seen) continue;
          looks = lookAt(picture, cropRound([seen]));
          if (looks.length === 0) looks = [seen];
          break;
        }
      }
      following = looks.length > 0 ? cropRound(looks) : null;
      return ok(looks);
    } finally {
      frame.close();
    }
  },
};

export type PoseWorker = typeof poseWorker;
expose(poseWorker);
