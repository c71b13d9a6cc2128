/** Logarithm of the gamma function (Lanczos 1964, g = 5, n = 6; relative error below 2e-10). */
function logGamma(x: number): number {
  const c = [
    76.18009172947, -86.505320329417, 24.014098240831, -1.23173957245016, 1.208650973866179e-3, -5.395239384953e-6,
  ];
  const t = x + 5.5;
  const sum = c.reduce((total, value, i) => total + value / (x + 1 + i), 1.00000000019);
  return (x + 0.5) * Math.log(t) - t + Math.log((Math.sqrt(2 * Math.PI) * sum) / x);
}

/**
 * Regularised incomplete beta function by its continued fraction (Abramowitz and Stegun 1964, 26.5.8), Lentz's method.
 */
function incompleteBeta(a: number, b: number, x: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  if (x > (a + 1) / (a + b + 2)) return 1 - incompleteBeta(b, a, 1 - x);
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x)) / a;
  let [c, d, fraction] = [1, 1 - ((a + b) * x) / (a + 1), 0];
  d = 1 / (Math.abs(d) < 1e-30 ? 1e-30 : d);
  fraction = d;
  for (let m = 1; m < 300; m++) {
    for (const numerator of [
      (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m)),
      (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1)),
    ]) {
      d = 1 + numerator * d;
      c = 1 + numerator / c;
      d = 1 / (Math.abs(d) < 1e-30 ? 1e-30 : d);
      c = Math.abs(c) < 1e-30 ? 1e-30 : c;
      fraction *= c * d;
    }
    if (Math.abs(c * d - 1) < 1e-14) break;
  }
  return front * fraction;
}

/** Student's distribution function (Abramowitz and Stegun 1964, 26.7.1). */
export function studentCdf(t: number, freedom: number): number {
  const tail = 0.5 * incompleteBeta(freedom / 2, 0.5, freedom / (freedom + t * t));
  return t > 0 ? 1 - tail : tail;
}

/** The value at which a distribution function of a variable above zero is p, by bisection. */
function quantileOf(cdf: (x: number) => number, p: number): number {
  let [low, high] = [0, 2];
  while (cdf(high) < p && high < 1e8) high *= 2;
  for (let i = 0; i < 200 && high - low > 1e-12 * high; i++) {
    const middle = (low + high) / 2;
    if (cdf(middle) < p) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** The value that a Student variable stays below with probability p. */
export const studentQuantile = (p: number, freedom: number): number =>
  p < 0.5 ? -studentQuantile(1 - p, freedom) : quantileOf((t) => studentCdf(t, freedom), p);

/**
 * The value that a ratio of variances stays below with probability p (F distribution; Abramowitz and Stegun 26.6.2).
 */
export const varianceRatioQuantile = (p: number, above: number, below: number): number =>
  quantileOf((x) => incompleteBeta(above / 2, below / 2, (above * x) / (above * x + below)), p);

/**
 * Half of the 95 % prediction interval of one more member of a population of which n have been seen, in their standard
 * deviations.
 */
export const predictionFactor = (n: number): number => studentQuantile(0.975, n - 1) * Math.sqrt(1 + 1 / n);
