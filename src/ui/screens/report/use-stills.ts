import { useEffect, useState } from 'react';
import { drawMeasure } from '../../../core/measures';
import { momentsOf } from '../../../core/model/measure';
import { drawDrawing, visibleAt } from '../../../core/scene/drawing';
import { drawFigure } from '../../../core/scene/figure';
import type { Note } from '../../../core/model/session';
import type { StyleKey } from '../../../core/model/slots';
import type { Trial } from '../../../core/trial/trial';
import { paintPicture } from '../../../stage/paint-picture';
import { paintScene } from '../../../stage/paint-scene';
import { fitPicture, followBody } from '../../../stage/viewport';
import type { Derived } from '../../../state/derived';
import { notify } from '../../../state/notices';
import { withStills } from '../../../state/report';
import { focusOf, shownAs } from '../../../stage/focus';

const STILL = { width: 560, height: 420 };
/** Stills are drawn at twice their size, for paper. */
const DENSITY = 2;

/** A picture that is wanted of one clip. */
interface Wanted {
  readonly key: string;
  readonly frame: number;
  /** The moment whose measures are drawn on it; null draws the body and what was drawn by hand. */
  readonly moment: string | null;
}

/** Under this key stands the picture that a note made of a clip. */
export const noteKey = (noteId: string, clipId: string): string => `note-${noteId}-${clipId}`;

/** The frames of the clips that were compared when a note was made; a note of an earlier version knows its own only. */
export const panesOf = (note: Note): Readonly<Record<string, number>> => ({ ...note.panes, [note.clipId]: note.frame });

/** All pictures that the report wants of a trial, in the order of its frames. */
function wantedOf({ movement, session, athlete, reference }: Derived, trial: Trial): readonly Wanted[] {
  const { clip, marks } = trial;
  const role = trial === athlete ? 'athlete' : trial === reference ? 'reference' : null;
  const moments =
    role === null
      ? []
      : movement.moments.flatMap(({ id }): Wanted[] =>
          marks[id] === undefined ? [] : [{ key: `${role}-${id}`, frame: Math.round(marks[id]!), moment: id }],
        );
  const last = trial.times.length - 1;
  const notes = session.notes.flatMap((note): Wanted[] => {
    const frame = panesOf(note)[clip.id];
    return frame === undefined ? [] : [{ key: noteKey(note.id, clip.id), frame: Math.min(last, frame), moment: null }];
  });
  return [...moments, ...notes].sort((a, b) => a.frame - b.frame);
}

async function paintStills(
  derived: Derived,
  trial: Trial,
  styleKey: StyleKey,
  signal: AbortSignal,
  done: (key: string, address: string) => void,
): Promise<void> {
  const { clip } = trial;
  const { movement, judged } = derived;
  const drawings = derived.session.drawings.filter((d) => d.clipId === clip.id);
  const focusAt = focusOf(trial);
  const wanted = wantedOf(derived, trial);
  if (wanted.length === 0) return;
  const canvas = new OffscreenCanvas(STILL.width * DENSITY, STILL.height * DENSITY);
  const context = canvas.getContext('2d', { alpha: false })!;
  // A measure that was read on another camera has nothing to show here.
  const readHere = (id: string): boolean => {
    const reading = judged.find((j) => j.measure.id === id)?.[clip.role];
    return reading?.measurable === true && reading.provenance.clipId === clip.id;
  };
  let next = 0;
  const frames = wanted.map(({ frame }) => frame);
  const result = await withStills(clip, frames, async (frame, index) => {
    const { key, moment } = wanted[next++]!;
    if (signal.aborted) return;
    const focus = focusAt(index);
    const viewport = focus ? followBody(focus, STILL, shownAs(clip)) : fitPicture(clip, STILL, shownAs(clip));
    const measures =
      moment === null
        ? []
        : movement.measures.filter((m) => momentsOf(m)[0] === moment && m.importance >= 0.4 && readHere(m.id));
    context.setTransform(DENSITY, 0, 0, DENSITY, 0, 0);
    context.fillStyle = '#171c20';
    context.fillRect(0, 0, STILL.width, STILL.height);
    paintPicture(context, { frame, ...shownAs(clip) }, viewport, STILL);
    paintScene(
      context,
      [
        ...drawFigure(trial, index),
        ...measures.flatMap((m) => drawMeasure(m, trial, index)),
        ...drawings.filter((d) => visibleAt(d, movement, trial, index)).flatMap((d) => drawDrawing(d, trial, index)),
      ],
      styleKey,
      viewport,
      STILL,
    );
    const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.88 });
    if (!signal.aborted) done(key, URL.createObjectURL(blob));
  });
  if (!result.ok && !signal.aborted) notify('error', result.issue.message);
}

/**
 * Pictures with their lines on: of both performers at every marked moment, by `role-moment`, and of every note, by
 * `noteKey`.
 */
export function useStills(derived: Derived): Readonly<Record<string, string>> {
  const [stills, setStills] = useState<Readonly<Record<string, string>>>({});
  const { clips, session } = derived;
  const { notes, drawings } = session;
  useEffect(() => {
    const controller = new AbortController();
    const made: string[] = [];
    const done = (key: string, address: string): void => {
      made.push(address);
      setStills((before) => ({ ...before, [key]: address }));
    };
    for (const { trial, styleKey } of clips) void paintStills(derived, trial, styleKey, controller.signal, done);
    return () => {
      controller.abort();
      made.forEach((address) => URL.revokeObjectURL(address));
      setStills({});
    };
    // The pictures depend on the clips with their points and marks, and on what was noted and drawn.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [clips, notes, drawings]);
  return stills;
}
