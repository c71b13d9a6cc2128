import { deg, follow, knee, read } from '../../../tests/fixtures/session-results';
import { readMeasure } from '../../../tests/fixtures/measure';
import { dice, normal } from '../../../tests/fixtures/random';
import { COVERAGE_95 } from '../statistics/normal';
import { changeBetween, type ReadOnce } from './progress';

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
