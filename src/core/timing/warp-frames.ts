/** Curves side by side, so that a frame is read in one go. */
export interface Frames {
  readonly length: number;
  readonly curves: number;
  /** Samples of a frame as they are kept: the curves, filled up with zeros to whole eights. */
  readonly width: number;
  readonly data: Float64Array;
  /** Whether samples are missing. */
  readonly gaps: boolean;
}

export const EIGHT = 8;

/**
 * Euclidean distance of two frames over the curves that both know, scaled up for those missing; 0 where none is known.
 */
export function distance(a: Frames, b: Frames, i: number, j: number): number {
  let sum = 0;
  let known = 0;
  for (let c = 0, p = i * a.width, q = j * b.width; c < a.curves; c++) {
    const d = a.data[p++]! - b.data[q++]!;
    if (d !== d) continue;
    sum += d * d;
    known++;
  }
  return known === 0 ? 0 : Math.sqrt((sum * a.curves) / known);
}

/** Costs from one end, as far as they stay small, row after row in one piece; no rows once all are too large. */
export interface Spread {
  readonly rows: number;
  /** First column of each row. */
  readonly from: Int32Array;
  /** Where each row begins among the costs; one more says where the last one ends. */
  readonly start: Int32Array;
  readonly costs: Float64Array;
}
