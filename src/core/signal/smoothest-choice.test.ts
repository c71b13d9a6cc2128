import { bendOf, smoothestChoice } from './smoothest-choice';

describe('the smoothest choice', () => {
  // Two moving points; which of them a track calls "first" is exchanged from frame 12 to 20.
  const one = (i: number): { x: number; y: number } => ({ x: 3 * i, y: 0 });
  const other = (i: number): { x: number; y: number } => ({ x: 60 - 3 * i, y: 1 });
  const mixed = (i: number): boolean => i >= 12 && i < 20;
  const given = (i: number, choice: number): { x: number; y: number } =>
    (choice === 1) !== mixed(i) ? other(i) : one(i);

  it('follows one path through a crossing and through exchanged names', () => {
    const frames = Array.from({ length: 30 }, (_, i) => i);
    const choices = smoothestChoice({
      frames,
      cost: (_, choice) => 0.5 * choice,
      bend: ({ frames: at, choices: chosen }) =>
        bendOf(given(at[0], chosen[0]), given(at[1], chosen[1]), given(at[2], chosen[2]), at),
    });
    expect(Array.from(choices)).toEqual(frames.map((i) => (mixed(i) ? 1 : 0)));
  });

  it('decides by cost alone where nothing bends', () => {
    expect(
      Array.from(
        smoothestChoice({
          frames: [3, 4],
          cost: (frame, choice) => (frame === 4 ? 1 - choice : choice),
          bend: () => 0,
        }),
      ),
    ).toEqual([0, 1]);
    expect(
      Array.from(
        smoothestChoice({
          frames: [0, 1, 2, 3],
          cost: (frame, choice) => (frame === 2 ? 1 - choice : choice),
          bend: () => 0,
        }),
      ),
    ).toEqual([0, 0, 1, 0]);
    expect(smoothestChoice({ frames: [], cost: () => 0, bend: () => 0 })).toHaveLength(0);
  });

  it('has no bend in even motion, whatever the gaps between frames', () => {
    expect(bendOf(one(0), one(2), one(7), [0, 2, 7])).toBeCloseTo(0, 12);
    expect(bendOf({ x: 0, y: 0 }, { x: 1, y: 0 }, { x: 2, y: 3 }, [0, 1, 2])).toBeCloseTo(9, 12);
  });
});
