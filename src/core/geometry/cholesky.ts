/**
 * Lower Cholesky factor of a symmetric matrix, row by row in place (Golub and Van Loan, alg. 4.2.1); what lies above
 * the diagonal is left as it is.
 * @returns false where the matrix is not positive definite
 */
export function factorise(a: Float64Array, n: number): boolean {
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = a[i * n + j]!;
      for (let k = 0; k < j; k++) sum -= a[i * n + k]! * a[j * n + k]!;
      if (j < i) a[i * n + j] = sum / a[j * n + j]!;
      else if (sum > 0) a[i * n + i] = Math.sqrt(sum);
      else return false;
    }
  }
  return true;
}

/** Rows that are taken together: a number that is read and written once for four of them, not for each. */
const TOGETHER = 4;

/** Takes so many times each of some rows of a matrix off a row of another, or of its own; both have m columns. */
function subtractRows(
  target: Float64Array,
  row: number,
  source: Float64Array,
  m: number,
  from: number,
  end: number,
  factorAt: (k: number) => number,
): void {
  let k = from;
  for (; k + TOGETHER <= end; k += TOGETHER) {
    const [f0, f1, f2, f3] = [factorAt(k), factorAt(k + 1), factorAt(k + 2), factorAt(k + 3)];
    if (f0 === 0 && f1 === 0 && f2 === 0 && f3 === 0) continue;
    const [r0, r1, r2, r3] = [k * m, (k + 1) * m, (k + 2) * m, (k + 3) * m];
    for (let c = 0; c < m; c++)
      target[row + c] =
        target[row + c]! - (f0 * source[r0 + c]! + f1 * source[r1 + c]! + f2 * source[r2 + c]! + f3 * source[r3 + c]!);
  }
  for (; k < end; k++) {
    const f = factorAt(k);
    if (f === 0) continue;
    for (let c = 0; c < m; c++) target[row + c] = target[row + c]! - f * source[k * m + c]!;
  }
}

function scaleRow(b: Float64Array, m: number, row: number, by: number): void {
  for (let c = 0; c < m; c++) b[row + c] = b[row + c]! * by;
}

/**
 * Solves L Y = B in place, for all columns of B.
 * @param factor L, n by n
 * @param b n by m
 */
export function forward(factor: Float64Array, n: number, b: Float64Array, m: number): void {
  for (let i = 0; i < n; i++) {
    subtractRows(b, i * m, b, m, 0, i, (k) => factor[i * n + k]!);
    scaleRow(b, m, i * m, 1 / factor[i * n + i]!);
  }
}

/** Solves L' Y = B in place, for all columns of B. */
export function backward(factor: Float64Array, n: number, b: Float64Array, m: number): void {
  for (let i = n - 1; i >= 0; i--) {
    subtractRows(b, i * m, b, m, i + 1, n, (k) => factor[k * n + i]!);
    scaleRow(b, m, i * m, 1 / factor[i * n + i]!);
  }
}

/**
 * Adds B'B to a symmetric matrix, m by m, or takes it off: of its lower triangle.
 * @param b n by m
 */
export function addGram(matrix: Float64Array, m: number, b: Float64Array, n: number, sign: 1 | -1): void {
  for (let i = 0; i < m; i++) for (let k = 0; k < n; k += TOGETHER) addRowsOfGram(matrix, i, m, b, k, n, sign);
}

/** What up to four rows of B from the k-th on add to row i of B'B. */
function addRowsOfGram(
  matrix: Float64Array,
  i: number,
  m: number,
  b: Float64Array,
  k: number,
  n: number,
  sign: 1 | -1,
): void {
  const to = i * m;
  if (k + TOGETHER > n) {
    for (let row = k; row < n; row++) {
      const f = sign * b[row * m + i]!;
      for (let j = 0; j <= i; j++) matrix[to + j] = matrix[to + j]! + f * b[row * m + j]!;
    }
    return;
  }
  const [r0, r1, r2, r3] = [k * m, (k + 1) * m, (k + 2) * m, (k + 3) * m];
  const [f0, f1, f2, f3] = [sign * b[r0 + i]!, sign * b[r1 + i]!, sign * b[r2 + i]!, sign * b[r3 + i]!];
  if (f0 === 0 && f1 === 0 && f2 === 0 && f3 === 0) return;
  for (let j = 0; j <= i; j++)
    matrix[to + j] = matrix[to + j]! + f0 * b[r0 + j]! + f1 * b[r1 + j]! + f2 * b[r2 + j]! + f3 * b[r3 + j]!;
}

/**
 * Adds B S B' to the lower triangle of a symmetric matrix, n by n.
 * @param factor L of S, m by m
 * @param b n by m
 */
export function addThrough(matrix: Float64Array, n: number, b: Float64Array, factor: Float64Array, m: number): void {
  const columns = new Float64Array(m * n);
  for (let i = 0; i < n; i++) for (let k = 0; k < m; k++) columns[k * n + i] = b[i * m + k]!;
  // L'B', but for its sign.
  const half = new Float64Array(m * n);
  for (let k = 0; k < m; k++) subtractRows(half, k * n, columns, n, k, m, (l) => factor[l * m + k]!);
  addGram(matrix, n, half, m, 1);
}

/** Inverse of the matrix that was factorised, n by n. */
export function inverseOf(factor: Float64Array, n: number): Float64Array {
  const inverse = new Float64Array(n * n);
  for (let i = 0; i < n; i++) inverse[i * n + i] = 1;
  forward(factor, n, inverse, n);
  backward(factor, n, inverse, n);
  return inverse;
}
