/** One figure of a benchmark, printed as a line of JSON. */
export interface Figure {
  readonly bench: string;
  readonly figure: string;
  readonly value: number;
  readonly unit: string;
  /** What it is measured against. */
  readonly against: string;
  readonly goal: string;
  readonly holds: boolean;
}

export const round = (value: number, digits = 2): number => Number(value.toFixed(digits));

/** A readable table, then one JSON line for each figure. */
export function printFigures(figures: readonly Figure[]): void {
  const rows = figures.map((f) => [
    f.figure,
    `${f.value} ${f.unit}`,
    f.goal,
    f.holds ? 'holds' : 'FALLS SHORT',
    f.against,
  ]);
  const head = ['figure', 'value', 'goal', '', 'against'];
  const widths = head.map((h, k) => Math.max(h.length, ...rows.map((row) => row[k]!.length)));
  for (const row of [head, ...rows])
    console.log(
      row
        .map((cell, k) => cell.padEnd(widths[k]!))
        .join('  ')
        .trimEnd(),
    );
  console.log();
  for (const figure of figures) console.log(JSON.stringify(figure));
}
