import { dice } from '../../../tests/fixtures/random';
import { stickTrial } from '../../../tests/fixtures/stick-trial';
import type { PointId } from '../anatomy/body-points';
import { movementSchema } from '../model/movement';
import type { Quantity } from '../model/quantity';
import type { Trial } from '../trial/trial';
import { contactEdges, contactsOf } from './contacts';
import { crossingsOf } from './occurrences';
import { findRepetitions } from './repetitions';

type Points = Readonly<Partial<Record<PointId, readonly [number, number]>>>;
/** Standing height 1000 pixels. */
const BODY: Points = {
  'left-shoulder': [500, -79],
  'left-hip': [500, 209],
  'left-knee': [500, 454],
  'left-ankle': [500, 690],
};
const RATE = 120;
const FRAMES = 241;
const times = {
  frameTimes: Float64Array.from({ length: FRAMES }, (_, i) => (i * 1e6) / RATE),
  fileRate: RATE,
  captureRate: RATE,
};

/** Noise that is the same in every run (sum of four). */
function noise(seed: number, size: number): () => number {
  const dicing = dice(seed);
  const roll = (): number => dicing() - 0.5;
  return () => size * Math.sqrt(3) * (roll() + roll() + roll() + roll());
}

describe('passings of a level', () => {
  const of: Quantity = { type: 'segment-angle', points: ['opposite-elbow', 'opposite-wrist'], against: 'forward' };
  const rod = (degrees: number): Points => ({
    'left-elbow': [500, 400],
    'left-wrist': [500 + 100 * Math.cos((degrees * Math.PI) / 180), 400 - 100 * Math.sin((degrees * Math.PI) / 180)],
  });
  const whole = { first: 0, last: FRAMES - 1 };

  it('one slow passing in noise is one', () => {
    const n = noise(3, 1.5);
    // Half a degree in a frame at 100 pixels; noise of 1.5 pixels carries it to and fro over the level.
    const trial = stickTrial((f) => rod(20 + (f - 120) * 0.1 + n()), {}, times);
    expect(crossingsOf(trial, of, 20, 'rising', whole)).toHaveLength(1);
    expect(Math.abs(crossingsOf(trial, of, 20, 'rising', whole)[0]! - 120)).toBeLessThan(15);
  });

  it('a direction passes a level once in every turn', () => {
    const trial = stickTrial((f) => rod(9 * f - 45), {}, times);
    const found = crossingsOf(trial, of, 90, 'rising', whole);
    expect(found.map(Math.round)).toEqual([15, 55, 95, 135, 175, 215]);
  });
});

describe('repetitions', () => {
  it('one deep repetition does not hide the shallow ones, and noise is none', () => {
    const n = noise(9, 1.5);
    const depth = [60, 60, 200, 60, 60];
    const hips = (f: number): number =>
      depth.reduce((sum, d, k) => sum + d * Math.exp(-(((f - 25 - 48 * k) / 8) ** 2)), 0) + n();
    const movement = movementSchema.parse({
      schemaVersion: 1,
      id: 'squat',
      name: 'Squat',
      sport: 'x',
      phases: [],
      measures: [],
      causes: [],
      cautions: [],
      repeats: { by: 'low', cycle: false },
      moments: [
        {
          id: 'low',
          name: 'Lowest',
          key: '1',
          hint: '',
          rule: { rule: 'extreme', of: { type: 'height', point: 'opposite-wrist' }, which: 'smallest' },
        },
        { id: 'up', name: 'Up', key: '2', hint: '', rule: null },
      ],
    });
    const trial = stickTrial(
      (f) => ({ ...BODY, 'left-heel': [480, 700], 'left-foot-index': [560, 700], 'left-wrist': [500, 200 + hips(f)] }),
      {},
      times,
    );
    expect(findRepetitions(movement, trial).map((r) => Math.round(r[0]!.frame / 12))).toEqual([2, 6, 10, 14, 18]);
  });
});

describe('contacts of feet', () => {
  /**
   * A foot that comes down at 100 and goes up at 160, on its heel and toe, seen with the ground sloping and the far end
   * of it higher.
   */
  function step({
    slope = 0,
    lift = 0,
    toesOnly = false,
    size = 0,
    seed = 1,
    wrong = null,
  }: {
    slope?: number;
    lift?: number;
    toesOnly?: boolean;
    size?: number;
    seed?: number;
    /** Frames on which a detector has the foot slide away; after them it sees it a little beside. */
    wrong?: { first: number; last: number } | null;
  }): Trial {
    const n = noise(seed, size);
    return stickTrial(
      (f) => {
        const away = f < 100 ? 100 - f : f > 160 ? f - 160 : 0;
        const misled = !wrong || f < wrong.first ? 0 : f <= wrong.last ? 60 * (f - wrong.first) : 45;
        const x = 300 + misled + 8 * (f < 100 ? f - 100 : f > 160 ? f - 160 : 0);
        const ground = 700 - lift - slope * x;
        const up = away === 0 ? 0 : 3 * away + 0.1 * away ** 2;
        return {
          ...BODY,
          'left-heel': [x + n(), ground - up - (toesOnly ? 40 + 20 * Math.sin(f / 6) : 0) + n()],
          'left-foot-index': [x + 90 + n(), ground - up - 90 * slope + n()],
        };
      },
      {},
      times,
    );
  }

  it.each([
    ['on level ground', {}],
    ['on ground that slopes in the picture', { slope: 0.08 }],
    ['of a far foot that stands higher in the picture than the near one', { lift: 60 }],
    ['on the toes alone', { toesOnly: true }],
    ['with noise of half a per cent of height', { size: 5 }],
    ['that wrong pictures interrupt, after which it is seen a little beside', { wrong: { first: 120, last: 127 } }],
  ])('%s', (_, how) => {
    const trial = step(how);
    expect(contactsOf(trial, 'opposite')).toHaveLength(1);
    const [down] = contactEdges(trial, 'opposite', 'touch-down');
    const [up] = contactEdges(trial, 'opposite', 'lift-off');
    for (const [edge, frame] of [
      [down!, 100],
      [up!, 160],
    ] as const) {
      expect(Math.abs(edge.frame - frame) / RATE).toBeLessThan(Math.max(0.01, 2.5 * edge.sd));
      expect(edge.sd).toBeLessThan(0.04);
    }
  });

  it('a foot that hangs still at the top of a jump stands on nothing', () => {
    const trial = stickTrial(
      (f) => ({
        ...BODY,
        'left-heel': [480, 700 - 300 + 0.03 * (f - 120) ** 2],
        'left-foot-index': [560, 700 - 300 + 0.03 * (f - 120) ** 2],
      }),
      {},
      times,
    );
    expect(contactsOf(trial, 'opposite').filter(({ first, last }) => first < 125 && last > 115)).toEqual([]);
  });
});
