import type { ClipTruth } from '../../demo/truth';
import { clipNamed } from '../../demo/named';
import type { DemoClip } from '../../demo/scenario';
import type { PointId } from '../../src/core/anatomy/body-points';
import { directionOf } from '../../src/core/calibration/camera-direction';
import { wrapDegrees } from '../../src/core/geometry/angle';
import type { DetectedPoints } from '../../src/core/tracks/track';
import { trackFromDetections } from '../../src/core/detections/track-from-detections';
import type { ViewKind } from '../../src/core/model/clip';
import { DEFAULT_CUTOFF } from '../../src/core/model/session';
import type { Plane } from '../../src/core/model/measure';
import type { Quantity } from '../../src/core/model/quantity';
import { bestPlane, inclinationOf } from '../../src/core/geometry/best-plane';
import { evaluateMeasure } from '../../src/core/measures';
import { eventsOfMarks } from '../../src/core/trial/key-events';
import { readQuantity } from '../../src/core/quantities/read';
import { viewsOfBody } from '../../src/core/reconstruction/body-views';
import { clockSdOf, spaceCameraOf } from '../../src/core/reconstruction/camera-of-trial';
import { reconstruct } from '../../src/core/reconstruction/reconstruct';
import type { Body, SpaceIssue } from '../../src/core/reconstruction/stated-body';
import type { Result } from '../../src/core/result';
import { realTimes } from '../../src/core/timing/clip-time';
import { syncMap } from '../../src/core/timing/sync-map';
import { prepareTrial, type Trial } from '../../src/core/trial/trial';
import { readMeasure } from '../../tests/fixtures/measure';
import { renderedClip } from '../../tests/fixtures/rendered-clip';

export type Detections = readonly (readonly [number, readonly DetectedPoints[]])[];

/** What a camera is said to be, as an analyst would say it. */
export function viewOfClip({ camera }: DemoClip): { readonly kind: ViewKind; readonly travel: 'left' | 'right' } {
  if (camera.elevation > 60) return { kind: 'overhead', travel: camera.azimuth > 0 ? 'right' : 'left' };
  const travel = camera.azimuth > 0 ? 'right' : 'left';
  return { kind: Math.abs(camera.azimuth) < 40 ? 'front' : 'side', travel };
}

/**
 * A clip with its detected points, ready to be measured.
 * @param dialled whether somebody said, beside the name of the view, how many degrees off it the camera stands
 */
export function trialOfClip(id: string, truth: ClipTruth, detections: Detections, dialled = false): Trial {
  const demo = clipNamed(id)!;
  const { kind, travel } = viewOfClip(demo);
  const square = directionOf({ view: { kind, offPlaneDegrees: null }, travel });
  const offPlaneDegrees = dialled && square !== null ? wrapDegrees(square - demo.camera.azimuth) : null;
  const clip = renderedClip(demo, truth, { view: { kind, offPlaneDegrees }, travel });
  const track = trackFromDetections({}, realTimes(clip), new Map(detections), 'accurate');
  return prepareTrial(clip, track, {}, DEFAULT_CUTOFF);
}

/** The body of a performance by several cameras whose first frames are one instant. */
export function bodyOf(trials: readonly Trial[]): Result<Body, SpaceIssue> {
  const [main, ...others] = trials;
  const pairs = [{ own: 0, other: 0 }];
  return reconstruct([
    spaceCameraOf(main!, null, 0),
    ...others.map((t) => spaceCameraOf(t, syncMap(main!.clip, t.clip, pairs), clockSdOf(main!, t, pairs.length))),
  ]);
}

type Vector = readonly [number, number, number];
const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const DEGREES = 180 / Math.PI;

function jointAngle(a: Vector, b: Vector, c: Vector): number {
  const [u, v] = [minus(a, b), minus(c, b)];
  const dot = u[0] * v[0] + u[1] * v[1] + u[2] * v[2];
  return Math.acos(dot / (Math.hypot(...u) * Math.hypot(...v))) * DEGREES;
}
/** Where a body faces whose line from the left to the right joint this is: 0 ahead, to the left positive. */
const facing = (left: Vector, right: Vector): number => Math.atan2(right[0] - left[0], right[2] - left[2]) * DEGREES;

export interface Checked {
  readonly name: string;
  readonly plane: Plane;
  readonly quantity: Quantity;
  /** From the joints' true places (x ahead, y up, z to the right), degrees, with the sign of the quantity. */
  readonly truth: (at: (id: PointId) => Vector) => number;
}

const mean = (a: Vector, b: Vector): Vector => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];

export const CHECKED: readonly Checked[] = [
  {
    name: 'separation',
    plane: 'transverse',
    quantity: {
      type: 'line-separation',
      points: ['opposite-shoulder', 'dominant-shoulder'],
      from: ['opposite-hip', 'dominant-hip'],
    },
    truth: (at) => facing(at('left-shoulder'), at('right-shoulder')) - facing(at('left-hip'), at('right-hip')),
  },
  {
    name: 'hips face',
    plane: 'transverse',
    quantity: { type: 'facing', points: ['opposite-hip', 'dominant-hip'] },
    truth: (at) => facing(at('left-hip'), at('right-hip')),
  },
  {
    name: 'shoulders face',
    plane: 'transverse',
    quantity: { type: 'facing', points: ['opposite-shoulder', 'dominant-shoulder'] },
    truth: (at) => facing(at('left-shoulder'), at('right-shoulder')),
  },
  {
    name: 'side fall',
    plane: 'frontal',
    quantity: { type: 'segment-angle', points: ['mid-hip', 'mid-shoulder'], against: 'up' },
    truth: (at) => {
      const d = minus(mean(at('left-shoulder'), at('right-shoulder')), mean(at('left-hip'), at('right-hip')));
      return Math.atan2(d[2], d[1]) * DEGREES;
    },
  },
  ...(['left', 'right'] as const).flatMap((side): Checked[] => {
    const by = side === 'right' ? 'dominant' : 'opposite';
    return [
      {
        name: `${side} knee`,
        plane: 'sagittal',
        quantity: { type: 'joint-angle', points: [`${by}-hip`, `${by}-knee`, `${by}-ankle`] },
        truth: (at) => jointAngle(at(`${side}-hip`), at(`${side}-knee`), at(`${side}-ankle`)),
      },
      {
        name: `${side} elbow`,
        plane: 'sagittal',
        quantity: { type: 'joint-angle', points: [`${by}-shoulder`, `${by}-elbow`, `${by}-wrist`] },
        truth: (at) => jointAngle(at(`${side}-shoulder`), at(`${side}-elbow`), at(`${side}-wrist`)),
      },
    ];
  }),
];

export interface ErrorAt {
  readonly error: number;
  readonly sd: number;
}

/** Seconds of a stretch of a path whose plane is looked at. */
const STRETCH = 0.35;
export const PLANE = 'plane of a path';

/** Errors of the planes of the paths of wrists, elbows, knees and ankles, where they are wide enough to have one. */
function planeErrors(views: readonly Trial[], truth: ClipTruth): ErrorAt[] {
  const length = Math.round(STRETCH * truth.frameRate);
  const begins = Array.from({ length: truth.metres.length }, (_, i) => i).filter(
    (i) => i % (length >> 1) === 0 && i + length < truth.metres.length,
  );
  const ends = (['wrist', 'elbow', 'ankle', 'knee'] as const).flatMap((joint) =>
    (['left', 'right'] as const).map((side) => ({ id: `${side}-${joint}` as const, joint, side })),
  );
  return begins.flatMap((begin) =>
    ends.flatMap(({ id, joint, side }) => {
      const measure = readMeasure({
        ...{ id: 'plane', name: PLANE, region: 'arms', plane: 'any', importance: 0.5, cost: 'weeks' },
        ...{ kind: 'path-plane', point: `${side === 'right' ? 'dominant' : 'opposite'}-${joint}`, from: 'a', to: 'b' },
      });
      const moments = { a: { frame: begin }, b: { frame: begin + length } };
      const found = evaluateMeasure(measure, { ...views[0]!, ...eventsOfMarks(moments) });
      const is = bestPlane(
        truth.metres.slice(begin, begin + length + 1).map((frame) => {
          const [x, y, z] = frame[truth.points.indexOf(id)]!;
          return { x, y, z };
        }),
      );
      if (!found.measurable || !is) return [];
      return [{ error: (found.value - inclinationOf(is.normal)) * DEGREES, sd: found.sd * DEGREES }];
    }),
  );
}

/** Errors of every quantity that is checked, at every so many frames; where it is not measurable there is none. */
export function errorsAgainst(
  body: Body,
  main: Trial,
  truth: ClipTruth,
  every = 4,
): Readonly<Record<string, ErrorAt[]>> {
  const views = viewsOfBody(body, main);
  const ofPlane = { sagittal: views[0]!, frontal: views[1]!, transverse: views[2]!, any: views[0]! };
  const planes = [[PLANE, planeErrors(views, truth)] as const];
  return Object.fromEntries([
    ...planes,
    ...CHECKED.map(({ name, plane, quantity, truth: trueOf }) => {
      const errors: ErrorAt[] = [];
      for (let frame = 0; frame < truth.metres.length; frame += every) {
        const reading = readQuantity(ofPlane[plane], quantity, { plane, frame, lengthIn: 'm', timeSd: 0 });
        if (!reading.measurable) continue;
        const at = (id: PointId): Vector => truth.metres[frame]![truth.points.indexOf(id)]!;
        errors.push({ error: wrapDegrees(reading.value * DEGREES - trueOf(at)), sd: reading.sd * DEGREES });
      }
      return [name, errors] as const;
    }),
  ]);
}
