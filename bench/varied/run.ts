import { trueTrial } from '../../demo/true-trial';
import type { DemoClip } from '../../demo/scenario';
import { differenceOf, evaluateMeasure } from '../../src/core/measures';
import { COVERAGE_95 } from '../../src/core/statistics/normal';
import type { Trial } from '../../src/core/trial/trial';
import { movementOf } from '../../src/movements';
import { renderedClip } from '../../tests/fixtures/rendered-clip';
import { detectedTrial } from '../detected-trial';
import { printFigures, round, type Figure } from '../figure';
import { percentile } from '../percentile';
import { compareWithTruth, swappedFrames, together, type DetectedAndTrue } from '../points/accuracy';
import { nearOf, share } from '../points/detected-run';
import { detectedFilms, type DetectedFilm } from './films';

/**
 * Detected points and readings of people built and dressed otherwise than the demo's, in other light, before others and
 * poles, in pictures of 360 to 1080 lines at 30 to 120 a second, coded as a telephone does: against the generator's
 * own. Constants may be chosen on `--choosing`; what is reported is of the other set.
 */
const SET = process.argv.includes('--choosing') ? 'choosing' : 'reporting';
const ANGLES = ['knee', 'hip', 'elbow', 'ankle', 'trunk'] as const;

interface Film {
  readonly demo: DemoClip;
  readonly both: DetectedAndTrue;
}

/** As it was taken in: from the side, standing height known, moments by hand on the nearest frame. */
function filmOf({ clip: demo, truth, detections }: DetectedFilm): Film {
  const clip = renderedClip(demo, truth, {
    view: { kind: 'side', offPlaneDegrees: 0 },
    travel: demo.camera.azimuth > 0 ? 'right' : 'left',
  });
  const is = trueTrial(clip, truth);
  const scale = { pixels: is.bodyHeight, metres: demo.body.height };
  const detected = detectedTrial({ ...clip, scale }, truth, detections);
  return { demo, both: { detected, truth: { ...is, clip: { ...is.clip, scale } } } };
}

/** Every reading of a film over its stated deviation. */
function readings({ demo, both }: Film): readonly { readonly z: number; readonly name: string }[] {
  return movementOf(demo.movement)!.measures.flatMap((measure) => {
    const read = (trial: Trial): ReturnType<typeof evaluateMeasure> => evaluateMeasure(measure, trial);
    const [found, is] = [read(both.detected), read(both.truth)];
    if (!found.measurable || !is.measurable || found.sd === 0) return [];
    return [{ z: differenceOf(measure, found.value, is.value) / found.sd, name: measure.id }];
  });
}

const films = (await detectedFilms(SET)).map(filmOf);
const figures: Figure[] = [];
const common = { bench: 'varied' };
const byClip = films.map(({ demo }) => demo.id.replace('varied-', '')).join(', ');
for (const name of ANGLES) {
  const per = films.map(({ both }) => compareWithTruth(both, nearOf(both)[name]));
  const all = together(per);
  const medians = per.map(({ errors }) => percentile(errors, 0.5).toFixed(1)).join(' ');
  figures.push(
    {
      ...common,
      figure: `near ${name}: truth inside the 95 % interval`,
      value: round(100 * share(all), 1),
      unit: '%',
      goal: '90 to 98',
      holds: share(all) >= 0.9 && share(all) <= 0.98,
      against: `by clip ${per.map((p) => (100 * share(p)).toFixed(0)).join(' ')} (${byClip})`,
    },
    {
      ...common,
      figure: `near ${name}: median error`,
      value: round(percentile(all.errors, 0.5)),
      unit: 'deg',
      goal: 'none',
      holds: true,
      against: `95th percentile ${percentile(all.errors, 0.95).toFixed(1)}; by clip ${medians}`,
    },
  );
}
const swaps = films.map(({ both }) => swappedFrames(both));
const [swapped, frames] = [swaps.reduce((s, x) => s + x.swapped, 0), swaps.reduce((s, x) => s + x.frames, 0)];
figures.push({
  ...common,
  figure: 'frames with legs exchanged',
  value: round((100 * swapped) / frames, 2),
  unit: '%',
  goal: 'at most 1',
  holds: swapped <= 0.01 * frames,
  against: `${frames} frames; by clip ${swaps.map((s) => s.swapped).join(' ')}`,
});
const read = films.map(readings);
const all = read.flat();
const held = (of: readonly { readonly z: number }[]): number =>
  of.filter(({ z }) => Math.abs(z) <= COVERAGE_95).length / of.length;
const off = all.filter(({ z }) => Math.abs(z) > 3);
figures.push({
  ...common,
  figure: 'readings inside their 95 % interval',
  value: round(100 * held(all), 1),
  unit: '%',
  goal: '90 to 98',
  holds: held(all) >= 0.9 && held(all) <= 0.98,
  against:
    `${all.length} readings; by clip ${read.map((of) => (100 * held(of)).toFixed(0)).join(' ')}; ` +
    `beyond three deviations ${off.length}: ${off.map(({ name }) => name).join(', ')}`,
});
printFigures(figures);
