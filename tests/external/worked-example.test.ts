import { readFileSync } from 'node:fs';
import path from 'node:path';
import { prioritise } from '../../src/core/judgement/priority';
import { judge, type Judged } from '../../src/core/judgement/state';
import { compareSides } from '../../src/core/comparison/compare';
import { movementSchema } from '../../src/core/model/movement';
import type { Trial } from '../../src/core/trial/trial';
import type { Measured } from '../../src/core/reading';
import { fromSi } from '../../src/core/units';
import { performerNamed, stickTrial } from '../fixtures/stick-trial';

/**
 * The worked example of docs/judging.md, computed by hand there, against what the application says of the same
 * readings.
 */
const page = readFileSync(path.join(import.meta.dirname, '..', '..', 'docs', 'judging.md'), 'utf8');
const rows = [
  ...page.slice(page.indexOf('## A worked example')).matchAll(/^\| ([^|]+) \| [^|]+ \| ([\d.]+)(?: (?:deg|ms))? \|$/gm),
].map(([, what, is]) => [what!, is!] as const);

const movement = movementSchema.parse({
  schemaVersion: 1,
  id: 'example',
  name: 'Example',
  sport: 'Any',
  moments: [
    { id: 'landing', name: 'Landing', key: '1', hint: '' },
    { id: 'release', name: 'Release', key: '2', hint: '' },
  ],
  phases: [{ from: 'landing', to: 'release', name: 'Delivery' }],
  measures: [
    {
      id: 'trunk',
      name: 'Trunk lean',
      kind: 'segment-angle',
      region: 'trunk',
      plane: 'sagittal',
      points: ['opposite-hip', 'opposite-shoulder'],
      against: 'up',
      at: 'release',
      target: { type: 'same-as-reference', tolerance: 3, source: 'example' },
      margin: 1,
      importance: 0.6,
      cost: 'weeks',
    },
    {
      id: 'arm',
      name: 'Front arm',
      kind: 'segment-angle',
      region: 'arms',
      plane: 'sagittal',
      points: ['opposite-elbow', 'opposite-wrist'],
      against: 'up',
      at: 'release',
      target: { type: 'same-as-reference', tolerance: 5, source: 'example' },
      margin: 2,
      importance: 0.4,
      cost: 'weeks',
    },
    {
      id: 'time',
      name: 'Landing to release',
      kind: 'duration',
      region: 'timing',
      plane: 'any',
      from: 'landing',
      to: 'release',
      target: { type: 'same-as-reference', tolerance: 8, source: 'example' },
      margin: 3,
      importance: 0.8,
      cost: 'weeks',
    },
  ],
  causes: [{ cause: 'trunk', effect: 'arm', share: 0.5, because: 'the arm hangs on the trunk' }],
  cautions: [],
});

function standing(trunk: number, arm: number, frames: number, name = 'Athlete'): Trial {
  const end = (degrees: number): readonly [number, number] => [
    300 + 600 * Math.sin((degrees * Math.PI) / 180),
    700 - 600 * Math.cos((degrees * Math.PI) / 180),
  ];
  return stickTrial(
    () => ({ 'left-hip': [300, 700], 'left-shoulder': end(trunk), 'left-elbow': [300, 700], 'left-wrist': end(arm) }),
    { landing: 10, release: 10 + frames },
    { ...performerNamed(name), id: name, view: { kind: 'side', offPlaneDegrees: 0, downDegrees: 0 } },
  );
}

const judged = compareSides(
  movement,
  [[standing(28, 50, 12)]],
  [11, 12, 13].map((lean) => [standing(lean, 40, 10, `Reference ${lean}`)]),
).map((c) => judge(c, undefined));
const of = (id: string): Judged => judged.find((j) => j.measure.id === id)!;
const measured = (id: string, side: 'athlete' | 'reference'): Measured => {
  const reading = of(id)[side];
  if (!reading.measurable) throw new Error(reading.message);
  return reading;
};
const priorities = prioritise(movement, judged, { decisions: [], order: [], daysToCompetition: null });
const deg = (si: number): number => fromSi(si, 'deg');
const ms = (si: number): number => fromSi(si, 'ms');
const own = (id: string): number =>
  (1 - Math.exp(-Math.abs(of(id).excess) / of(id).tolerance / 2)) * of(id).confidence * of(id).measure.importance;
const size = (id: string): number => 1 - Math.exp(-Math.abs(of(id).excess) / of(id).tolerance / 2);
const [lean, off] = [(28 * Math.PI) / 180, (3 * Math.PI) / 180];
const camera = deg(Math.atan(Math.tan(lean) / Math.cos(off))) - 28;
const tilt = 28 - deg(Math.atan(Math.tan(lean) * Math.cos(off)));
const points = deg((1.5 * Math.SQRT2) / 600);
const without = (...parts: number[]): number =>
  Math.sqrt(parts.reduce((sum, part) => sum - part ** 2, deg(measured('trunk', 'athlete').sd) ** 2));
const [trunkFirst, timeSecond] = priorities.proposed;

const says: Readonly<Record<string, number>> = {
  'trunk, sd of the points': without(camera, tilt),
  'trunk, sd of where the camera stands': without(points, tilt),
  'trunk, sd of how far it looks down': without(points, camera),
  'trunk, sd of the athlete': deg(measured('trunk', 'athlete').sd),
  'trunk, spread of the reference': deg(of('trunk').spread.reference!.sd),
  'trunk, sd of the reference': deg(measured('trunk', 'reference').sd),
  'trunk, difference': deg(of('trunk').difference!),
  'trunk, plus-minus of it': deg(of('trunk').plusMinus!),
  'trunk, half of the range': deg(of('trunk').tolerance),
  'trunk, excess': deg(of('trunk').excess),
  'trunk, size': trunkFirst!.parts.size,
  'trunk, own score': own('trunk'),
  'arm, excess': deg(of('arm').excess),
  'arm, size': size('arm'),
  'arm, own score': own('arm'),
  'arm, passes up': trunkFirst!.willFollow[0]!.passes,
  'time, sd of the athlete': ms(measured('time', 'athlete').sd),
  'time, sd of the reference': ms(measured('time', 'reference').sd),
  'time, plus-minus of the difference': ms(of('time').plusMinus!),
  'time, excess': ms(of('time').excess),
  'time, confidence': of('time').confidence,
  'time, own score': own('time'),
  'trunk, score with what follows': trunkFirst!.score,
};

test('every line of the table is there', () => {
  expect(rows.map(([what]) => what)).toEqual(Object.keys(says));
});

test.each(rows)('%s is %s', (what, is) => {
  const decimals = is.split('.')[1]?.length ?? 0;
  expect(says[what]!.toFixed(decimals)).toBe(is);
});

test('the trunk comes first, the time second, the arm follows by itself', () => {
  expect(judged.map((j) => j.state)).toEqual(['gap', 'gap', 'gap']);
  expect(trunkFirst!.judged.measure.id).toBe('trunk');
  expect(timeSecond!.judged.measure.id).toBe('time');
  expect(priorities.proposed).toHaveLength(2);
  expect(timeSecond!.score.toFixed(3)).toBe('0.421');
});
