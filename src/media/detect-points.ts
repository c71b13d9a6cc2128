import { ok, type Result } from '../core/result';
import type { Detections } from '../core/detections/fuse-detections';
import { meeting, type Following } from '../core/detections/following';
import type { DetectorSetting, PersonBox } from '../core/model/kept-detections';
import type { DetectedPoints } from '../core/tracks/track';
import { cancelled, DetectorWorker, type FindIssue, type Stretch } from './detector-worker';
import type { VideoFile } from './video-file';
import { TEXT } from '../text/media';

export type { FindIssue } from './detector-worker';

export interface FindOptions {
  readonly setting: DetectorSetting;
  readonly signal: AbortSignal;
  /** Frames looked at, in this run and in that which it goes on from. */
  readonly onProgress: (done: number) => void;
  /**
   * Somebody who is followed frame after frame, where there are several or the person is small; null is whoever is
   * largest.
   */
  readonly following?: Following | null;
  /** What was detected in an earlier run with the same setting. */
  readonly known?: Detections;
  /**
   * Which frames to detect next, by what was detected so far; none where that is enough. It is asked after each pass,
   * and may take what there is. Where somebody is followed it is asked once, at the end.
   */
  readonly next: (detections: Detections) => readonly number[] | Promise<readonly number[]>;
  /** Told what there is while somebody is followed, now and then. */
  readonly onFollowed?: (detections: Detections) => void;
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

/** After so many frames what there is of somebody who is followed is told first, and after so many again. */
const TOLD = { first: 24, every: 120 };

/** Frames from its box on of a way that mends on which somebody has to be seen: so long a box tells who is meant. */
const BOX_HOLDS = 6;

/**
 * Each way of somebody who is followed by a worker of its own; resolves with what ended it before its end, or null. What
 * is known is not given up for a box in which nobody is seen.
 */
async function followed(
  { ways, untilMet }: Following,
  workers: readonly DetectorWorker[],
  known: Detections,
  onFrame: Stretch['onFrame'],
): Promise<FindIssue | null> {
  let anybody = false;
  const done = await Promise.all(
    ways.map(({ box, frames }, k) => {
      const way = { frames, from: box.frame, beside: () => [] };
      if (untilMet === null) return workers[k]!.detect({ ...way, onFrame });
      const met = meeting(known, untilMet);
      let [isSeen, looked] = [false, 0];
      return workers[k]!.detect({
        ...way,
        onFrame: (frame, seen) => {
          looked++;
          isSeen ||= seen.length > 0;
          anybody ||= isSeen;
          if (isSeen) onFrame(frame, seen);
        },
        ends: (frame, seen) => met(frame, seen) || (!isSeen && looked >= BOX_HOLDS),
      });
    }),
  );
  const failed = done.find((one) => !one.ok);
  if (failed && !failed.ok) return failed.issue;
  if (untilMet === null || anybody) return null;
  return { code: 'nobody-seen', message: TEXT.nobodyIsSeenInBox(ways[0]!.box.frame + 1) };
}

/**
 * Has two detectors look at frames of a clip, in workers, pass by pass; `trackFromDetections` joins what they see. A
 * frame on which nobody is seen, and a damaged one, has no detections; cancelling returns an issue.
 */
export async function detectPoints(video: VideoFile, options: FindOptions): Promise<Result<Detections, FindIssue>> {
  const { signal, setting, following = null } = options;
  const people: readonly (PersonBox | null)[] = following
    ? following.ways.map(({ box }) => box)
    : new Array(options.workers ?? Math.max(1, Math.min(4, navigator.hardwareConcurrency))).fill(null);
  const opened = await Promise.all(people.map((person) => DetectorWorker.open(video, { setting, signal, person })));
  const workers = opened.flatMap((worker) => (worker.ok ? [worker.value] : []));
  const known: Detections = options.known ?? new Map<number, never>();
  const detections = new Map(known);
  let looked = following && following.untilMet !== null ? 0 : known.size;
  const onFrame = (frame: number, seen: readonly DetectedPoints[]): void => {
    detections.set(frame, seen);
    options.onProgress(++looked);
    if (following && looked % TOLD.every === TOLD.first) options.onFollowed?.(detections);
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
    if (following) {
      const issue = await followed(following, workers, known, onFrame);
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
