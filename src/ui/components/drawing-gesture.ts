import type { Vec2 } from '../../core/geometry/vec2';
import { LIMITS } from '../../core/model/limits';
import { DRAWING_POSITIONS, type DrawingKind } from '../../core/model/drawing';

export type GesturePhase = 'press' | 'drag' | 'release';

/** What has been drawn so far. */
export interface Draft {
  readonly points: readonly Vec2[];
  /** A press has put a second point on the first, to be dragged away. */
  readonly pulling: boolean;
  readonly done: boolean;
}

export const NOTHING_DRAWN: Draft = { points: [], pulling: false, done: false };

/** Points nearer to each other than this (picture pixels) are one. */
const APART = 3;

/** A stroke that has as many points as are kept goes on with every second of them. */
const thinned = (points: readonly Vec2[]): readonly Vec2[] =>
  points.length < LIMITS.stroke ? points : points.filter((_, i) => i % 2 === 0);

const apart = (a: Vec2, b: Vec2): boolean => Math.hypot(a.x - b.x, a.y - b.y) > APART;

/**
 * Goes on drawing by one pointer event: a stroke follows the pointer; other kinds take their positions by dragging from
 * one to the next or by single presses.
 */
export function drawOn(kind: DrawingKind, draft: Draft, at: Vec2, phase: GesturePhase): Draft {
  const { points } = draft;
  const last = points[points.length - 1];
  const needed = DRAWING_POSITIONS[kind];
  if (kind === 'stroke') {
    if (phase === 'press') return { points: [at], pulling: true, done: false };
    if (phase === 'drag') return !last || apart(last, at) ? { ...draft, points: [...thinned(points), at] } : draft;
    return points.length >= 2 ? { points, pulling: false, done: true } : NOTHING_DRAWN;
  }
  switch (phase) {
    case 'press': {
      const begun = [...points, at];
      const pull = begun.length === 1 && needed > 1;
      return { points: pull ? [at, at] : begun, pulling: pull, done: false };
    }
    case 'drag':
      return points.length === 0 ? draft : { ...draft, points: [...points.slice(0, -1), at] };
    case 'release': {
      if (points.length === 0) return draft;
      // A press without a drag has placed one point only.
      const placed =
        draft.pulling && !apart(points[points.length - 2]!, points[points.length - 1]!) ? points.slice(0, -1) : points;
      return { points: placed, pulling: false, done: placed.length === needed };
    }
  }
}
