/**
 * Solves a square system by elimination with pivoting; null where it is singular.
 * @param matrix n by n, left as it is
 */
export function solve(matrix: readonly (readonly number[])[], right: readonly number[]): number[] | null {
  const n = right.length;
  const rows = matrix.map((row, i) => [...row, right[i]!]);
  for (let column = 0; column < n; column++) {
    let pivot = column;
    for (let row = column + 1; row < n; row++)
      if (Math.abs(rows[row]![column]!) > Math.abs(rows[pivot]![column]!)) pivot = row;
    if (Math.abs(rows[pivot]![column]!) < 1e-10) return null;
    [rows[column], rows[pivot]] = [rows[pivot]!, rows[column]!];
    for (let row = column + 1; row < n; row++) {
      const factor = rows[row]![column]! / rows[column]![column]!;
      for (let k = column; k <= n; k++) rows[row]![k]! -= factor * rows[column]![k]!;
    }
  }
  const solved = new Array<number>(n);
  for (let row = n - 1; row >= 0; row--) {
    let left = rows[row]![n]!;
    for (let k = row + 1; k < n; k++) left -= rows[row]![k]! * solved[k]!;
    solved[row] = left / rows[row]![row]!;
  }
  return solved;
}
