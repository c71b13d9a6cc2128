import { plannedFrames } from '../../src/core/detections/planned-frames';
import { unseenText } from '../../src/core/detections/hard-pictures';
import { trackFromDetections } from '../../src/core/detections/track-from-detections';
import type { DetectorSetting } from '../../src/core/model/kept-detections';
import { fail, ok, type Issue, type Result } from '../../src/core/result';
import { repeatsText, UNEVEN_REPEATS } from '../../src/core/timing/repeated-frames';
import { realTimes } from '../../src/core/timing/clip-time';
import { typicalInterval } from '../../src/core/signal/resample';
import { recordingOf } from '../../src/core/tracks/figure';
import { csv } from '../../src/formats/points/csv';
import { detectPoints } from '../../src/media/detect-points';
import { observeRepeats } from '../../src/media/observe-repeats';
import { wholeFile } from '../../src/media/video-file';
import { openClipSource } from '../../src/media/clip-source';
import { TEXT } from '../../src/text/cli';
import { evenly } from './evenly';

/** What was detected in one clip. */
export interface FoundPoints {
  /** The points as a CSV file. */
  readonly csv: string;
  readonly frames: number;
  /** Frames that were looked at, and those of them on which somebody was seen. */
  readonly detected: number;
  readonly seen: number;
  /** What is to know of its times and points, in sentences. */
  readonly notes: readonly string[];
}

/**
 * Detects the points of the chosen file, as the application does at Measure.
 * @param captureRate frames per second as the camera took them; null as the file says
 * @param workers frames looked at in parallel
 */
async function find(
  setting: DetectorSetting,
  captureRate: number | null,
  workers: number,
): Promise<Result<FoundPoints, Issue>> {
  const file = (document.getElementById('clip') as HTMLInputElement).files![0]!;
  const whole = wholeFile(file);
  const { cycle, uneven } = await observeRepeats(whole);
  const video = { ...whole, repeats: cycle };
  const source = await openClipSource(video);
  if (!source.ok) return fail(source.issue.code, source.issue.message);
  const { frameTimes, fileRate, captureRate: stated } = source.value.index;
  source.value.close();
  const times = realTimes({ frameTimes, fileRate, captureRate: captureRate ?? stated ?? fileRate });
  const found = await detectPoints(video, {
    setting,
    workers,
    signal: new AbortController().signal,
    onProgress: () => undefined,
    next: plannedFrames(times, setting),
  });
  if (!found.ok) return fail(found.issue.code, found.issue.message);
  const track = trackFromDetections({}, times, found.value, setting);
  const rate = 1 / typicalInterval(times);
  const recording = evenly(recordingOf(file.name, rate, track, null, true, null), times);
  return ok({
    csv: new TextDecoder().decode(csv.write(recording)),
    frames: times.length,
    detected: found.value.size,
    notes: [
      cycle ? `${repeatsText(cycle)}.` : '',
      uneven ? TEXT.compareWithRateUnknown(UNEVEN_REPEATS) : '',
      unseenText(found.value, setting),
    ].filter((note) => note !== ''),
    seen: [...found.value.values()].filter((detections) => detections.length > 0).length,
  });
}

const detector = { find };
export type Detector = typeof detector;
(globalThis as unknown as { detector: Detector }).detector = detector;
