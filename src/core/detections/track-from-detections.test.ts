import { walk } from '../../../tests/fixtures/detected-walk';
import { exchangeSides, fuseDetections, agreedLimbs, resolveDetections } from './fuse-detections';
import { mendExchangeJumps } from './exchange-jumps';
import { steadyHips } from './steady-hips';
import { bodyHeightPixels, HAND_SD_PIXELS, pointError } from '../tracks/point-error';
import { repairSideSwaps } from './side-swaps';
import { trackFromDetections } from './track-from-detections';
import {
  clearPoint,
  coverage,
  interpolateBetweenHands,
  mergeDetections,
  ORIGIN,
  placePoint,
  type DetectedPoints,
  type Track,
} from '../tracks/track';

const track = (detected = walk()): Track => mergeDetections({}, 120, detected);

describe('a track', () => {
  it('knows where every point comes from', () => {
    let t = track();
    expect(t['left-knee']!.origin[5]).toBe(ORIGIN.detected);
    t = placePoint(t, 120, 'left-knee', 5, 1, 2);
    expect([t['left-knee']!.x[5], t['left-knee']!.y[5], t['left-knee']!.origin[5]]).toEqual([1, 2, ORIGIN.hand]);
    t = clearPoint(t, 120, 'left-knee', 6);
    expect(t['left-knee']!.x[6]).toBeNaN();
    expect(coverage(t, 'left-knee')).toBeCloseTo(119 / 120, 12);
    expect(coverage(t, 'nose')).toBe(0);
  });

  it('does not change the track it is made from', () => {
    const before = track();
    const x = before['left-knee']!.x[5];
    placePoint(before, 120, 'left-knee', 5, 1, 2);
    expect(before['left-knee']!.x[5]).toBe(x);
  });

  it('keeps what a person placed when points are detected again', () => {
    const byHand = placePoint({}, 120, 'left-knee', 5, 1, 2);
    const again = mergeDetections(byHand, 120, walk());
    expect(again['left-knee']!.x[5]).toBe(1);
    expect(again['left-knee']!.origin[6]).toBe(ORIGIN.detected);
  });

  it('fills the frames between two points placed by hand on a straight line', () => {
    let t = placePoint(track(), 120, 'left-knee', 10, 0, 0);
    t = placePoint(t, 120, 'left-knee', 20, 100, 50);
    t = interpolateBetweenHands(t, 'left-knee', 20);
    expect([t['left-knee']!.x[15], t['left-knee']!.y[15], t['left-knee']!.origin[15]]).toEqual([
      50,
      25,
      ORIGIN.interpolated,
    ]);
    expect(t['left-knee']!.origin[21]).toBe(ORIGIN.detected);
    expect(interpolateBetweenHands(t, 'left-knee', 40)).toBe(t);
  });
});

describe('left and right', () => {
  const exchanged = (frames: readonly number[], which: (id: string) => boolean): Track => {
    const detected = walk();
    for (const i of frames) detected.set(i, exchangeSides(detected.get(i)!, which));
    return track(detected);
  };
  const truth = track();
  const wrongFrames = (t: Track, id: 'left-ankle' | 'left-wrist'): number =>
    Array.from(t[id]!.x).filter((x, i) => Math.abs(x - truth[id]!.x[i]!) > 3).length;

  it('are put right where a stretch and single frames of a leg pair are exchanged', () => {
    const swapped = exchanged([8, 40, 41, 42, 43, 44, 45, 46, 70], (id) => /hip|knee|ankle/.test(id));
    expect(wrongFrames(swapped, 'left-ankle')).toBeGreaterThan(5);
    const repaired = repairSideSwaps(swapped);
    expect(wrongFrames(repaired.track, 'left-ankle')).toBe(0);
    expect(wrongFrames(repaired.track, 'left-wrist')).toBe(0);
    expect(repaired.changedFrames).toBeGreaterThan(0);
  });

  it('of the shoulders alone are put right, the arms as they were: side on they stand well apart', () => {
    const sideOn = new Map(
      [...walk()].map(([i, points]) => [
        i,
        Object.fromEntries(
          Object.entries(points).map(([id, p]) => [
            id,
            id.endsWith('shoulder') ? { ...p, x: p.x + (id.startsWith('left') ? 13 : -13) } : p,
          ]),
        ),
      ]),
    );
    const is = track(sideOn);
    for (const i of [40, 41, 42])
      sideOn.set(
        i,
        exchangeSides(sideOn.get(i)!, (id) => id.endsWith('shoulder')),
      );
    const { track: repaired } = repairSideSwaps(track(sideOn));
    for (const id of ['left-shoulder', 'right-shoulder', 'left-elbow', 'right-wrist'] as const)
      expect(repaired[id]!.x).toEqual(is[id]!.x);
  });

  it('are left alone where nothing is exchanged, crossings included', () => {
    const repaired = repairSideSwaps(truth);
    expect(repaired.changedFrames).toBe(0);
    expect(repaired.track['left-ankle']!.x).toEqual(truth['left-ankle']!.x);
  });

  it('are left alone where limbs pass each other fast, unsurely seen, while both detectors name them alike', () => {
    const seldom = new Map(
      [...walk()]
        .filter(([i]) => i % 3 === 0)
        .map(([i, seen]) => {
          const confidence = i > 25 && i < 37 ? 0.1 : 0.9;
          return [
            i / 3,
            Object.fromEntries(Object.entries(seen).map(([id, p]) => [id, { ...p, confidence }])),
          ] as const;
        }),
    );
    const frames = new Set(seldom.keys());
    const repaired = repairSideSwaps(mergeDetections({}, seldom.size, seldom), { arms: frames, legs: frames });
    expect(repaired.changedFrames).toBe(0);
  });

  it('are never exchanged where a person placed the point', () => {
    const byHand = placePoint(
      exchanged([40, 41, 42, 43], () => true),
      120,
      'left-ankle',
      41,
      7,
      8,
    );
    expect(repairSideSwaps(byHand).track['left-ankle']!.x[41]).toBe(7);
  });
});

describe('limbs that change places from one picture to the next', () => {
  const times = Float64Array.from({ length: 120 }, (_, i) => i / 60);
  const truth = track();
  const LEGS = /knee|ankle|heel|foot/;
  const exchanged = (first: number, last: number): Track => {
    const detected = walk();
    for (let i = first; i <= last; i++)
      detected.set(
        i,
        exchangeSides(detected.get(i)!, (id) => LEGS.test(id)),
      );
    return track(detected);
  };
  const apart = (i: number): number => truth['left-ankle']!.x[i]! - truth['right-ankle']!.x[i]!;
  /** Frames in which the ankles pass each other, and the widest step after the first. */
  const passes = Array.from({ length: 119 }, (_, i) => i).filter((i) => apart(i) * apart(i + 1) <= 0);
  const [pass, next] = passes.filter((i) => i > 10) as [number, number];
  const widest = Math.round((pass + next) / 2);

  it('between two such jumps are put right, half as sure', () => {
    const mended = mendExchangeJumps(exchanged(widest - 2, widest + 2), times);
    for (const id of ['left-ankle', 'right-knee'] as const) expect(mended[id]!.x).toEqual(truth[id]!.x);
    expect(mended['left-ankle']!.confidence[widest]).toBeCloseTo(truth['left-ankle']!.confidence[widest]! / 2, 6);
  });

  it('from where they pass each other to the jump are not known, since nothing tells on which side of it they are wrong', () => {
    const mended = mendExchangeJumps(exchanged(pass + 1, widest), times);
    for (const i of [widest - 1, widest, widest + 1, widest + 3]) expect(mended['left-ankle']!.x[i]).toBeNaN();
    expect(mended['left-ankle']!.x[pass - 5]).toBe(truth['left-ankle']!.x[pass - 5]);
    expect(mended['left-ankle']!.x[next + 5]).toBe(truth['left-ankle']!.x[next + 5]);
    expect(mended['left-wrist']!.x).toEqual(truth['left-wrist']!.x);
  });

  it('for two frames before they are lost from sight are not known there, and believed on the long way before', () => {
    const detected = new Map(
      [...walk()].map(([i, points]) => {
        const wrong = i >= widest && i < widest + 2 ? exchangeSides(points, (id) => LEGS.test(id)) : points;
        const lost = i >= widest + 2 && i < next + 6;
        const seen = Object.entries(wrong).map(([id, p]) => [
          id,
          lost && LEGS.test(id) ? { ...p, confidence: 0.1 } : p,
        ]);
        return [i, Object.fromEntries(seen) as DetectedPoints] as const;
      }),
    );
    const mended = mendExchangeJumps(track(detected), times);
    for (const i of [widest, widest + 1]) expect(mended['left-ankle']!.x[i]).toBeNaN();
    for (const i of [pass + 1, widest - 1, next + 8])
      expect(mended['left-ankle']!.x[i]).toBe(truth['left-ankle']!.x[i]);
  });

  it('are left alone where a runner is followed by the camera and seldom looked at: legs do pass each other that fast', () => {
    // 2.4 strides a second, feet a quarter of standing height before and behind, seen 15 times a second.
    const seen = Float64Array.from({ length: 60 }, (_, i) => i / 15);
    const runner = new Map(
      [...walk(60)].map(([i, points]) => {
        const swing = 75 * Math.sin(2 * Math.PI * 2.4 * seen[i]! + 0.3);
        const at = (id: string, x: number) => ({ ...points[id as 'nose']!, x: 300 + x });
        const legs = (['left', 'right'] as const).flatMap((side) => {
          const sign = side === 'left' ? 1 : -1;
          return [
            [`${side}-knee`, at(`${side}-knee`, 0.5 * sign * swing)],
            [`${side}-ankle`, at(`${side}-ankle`, sign * swing)],
            [`${side}-hip`, at(`${side}-hip`, 2 * sign)],
            [`${side}-shoulder`, at(`${side}-shoulder`, 2 * sign)],
          ];
        });
        return [i, { ...points, ...Object.fromEntries(legs) } as DetectedPoints] as const;
      }),
    );
    const followed = mergeDetections({}, 60, runner);
    expect(mendExchangeJumps(followed, seen)).toBe(followed);
  });

  it('are left alone where nothing jumps', () => expect(mendExchangeJumps(truth, times)).toBe(truth));
});

describe('the hips', () => {
  /** Hips whose half distance along the rows is as given; standing height is some 290 pixels. */
  const apart = (half: (i: number) => number): Track =>
    track(
      new Map(
        [...walk()].map(([i, points]) => [
          i,
          {
            ...points,
            'left-hip': { ...points['left-hip']!, x: 100 + 2 * i + half(i) },
            'right-hip': { ...points['right-hip']!, x: 100 + 2 * i - half(i) },
          },
        ]),
      ),
    );
  const halfOf = (t: Track): number[] => Array.from(t['left-hip']!.x, (x, i) => (x - t['right-hip']!.x[i]!) / 2);

  it('that only wander beside each other as much as a detector errs keep their distance but for the step, their middle untouched', () => {
    const wandering = apart((i) => 3 + 1.5 * Math.sin(i));
    const steady = steadyHips(wandering);
    const knees = Array.from(steady['left-knee']!.x, (x, i) => (x - steady['right-knee']!.x[i]!) / 2);
    halfOf(steady).forEach((half, i) => expect(half - 0.06 * knees[i]!).toBeCloseTo(3, 0));
    steady['left-hip']!.x.forEach((x, i) => expect((x + steady['right-hip']!.x[i]!) / 2).toBeCloseTo(100 + 2 * i, 9));
    expect(steady['left-hip']!.y).toEqual(wandering['left-hip']!.y);
  });

  it('of a pelvis that turns stay within a tenth of what was found', () => {
    const half = (i: number): number => 14 * Math.sin((2 * Math.PI * i) / 60);
    halfOf(steadyHips(apart(half))).forEach((kept, i) => expect(Math.abs(kept - half(i))).toBeLessThan(1.4));
  });

  it('stay where a person placed one of them', () => {
    const placed = placePoint(
      apart((i) => 3 + Math.sin(i)),
      120,
      'left-hip',
      30,
      177,
      200,
    );
    expect([steadyHips(placed)['left-hip']!.x[30], steadyHips(placed)['right-hip']!.x[30]]).toEqual([
      177,
      placed['right-hip']!.x[30],
    ]);
  });
});

describe('two detections at a frame', () => {
  const first = walk().get(15)!;
  it('are averaged, and sure where they agree', () => {
    const second = Object.fromEntries(
      Object.entries(first).map(([id, p]) => [id, { ...p!, x: p!.x + 2 }]),
    ) as DetectedPoints;
    const merged = fuseDetections(first, second);
    expect(merged['left-knee']!.x).toBeCloseTo(first['left-knee']!.x + 0.6 * 2, 9);
    expect(merged['left-knee']!.confidence).toBeGreaterThan(0.7);
  });

  it('are half sure at four hundredths of standing height', () => {
    const second = {
      ...first,
      'left-knee': { ...first['left-knee']!, x: first['left-knee']!.x + 0.04 * 0.9 * 240, confidence: 1 },
    };
    const merged = fuseDetections({ ...first, 'left-knee': { ...first['left-knee']!, confidence: 1 } }, second);
    expect(merged['left-knee']!.confidence).toBeCloseTo(0.5, 9);
  });

  it('agree on a limb that the second detection labels the other way round', () => {
    const merged = fuseDetections(
      first,
      exchangeSides(first, (id) => /hip|knee|ankle/.test(id)),
    );
    expect(merged['left-ankle']!.x).toBeCloseTo(first['left-ankle']!.x, 9);
  });

  it('that contradict each other are decided by the smoother path, not averaged', () => {
    const detections = new Map([...walk()].map(([i, points]) => [i, [points, points]] as [number, DetectedPoints[]]));
    const good = detections.get(30)![0]!['left-elbow']!;
    detections.set(30, [
      { ...detections.get(30)![0]!, 'left-elbow': { ...good, x: good.x + 80 } },
      detections.get(30)![1]!,
    ]);
    const resolved = resolveDetections(detections).get(30)!;
    expect(resolved['left-elbow']!.x).toBeCloseTo(good.x, 9);
    expect(resolved['left-elbow']!.confidence).toBeCloseTo(0.27, 9);
    expect(resolved['left-knee']).toEqual({ ...detections.get(30)![0]!['left-knee']!, confidence: 0.9 });
  });

  it('leave points half sure that the second detector does not know', () => {
    const second = Object.fromEntries(Object.entries(first).filter(([id]) => id !== 'left-knee')) as DetectedPoints;
    const merged = fuseDetections(first, second);
    expect(merged['left-knee']).toEqual({ ...first['left-knee']!, confidence: 0.45 });
    expect(merged['right-knee']!.confidence).toBeCloseTo(0.9, 9);
  });

  it('of which there is only one are at most half sure', () => {
    const resolved = resolveDetections(new Map([[0, [first]]]));
    expect(resolved.get(0)!['left-knee']!.confidence).toBeCloseTo(0.45, 9);
    expect(resolveDetections(new Map([[0, []]])).size).toBe(0);
  });
});

describe('what two detectors saw', () => {
  const isLeg = (id: string): boolean => /hip|knee|ankle/.test(id);
  const detections = new Map(
    [...walk()].map(([i, seen]) => [i, [seen, i === 40 ? exchangeSides(seen, isLeg) : seen] as const]),
  );

  const TIMES = Float64Array.from({ length: 120 }, (_, i) => i / 120);

  it('names the sides of a limb alike or not, limb by limb', () => {
    const agreed = agreedLimbs(detections);
    expect([agreed.legs.has(40), agreed.arms.has(40), agreed.legs.size]).toEqual([false, true, 119]);
    expect(agreedLimbs(new Map([[0, [walk().get(0)!]]])).legs.size).toBe(0);
  });

  it('is taken where they say, whichever of them exchanged the legs', () => {
    const taken = trackFromDetections({}, TIMES, detections, 'accurate');
    const there = track();
    for (const id of ['left-ankle', 'right-knee'] as const)
      taken[id]!.x.forEach((x, i) => expect(x).toBeCloseTo(there[id]!.x[i]!, 6));
  });

  it('is less sure and never surer where small models saw it, at the same places; what a person placed stays as sure', () => {
    const placed = placePoint({}, 120, 'left-ankle', 5, 50, 60);
    const [fast, accurate] = (['fast', 'accurate'] as const).map((setting) =>
      trackFromDetections(placed, TIMES, detections, setting),
    );
    for (const id of ['left-knee', 'right-wrist'] as const) {
      expect(fast![id]!.x).toEqual(accurate![id]!.x);
      fast![id]!.confidence.forEach((c, i) => expect(c).toBeLessThan(accurate![id]!.confidence[i]!));
      const [sdFast, sdAccurate] = [fast, accurate].map((t) => pointError(t![id]!, id, 10, 300, 'right').sd) as [
        number,
        number,
      ];
      expect(sdFast).toBeGreaterThan(sdAccurate);
    }
    expect(fast!['left-ankle']!.confidence[5]).toBe(accurate!['left-ankle']!.confidence[5]);
  });
});

describe('how sure a point is', () => {
  const t = track();
  it('takes standing height from the chain of segments', () => {
    // Trunk, thigh and shank are 0.779 of standing height; upright they measure 240 px here.
    expect(bodyHeightPixels(t)).toBeGreaterThan(240 / 0.779 - 5);
    expect(bodyHeightPixels(t)).toBeLessThan(260 / 0.779);
    expect(bodyHeightPixels({})).toBeNaN();
  });

  it('is surer by hand than found, near than far, agreed than doubted', () => {
    const hand = placePoint(t, 120, 'left-knee', 5, 1, 2);
    const sd = (track: Track, frame: number, far: 'left' | 'right' | null): number =>
      pointError(track['left-knee']!, 'left-knee', frame, 300, far).sd;
    expect(sd(hand, 5, null)).toBe(HAND_SD_PIXELS);
    expect(sd(hand, 6, null)).toBeLessThan(sd(hand, 6, 'left'));
    const doubted = mergeDetections({}, 120, new Map([[6, { 'left-knee': { x: 1, y: 1, confidence: 0.1 } }]]));
    expect(sd(doubted, 6, null)).toBeGreaterThan(2 * sd(hand, 6, null));
  });

  it('is worth a twentieth of a body where two detectors contradict each other, as their error against truth is', () => {
    const times = Float64Array.from({ length: 120 }, (_, i) => i / 120);
    const apart = (frame: number, by: number) => {
      const seen = walk().get(frame)!;
      const knee = seen['left-knee']!;
      return [seen, { ...seen, 'left-knee': { ...knee, x: knee.x + by } }];
    };
    const detections = new Map(Array.from(times, (_, i) => [i, apart(i, i >= 40 && i < 60 ? 40 : 0)]));
    const seen = trackFromDetections({}, times, detections, 'accurate');
    const height = bodyHeightPixels(seen);
    const share = (frame: number): number =>
      pointError(seen['left-knee']!, 'left-knee', frame, height, null).sd / height;
    expect(share(20)).toBeLessThan(0.01);
    expect(share(50)).toBeGreaterThan(0.04);
  });
});
