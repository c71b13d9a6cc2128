import { deg, follow, knee, read, sessions, type Day } from '../../../tests/fixtures/session-results';
import fc from 'fast-check';
import { standingOf } from './athlete-standing';
import { alsoMoved, followCorrections, onTarget, trendOf, type Standing } from './progress';

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
