import { useMemo, useRef, useState } from 'react';
import { steadyOf } from '../../../core/calibration/steady';
import { pressTiePoint } from '../../../application/clips/tie-point-use-cases';
import type { Clip } from '../../../core/model/clip';
import { levelByLine, lineOf } from '../../../core/calibration/level';
import type { Vec2 } from '../../../core/geometry/vec2';
import type { Drawing } from '../../../core/model/drawing';
import { drawDrawing } from '../../../core/scene/drawing';
import { boxBetween, cornersOf } from '../../../core/detections/person-box';
import type { Primitive } from '../../../core/geometry/primitives';
import type { Trial } from '../../../core/trial/trial';
import { drawOn, NOTHING_DRAWN, type Draft, type GesturePhase } from '../../components/drawing-gesture';
import { notify } from '../../../application/stores/notices';
import { changeClip } from '../../../application/clips/clip-use-cases';
import { addDrawing } from '../../../application/findings/finding-use-cases';
import { setView, useView } from '../../../application/stores/view-store';

export interface DrawingUnderway {
  readonly sceneAt: (frame: number) => readonly Primitive[];
  /** Takes pointer events while something is being drawn. */
  readonly onDraw: ((at: Vec2, phase: GesturePhase, frame: number) => void) | null;
}

/** The box under way, however small. */
function boxOf([a, b]: readonly Vec2[], frame: number): readonly Primitive[] {
  const box = boxBetween(a!, b!, frame);
  return box.ok ? [{ shape: 'path', points: cornersOf(box.value) }] : [];
}

/** Marks that stand still: numbered where they were pressed, a small ring where they are to be in other frames. */
function tiesIn(clip: Clip, frame: number): readonly Primitive[] {
  const steady = steadyOf(clip);
  return clip.tiePoints.flatMap(({ seen }, n): readonly Primitive[] => {
    const here = seen.find((one) => one.frame === Math.round(frame));
    if (here)
      return [
        { shape: 'ring', centre: here, radius: 5 },
        { shape: 'label', at: { x: here.x, y: here.y - 16 }, text: String(n + 1), drawn: true },
      ];
    const nearest = [...seen].sort((a, b) => Math.abs(a.frame - frame) - Math.abs(b.frame - frame))[0]!;
    const at = steady?.toPicture(frame, steady.toGround(nearest.frame, nearest));
    return at ? [{ shape: 'ring', centre: at, radius: 3 }] : [];
  });
}

interface Underway {
  readonly draft: Draft;
  readonly frame: number;
}

/** What is being drawn on a clip, and the tool that draws it; levelling draws its line in the same way. */
export function useDrawing(trial: Trial): DrawingUnderway {
  const tool = useView((state) => state.tool);
  const { kind, span, anchor } = useView((state) => state.drawing);
  const marked = useView((state) => (state.markedGround?.clipId === trial.clip.id ? state.markedGround.corners : null));
  const matching = useView((state) => state.tool === 'ground');
  const ground = marked ?? (matching ? (trial.clip.ground?.corners ?? null) : null);
  const tied = useView((state) =>
    state.tool === 'tie' && state.tied?.clipId === trial.clip.id ? state.tied.id : null,
  );
  const person = useView((state) => state.persons[trial.clip.id]);
  const [draft, setDraft] = useState<Underway | null>(null);
  // Pointer events can come faster than renders: each goes on from the last one, not from what is on the screen.
  const underway = useRef<Underway | null>(null);
  const { clip } = trial;
  return useMemo(() => {
    const drawing = (points: readonly Vec2[], frame: number): Drawing => ({
      id: 'draft',
      clipId: clip.id,
      kind: tool === 'draw' ? kind : 'line',
      points: [...points],
      frame,
      span,
      anchor: tool === 'draw' ? anchor : null,
      text: '',
    });
    const finish = (points: readonly Vec2[], frame: number): void => {
      if (tool === 'draw') return void addDrawing(drawing(points, frame));
      if (tool === 'scale')
        return setView({
          tool: 'move',
          measuredLine: { clipId: clip.id, frame, ...lineOf(points[0]!, points[1]!, clip.levelDegrees) },
        });
      if (tool === 'person') {
        const box = boxBetween(points[0]!, points[1]!, frame);
        if (!box.ok) return notify('info', box.issue.message);
        return setView({ tool: 'move', persons: { ...useView.getState().persons, [clip.id]: box.value } });
      }
      const level = levelByLine(points[0]!, points[1]!);
      if (!level.ok) return notify('info', level.issue.message);
      changeClip(clip.id, { levelDegrees: Math.round(level.value * 100) / 100 });
      setView({ tool: 'move' });
    };
    const keep = (next: Underway | null): void => {
      underway.current = next;
      setDraft(next);
    };
    /** Four presses, one after the other round the rectangle. */
    const pressCorner = (at: Vec2, frame: number): void => {
      const corners = [...(underway.current?.draft.points ?? []), at];
      keep(corners.length === 4 ? null : { draft: { points: corners, pulling: false, done: false }, frame });
      if (corners.length === 4) setView({ tool: 'move', markedGround: { clipId: clip.id, corners, frame } });
    };
    const draw: DrawingUnderway['onDraw'] = (at, phase, frame) => {
      if (tool === 'tie') return void (phase === 'press' && pressTiePoint(clip, tied!, frame, at));
      if (tool === 'ground') return void (phase === 'press' && pressCorner(at, frame));
      const before = underway.current?.frame === frame ? underway.current.draft : NOTHING_DRAWN;
      const next = drawOn(tool === 'draw' ? kind : 'line', before, at, phase);
      keep(next.done ? null : { draft: next, frame });
      if (next.done) finish(next.points, frame);
    };
    return {
      sceneAt: (frame) => [
        ...(tool === 'ground' && draft
          ? draft.draft.points.flatMap((at, i): Primitive[] => [
              { shape: 'ring', centre: at, radius: 5 },
              { shape: 'label', at: { x: at.x, y: at.y - 16 }, text: String(i + 1), drawn: true },
            ])
          : []),
        ...(tool === 'tie' ? tiesIn(clip, frame) : []),
        ...(ground ? [{ shape: 'path', points: [...ground, ground[0]!], thin: true } as const] : []),
        ...(person && person.frame === Math.round(frame)
          ? [{ shape: 'path', points: cornersOf(person) } as const]
          : []),
        ...(draft && draft.frame === frame && draft.draft.points.length > 1 && tool === 'person'
          ? boxOf(draft.draft.points, frame)
          : draft && draft.frame === frame && draft.draft.points.length > 0 && tool !== 'ground'
            ? drawDrawing(drawing(draft.draft.points, frame), trial, frame)
            : []),
      ],
      onDraw: tool === 'move' || tool === 'points' || (tool === 'tie' && tied === null) ? null : draw,
    };
  }, [clip, trial, tool, kind, span, anchor, draft, person, ground, tied]);
}
