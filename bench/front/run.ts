import { clipNamed } from '../../demo/named';
import { trueTrial } from '../../demo/true-trial';
import type { Quantity } from '../../src/core/model/quantity';
import { renderedClip } from '../../tests/fixtures/rendered-clip';
import { detectedTrial } from '../detected-trial';
import { printFigures, round, type Figure } from '../figure';
import { percentile } from '../percentile';
import { compareDifferences, compareWithTruth, together, type DetectedAndTrue } from '../points/accuracy';
import { share } from '../points/detected-run';
import { detectedClips } from '../space/detected';

/**
 * What one camera from the front or from behind reads, with the points that the accurate detectors see, against the
 * generator's own. The errors that a point may have in such a view were chosen on the bowling and walking clips; the
 * hurdling clips were not looked at for it and stand beside them.
 */
const CHOSEN_ON = [
  'pace-front-athlete',
  'pace-front-reference',
  'pace-back-athlete',
  'walk-front-athlete',
  'walk-front-reference',
  'walk-back-athlete',
];
const NOT_LOOKED_AT = ['hurdle-front-athlete', 'hurdle-front-reference', 'hurdle-back-athlete'];

const SIDES = ['dominant', 'opposite'] as const;
const READ: Readonly<Record<string, readonly Quantity[]>> = {
  'side fall': [{ type: 'segment-angle', points: ['mid-hip', 'mid-shoulder'], against: 'up' }],
  'line of the shoulders': [
    { type: 'segment-angle', points: ['opposite-shoulder', 'dominant-shoulder'], against: 'forward' },
  ],
  'line of the hips': [{ type: 'segment-angle', points: ['opposite-hip', 'dominant-hip'], against: 'forward' }],
  knees: SIDES.map((side) => ({
    type: 'joint-angle',
    points: [`${side}-hip`, `${side}-knee`, `${side}-ankle`],
  })),
  elbows: SIDES.map((side) => ({
    type: 'joint-angle',
    points: [`${side}-shoulder`, `${side}-elbow`, `${side}-wrist`],
  })),
  shins: SIDES.map((side) => ({ type: 'segment-angle', points: [`${side}-ankle`, `${side}-knee`], against: 'up' })),
  'upper arms': SIDES.map((side) => ({
    type: 'segment-angle',
    points: [`${side}-elbow`, `${side}-shoulder`],
    against: 'up',
  })),
};

const clips = await detectedClips([...CHOSEN_ON, ...NOT_LOOKED_AT]);

function bothOf(id: string): DetectedAndTrue {
  const { truth, detections } = clips.get(id)!;
  const clip = renderedClip(clipNamed(id)!, truth, {
    view: { kind: id.includes('front') ? 'front' : 'back', offPlaneDegrees: 0 },
    travel: 'right',
  });
  return { detected: detectedTrial(clip, truth, detections), truth: trueTrial(clip, truth) };
}

const figures: Figure[] = [];
const common = { bench: 'front', against: 'the generator\u2019s own points' };
for (const [set, ids] of Object.entries({ 'bowling and walking': CHOSEN_ON, hurdling: NOT_LOOKED_AT })) {
  const all = new Map(ids.map((id) => [id, bothOf(id)]));
  const pairs = ids.flatMap((id) => {
    const reference = all.get(id.replace('athlete', 'reference'));
    return id.endsWith('front-athlete') && reference ? [[all.get(id)!, reference] as const] : [];
  });
  for (const [name, quantities] of Object.entries(READ)) {
    const per = ids.map((id) => together(quantities.map((of) => compareWithTruth(all.get(id)!, of))));
    const { errors, held } = together(per);
    const inside = held / errors.length;
    figures.push(
      {
        ...common,
        figure: `${set}: ${name}, truth inside the 95 % interval`,
        value: round(100 * inside, 1),
        unit: '%',
        goal: '90 to 98',
        holds: inside >= 0.9 && inside <= 0.98,
        against: `${common.against}; by clip ${per.map((p) => (100 * share(p)).toFixed(0)).join(' ')}`,
      },
      {
        ...common,
        figure: `${set}: ${name}, median error`,
        value: round(percentile(errors, 0.5)),
        unit: 'deg',
        goal: 'none',
        holds: true,
        against: `95th percentile ${percentile(errors, 0.95).toFixed(1)}; ${errors.length} readings`,
      },
    );
    const apart = together(pairs.flatMap(([a, b]) => quantities.map((of) => compareDifferences(a, b, of))));
    figures.push({
      ...common,
      figure: `${set}: ${name}, difference of two, truth inside the 95 % interval`,
      value: round(100 * share(apart), 1),
      unit: '%',
      goal: '90 to 98',
      holds: share(apart) >= 0.9 && share(apart) <= 0.98,
    });
  }
}
printFigures(figures);
