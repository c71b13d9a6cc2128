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

/**
 * Solves L Y = B in place, for all columns of B.
 * @param factor L, n by n
 * @param b n by m
 */
export function forward(factor: Float64Array, n: number, b: Float64Array, m: number): void {
  for (let i = 0; i < n; i++) {
    const row = i * m;
    for (let k = 0; k < i; k++) {
      const f = factor[i * n + k]!;
      if (f === 0) continue;
      const other = k * m;
      for (let c = 0; c < m; c++) b[row + c] = b[row + c]! - f * b[other + c]!;
    }
    const d = 1 / factor[i * n + i]!;
    for (let c = 0; c < m; c++) b[row + c] = b[row + c]! * d;
  }
}

/** Solves L' Y = B in place, for all columns of B. */
export function backward(factor: Float64Array, n: number, b: Float64Array, m: number): void {
  for (let i = n - 1; i >= 0; i--) {
    const row = i * m;
    for (let k = i + 1; k < n; k++) {
      const f = factor[k * n + i]!;
      if (f === 0) continue;
      const other = k * m;
      for (let c = 0; c < m; c++) b[row + c] = b[row + c]! - f * b[other + c]!;
    }
    const d = 1 / factor[i * n + i]!;
    for (let c = 0; c < m; c++) b[row + c] = b[row + c]! * d;
  }
}

/** Inverse of the matrix that was factorised, n by n. */
export function inverseOf(factor: Float64Array, n: number): Float64Array {
  const inverse = new Float64Array(n * n);
  for (let i = 0; i < n; i++) inverse[i * n + i] = 1;
  forward(factor, n, inverse, n);
  backward(factor, n, inverse, n);
  return inverse;
}
