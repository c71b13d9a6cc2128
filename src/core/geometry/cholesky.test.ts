import { normals } from '../../../tests/fixtures/random';
import { addGram, addThrough, backward, factorise, forward, inverseOf } from './cholesky';

const SIZES = [1, 3, 4, 7, 10] as const;
const normal = normals(5);
const matrixOf = (rows: number, columns: number): Float64Array =>
  Float64Array.from({ length: rows * columns }, () => normal());
/** A B, where A is n by k and B k by m. */
const product = (a: Float64Array, b: Float64Array, n: number, k: number, m: number): Float64Array =>
  Float64Array.from({ length: n * m }, (_, at) => {
    let sum = 0;
    for (let j = 0; j < k; j++) sum += a[Math.floor(at / m) * k + j]! * b[j * m + (at % m)]!;
    return sum;
  });
const transposed = (a: Float64Array, n: number, m: number): Float64Array =>
  Float64Array.from({ length: n * m }, (_, at) => a[(at % n) * m + Math.floor(at / n)]!);
/** A symmetric, positive definite matrix. */
function definite(n: number): Float64Array {
  const half = matrixOf(n, n);
  const whole = product(half, transposed(half, n, n), n, n, n);
  for (let i = 0; i < n; i++) whole[i * n + i] = whole[i * n + i]! + n;
  return whole;
}
const lower = (a: Float64Array, n: number): number[] => [...a].filter((_, at) => at % n <= Math.floor(at / n));
const closeTo = (found: readonly number[], wanted: readonly number[]): void =>
  found.forEach((v, i) => expect(v).toBeCloseTo(wanted[i]!, 9));

test.each(SIZES)('%d unknowns: what was factorised solves its equations, and its inverse is one', (n) => {
  const whole = definite(n);
  const factor = whole.slice();
  expect(factorise(factor, n)).toBe(true);
  const wanted = matrixOf(n, 3);
  const solved = product(whole, wanted, n, n, 3);
  forward(factor, n, solved, 3);
  backward(factor, n, solved, 3);
  closeTo([...solved], [...wanted]);
  const identity = product(whole, inverseOf(factor, n), n, n, n);
  closeTo(
    [...identity],
    [...identity].map((_, at) => (at % n === Math.floor(at / n) ? 1 : 0)),
  );
});

test("a matrix that is not positive definite isn't factorised", () => {
  expect(factorise(Float64Array.of(1, 2, 2, 1), 2)).toBe(false);
});

test.each(SIZES)('%d rows: B\u2019B and B S B\u2019 are those of the plain products', (n) => {
  const m = 6;
  const b = matrixOf(n, m);
  const gram = product(transposed(b, n, m), b, m, n, m);
  const start = matrixOf(m, m);
  const [more, less] = [start.slice(), start.slice()];
  addGram(more, m, b, n, 1);
  addGram(less, m, b, n, -1);
  closeTo(
    lower(more, m),
    lower(
      start.map((v, i) => v + gram[i]!),
      m,
    ),
  );
  closeTo(
    lower(less, m),
    lower(
      start.map((v, i) => v - gram[i]!),
      m,
    ),
  );

  const shared = definite(m);
  const factor = shared.slice();
  factorise(factor, m);
  const through = new Float64Array(n * n);
  addThrough(through, n, b, factor, m);
  closeTo(lower(through, n), lower(product(product(b, shared, n, m, m), transposed(b, n, m), n, m, n), n));
});
