import { ok, type Result } from '../core/result';
import type { Detections } from '../core/detections/fuse-detections';
import type { DetectorSetting, PersonBox } from '../core/model/kept-detections';
import type { DetectedPoints } from '../core/tracks/track';
import { cancelled, DetectorWorker, type FindIssue, type Stretch } from './detector-worker';
import type { VideoFile } from './video-file';

export type { FindIssue } from './detector-worker';

export interface FindOptions {
  readonly setting: DetectorSetting;
  readonly signal: AbortSignal;
  /** Frames done. */
  readonly onProgress: (done: number) => void;
  /**
   * A box round the person at one frame, where there are several or the person is small; pixels of the displayed
   * picture. The person is followed through every frame.
   */
  readonly person?: PersonBox | null;
  /** What was detected in an earlier run with the same setting. */
  readonly known?: Detections;
  /**
   * Which frames to detect next, by what was detected so far; none where that is enough. It is asked after each pass,
   * and may take what there is.
   */
  readonly next: (detections: Detections) => readonly number[] | Promise<readonly number[]>;
  /** Told at the end how long the models themselves took in every worker, milliseconds. */
  readonly onInference?: (milliseconds: number) => void;
  /** How many frames are looked at in parallel. */
  readonly workers?: number;
}

/** The nearest detected frames before and after a frame, as far as somebody was seen on them. */
function besideOf(detections: Detections, detected: readonly number[]): (frame: number) => readonly DetectedPoints[] {
  return (frame) => {
    let k = 0;
    while (k < detected.length && detected[k]! < frame) k++;
    return [detected[k - 1], detected[k]].flatMap((i) => {
      const first = i === undefined ? undefined : detections.get(i)?.[0];
      return first ? [first] : [];
    });
  };
}

/** Frames of a pass that one worker looks at, one after the other. */
type Part = Pick<Stretch, 'frames' | 'from'>;

/**
 * A pass is looked at in stretches of so many frames: short ones keep every worker busy, long ones look less often for
 * the person anew. How many workers there are changes no point.
 */
const STRETCH = 12;

const inStretches = (frames: readonly number[]): readonly Part[] =>
  Array.from({ length: Math.ceil(frames.length / STRETCH) }, (_, k) => ({
    frames: frames.slice(k * STRETCH, (k + 1) * STRETCH),
    from: k * STRETCH,
  }));

/**
 * Has two detectors look at frames of a clip, in workers, pass by pass; `trackFromDetections` joins what they see. A
 * frame on which nobody is seen, and a damaged one, has no detections; cancelling returns an issue.
 */
export async function detectPoints(video: VideoFile, options: FindOptions): Promise<Result<Detections, FindIssue>> {
  const { signal, setting } = options;
  const person = options.person ?? null;
  // A chosen person is followed on from the box and back from it.
  const count = person ? 2 : (options.workers ?? Math.max(1, Math.min(4, navigator.hardwareConcurrency)));
  const opened = await Promise.all(
    Array.from({ length: count }, () => DetectorWorker.open(video, { setting, signal, person })),
  );
  const workers = opened.flatMap((worker) => (worker.ok ? [worker.value] : []));
  const detections = new Map<number, readonly DetectedPoints[]>(options.known);
  const onFrame = (frame: number, seen: readonly DetectedPoints[]): void => {
    detections.set(frame, seen);
    options.onProgress(detections.size);
  };
  const pass = async (stretches: readonly Part[], beside: Stretch['beside']): Promise<FindIssue | null> => {
    let [next, issue]: [number, FindIssue | null] = [0, null];
    const work = async (worker: DetectorWorker): Promise<void> => {
      while (next < stretches.length && !issue) {
        const done = await worker.detect({ ...stretches[next++]!, beside, onFrame });
        if (!done.ok) issue ??= done.issue;
      }
    };
    await Promise.all(workers.map(work));
    return issue;
  };
  try {
    const refused = opened.find((worker) => !worker.ok);
    if (refused && !refused.ok) return refused;
    if (person) {
      const frames = Array.from(workers[0]!.frameTimes.keys());
      // Both begin on the frame of the box, and so with the same person.
      const [onwards, back] = [frames.slice(person.frame), frames.slice(0, person.frame + 1).reverse()];
      const parts = [onwards, back].map((part) => ({ frames: part, from: person.frame }));
      const issue = await pass(parts, () => []);
      if (issue) return { ok: false, issue };
      await options.next(detections);
      return ok(detections);
    }
    for (let frames = await options.next(detections); frames.length > 0; frames = await options.next(detections)) {
      const detected = [...detections.keys()].sort((a, b) => a - b);
      const issue = await pass(inStretches(frames), besideOf(detections, detected));
      if (issue) return { ok: false, issue };
      if (signal.aborted) return cancelled();
    }
    for (const worker of workers) options.onInference?.(await worker.spent());
    return ok(detections);
  } finally {
    for (const worker of workers) worker.close();
  }
}
