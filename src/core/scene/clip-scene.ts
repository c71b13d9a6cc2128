import type { Judged } from '../judgement/state';
import { drawMeasure } from '../measures';
import { eventsOf } from '../model/measure';
import type { Movement } from '../model/movement';
import { isInSpace, isReadOff } from '../reading';
import type { Trial } from '../trial/trial';
import type { Drawing } from '../model/drawing';
import { drawDrawing, visibleAt } from './drawing';
import { drawFigure } from './figure';
import type { Primitive } from '../geometry/primitives';

/** Measures less important than this are not drawn by themselves at their moment. */
const DRAWN_IMPORTANCE = 0.5;

export interface ClipSceneOf {
  readonly movement: Movement;
  readonly judged: readonly Judged[];
  readonly trial: Trial;
  /**
   * Another trial of a role than the one that is compared: its measures have no reading, and are drawn on its
   * first camera.
   */
  readonly beside: boolean;
  /** What was drawn by hand on this clip. */
  readonly drawings: readonly Drawing[];
}

export interface ClipSceneWish {
  /** Whether the body and its measures are drawn; what was drawn by hand always is. */
  readonly body: boolean;
  /** The one measure that is drawn on every frame; null draws those of the moment that the frame is. */
  readonly selected: string | null;
  /** Whether a moment's measures are drawn. */
  readonly measures: boolean;
  /** A body region to be drawn strong; null for all alike. */
  readonly lit: string | null;
}

/**
 * What is drawn on a clip at a frame, wherever it is shown: on the bench, in a film, on a still and on paper. A measure
 * is drawn where it was read: on the camera that shows its plane.
 */
export function clipScene(of: ClipSceneOf, frame: number, wish: ClipSceneWish): readonly Primitive[] {
  const { movement, trial, drawings } = of;
  return [
    ...(wish.body ? bodyScene(of, frame, wish) : []),
    ...drawings.filter((d) => visibleAt(d, movement, trial, frame)).flatMap((d) => drawDrawing(d, trial, frame)),
  ];
}

function bodyScene(
  { movement, judged, trial, beside }: ClipSceneOf,
  frame: number,
  { selected, measures, lit }: ClipSceneWish,
): readonly Primitive[] {
  const { clip, marks } = trial;
  const chosen = movement.measures.filter((m) =>
    selected !== null
      ? m.id === selected
      : measures && eventsOf(m).some((id) => Math.round(marks[id] ?? -1) === frame) && m.importance >= DRAWN_IMPORTANCE,
  );
  const drawable = chosen.filter((m) => {
    const reading = judged.find((j) => j.measure.id === m.id)?.[clip.role];
    return !reading || isReadOff(reading, clip.id) || (beside && reading.measurable && !isInSpace(reading));
  });
  return [...drawFigure(trial, frame, lit), ...drawable.flatMap((m) => drawMeasure(m, trial, frame))];
}
