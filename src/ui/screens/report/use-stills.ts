import { useEffect, useState } from 'react';
import { drawMeasure } from '../../../core/measures';
import { momentsOf } from '../../../core/model/movement';
import { drawDrawing, visibleAt } from '../../../core/scene/drawing';
import { drawFigure } from '../../../core/scene/figure';
import type { Performance } from '../../../core/performance/performance';
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

async function paintStills(
  derived: Derived,
  performance: Performance,
  signal: AbortSignal,
  done: (key: string, address: string) => void,
): Promise<void> {
  const { clip, marks } = performance;
  const { movement, judged } = derived;
  const drawings = derived.session.drawings.filter((d) => d.clipId === clip.id);
  const focusAt = focusOf(performance);
  const marked = movement.moments.filter((m) => marks[m.id] !== undefined).sort((a, b) => marks[a.id]! - marks[b.id]!);
  const frames = marked.map((m) => Math.round(marks[m.id]!));
  const canvas = new OffscreenCanvas(STILL.width * DENSITY, STILL.height * DENSITY);
  const context = canvas.getContext('2d', { alpha: false })!;
  let next = 0;
  const result = await withStills(clip, frames, async (frame, index) => {
    const moment = marked[next++]!;
    if (signal.aborted) return;
    const focus = focusAt(index);
    const viewport = focus ? followBody(focus, STILL, shownAs(clip)) : fitPicture(clip, STILL, shownAs(clip));
    // A measure that was read on another camera has nothing to show here.
    const readHere = (id: string): boolean => {
      const reading = judged.find((j) => j.measure.id === id)?.[clip.role];
      return reading?.measurable === true && reading.provenance.clipId === clip.id;
    };
    const measures = movement.measures.filter(
      (m) => momentsOf(m)[0] === moment.id && m.importance >= 0.4 && readHere(m.id),
    );
    context.setTransform(DENSITY, 0, 0, DENSITY, 0, 0);
    context.fillStyle = '#171c20';
    context.fillRect(0, 0, STILL.width, STILL.height);
    paintPicture(context, { frame, ...shownAs(clip) }, viewport, STILL);
    paintScene(
      context,
      [
        ...drawFigure(performance, index),
        ...measures.flatMap((m) => drawMeasure(m, performance, index)),
        ...drawings
          .filter((d) => visibleAt(d, movement, performance, index))
          .flatMap((d) => drawDrawing(d, performance, index)),
      ],
      clip.role,
      viewport,
      STILL,
    );
    const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.88 });
    if (!signal.aborted) done(`${clip.role}-${moment.id}`, URL.createObjectURL(blob));
  });
  if (!result.ok && !signal.aborted) notify('error', result.issue.message);
}

/** Pictures of both performers at every marked moment with their lines on, by `role-moment`. */
export function useStills(derived: Derived): Readonly<Record<string, string>> {
  const [stills, setStills] = useState<Readonly<Record<string, string>>>({});
  const { athlete, reference } = derived;
  useEffect(() => {
    const controller = new AbortController();
    const made: string[] = [];
    const done = (key: string, address: string): void => {
      made.push(address);
      setStills((before) => ({ ...before, [key]: address }));
    };
    for (const performance of [athlete, reference])
      if (performance) void paintStills(derived, performance, controller.signal, done);
    return () => {
      controller.abort();
      made.forEach((address) => URL.revokeObjectURL(address));
      setStills({});
    };
    // The pictures depend on the clips, their points and their marks, which both performances hold.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [athlete, reference]);
  return stills;
}
