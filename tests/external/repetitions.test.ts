import { readFileSync } from 'node:fs';
import path from 'node:path';
import { trueTrial } from '../../demo/true-trial';
import type { ClipTruth } from '../../demo/truth';
import { carryOver } from '../../src/core/events/carry-over';
import { peaksOf } from '../../src/core/signal/peaks';
import { proposeEvents } from '../../src/core/events/propose-events';
import { findRepetitions, repeatedEvents } from '../../src/core/events/repetitions';
import { clipSchema } from '../../src/core/model/clip';
import { prepareTrial, type Trial } from '../../src/core/trial/trial';
import { sideAzimuth, seenFrom } from '../../src/core/tracks/spatial-view';
import { FIGURE_PICTURE } from '../../src/core/tracks/figure';
import { movementOf } from '../../src/movements';
import { CMU_UNIT, readMotion } from '../fixtures/motion';

const clips = path.join(import.meta.dirname, '..', '..', 'demo', 'clips');
const readTruth = (id: string): ClipTruth =>
  JSON.parse(readFileSync(path.join(clips, `${id}.truth.json`), 'utf8')) as ClipTruth;

/** A rendered clip as the generator knows it. */
function trueOf(id: string, travel: 'left' | 'right'): Trial {
  const truth = readTruth(id);
  const rate = truth.frameRate;
  const clip = clipSchema.parse({
    id,
    role: 'athlete',
    fileName: id,
    mediaId: null,
    codec: 'none',
    width: 1280,
    height: 720,
    rotation: 0,
    frameTimes: Float64Array.from({ length: truth.pixels.length }, (_, i) => Math.round((i * 1e6) / rate)),
    fileRate: rate,
    captureRate: rate,
    performer: { name: id, dominantSide: 'right', minor: false, consent: true },
    view: { kind: 'side', offPlaneDegrees: 0 },
    travel,
    mirrored: false,
  });
  return trueTrial(clip, truth);
}

test('a real recording of ten forward jumps: all ten are found, none is invented', () => {
  const { points, recording } = readMotion('jumps.bvh', CMU_UNIT);
  const camera = { azimuthDegrees: Math.round(sideAzimuth(points)), elevationDegrees: 0 };
  const { track } = seenFrom(points, camera, FIGURE_PICTURE);
  const frames = recording.markers[0]!.x.length;
  const clip = clipSchema.parse({
    id: 'jumps',
    role: 'athlete',
    fileName: 'jumps.bvh',
    mediaId: null,
    codec: 'none',
    ...FIGURE_PICTURE,
    rotation: 0,
    frameTimes: Float64Array.from({ length: frames }, (_, i) => Math.round((i * 1e6) / recording.rate)),
    fileRate: recording.rate,
    captureRate: recording.rate,
    performer: { name: 'Jumper', dominantSide: 'right', minor: false, consent: true },
    view: { kind: 'side', offPlaneDegrees: 0 },
    travel: 'right',
    mirrored: false,
  });
  const found = findRepetitions(movementOf('rotation-jump')!, prepareTrial(clip, track, {}, 20));
  expect(found).toHaveLength(10);
  for (const repetition of found) {
    const at = (id: string): number => repetition.find((p) => p.eventId === id)!.frame;
    // In the air for a quarter to two thirds of a second, highest in between.
    const flight = (at('landing') - at('take-off')) / recording.rate;
    expect(flight).toBeGreaterThan(0.2);
    expect(flight).toBeLessThan(0.7);
  }
});

test('strides of the walkers: every whole one, its moments within two to three frames', () => {
  const movement = movementOf('race-walking')!;
  for (const id of ['walk-side-reference', 'walk-side-reference-2', 'walk-side-reference-3', 'walk-side-athlete']) {
    const truth = readTruth(id);
    const found = findRepetitions(movement, trueOf(id, 'right'));
    expect(found.length).toBe(truth.repetitions!.length);
    found.forEach((repetition, k) => {
      for (const { eventId, frame } of repetition)
        expect(Math.abs(frame - truth.repetitions![k]![eventId]! * truth.frameRate)).toBeLessThanOrEqual(2.6);
    });
  }
});

test('a movement that does not repeat has one repetition, or none where a moment is missing', () => {
  const hurdles = movementOf('sprint-hurdles')!;
  const trial = trueOf('hurdle-side-reference', 'right');
  expect(findRepetitions(hurdles, trial)).toHaveLength(1);
  const unseen = { ...trial, smoothed: {}, raw: {} };
  expect(findRepetitions(hurdles, unseen)).toEqual([]);
});

describe('moments carried over from a marked performer to another one', () => {
  const CASES: readonly (readonly [movement: string, from: string, to: string, travel: 'left' | 'right'])[] = [
    ['pace-delivery', 'pace-side-reference', 'pace-side-athlete', 'left'],
    ['pace-delivery', 'pace-side-reference', 'pace-side-reference-3', 'left'],
    ['pace-delivery', 'pace-side-athlete', 'pace-side-reference-2', 'left'],
    ['race-walking', 'walk-side-reference', 'walk-side-athlete', 'right'],
    ['race-walking', 'walk-side-reference', 'walk-side-reference-3', 'right'],
    ['sprint-hurdles', 'hurdle-side-reference', 'hurdle-side-athlete', 'right'],
    ['sprint-hurdles', 'hurdle-side-athlete', 'hurdle-side-reference-2', 'right'],
  ];
  const errors: { error: number; confidence: number; what: string }[] = [];
  for (const [movement, from, to, travel] of CASES) {
    const truth = readTruth(to);
    // A stride may be carried to another one of the same walker.
    const choices = truth.repetitions ?? [truth.moments];
    const carried = carryOver(movementOf(movement)!, trueOf(from, travel), { ...trueOf(to, travel), marks: {} });
    const of = (moments: Readonly<Record<string, number>>): { error: number; confidence: number; what: string }[] =>
      carried.map((p) => ({
        error: Math.abs(p.frame / truth.frameRate - moments[p.eventId]!) * 120,
        confidence: p.confidence,
        what: `${to} ${p.eventId}`,
      }));
    const best = choices
      .map(of)
      .reduce((a, b) => (b.reduce((s, e) => s + e.error, 0) < a.reduce((s, e) => s + e.error, 0) ? b : a));
    errors.push(...best);
  }

  test('other rates, sizes and planted timing faults: median within a frame at 120 a second, 95 % within three', () => {
    expect(errors.length).toBeGreaterThanOrEqual(35);
    const sorted = errors.map((e) => e.error).sort((a, b) => a - b);
    expect(sorted[sorted.length >> 1]).toBeLessThanOrEqual(1);
    expect(sorted[Math.floor(0.95 * sorted.length)]).toBeLessThanOrEqual(3);
  });

  test('are less sure where they are wrong', () => {
    const mean = (list: readonly { confidence: number }[]): number =>
      list.reduce((sum, e) => sum + e.confidence, 0) / list.length;
    const [right, wrong] = [errors.filter((e) => e.error <= 3), errors.filter((e) => e.error > 3)];
    if (wrong.length > 0) expect(mean(wrong)).toBeLessThan(mean(right));
    expect(mean(right)).toBeGreaterThan(0.4);
  });

  test('are all looked at closely: each true event of every stride lies near one that is asked for', () => {
    const walker = { ...trueOf('walk-side-reference', 'right'), marks: {} };
    const truth = readTruth('walk-side-reference');
    const events = repeatedEvents(movementOf('race-walking')!, walker);
    expect(truth.repetitions!.length).toBeGreaterThan(1);
    for (const repetition of truth.repetitions!)
      for (const time of Object.values(repetition))
        expect(Math.min(...events.map((e) => Math.abs(e - time * truth.frameRate)))).toBeLessThan(4);
    expect(repeatedEvents(movementOf('pace-delivery')!, walker)).toEqual([]);
  });

  test('a moment that is marked already stays, and one that would break the order is left out', () => {
    const [reference, athlete] = [trueOf('pace-side-reference', 'left'), trueOf('pace-side-athlete', 'left')];
    const movement = movementOf('pace-delivery')!;
    const carried = carryOver(movement, reference, { ...athlete, marks: { release: 60 } });
    expect(carried.map((p) => p.eventId)).not.toContain('release');
    // Release was marked far too early: nothing that comes before it lies before frame 60.
    expect(carried.every((p) => p.eventId === 'follow-through' || p.frame < 60)).toBe(true);
  });
});

test('rules alone, on all nine reference and three athlete clips: median within a frame, 95 % within three', () => {
  const errors = [
    ...['', '-2', '-3'].map((n) => ['pace-delivery', `pace-side-reference${n}`, 'left'] as const),
    ['pace-delivery', 'pace-side-athlete', 'left'] as const,
    ...['', '-2', '-3'].map((n) => ['sprint-hurdles', `hurdle-side-reference${n}`, 'right'] as const),
    ['sprint-hurdles', 'hurdle-side-athlete', 'right'] as const,
  ]
    .flatMap(([movement, id, travel]) => {
      const truth = readTruth(id);
      return proposeEvents(movementOf(movement)!, { ...trueOf(id, travel), marks: {} }).map(
        (p) => Math.abs(p.frame / truth.frameRate - truth.moments[p.eventId]!) * 120,
      );
    })
    .sort((a, b) => a - b);
  expect(errors.length).toBe(40);
  expect(errors[errors.length >> 1]).toBeLessThanOrEqual(1);
  expect(errors[Math.floor(0.95 * errors.length)]).toBeLessThanOrEqual(3);
});

test('prominence of peaks as scipy.signal.peak_prominences reckons it', () => {
  // x = [0, 2, 1, 3, 0, 1.5, 1, 2.5, 2, 4, 0]; peaks 1 3 5 7 9; prominences 1, 3, 0.5, 0.5, 4 (run with Debian's
  // python3-scipy).
  const peaks = peaksOf([0, 2, 1, 3, 0, 1.5, 1, 2.5, 2, 4, 0]);
  expect(peaks.map((p) => Math.round(p.frame))).toEqual([1, 3, 5, 7, 9]);
  expect(peaks.map((p) => p.prominence)).toEqual([1, 3, 0.5, 0.5, 4]);
});
