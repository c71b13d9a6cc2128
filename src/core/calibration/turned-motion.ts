import { heldLength } from './optical-flow';
import { fitStep, seenFrom, type Pair, type Rotation } from './turning-camera';
import type { CameraStep } from './camera-step';

/** Corners farther than this from where the camera's motion takes them moved by themselves, widths. */
const TOGETHER = 0.6 / 320;
/** Lenses that are tried, widths: a telephone's to one where a turn shifts the whole picture alike. */
const LENSES = [0.45, 0.6, 0.8, 1.1, 1.6, 2.5];
/** No lens shows a smaller shift unevenly by as much as TOGETHER, widths. */
const LEAST_SHIFT = 0.0015;
/** Between them, in two steps: shares of a lens. */
const NEARER = [1.15, 1.07];
/** More corners than this must go along with a turn that do not with a shift, share of them. */
const MORE = 0.05;

/** A turn of the camera as one lens shows it. */
export interface ShownTurn {
  readonly rotation: Rotation;
  readonly zoom: number;
  /** Focal length of the first picture, widths. */
  readonly focal: number;
}

interface Shown {
  readonly step: CameraStep;
  readonly turn: ShownTurn;
}

/** The turn as a lens would show it, and how many corners go along. */
function shownBy(focal: number, pairs: readonly Pair[], start: CameraStep): Shown | null {
  const fit = fitStep(pairs, focal, start);
  if (!fit) return null;
  const turn: ShownTurn = { rotation: fit.rotation, zoom: fit.zoom, focal };
  const along = pairs.filter(({ from, to, hold }) => {
    const there = seenBy(turn, from);
    return heldLength(hold, { x: there.x - to.x, y: there.y - to.y }) < TOGETHER;
  });
  const { x, y } = seenBy(turn, { x: 0, y: 0 });
  const roll = Math.atan2(fit.rotation[3], fit.rotation[0]);
  return { turn, step: { ...start, x, y, scale: fit.zoom, roll, share: along.length / pairs.length } };
}

/**
 * The turn that most of the background shares. Through a wide lens it shifts the edge of a picture farther than the
 * middle, so that no shift, growth and roll of the whole picture goes with all corners.
 * @param pairs corners and where they are found again, widths from the pictures' middle
 * @param start the similarity that most of them share
 * @returns null where a similarity goes with as many of them
 */
export function turnedMotion(pairs: readonly Pair[], start: CameraStep): Shown | null {
  if (start.share > 1 - MORE || Math.hypot(start.x, start.y) < LEAST_SHIFT) return null;
  let best: Shown | null = null;
  const look = (focal: number): void => {
    const shown = shownBy(focal, pairs, start);
    if (shown && shown.step.share > (best?.step.share ?? start.share + MORE)) best = shown;
  };
  LENSES.forEach(look);
  // A far turn tells lenses apart that lie nearer to each other than those.
  for (const by of NEARER) {
    const focal = (best as Shown | null)?.turn.focal;
    if (focal !== undefined) [focal * by, focal / by].forEach(look);
  }
  return best;
}

/** Where a place of the first picture is in the second. */
export const seenBy = ({ rotation, zoom, focal }: ShownTurn, place: Pair['from']): Pair['from'] =>
  seenFrom(rotation, place, [focal, focal * zoom]);
