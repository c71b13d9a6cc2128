import { readFile } from 'node:fs/promises';
import path from 'node:path';
import type { Page } from '@playwright/test';
import type { DemoClip } from '../../demo/scenario';
import { trueTrial } from '../../demo/true-trial';
import type { ClipTruth } from '../../demo/truth';
import { trackFromDetections } from '../../src/core/detections/track-from-detections';
import type { DetectorSetting } from '../../src/core/model/kept-detections';
import { farSide } from '../../src/core/model/clip';
import { DEFAULT_CUTOFF } from '../../src/core/model/session';
import { realTimes } from '../../src/core/timing/clip-time';
import { prepareTrial } from '../../src/core/trial/trial';
import type { Harness } from '../../tests/harness/harness';
import { renderedClip } from '../../tests/fixtures/rendered-clip';
import { checkedOn, type AngleErrors, type DetectedAndTrue } from './accuracy';

declare const harness: Harness;

export const folder = path.join(import.meta.dirname, '..', '..', 'demo', 'clips');

/** One clip with its points detected. */
export interface Run {
  readonly both: DetectedAndTrue;
  readonly milliseconds: number;
  /** What the models alone would have taken on as many cores. */
  readonly bare: number;
  /** Frames that were detected, of all. */
  readonly share: number;
  /** Milliseconds until the frames round the key events were detected. */
  readonly firstReadings: number;
}

/**
 * Detects the points of a rendered clip, on every frame or on as many as it takes.
 * @param from where the clip and its truth lie, which the page's server serves
 */
export async function run(
  page: Page,
  demo: DemoClip,
  setting: DetectorSetting,
  how: 'every' | 'enough' = 'enough',
  from = folder,
): Promise<Run> {
  const truth = JSON.parse(await readFile(path.join(from, `${demo.id}.truth.json`), 'utf8')) as ClipTruth;
  const events = Object.values(truth.moments).map((seconds) => seconds * truth.frameRate);
  const { detections, milliseconds, inference, workers, passes } = await page.evaluate(
    ([address, s, h, e]) => harness.find(address, s, { how: h, events: e }),
    [`/demo-data/${demo.id}.webm`, setting, how, events] as const,
  );
  const clip = renderedClip(demo, truth, {
    // The angles are checked as the camera sees them: how an oblique camera is corrected is checked elsewhere.
    view: { kind: 'side', offPlaneDegrees: 0 },
    travel: demo.camera.azimuth > 0 ? 'right' : 'left',
  });
  return {
    both: {
      detected: prepareTrial(
        clip,
        trackFromDetections({}, realTimes(clip), new Map(detections), setting),
        {},
        DEFAULT_CUTOFF,
      ),
      truth: trueTrial(clip, truth),
    },
    milliseconds,
    bare: inference / workers,
    share: detections.length / truth.pixels.length,
    firstReadings: passes[2]?.milliseconds ?? milliseconds,
  };
}

/** The angles of the side towards the camera. */
export const nearOf = ({ detected }: DetectedAndTrue): ReturnType<typeof checkedOn> =>
  checkedOn(farSide(detected.clip) === detected.clip.performer.dominantSide ? 'opposite' : 'dominant');
/** Share of the frames whose interval holds the truth. */
export const share = (errors: AngleErrors): number => errors.held / Math.max(1, errors.errors.length);
