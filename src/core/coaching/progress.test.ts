import { readMeasure } from '../../../tests/fixtures/measure';
import { dice, normal } from '../../../tests/fixtures/random';
import fc from 'fast-check';
import { stickClip } from '../../../tests/fixtures/stick-trial';
import { judge } from '../judgement/state';
import type { CorrectionVerdict } from '../model/session';
import type { Measured } from '../reading';
import { COVERAGE_95 } from '../statistics/normal';
import { standingOf } from './athlete-standing';
import {
  alsoMoved,
  changeBetween,
  followCorrections,
  onTarget,
  readOnce,
  trendOf,
  type ReadOnce,
  type SessionResult,
  type Standing,
} from './progress';

const deg = (v: number): number => (v * Math.PI) / 180;
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
  target: { type: 'between', low: 160, high: 170, source: 'test' },
});
const clip = stickClip();

/** A reading of the knee as a session would have judged it. */
function read(
  value: number,
  plusMinus = 2,
  { measure = knee, systematic = 0, travel = 'right' as 'left' | 'right' } = {},
): ReadOnce {
  const reading: Measured = {
    measurable: true,
    value: deg(value),
    sd: deg(plusMinus) / COVERAGE_95,
    systematicSd: deg(systematic) / COVERAGE_95,
    unit: 'deg',
    provenance: { clipId: 'clip', frames: [1], points: [] },
  };
  const nobody = { measurable: false, reason: 'no-reference', message: '', remedy: '' } as const;
  const judged = judge(
    {
      measure,
      athlete: reading,
      reference: nobody,
      spread: { athlete: null, reference: null },
      difference: null,
      plusMinus: null,
    },
    undefined,
  );
  return readOnce(judged, [{ ...clip, travel }])!;
}

interface Day {
  readonly value?: ReadOnce | null;
  readonly asked?: boolean;
  readonly correctionVerdicts?: CorrectionVerdict;
}
const sessions = (...days: readonly Day[]): SessionResult[] =>
  days.map(({ value = null, asked = false, correctionVerdicts }, i): SessionResult => ({
    sessionId: `s${i}`,
    name: `Session ${i}`,
    on: `2026-0${i + 1}-01`,
    readings: value ? [value] : [],
    missing: value ? ({} as SessionResult['missing']) : { knee: 'The knee is hidden.' },
    asked: asked ? [{ id: 'knee', title: 'Knee', own: false }] : [],
    setUp: [],
    result: null,
    correctionVerdicts: correctionVerdicts ? { knee: correctionVerdicts } : ({} as SessionResult['correctionVerdicts']),
  }));
const follow = (...days: readonly Day[]) => followCorrections([knee], sessions(...days));

describe('change between two sessions', () => {
  it.each([
    ['nearer by more than the error', 140, 150, 'better'],
    ['nearer by less than the error', 140, 142, 'same'],
    ['further away', 150, 140, 'worse'],
    ['into the range', 152, 166, 'better'],
    ['out of the range', 165, 155, 'worse'],
    ['inside the range', 160.4, 169.8, 'changed'],
    ['from one side to the other, as far as before', 155, 175, 'changed'],
    ['from one side to the other, and nearer', 140, 172, 'better'],
  ])('%s', (_, before, after, direction) => {
    expect(changeBetween(knee, read(before), read(after)).direction).toBe(direction);
  });

  it('has the error of a difference: 1.96 * sqrt(2) * SEM with equal errors (minimal detectable change, Weir 2005)', () => {
    const { change, plusMinus } = changeBetween(knee, read(150, 3), read(155, 3));
    expect(change).toBeCloseTo(deg(5), 12);
    // One attempt each: what an athlete usually differs by from attempt to attempt (3 degrees) counts beside the
    // measuring error.
    expect(plusMinus).toBeCloseTo(Math.SQRT2 * Math.hypot(deg(3), 1.96 * deg(3)), 12);
  });

  it('takes the athlete\u2019s own spread where there were three attempts, for the other session too', () => {
    const own = (value: number, n: number, sd: number): ReadOnce => ({
      ...read(value, 0.5),
      trials: { n, sd: deg(sd), from: n >= 3 ? 'attempts' : 'usual' },
    });
    // The mean of five carries its own spread in its error already.
    expect(changeBetween(knee, own(150, 5, 1), own(155, 1, 3))).toMatchObject({ trialsFrom: 'attempts' });
    expect(changeBetween(knee, own(150, 5, 1), own(155, 1, 3)).plusMinus).toBeCloseTo(
      Math.hypot(Math.SQRT2 * deg(0.5), 1.96 * deg(1)),
      12,
    );
  });

  // The correction was chosen because it was off: the next reading lies nearer by itself.
  it('an athlete who does not change is called changed, improving or closed in at most 5 of 100 cases', () => {
    const roll = dice(5);
    const [trial, measuring] = [3, 1];
    let [asked, improving, closed, changed, all] = [0, 0, 0, 0, 0];
    for (let n = 0; n < 4000; n++) {
      const own = 150 + 12 * roll();
      const attempt = (): ReadOnce => read(own + trial * normal(roll) + measuring * normal(roll), 1.96 * measuring);
      const [first, second, third] = [attempt(), attempt(), attempt()];
      all++;
      if (changeBetween(knee, first, second).direction !== 'same') changed++;
      if (first.state !== 'gap') continue;
      asked++;
      if (follow({ value: first, asked: true }, { value: second })[0]!.standing === 'improving') improving++;
      if (follow({ value: first, asked: true }, { value: second }, { value: third })[0]!.standing === 'closed')
        closed++;
    }
    expect(asked).toBeGreaterThan(1000);
    expect(changed / all).toBeLessThanOrEqual(0.06);
    expect(improving / asked).toBeLessThanOrEqual(0.05);
    expect(closed / asked).toBeLessThanOrEqual(0.05);
  });

  it('lets only what differs by chance come nearer by itself: what the detector does alike comes again', () => {
    const [before, now] = [read(140, 5, { systematic: 4 }), read(150, 5, { systematic: 4 })];
    const more = changeBetween(knee, before, now, true).plusMinus - changeBetween(knee, before, now).plusMinus;
    expect(more).toBeCloseTo(0.8 * Math.hypot(deg(3) / COVERAGE_95, deg(3)), 12);
  });

  it('loses what the detector does alike only where both cameras stand alike', () => {
    const both = (travel: 'left' | 'right') =>
      changeBetween(knee, read(150, 5, { systematic: 4 }), read(155, 5, { systematic: 4, travel })).plusMinus;
    expect(both('right')).toBeCloseTo(Math.SQRT2 * Math.hypot(deg(3), 1.96 * deg(3)), 12);
    expect(both('left')).toBeCloseTo(Math.SQRT2 * Math.hypot(deg(5), 1.96 * deg(3)), 12);
  });

  it('counts what lies beyond the range on its good side as inside it', () => {
    const more = { ...knee, better: 'higher' as const };
    expect(changeBetween(more, read(150), read(180)).direction).toBe('better');
    expect(changeBetween(more, read(175), read(185)).direction).toBe('changed');
    expect(changeBetween(knee, read(165), read(185)).direction).toBe('worse');
  });

  it('has a direction only where there is a range', () => {
    const shown = readMeasure({ ...knee, target: undefined });
    expect(changeBetween(shown, read(150, 2, { measure: shown }), read(160, 2, { measure: shown })).direction).toBe(
      'changed',
    );
  });
});

describe('a correction over sessions', () => {
  const [far, nearer, inside, unsure] = [read(140), read(154), read(165), read(165, 9)];
  it.each<[string, readonly Day[], Standing]>([
    ['asked for today', [{ value: far }, { value: far, asked: true }], 'new'],
    ['as it was', [{ value: far, asked: true }, { value: read(141) }], 'open'],
    ['nearer', [{ value: far, asked: true }, { value: nearer }], 'improving'],
    ['further away', [{ value: nearer, asked: true }, { value: far }], 'worse'],
    ['on target for the first time', [{ value: far, asked: true }, { value: inside }], 'on-target-once'],
    ['on target twice', [{ value: far, asked: true }, { value: inside }, { value: inside }], 'closed'],
    ['inside, though unsure, twice', [{ value: far, asked: true }, { value: unsure }, { value: inside }], 'closed'],
    [
      'on target with a miss between',
      [{ value: far, asked: true }, { value: inside }, { value: nearer }, { value: inside }],
      'on-target-once',
    ],
    [
      'a gap after it was closed',
      [{ value: far, asked: true }, { value: inside }, { value: inside }, { value: far }],
      'came-back',
    ],
    [
      'closed again after it came back',
      [
        { value: far, asked: true },
        { value: inside },
        { value: inside },
        { value: far, asked: true },
        { value: inside },
        { value: inside },
      ],
      'closed',
    ],
    ['not read in between', [{ value: far, asked: true }, {}, { value: nearer }], 'improving'],
    ['style since', [{ value: far, asked: true }, { value: { ...far, state: 'style' } }], 'closed'],
    ['never read', [{ asked: true }, {}], 'by-eye'],
  ])('%s', (_, days, standing) => {
    expect(follow(...days)[0]!.standing).toBe(standing);
  });

  it('says what the latest session could not read, and keeps what was read before', () => {
    const [followed] = follow({ value: far, asked: true }, { value: nearer }, {});
    expect(followed).toMatchObject({ standing: 'improving', notRead: 'The knee is hidden.' });
    expect(followed!.change!.change).toBeCloseTo(deg(14), 12);
  });

  it('is as the analyst says, until the numbers are let decide', () => {
    const closed = { verdict: 'closed', reason: 'as good as it gets' } as const;
    const open = { verdict: 'open', reason: 'only at half speed' } as const;
    expect(follow({ value: far, asked: true }, { value: far, correctionVerdicts: closed })[0]).toMatchObject({
      standing: 'closed',
      correctionVerdicts: closed,
    });
    expect(
      follow({ value: far, asked: true }, { value: inside }, { value: inside, correctionVerdicts: open })[0],
    ).toMatchObject({
      standing: 'open',
      correctionVerdicts: open,
    });
    expect(
      follow(
        { value: far, asked: true },
        { value: far, correctionVerdicts: closed },
        { value: far, correctionVerdicts: open },
      )[0]!.correctionVerdicts,
    ).toEqual(open);
  });

  it('of the analyst’s own has no number, and one whose measure is gone neither', () => {
    const [first, second] = sessions({ value: far }, { value: far });
    const own = [
      {
        ...first!,
        asked: [
          { id: 'x', title: 'Run-up', own: true },
          { id: 'old', title: 'Old measure', own: false },
        ],
      },
      second!,
    ];
    expect(followCorrections([knee], own).map((f) => [f.title, f.standing, f.measure])).toEqual([
      ['Run-up', 'by-eye', null],
      ['Old measure', 'by-eye', null],
    ]);
  });

  it('stands with those asked for last before the others', () => {
    const days = sessions({ value: far, asked: true }, { value: far });
    const two = [days[0]!, { ...days[1]!, asked: [{ id: 'x', title: 'Run-up', own: true }] }];
    expect(followCorrections([knee], two).map((f) => f.id)).toEqual(['x', 'knee']);
  });

  it('is never closed and a gap at once, whatever came before', () => {
    const value = fc.oneof(fc.constant(null), fc.integer({ min: 120, max: 179 }));
    fc.assert(
      fc.property(fc.array(value, { minLength: 2, maxLength: 8 }), (values) => {
        const all = values.map((v, i): Day => ({ value: v === null ? null : read(v), asked: i === 0 }));
        const [followed] = follow(...all);
        const last = all.flatMap((d) => d.value ?? []).at(-1);
        if (followed!.standing === 'closed') expect(last!.state === 'gap' || last!.state === 'borderline').toBe(false);
        if (last && last.state === 'gap')
          expect(['open', 'improving', 'worse', 'came-back', 'new']).toContain(followed!.standing);
      }),
      { seed: 12, numRuns: 500 },
    );
  });
});

describe('what else moved', () => {
  it('is what changed by more than its error since it was read last, besides corrections', () => {
    const results = sessions({ value: read(150) }, {}, { value: read(140) });
    const [moved] = alsoMoved([knee], results, []);
    expect(moved).toMatchObject({ since: 0, change: { direction: 'worse' } });
    expect(alsoMoved([knee], results, follow({ value: read(150), asked: true }))).toEqual([]);
    expect(alsoMoved([knee], sessions({ value: read(150) }, { value: read(151) }), [])).toEqual([]);
    expect(alsoMoved([knee], sessions({ value: read(150) }), [])).toEqual([]);
    expect(trendOf('knee', results).map((r) => r.session)).toEqual([0, 2]);
  });

  it('takes an unsure value inside the range as on target, one outside not', () => {
    expect([onTarget(read(165, 9)), onTarget(read(158, 9)), onTarget(read(150))]).toEqual([true, false, false]);
  });
});

describe('how an athlete stands', () => {
  const plan = {
    days: [
      { day: 1, turns: [{ id: 'knee', stage: 0, check: false }] },
      { day: 29, turns: [{ id: 'knee', stage: 0, check: true }] },
      { day: 57, turns: [{ id: 'knee', stage: 1, check: true }] },
    ],
    corrections: [],
    freeze: null,
    competition: null,
  };

  it('is what is open and when its next stage is checked, with the measure behind it session by session', () => {
    const all = sessions({ value: read(140), asked: true }, { value: read(156), asked: true });
    const { open, trend } = standingOf([knee], all, plan);
    // The second session is of 1 February.
    expect(open).toEqual([{ id: 'knee', title: 'Knee', standing: 'improving', due: '2026-03-02' }]);
    expect(trend).toMatchObject({ measure: 'Knee', unit: 'deg', low: deg(160), high: deg(170) });
    expect(trend!.values.map(({ on }) => on)).toEqual(['2026-01-01', '2026-02-01']);
    expect(trend!.values[1]!.value).toBeCloseTo(deg(156), 12);
    expect(trend!.values[1]!.plusMinus).toBeCloseTo(deg(2), 12);
  });

  it('has nothing open where all is closed or nothing was asked', () => {
    const closed = sessions({ value: read(140), asked: true }, { value: read(164) }, { value: read(165) });
    expect(standingOf([knee], closed, plan)).toEqual({ open: [], trend: null });
    expect(standingOf([knee], sessions({ value: read(140) }), plan)).toEqual({ open: [], trend: null });
  });

  it('puts what the latest session asked first', () => {
    const [first, second] = sessions({ value: read(140), asked: true }, { value: read(141), asked: true });
    const own = { id: 'own', title: 'Look up', own: true };
    const all = [
      { ...first!, asked: [...first!.asked, { id: 'old', title: 'Old', own: true }] },
      { ...second!, asked: [own, ...second!.asked] },
    ];
    const { open, trend } = standingOf([knee], all, plan);
    expect(open.map(({ id, due }) => [id, due])).toEqual([
      ['own', null],
      ['knee', '2026-03-02'],
      ['old', null],
    ]);
    // The first of them is judged by eye: it has no numbers.
    expect(trend).toBeNull();
  });
});
