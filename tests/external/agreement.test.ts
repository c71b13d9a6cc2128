import { agreement, limitsOfAgreement } from '../../src/core/reliability/agreement';
import { varianceRatioQuantile } from '../../src/core/statistics/student';

/**
 * Six targets rated by four judges: Shrout and Fleiss 1979, Psychological Bulletin 86:420-428, table 2 (from memory).
 */
const RATINGS = [
  [9, 2, 5, 8],
  [6, 1, 3, 2],
  [8, 4, 6, 8],
  [7, 1, 2, 6],
  [10, 5, 6, 9],
  [6, 2, 4, 7],
];
/**
 * Peak expiratory flow by two meters, l/min: Bland and Altman 1986, Lancet 327:307-310, table 1, first readings (from
 * memory).
 */
const LARGE = [494, 395, 516, 434, 476, 557, 413, 442, 650, 433, 417, 656, 267, 478, 178, 423, 427];
const SMALL = [512, 430, 520, 428, 500, 600, 364, 380, 658, 445, 432, 626, 260, 477, 259, 350, 451];

describe('agreement of digitisings', () => {
  it('has the published intraclass correlations', () => {
    const found = agreement(RATINGS);
    if (!found.ok) throw new Error(found.issue.message);
    // Table 4 of the paper: ICC(2,1) 0.29, ICC(3,1) 0.71.
    expect(found.value.absolute).toBeCloseTo(0.29, 2);
    expect(found.value.consistency).toBeCloseTo(0.71, 2);
    // The same ratings in the manual of R's psych package, function ICC: ICC2 from 0.019 to 0.761 (from memory).
    expect(found.value.interval[0]).toBeCloseTo(0.019, 2);
    expect(found.value.interval[1]).toBeCloseTo(0.761, 2);
  });

  it('has quantiles of variance ratios as in the tables', () => {
    // F tables of handbooks, upper 2.5 %: 5 over 10 and 10 over 5 (from memory).
    expect(varianceRatioQuantile(0.975, 5, 10)).toBeCloseTo(4.24, 2);
    expect(varianceRatioQuantile(0.975, 10, 5)).toBeCloseTo(6.62, 2);
  });

  it('has a standard error that repeats agree with: two alike digitisings have none', () => {
    const systematic = agreement([
      [150, 150],
      [160, 160],
      [171, 171],
    ]);
    expect(systematic).toMatchObject({
      ok: true,
      value: { absolute: 1, consistency: 1, sem: 0, minimalDetectableChange: 0 },
    });
    // Differences of +-2: the sd of a single value is 2 / sqrt(2).
    const off = agreement([
      [150, 152],
      [162, 160],
      [171, 173],
      [140, 138],
    ]);
    if (!off.ok) throw new Error(off.issue.message);
    expect(off.value.sem).toBeCloseTo(Math.SQRT2, 9);
    expect(off.value.minimalDetectableChange).toBeCloseTo(1.96 * 2, 2);
  });

  it('has the published limits', () => {
    const found = limitsOfAgreement(LARGE, SMALL);
    if (!found.ok) throw new Error(found.issue.message);
    // The paper: mean difference -2.1 l/min, sd 38.8, limits -79.7 and 75.5 with 2 in place of 1.96.
    expect(found.value.bias).toBeCloseTo(-2.1, 1);
    expect(found.value.sd).toBeCloseTo(38.8, 1);
    expect(found.value.bias - 2 * found.value.sd).toBeCloseTo(-79.7, 0);
    expect(found.value.bias + 2 * found.value.sd).toBeCloseTo(75.5, 0);
    expect(found.value.points).toHaveLength(17);
  });

  it('says what is missing', () => {
    expect(agreement([[1, 2]])).toMatchObject({ ok: false, issue: { code: 'too-few' } });
    expect(
      agreement([
        [1, 2],
        [3, NaN],
        [4, 5],
      ]),
    ).toMatchObject({ ok: false, issue: { code: 'uneven', message: expect.stringContaining('Performance 2') } });
    expect(limitsOfAgreement([1, 2, 3], [1, 2])).toMatchObject({ ok: false, issue: { code: 'uneven' } });
  });
});
