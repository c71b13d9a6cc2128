import { bendOf, smoothestChoice, type Alternative } from './smoothest-choice';

const MOST = 1000;

describe('the smoothest choice', () => {
  // Two moving points; which of them a track calls "first" is exchanged from frame 12 to 20.
  const one = (i: number): { x: number; y: number } => ({ x: 3 * i, y: 0 });
  const other = (i: number): { x: number; y: number } => ({ x: 60 - 3 * i, y: 1 });
  const mixed = (i: number): boolean => i >= 12 && i < 20;
  const given = (i: number, choice: number): { x: number; y: number } =>
    (choice === 1) !== mixed(i) ? other(i) : one(i);
  const frames = Array.from({ length: 30 }, (_, i) => i);
  const only = (cost: number): Alternative => ({ points: [], cost });

  it('follows one path through a crossing and through exchanged names', () => {
    const at = (frame: number, choice: number): Alternative => ({
      points: [{ ...given(frame, choice), frame, sure: 1 }],
      cost: 0.5 * choice,
    });
    expect(
      Array.from(
        smoothestChoice(
          frames.map((i) => [at(i, 0), at(i, 1)]),
          MOST,
        ),
      ),
    ).toEqual(frames.map((i) => (mixed(i) ? 1 : 0)));
  });

  it('holds a point that was hidden against where it was before, with the names of others along', () => {
    // Names are exchanged at frame 20 and on; the second point is hidden from 15 to 19 and the first from 20 to 24.
    const hidden = (frame: number, point: number): boolean =>
      point === 1 ? frame >= 15 && frame < 20 : frame >= 20 && frame < 25;
    const at = (frame: number, choice: number): Alternative => {
      const exchanged = (choice === 1) !== frame >= 20;
      const places = [
        { x: 2 * frame, y: 0 },
        { x: 2 * frame, y: 90 },
      ].map((p, k) => (hidden(frame, k) ? null : { ...p, frame, sure: 0.9 }));
      return { points: exchanged ? [...places].reverse() : places, cost: choice };
    };
    expect(
      Array.from(
        smoothestChoice(
          frames.map((i) => [at(i, 0), at(i, 1)]),
          MOST,
        ),
      ),
    ).toEqual(frames.map((i) => (i >= 20 ? 1 : 0)));
  });

  it('decides by cost alone where nothing moves', () => {
    const cheaper = (choices: readonly number[]): readonly number[] =>
      Array.from(
        smoothestChoice(
          choices.map((c) => [only(c), only(1 - c)]),
          MOST,
        ),
      );
    expect(cheaper([0, 1])).toEqual([0, 1]);
    expect(cheaper([0, 0, 1, 0])).toEqual([0, 0, 1, 0]);
    expect(smoothestChoice([], MOST)).toHaveLength(0);
  });

  it('has no bend in even motion, whatever the gaps between frames', () => {
    expect(bendOf(one(0), one(2), one(7), [0, 2, 7])).toBeCloseTo(0, 12);
    expect(bendOf({ x: 0, y: 0 }, { x: 1, y: 0 }, { x: 2, y: 3 }, [0, 1, 2])).toBeCloseTo(9, 12);
  });
});
