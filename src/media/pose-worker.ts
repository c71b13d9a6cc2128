import type { DecodedPicture } from './frame-cache';
import { FilesetResolver, PoseLandmarker } from '@mediapipe/tasks-vision';
import { expose } from 'comlink';
import { fail, ok, type Issue, type Result } from '../core/result';
import { BODY_POINTS } from '../core/points/body-points';
import { exchangeSides, mergeLooks } from '../core/points/merge-looks';
import type { FoundPoints } from '../core/points/track';
import { drawDisplayed, type Rotation } from './rotation';
import { SECOND_INPUT, SecondFinder } from './second-finder';

export type PoseIssue = Issue<'model-missing'>;

/** Part of the displayed picture that is given to the model, pixels. */
export interface Crop {
  readonly x: number;
  readonly y: number;
  readonly size: number;
}

/** Side of the square that a crop is brought to before the first finder sees it. */
const CROP_PIXELS = 512;
/** Side of a crop in units of the person's longer extent: for the first finder, which looks for the person in it again, and for the second. */
const CROP_MARGIN = 1.45;
const SECOND_MARGIN = 1.2;

let landmarker: PoseLandmarker | null = null;
let second: SecondFinder | null = null;
/** Frames looked at so far. */
let count = 0;
const surface = (size: number): OffscreenCanvasRenderingContext2D => new OffscreenCanvas(size, size).getContext('2d', { alpha: false, willReadFrequently: true })!;
const forFirst = surface(CROP_PIXELS);
const forSecond = surface(SECOND_INPUT);
/** Where the person chosen by the user was last seen; null where nobody was chosen. */
let chosen: Crop | null = null;
/** Largest move of a chosen person from one frame to the next, shares of the crop, and largest change of size. */
const SAME_PERSON = 0.35;
const OTHER_SIZE = 1.6;
/** People looked for in one crop where one was chosen among several. */
const SEVERAL = 3;

/** Where the person was in the frame before. */
let following: Crop | null = null;

type Picture = { readonly frame: DecodedPicture; readonly rotation: Rotation; readonly width: number; readonly height: number };

/** Draws a part of the displayed picture into a square, mirrored or not; returns the way back to the picture. */
function drawCrop(context: OffscreenCanvasRenderingContext2D, { frame, rotation, width, height }: Picture, crop: Crop, mirrored: boolean): (at: { x: number; y: number }) => { x: number; y: number } {
  const side = context.canvas.width;
  const scale = side / crop.size;
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.fillStyle = '#000';
  context.fillRect(0, 0, side, side);
  context.imageSmoothingQuality = 'high';
  if (mirrored) context.setTransform(-scale, 0, 0, scale, side + crop.x * scale, -crop.y * scale);
  else context.setTransform(scale, 0, 0, scale, -crop.x * scale, -crop.y * scale);
  drawDisplayed(context, frame, rotation, width, height);
  return ({ x, y }) => ({ x: crop.x + (mirrored ? side - x : x) / scale, y: crop.y + y / scale });
}

/** Points found in a crop, in pixels of the displayed picture; a mirrored person's left is the other's right. */
function inPicture(found: FoundPoints, back: ReturnType<typeof drawCrop>, mirrored: boolean): FoundPoints {
  const placed = Object.fromEntries(Object.entries(found).map(([id, point]) => [id, { ...back(point), confidence: point.confidence }])) as FoundPoints;
  return mirrored ? exchangeSides(placed) : placed;
}

function lookFirst(picture: Picture, crop: Crop, mirrored = false): FoundPoints | null {
  const back = drawCrop(forFirst, picture, crop, mirrored);
  const all = landmarker!.detect(forFirst.canvas).landmarks.map((pose) => {
    const found = Object.fromEntries(BODY_POINTS.map((id, i) => [id, { x: pose[i]!.x * CROP_PIXELS, y: pose[i]!.y * CROP_PIXELS, confidence: pose[i]!.visibility ?? 0 }]));
    return inPicture(found, back, mirrored);
  });
  if (all.length <= 1 || !chosen) return all[0] ?? null;
  // Of several people the chosen one is where that one was a frame ago.
  const away = (found: FoundPoints): number => {
    const { x, y, size } = cropRound([found]);
    return Math.hypot(x + size / 2 - chosen!.x - chosen!.size / 2, y + size / 2 - chosen!.y - chosen!.size / 2) + Math.abs(size - chosen!.size) / 2;
  };
  return all.reduce((nearest, found) => (away(found) < away(nearest) ? found : nearest));
}

/** Whether a found person can be the one who was chosen: not farther away than half a body, and of about the size. */
function isChosen(looks: readonly FoundPoints[]): boolean {
  if (!chosen || looks.length === 0) return true;
  const { x, y, size } = cropRound(looks);
  const away = Math.hypot(x + size / 2 - chosen.x - chosen.size / 2, y + size / 2 - chosen.y - chosen.size / 2);
  return away < SAME_PERSON * chosen.size && size > chosen.size / OTHER_SIZE && size < chosen.size * OTHER_SIZE;
}

async function lookSecond(picture: Picture, crop: Crop, mirrored: boolean): Promise<FoundPoints> {
  const back = drawCrop(forSecond, picture, crop, mirrored);
  forSecond.setTransform(1, 0, 0, 1, 0, 0);
  return inPicture(await second!.find(forSecond.getImageData(0, 0, SECOND_INPUT, SECOND_INPUT)), back, mirrored);
}

/**
 * One look at a fitting crop, or at the accurate setting two by different finders. They look at the person and at the mirrored
 * person in turn, so that smoothing averages what a finder owes to the way a body faces.
 */
async function lookAt(picture: Picture, crop: Crop): Promise<readonly FoundPoints[]> {
  if (!second) {
    const only = lookFirst(picture, crop);
    return only ? [only] : [];
  }
  const odd = count++ % 2 === 1;
  const first = lookFirst(picture, crop, odd);
  return first ? [first, await lookSecond(picture, cropRound([first], SECOND_MARGIN), !odd)] : [];
}

/** A square round a person with room for the next frame's movement. */
function cropRound([first, other]: readonly FoundPoints[], margin = CROP_MARGIN): Crop {
  const points = Object.values(other ? mergeLooks(first!, other) : first!);
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const size = Math.max(right - left, bottom - top) * margin;
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
  /**
   * @param secondAddress the second finder's model, or null to look only once
   * @param person where the person to be followed is on the first frame, or null for the most prominent one
   */
  async load(modelAddress: string, wasmAddress: string, secondAddress: string | null, person: Crop | null): Promise<Result<null, PoseIssue>> {
    try {
      const files = await FilesetResolver.forVisionTasks(wasmAddress, true);
      landmarker = await PoseLandmarker.createFromOptions(files, {
        baseOptions: { modelAssetPath: modelAddress, delegate: 'CPU' },
        runningMode: 'IMAGE',
        numPoses: person ? SEVERAL : 1,
        minPoseDetectionConfidence: 0.3,
        minPosePresenceConfidence: 0.3,
      });
      second = secondAddress === null ? null : await SecondFinder.load(secondAddress, wasmAddress);
      chosen = person;
      following = person;
      count = 0;
      return ok(null);
    } catch (error) {
      return fail('model-missing', `The point finder could not be loaded from ${modelAddress} (${error instanceof Error ? error.message : String(error)}). Reload the page; if it stays, reinstall the application.`);
    }
  },
  /** One look or two at the person, in pixels of the displayed picture; none where nobody is seen. */
  async find(frame: DecodedPicture, rotation: Rotation, width: number, height: number): Promise<Result<readonly FoundPoints[], never>> {
    try {
      const picture: Picture = { frame, rotation, width, height };
      // Someone who is being followed is looked for where they were; otherwise everywhere, then closely.
      let looks = following ? await lookAt(picture, following) : [];
      if (chosen) {
        if (!isChosen(looks)) looks = [];
        // Lost for a moment, the same place is looked at again: another person must not be taken for this one.
        if (looks.length > 0) chosen = cropRound(looks);
        following = chosen;
        return ok(looks);
      }
      if (looks.length === 0) {
        for (const wide of searchCrops(width, height)) {
          const seen = lookFirst(picture, wide);
          if (!seen) continue;
          looks = await lookAt(picture, cropRound([seen]));
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
