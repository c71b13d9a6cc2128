import { walk } from '../../../tests/fixtures/detected-walk';
import { exchangeSides } from './fuse-detections';
import { repairSideSwaps } from './side-swaps';
import { mergeDetections, placePoint, type Track } from '../tracks/track';

const track = (detected = walk()): Track => mergeDetections({}, 120, detected);

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

  it('are left alone while one arm is hidden: the other says where both are', () => {
    // The far arm is hidden between two passings, but for two frames; on one of those both detectors exchange the arms.
    const hidden = walk();
    for (let i = 31; i < 60; i++) {
      if (i === 45 || i === 46) continue;
      const points = hidden.get(i)!;
      const far = (id: string): boolean => /^right-(elbow|wrist)/.test(id);
      hidden.set(
        i,
        Object.fromEntries(Object.entries(points).map(([id, p]) => [id, far(id) ? { ...p, confidence: 0.1 } : p])),
      );
    }
    const is = track(hidden);
    hidden.set(
      46,
      exchangeSides(hidden.get(46)!, (id) => /shoulder|elbow|wrist/.test(id)),
    );
    const frames = new Set(hidden.keys());
    const repaired = repairSideSwaps(track(hidden), { arms: frames, legs: frames });
    expect(repaired.changedFrames).toBe(1);
    for (const id of ['left-elbow', 'right-elbow', 'left-wrist'] as const)
      expect(repaired.track[id]!.x).toEqual(is[id]!.x);
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
