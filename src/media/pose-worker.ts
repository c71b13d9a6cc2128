import type { DecodedPicture } from './decoded-picture';
import { FilesetResolver, PoseLandmarker } from '@mediapipe/tasks-vision';
import { exposeWorker } from './expose-worker';
import { fail, ok, type Issue, type Result } from '../core/result';
import { BODY_POINTS } from '../core/anatomy/body-points';
import { exchangeSides } from '../core/detections/fuse-detections';
import { boundsOf } from '../core/geometry/bounds';
import { clothesOf, coloursAt } from '../core/detections/clothes';
import { cropRound, cropRoundAll, SECOND_MARGIN, searchCrops, touchesEdge, type Crop } from '../core/detections/crops';
import { beginIdentity, NOT_SURE_WHO, recognise, type People, type Seen } from '../core/detections/identity';
import { withoutRepeatedBodies } from '../core/detections/repeated-bodies';
import type { PersonBox } from '../core/model/kept-detections';
import type { DetectedPoints } from '../core/tracks/track';
import type { Rotation } from '../core/geometry/quarter-turn';
import { drawDisplayed } from './draw-displayed';
import { SecondDetector } from './second-detector';
import { TEXT } from '../text/media';

export type PoseIssue = Issue<'model-missing'>;

/** How a frame is looked at. */
export interface LookAt {
  /** What was detected on frames beside this one, where that is known; else the frame before is gone by. */
  readonly beside: readonly DetectedPoints[];
  /** Whether the first detector sees the person as in a mirror; the second then does not. */
  readonly mirrored: boolean;
  /** Nothing is known from a frame before. */
  readonly fresh: boolean;
}

/** Side of the square that a crop is brought to before the first detector sees it. */
const CROP_PIXELS = 512;
/** The same for a box drawn by the user. */
const BOX_MARGIN = 1.3;

let landmarker: PoseLandmarker | null = null;
let second: { readonly detector: SecondDetector; readonly surface: OffscreenCanvasRenderingContext2D } | null = null;
const surface = (size: number): OffscreenCanvasRenderingContext2D =>
  new OffscreenCanvas(size, size).getContext('2d', { alpha: false, willReadFrequently: true })!;
const forFirst = surface(CROP_PIXELS);
/** The person chosen by the user and the people near; null where nobody was chosen. */
let people: People | null = null;
/** Whether nobody else could as well be the chosen one in this frame. */
let sureWho = true;
/** People looked for in one crop where one was chosen among several. */
const SEVERAL = 3;

/** Where the person was in the frame before. */
let tracking: Crop | null = null;

type Picture = {
  readonly frame: DecodedPicture;
  readonly rotation: Rotation;
  readonly width: number;
  readonly height: number;
};

/** Draws a part of the displayed picture into a square, mirrored or not; returns the way back to the picture. */
function drawCrop(
  context: OffscreenCanvasRenderingContext2D,
  { frame, rotation, width, height }: Picture,
  crop: Crop,
  mirrored: boolean,
): (at: { x: number; y: number }) => { x: number; y: number } {
  const side = context.canvas.width;
  const scale = side / crop.size;
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.fillStyle = '#000';
  context.fillRect(0, 0, side, side);
  context.imageSmoothingQuality = 'high';
  if (mirrored) context.setTransform(-scale, 0, 0, scale, side + crop.x * scale, -crop.y * scale);
  else context.setTransform(scale, 0, 0, scale, -crop.x * scale, -crop.y * scale);
  drawDisplayed(context, frame, { width, height, rotation });
  return ({ x, y }) => ({ x: crop.x + (mirrored ? side - x : x) / scale, y: crop.y + y / scale });
}

/** Milliseconds that the models themselves took so far. */
let inference = 0;

/** Points detected in a crop, in pixels of the displayed picture; a mirrored person's left is the other's right. */
function inPicture(detected: DetectedPoints, back: ReturnType<typeof drawCrop>, mirrored: boolean): DetectedPoints {
  const placed = Object.fromEntries(
    Object.entries(detected).map(([id, point]) => [id, { ...back(point), confidence: point.confidence }]),
  ) as DetectedPoints;
  return mirrored ? exchangeSides(placed) : placed;
}

function lookFirst(picture: Picture, crop: Crop, mirrored = false): DetectedPoints | null {
  const back = drawCrop(forFirst, picture, crop, mirrored);
  const started = performance.now();
  const { landmarks } = landmarker!.detect(forFirst.canvas);
  inference += performance.now() - started;
  const inCrop = withoutRepeatedBodies(
    landmarks.map((pose) =>
      Object.fromEntries(
        BODY_POINTS.map((id, i) => [
          id,
          { x: pose[i]!.x * CROP_PIXELS, y: pose[i]!.y * CROP_PIXELS, confidence: pose[i]!.visibility ?? 0 },
        ]),
      ),
    ),
  );
  const all = inCrop.map((detected) => inPicture(detected, back, mirrored));
  if (!people) return all[0] ?? null;
  const pixels = forFirst.getImageData(0, 0, CROP_PIXELS, CROP_PIXELS).data;
  const recognised = recognise(
    people,
    all.map((detected, k) =>
      seenAs(
        detected,
        coloursAt(
          pixels,
          CROP_PIXELS,
          clothesOf((joint) => inCrop[k]![joint]!),
        ),
      ),
    ),
  );
  people = recognised.people;
  sureWho = recognised.sure;
  return recognised.chosen === null ? null : byWho(all[recognised.chosen]!);
}

/** A look at one who may be somebody else is believed as little. */
const byWho = (detected: DetectedPoints): DetectedPoints =>
  sureWho
    ? detected
    : Object.fromEntries(
        Object.entries(detected).map(([id, p]) => [id, { ...p, confidence: p.confidence * NOT_SURE_WHO }]),
      );

/** Somebody as others are told apart from: the middle of the trunk, which moves evenly, and the whole extent. */
function seenAs(detected: DetectedPoints, colours: Float64Array | null): Seen {
  const bounds = boundsOf(Object.values(detected));
  const trunk = (['left-shoulder', 'right-shoulder', 'left-hip', 'right-hip'] as const).map((id) => detected[id]!);
  return {
    x: trunk.reduce((sum, p) => sum + p.x, 0) / 4,
    y: trunk.reduce((sum, p) => sum + p.y, 0) / 4,
    size: Math.max(bounds.width, bounds.height),
    colours,
    bounds,
  };
}

async function detectSecond(picture: Picture, crop: Crop, mirrored: boolean): Promise<DetectedPoints> {
  const { detector, surface: forSecond } = second!;
  const back = drawCrop(forSecond, picture, crop, mirrored);
  forSecond.setTransform(1, 0, 0, 1, 0, 0);
  const pixels = forSecond.getImageData(0, 0, detector.side, detector.side);
  const started = performance.now();
  const detected = await detector.find(pixels);
  inference += performance.now() - started;
  return byWho(inPicture(detected, back, mirrored));
}

/**
 * Detections of two detectors at a fitting crop. They look at the person and at the mirrored person in turn, so that
 * smoothing averages what a detector owes to the way a body faces. Somebody who moved to the edge of the crop is looked
 * at again, from there.
 */
async function detectIn(picture: Picture, crop: Crop, odd: boolean): Promise<readonly DetectedPoints[]> {
  let first = lookFirst(picture, crop, odd);
  if (first && !people && touchesEdge(first, crop)) first = lookFirst(picture, cropRound([first]), odd) ?? first;
  return first ? [first, await detectSecond(picture, cropRound([first], SECOND_MARGIN), !odd)] : [];
}

/** Finds the body points of one person, following the person from frame to frame. */
const poseWorker = {
  /**
   * @param person where the person to be followed is on the first frame, or null for the most prominent one
   */
  async load(
    modelAddress: string,
    wasmAddress: string,
    secondAddress: string,
    person: PersonBox | null,
  ): Promise<Result<null, PoseIssue>> {
    try {
      const files = await FilesetResolver.forVisionTasks(wasmAddress, true);
      landmarker = await PoseLandmarker.createFromOptions(files, {
        baseOptions: { modelAssetPath: modelAddress, delegate: 'CPU' },
        runningMode: 'IMAGE',
        numPoses: person ? SEVERAL : 1,
        minPoseDetectionConfidence: 0.3,
        minPosePresenceConfidence: 0.3,
      });
      const detector = await SecondDetector.load(secondAddress, wasmAddress);
      second = { detector, surface: surface(detector.side) };
      const extent = person && Math.max(person.width, person.height);
      people = person && beginIdentity(person);
      tracking = person && {
        x: person.x + person.width / 2 - (BOX_MARGIN * extent!) / 2,
        y: person.y + person.height / 2 - (BOX_MARGIN * extent!) / 2,
        size: BOX_MARGIN * extent!,
      };
      sureWho = true;
      return ok(null);
    } catch (error) {
      return fail(
        'model-missing',
        TEXT.pointDetectorCouldNot(modelAddress, error instanceof Error ? error.message : String(error)),
      );
    }
  },
  /**
   * Detections of both detectors at the person, in pixels of the displayed picture; none where nobody is seen.
   */
  async find(
    frame: DecodedPicture,
    rotation: Rotation,
    width: number,
    height: number,
    { beside, mirrored, fresh }: LookAt,
  ): Promise<Result<readonly DetectedPoints[], never>> {
    try {
      const picture: Picture = { frame, rotation, width, height };
      // Someone who is being followed is looked for where they were; otherwise everywhere, then closely.
      if (fresh && !people) tracking = null;
      const near = beside.length > 0 && !people ? cropRoundAll(beside) : tracking;
      let detections = near ? await detectIn(picture, near, mirrored) : [];
      if (people) {
        // Who is hidden for a moment is expected where they were going: nobody else is taken for them.
        const { x, y } = people.chosen.velocity;
        tracking =
          detections.length > 0
            ? cropRound(detections)
            : tracking && { ...tracking, x: tracking.x + x, y: tracking.y + y };
        return ok(detections);
      }
      if (detections.length === 0) {
        for (const wide of searchCrops(width, height)) {
          const seen = lookFirst(picture, wide);
          if (!seen) continue;
          detections = await detectIn(picture, cropRound([seen]), mirrored);
          if (detections.length === 0) detections = [seen];
          break;
        }
      }
      tracking = detections.length > 0 ? cropRound(detections) : null;
      return ok(detections);
    } finally {
      frame.close();
    }
  },
  /** Milliseconds that the models themselves took, of all that this worker did. */
  spent: (): Promise<number> => Promise.resolve(inference),
};

export type PoseWorker = typeof poseWorker;
exposeWorker(poseWorker);
