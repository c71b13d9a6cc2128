import { readMeasure } from '../../../tests/fixtures/measure';
import { stickClip } from '../../../tests/fixtures/stick-trial';
import type { Clip } from '../model/clip';
import { prepareTrial, type Trial } from '../trial/trial';
import { mergeDetections, type DetectedPoints } from '../tracks/track';
import type { Measured } from '../reading';
import { compareMeasure, differenceSd } from './compare';
import { viewOf } from './side';

const reading = (sd: number, systematicSd: number): Measured => ({
  measurable: true,
  value: 1,
  sd,
  systematicSd,
  unit: 'deg',
  provenance: { clipId: 'c', frames: [0], points: [] },
});

const knee = readMeasure({
  id: 'knee',
  name: 'Knee',
  kind: 'joint-angle',
  points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'],
  at: 'one',
  region: 'legs',
  plane: 'sagittal',
  importance: 0.5,
  cost: 'weeks',
  margin: 2,
});

/** A knee found by the detector on every frame. */
function detectedKnee(change: Partial<Clip>): Trial {
  const clip = stickClip(change);
  const frames = clip.frameTimes.length;
  const at = (x: number, y: number) => ({ x, y, confidence: 0.9 });
  const points = {
    'left-shoulder': at(110, 20),
    'left-hip': at(100, 100),
    'left-knee': at(130, 180),
    'left-ankle': at(100, 260),
  } as DetectedPoints;
  const track = mergeDetections({}, frames, new Map(Array.from({ length: frames }, (_, i) => [i, points])));
  return prepareTrial(clip, track, { one: { frame: 10 } }, 20);
}

describe('the deviation of a difference', () => {
  // JCGM 100:2008, 5.2.2 (from memory): u^2(a - b) = u^2(a) + u^2(b) - 2 r u(a) u(b) for correlated inputs.
  it('joins independent errors in quadrature', () => {
    expect(differenceSd(reading(3, 0), reading(4, 0), true)).toBeCloseTo(5, 12);
    expect(differenceSd(reading(5, 3), reading(5, 3), false)).toBeCloseTo(Math.sqrt(50), 12);
  });

  it('leaves out what is alike in both', () => {
    expect(differenceSd(reading(5, 3), reading(5, 3), true)).toBeCloseTo(Math.sqrt(32), 12);
    expect(differenceSd(reading(3, 3), reading(3, 3), true)).toBe(0);
  });

  it('keeps the part of one that the other has not: a point placed by hand shares nothing with a found one', () => {
    expect(differenceSd(reading(5, 3), reading(1, 0), true)).toBeCloseTo(Math.sqrt(26), 12);
  });

  it('takes errors as alike only when both cameras see the same side from about the same direction', () => {
    const athlete = detectedKnee({});
    const same = compareMeasure(knee, [[athlete]], [[detectedKnee({ id: 'other' })]]);
    const otherSide = compareMeasure(knee, [[athlete]], [[detectedKnee({ travel: 'left' })]]);
    const turned = compareMeasure(knee, [[athlete]], [[detectedKnee({ view: { kind: 'side', offPlaneDegrees: 25 } })]]);
    expect(same.plusMinus!).toBeGreaterThan(0);
    expect(otherSide.plusMinus!).toBeGreaterThan(1.05 * same.plusMinus!);
    expect(turned.plusMinus!).toBeGreaterThan(1.05 * same.plusMinus!);
  });
});

describe('the camera of a measure', () => {
  const side = detectedKnee({ id: 'side' });
  const front = detectedKnee({ id: 'front', view: { kind: 'front', offPlaneDegrees: null } });
  const bare = prepareTrial(stickClip({ id: 'bare', view: { kind: 'front', offPlaneDegrees: null } }), {}, {}, 20);
  const frontal = { ...knee, plane: 'frontal' as const };

  it('is the first that shows its plane and has points', () => {
    expect(viewOf(knee, [front, side]).clip.id).toBe('side');
    expect(viewOf(frontal, [side, bare, front]).clip.id).toBe('front');
  });

  it('is the first of all where none does, which then says what to film', () => {
    expect(viewOf({ ...knee, plane: 'transverse' }, [side, front]).clip.id).toBe('side');
    expect(viewOf(frontal, [side, bare]).clip.id).toBe('side');
  });
});
