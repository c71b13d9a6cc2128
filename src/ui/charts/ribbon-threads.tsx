import type { ReactNode } from 'react';

/** A moment's difference in ms of each ribbon against the first, since the first common moment. */
export interface Thread {
  readonly moment: string;
  /** One text for each ribbon after the first; empty where there is nothing to say. */
  readonly texts: readonly string[];
}

interface Row {
  readonly top: number;
  readonly bottom: number;
  readonly xOf: (moment: string) => number | undefined;
}

/** Pixels that the number on a thread takes. */
const LABEL_WIDTH = 52;

interface Placed {
  readonly moment: string;
  readonly text: string;
  readonly from: number;
  readonly to: number;
  /** Rows by which the number is moved down or up. */
  readonly shift: number;
}

/** Threads from left to right; a number that would lie on its neighbour's goes a row up or down. */
function inRows(threads: readonly Omit<Placed, 'shift'>[]): readonly Placed[] {
  const ends: [number, number][] = [
    [0, -Infinity],
    [-1, -Infinity],
    [1, -Infinity],
  ];
  return threads.map((thread) => {
    const at = (thread.from + thread.to) / 2;
    const free = thread.text === '' ? ends[0]! : (ends.find(([, end]) => at - LABEL_WIDTH / 2 >= end) ?? ends[0]!);
    if (thread.text !== '') free[1] = at + LABEL_WIDTH / 2;
    return { ...thread, shift: free[0] };
  });
}

/** Threads from each moment of a ribbon to its counterpart on the next: early and late are seen as a slope. */
export function RibbonThreads({
  rows,
  threads,
  currentEvent,
}: {
  readonly rows: readonly Row[];
  readonly threads: readonly Thread[];
  readonly currentEvent: string | null;
}): ReactNode {
  return rows.slice(1).map((row, k) => {
    const before = rows[k]!;
    const placed = inRows(
      threads.flatMap(({ moment, texts }) => {
        const from = before.xOf(moment);
        const to = row.xOf(moment);
        return from === undefined || to === undefined ? [] : [{ moment, text: texts[k] ?? '', from, to }];
      }),
    );
    return (
      <g key={row.top}>
        {placed.map(({ moment, text, from, to, shift }) => (
          <g key={moment} className={moment === currentEvent ? 'thread current' : 'thread'}>
            <line x1={from} y1={before.bottom} x2={to} y2={row.top} />
            <text x={(from + to) / 2} y={(before.bottom + row.top) / 2 + 4 + shift * 12}>
              {text}
            </text>
          </g>
        ))}
      </g>
    );
  });
}
