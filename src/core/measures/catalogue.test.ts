import { stickClip, stickTrial, type Points, BODY } from '../../../tests/fixtures/stick-trial';
import type { PointId } from '../anatomy/body-points';
import { QUANTITIES } from '../quantities';
import type { Measured } from '../reading';
import { evaluateMeasure } from './index';
import { make, value, marks, METRES, on } from '../../../tests/fixtures/catalogue';

/** No single camera shows these: `on-axes.test.ts`. */
type InSpace = 'position-on-axes' | 'direction-on-axes';

describe('every quantity of a picture against a case that can be computed by hand', () => {
  const cases: Readonly<Record<Exclude<keyof typeof QUANTITIES, InSpace>, readonly [object, Points, number, string]>> =
    {
      'joint-angle': [
        { type: 'joint-angle', points: ['opposite-elbow', 'own-ball', 'opposite-wrist'] },
        { 'left-elbow': [300, 300], 'own-ball': [300, 400], 'left-wrist': [400, 400] },
        90,
        'deg',
      ],
      'segment-angle': [
        { type: 'segment-angle', points: ['opposite-elbow', 'opposite-wrist'], against: 'up' },
        { 'left-elbow': [300, 400], 'left-wrist': [400, 300] },
        45,
        'deg',
      ],
      'line-separation': [
        { type: 'line-separation', points: ['opposite-elbow', 'opposite-wrist'], from: ['opposite-elbow', 'own-ball'] },
        { 'left-elbow': [300, 400], 'left-wrist': [400, 300], 'own-ball': [400, 400] },
        45,
        'deg',
      ],
      // Seen from above, a right-hander goes to the right; the right shoulder is down and to the right of the left one:
      // turned to the left.
      facing: [
        { type: 'facing', points: ['opposite-elbow', 'opposite-wrist'] },
        { 'left-elbow': [300, 300], 'left-wrist': [400, 400] },
        45,
        'deg',
      ],
      distance: [
        { type: 'distance', points: ['opposite-elbow', 'opposite-wrist'] },
        { 'left-elbow': [300, 400], 'left-wrist': [600, 800] },
        50,
        '%BH',
      ],
      // A ground seen square from above, 100 pixels a metre.
      'ground-distance': [
        { type: 'ground-distance', points: ['opposite-elbow', 'opposite-wrist'] },
        { 'left-elbow': [300, 400], 'left-wrist': [600, 800] },
        5,
        'm',
      ],
      offset: [
        { type: 'offset', points: ['opposite-wrist', 'opposite-elbow'], axis: 'up' },
        { 'left-elbow': [300, 400], 'left-wrist': [350, 150] },
        25,
        '%BH',
      ],
      height: [{ type: 'height', point: 'opposite-wrist' }, { 'left-wrist': [350, 150] }, 55, '%BH'],
      box: [
        { type: 'box', points: ['opposite-elbow', 'opposite-wrist', 'own-ball'], side: 'width' },
        { 'left-elbow': [300, 400], 'left-wrist': [350, 150], 'own-ball': [420, 0] },
        12,
        '%BH',
      ],
      // Three points, the middle one 30 beside the line over the outer ones of length 200: 20 from the best line, which
      // lies 10 higher.
      alignment: [
        { type: 'alignment', points: ['opposite-elbow', 'opposite-wrist', 'own-ball'] },
        { 'left-elbow': [300, 400], 'left-wrist': [400, 370], 'own-ball': [500, 400] },
        10,
        '%',
      ],
      'relative-inertia': [
        { type: 'relative-inertia', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'], limb: 'leg' },
        {},
        100,
        '%',
      ],
    };
  it.each(Object.entries(cases))('%s', (q, [of, points, expected, unit]) => {
    const reading = evaluateMeasure(
      make({ kind: 'value', of, at: 'mid' }),
      on(() => points, {
        ground: {
          corners: [
            { x: 0, y: 0 },
            { x: 1000, y: 0 },
            { x: 1000, y: 800 },
            { x: 0, y: 800 },
          ],
          length: 10,
          width: 8,
        },
      }),
    );
    expect(value(reading)).toBeCloseTo(expected, 6);
    expect(reading.measurable && reading.unit).toBe(unit);
    expect(QUANTITIES[q as keyof typeof QUANTITIES].convention.length).toBeGreaterThan(15);
  });

  it('a folded leg swings easier: a shank at right angles leaves about two thirds, whatever its size', () => {
    const of = { type: 'relative-inertia', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'], limb: 'leg' };
    const bent = value(
      evaluateMeasure(
        make({ kind: 'value', of, at: 'mid' }),
        on(() => ({ 'left-ankle': [500 - 246, 454] })),
      ),
    );
    expect(bent).toBeGreaterThan(60);
    expect(bent).toBeLessThan(75);
  });

  it('a leg whose sides look left has the same numbers as one that looks right', () => {
    const of = { type: 'offset', points: ['opposite-foot-index', 'opposite-heel'], axis: 'forward' };
    const mirrored = Object.fromEntries(
      (Object.entries(BODY) as [PointId, readonly [number, number]][]).map(([id, [x, y]]) => [id, [1000 - x, y]]),
    ) as Points;
    expect(
      value(
        evaluateMeasure(
          make({ kind: 'value', of, at: 'mid' }),
          on(() => ({})),
        ),
      ),
    ).toBeCloseTo(8, 9);
    expect(
      value(
        evaluateMeasure(
          make({ kind: 'value', of, at: 'mid' }),
          on(() => mirrored, { travel: 'left' }),
        ),
      ),
    ).toBeCloseTo(8, 9);
  });

  it('lengths in metres want a known length; in heights the body', () => {
    const of = { type: 'distance', points: ['opposite-heel', 'opposite-foot-index'] };
    const metres = make({ kind: 'value', of, at: 'mid', lengthIn: 'm' });
    expect(
      evaluateMeasure(
        metres,
        on(() => ({})),
      ),
    ).toMatchObject({
      measurable: false,
      reason: 'no-scale',
      remedy: expect.stringMatching(/^Draw a known length at Match, or/),
    });
    // A standing height that was stated serves in its place, less surely.
    const [stated, drawn] = [{ performer: { ...stickClip().performer, heightMetres: 1.8 } }, METRES].map((change) =>
      evaluateMeasure(
        metres,
        on(() => ({}), change),
      ),
    ) as [Measured, Measured];
    const shares = evaluateMeasure(
      make({ kind: 'value', of, at: 'mid' }),
      on(() => ({})),
    ) as Measured;
    expect(stated.value).toBeCloseTo(1.8 * shares.value, 9);
    expect(stated.sd / stated.value).toBeGreaterThan(drawn.sd / drawn.value);
    expect(
      value(
        evaluateMeasure(
          metres,
          on(() => ({}), METRES),
        ),
      ),
    ).toBeCloseTo(0.16, 9);
    const noBody = stickTrial(() => ({ 'left-heel': [480, 700], 'left-foot-index': [560, 700] }), marks);
    expect(evaluateMeasure(make({ kind: 'value', of, at: 'mid' }), noBody)).toMatchObject({
      measurable: false,
      reason: 'no-scale',
    });
  });

  it('distances on the ground want a rectangle there, and do not care which way the performer goes or how the picture is levelled', () => {
    const measure = make({
      kind: 'value',
      of: { type: 'ground-distance', points: ['opposite-heel', 'opposite-foot-index'] },
      at: 'mid',
    });
    expect(
      evaluateMeasure(
        measure,
        on(() => ({})),
      ),
    ).toMatchObject({ measurable: false, reason: 'no-scale', remedy: expect.stringContaining('Match') });
    // A lane that narrows with distance.
    const ground = {
      corners: [
        { x: 100, y: 780 },
        { x: 300, y: 500 },
        { x: 700, y: 500 },
        { x: 900, y: 780 },
      ],
      length: 6,
      width: 1.2,
    };
    const values = [{}, { travel: 'left' }, { levelDegrees: 4 }].map((more) =>
      value(
        evaluateMeasure(
          measure,
          on(() => ({}), { ground, ...more }),
        ),
      ),
    );
    for (const v of values) expect(v).toBeCloseTo(values[0]!, 9);
  });

  it('an oblique camera: a length along the way is stretched back by the cosine', () => {
    const of = { type: 'offset', points: ['opposite-foot-index', 'opposite-heel'], axis: 'forward' };
    const measure = make({ kind: 'value', of, at: 'mid', lengthIn: 'm' });
    const upright = { scale: { ...METRES.scale, alongDegrees: 90 } };
    const oblique = { view: { kind: 'side', offPlaneDegrees: 25 } } as const;
    const straight = value(
      evaluateMeasure(
        measure,
        on(() => ({}), upright),
      ),
    );
    expect(
      value(
        evaluateMeasure(
          measure,
          on(() => ({}), { ...upright, ...oblique }),
        ),
      ),
    ).toBeCloseTo(straight / Math.cos((25 * Math.PI) / 180), 9);
    // A known length that lies along the way is shortened like everything else along it: what is measured there is
    // right as it is, and what is upright shrinks.
    const level = { scale: { ...METRES.scale, alongDegrees: 0 } };
    expect(
      value(
        evaluateMeasure(
          measure,
          on(() => ({}), { ...level, ...oblique }),
        ),
      ),
    ).toBeCloseTo(straight, 9);
    const up = make({
      kind: 'value',
      of: { type: 'offset', points: ['opposite-hip', 'opposite-knee'], axis: 'up' },
      at: 'mid',
      lengthIn: 'm',
    });
    expect(
      value(
        evaluateMeasure(
          up,
          on(() => ({}), { ...level, ...oblique }),
        ),
      ),
    ).toBeCloseTo(0.49 * Math.cos((25 * Math.PI) / 180), 9);
    expect(
      value(
        evaluateMeasure(
          up,
          on(() => ({}), { ...upright, ...oblique }),
        ),
      ),
    ).toBeCloseTo(0.49, 9);
  });
});
