import { BODY_POINTS, type BodyPoint, type PointId } from '../anatomy/body-points';
import type { DetectorSetting, KeptDetections, PersonBox } from '../model/kept-detections';
import { keepEdits, placesOf } from '../tracks/keep-edits';
import type { DetectedPoints, Track } from '../tracks/track';
import type { Detections } from './fuse-detections';
import { trackFromDetections } from './track-from-detections';

/** Version of the rules of `trackFromDetections`: raised with each change by which some point comes to lie elsewhere. */
export const RULES = 7;

/** No detector is better than these: pixels, and shares. */
const PIXELS = 100;
const SHARES = 1e4;

/** How a clip was looked at. */
export interface DetectionRun {
  readonly setting: DetectorSetting;
  readonly person: PersonBox | null;
  /** Boxes that were drawn later, where somebody else had been followed or nobody. */
  readonly again: readonly PersonBox[];
  readonly complete: boolean;
}

/** What the detectors said, as it is kept: positions to a hundredth of a pixel, nothing derived from them yet. */
export function packDetections(detections: Detections, run: DetectionRun): KeptDetections {
  const frames = [...detections.keys()].sort((a, b) => a - b);
  const most = Math.max(0, ...[...detections.values()].map((seen) => seen.length));
  const pick = (k: number, key: 'x' | 'y' | 'confidence', unit: number): Float32Array<ArrayBuffer> =>
    Float32Array.from(
      frames.flatMap((frame) =>
        BODY_POINTS.map((id) => Math.round((detections.get(frame)![k]?.[id]?.[key] ?? NaN) * unit) / unit),
      ),
    );
  return {
    ...run,
    again: [...run.again],
    rules: RULES,
    frames: Float64Array.from(frames),
    points: [...BODY_POINTS],
    detectors: Array.from({ length: Math.min(2, most) }, (_, k) => ({
      x: pick(k, 'x', PIXELS),
      y: pick(k, 'y', PIXELS),
      confidence: pick(k, 'confidence', SHARES),
    })),
    derived: {},
  };
}

/** What the detectors said, frame by frame. */
export function unpackDetections({ frames, points, detectors }: KeptDetections): Detections {
  const seenAt = (n: number): readonly DetectedPoints[] => {
    const said = detectors.map(({ x, y, confidence }): DetectedPoints => {
      const known = points.flatMap((id, p): [BodyPoint, DetectedPoints[BodyPoint]][] => {
        const at = n * points.length + p;
        return Number.isNaN(x[at]!) ? [] : [[id, { x: x[at]!, y: y[at]!, confidence: confidence[at]! }]];
      });
      return Object.fromEntries(known);
    });
    // A second detector has nothing to say where the first saw nobody.
    const none = said.findIndex((points) => Object.keys(points).length === 0);
    return none < 0 ? said : said.slice(0, none);
  };
  return new Map(Array.from(frames, (frame, n) => [frame, seenAt(n)]));
}

/** Points of a clip and the detections that they were derived from. */
export interface DerivedTrack {
  readonly track: Track;
  readonly kept: KeptDetections;
}

/**
 * Derives a clip's points from kept detections by today's rules.
 * @param track the clip's points now: those of other origins stay, and so does what somebody changed in those that were
 *   derived before
 * @param before what the points now were derived from; null where the new ones replace whatever was detected
 * @param times real seconds of every frame
 */
export function deriveTrack(
  track: Track,
  times: Float64Array,
  detections: KeptDetections,
  before: KeptDetections | null,
): DerivedTrack {
  const anew = trackFromDetections(track, times, unpackDetections(detections), detections.setting);
  return {
    track: before ? keepEdits(before.derived, track, anew) : anew,
    kept: { ...detections, rules: RULES, derived: placesOf(anew) },
  };
}

/** What two detectors said of a point at a frame that was looked at, pixels apart; null where not both did. */
export function disagreement(kept: KeptDetections, id: PointId, frame: number): number | null {
  const [n, p] = [kept.frames.indexOf(frame), kept.points.findIndex((point) => point === id)];
  if (n < 0 || p < 0 || kept.detectors.length < 2) return null;
  const at = n * kept.points.length + p;
  const [a, b] = kept.detectors as [KeptDetections['detectors'][number], KeptDetections['detectors'][number]];
  const apart = Math.hypot(a.x[at]! - b.x[at]!, a.y[at]! - b.y[at]!);
  return Number.isNaN(apart) ? null : apart;
}
