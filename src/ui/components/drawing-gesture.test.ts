import { LIMITS } from '../../core/model/limits';
import { DRAWING_KINDS, DRAWING_POSITIONS, type DrawingKind } from '../../core/model/drawing';
import { drawOn, NOTHING_DRAWN, type Draft, type GesturePhase } from './drawing-gesture';

const run = (kind: DrawingKind, events: readonly (readonly [GesturePhase, number, number])[]): Draft =>
  events.reduce((draft, [phase, x, y]) => drawOn(kind, draft, { x, y }, phase), NOTHING_DRAWN);
const press = (x: number, y: number) =>
  [
    ['press', x, y],
    ['release', x, y],
  ] as const;

describe('drawing', () => {
  it('a line takes one drag', () => {
    expect(
      run('line', [
        ['press', 1, 2],
        ['drag', 20, 2],
        ['drag', 40, 8],
        ['release', 40, 8],
      ]),
    ).toEqual({
      points: [
        { x: 1, y: 2 },
        { x: 40, y: 8 },
      ],
      pulling: false,
      done: true,
    });
  });

  it('a line takes two presses as well', () => {
    expect(run('line', press(1, 2))).toMatchObject({ points: [{ x: 1, y: 2 }], done: false });
    expect(run('line', [...press(1, 2), ...press(40, 8)])).toMatchObject({
      points: [
        { x: 1, y: 2 },
        { x: 40, y: 8 },
      ],
      done: true,
    });
  });

  it('an angle takes a drag and a press, or three presses', () => {
    expect(
      run('angle', [
        ['press', 0, 0],
        ['drag', 30, 0],
        ['release', 30, 0],
      ]),
    ).toMatchObject({ done: false });
    const expected = [
      { x: 0, y: 0 },
      { x: 30, y: 0 },
      { x: 30, y: 40 },
    ];
    expect(
      run('angle', [
        ['press', 0, 0],
        ['drag', 30, 0],
        ['release', 30, 0],
        ['press', 28, 38],
        ['drag', 30, 40],
        ['release', 30, 40],
      ]),
    ).toMatchObject({ points: expected, done: true });
    expect(run('angle', [...press(0, 0), ...press(30, 0), ...press(30, 40)])).toMatchObject({
      points: expected,
      done: true,
    });
  });

  it('a stroke follows the pointer and leaves out jitter', () => {
    const draft = run('stroke', [
      ['press', 0, 0],
      ['drag', 1, 0],
      ['drag', 10, 0],
      ['drag', 20, 5],
      ['release', 20, 5],
    ]);
    expect(draft).toMatchObject({
      points: [
        { x: 0, y: 0 },
        { x: 10, y: 0 },
        { x: 20, y: 5 },
      ],
      done: true,
    });
    expect(run('stroke', press(5, 5))).toEqual(NOTHING_DRAWN);
  });

  it('a stroke of any length has no more points than are kept', () => {
    let draft = drawOn('stroke', NOTHING_DRAWN, { x: 0, y: 0 }, 'press');
    for (let i = 1; i <= 12_000; i++) draft = drawOn('stroke', draft, { x: 10 * i, y: 0 }, 'drag');
    draft = drawOn('stroke', draft, { x: 120_000, y: 0 }, 'release');
    expect(draft.points.length).toBeLessThanOrEqual(LIMITS.stroke);
    expect(draft.points.at(-1)).toEqual({ x: 120_000, y: 0 });
  });

  it.each(DRAWING_KINDS.filter((kind) => kind !== 'stroke'))('%s is done after exactly its positions', (kind) => {
    let draft: Draft = NOTHING_DRAWN;
    for (let k = 1; k <= DRAWING_POSITIONS[kind]; k++) {
      expect(draft.done).toBe(false);
      for (const [phase, x, y] of press(20 * k, 10 * k)) draft = drawOn(kind, draft, { x, y }, phase);
    }
    expect(draft.done).toBe(true);
    expect(draft.points).toHaveLength(DRAWING_POSITIONS[kind]);
  });
});
