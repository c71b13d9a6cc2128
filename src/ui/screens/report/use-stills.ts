import { useEffect, useState } from 'react';
import type { Primitive } from '../../../core/geometry/primitives';
import { eventsOf } from '../../../core/model/measure';
import { clipScene } from '../../../core/scene/clip-scene';
import type { Note } from '../../../core/model/session';
import type { StyleKey } from '../../../core/model/slots';
import type { Trial } from '../../../core/trial/trial';
import { paintPicture } from '../../../rendering/paint-picture';
import { paintScene } from '../../../rendering/paint-scene';
import { fitPicture, followBody } from '../../../rendering/viewport';
import type { Derived } from '../../../application/analysis/derived';
import { notify } from '../../../application/stores/notices';
import { withStills } from '../../../application/export/report';
import { focusOf, shownAs } from '../../../rendering/focus';

export interface StillSize {
  readonly width: number;
  readonly height: number;
}
const STILL: StillSize = { width: 560, height: 420 };
/** On an athlete's page a picture stands upright, and what is drawn on it is large. */
const UPRIGHT: StillSize = { width: 225, height: 300 };

/** A picture that is wanted of one clip. */
interface Wanted {
  readonly key: string;
  readonly frame: number;
  /** What is measured on it: what belongs to its moment, one measure alone, or nothing. */
  readonly measured: 'moment' | { readonly id: string } | null;
}

type WantedOf = (derived: Derived, trial: Trial) => readonly Wanted[];

/** Under this key stands the picture that a note made of a clip. */
export const noteKey = (noteId: string, clipId: string): string => `note-${noteId}-${clipId}`;

/** The frames of the clips that were compared when a note was made; a note of an earlier version knows its own only. */
export const panesOf = (note: Note): Readonly<Record<string, number>> => ({ ...note.panes, [note.clipId]: note.frame });

/** All pictures that the report wants of a trial, in the order of its frames. */
function wantedInReport({ movement, session, athlete, reference }: Derived, trial: Trial): readonly Wanted[] {
  const { marks } = trial;
  const role = trial === athlete ? 'athlete' : trial === reference ? 'reference' : null;
  const moments =
    role === null
      ? []
      : movement.moments.flatMap(({ id }): Wanted[] =>
          marks[id] === undefined
            ? []
            : [
                {
                  key: `${role}-${id}`,
                  frame: Math.round(marks[id]!),
                  measured: 'moment',
                },
              ],
        );
  return [...moments, ...notesWanted(session.notes, trial)].sort((a, b) => a.frame - b.frame);
}

function notesWanted(notes: readonly Note[], { clip, times }: Trial): readonly Wanted[] {
  return notes.flatMap((note): Wanted[] => {
    const frame = panesOf(note)[clip.id];
    return frame === undefined
      ? []
      : [{ key: noteKey(note.id, clip.id), frame: Math.min(times.length - 1, frame), measured: null }];
  });
}

/** Under this key stands the picture of one clip that shows a single measure. */
export const measureKey = (measureId: string, clipId: string): string => `measure-${measureId}-${clipId}`;

/** The pictures of an athlete's page: each correction with its own measure alone, and findings by eye. */
function wantedOnPage({ session, plan, athlete, reference }: Derived, trial: Trial): readonly Wanted[] {
  if (trial !== athlete && trial !== reference) return [];
  const own = plan.items.flatMap(({ gap }): Wanted[] => {
    if (!gap) return [];
    const { measure } = gap.judged;
    const frame = trial.marks[eventsOf(measure)[0] ?? ''];
    return frame === undefined
      ? []
      : [{ key: measureKey(measure.id, trial.clip.id), frame: Math.round(frame), measured: measure }];
  });
  return [...own, ...notesWanted(session.notes, trial)].sort((a, b) => a.frame - b.frame);
}

/** What only an analyst reads is no part of an athlete's picture. */
const isPlain = (shape: Primitive): boolean =>
  shape.shape !== 'label' || shape.drawn === true || !shape.text.includes('%');

interface StillsOf {
  readonly wantedOf: WantedOf;
  readonly size: StillSize;
  /** Pixels for each of its size, for paper. */
  readonly density: number;
  readonly plain: boolean;
}
const REPORT: StillsOf = { wantedOf: wantedInReport, size: STILL, density: 2, plain: false };
const PAGE: StillsOf = { wantedOf: wantedOnPage, size: UPRIGHT, density: 4, plain: true };

async function paintStills(
  derived: Derived,
  trial: Trial,
  styleKey: StyleKey,
  { wantedOf, size, density, plain }: StillsOf,
  signal: AbortSignal,
  done: (key: string, address: string) => void,
): Promise<void> {
  const { clip } = trial;
  const { movement, judged } = derived;
  const drawings = derived.session.drawings.filter((d) => d.clipId === clip.id);
  const focusAt = focusOf(trial);
  const wanted = wantedOf(derived, trial);
  if (wanted.length === 0) return;
  const canvas = new OffscreenCanvas(size.width * density, size.height * density);
  const context = canvas.getContext('2d', { alpha: false })!;
  let next = 0;
  const frames = wanted.map(({ frame }) => frame);
  const result = await withStills(clip, frames, async (frame, index) => {
    const { key, measured } = wanted[next++]!;
    if (signal.aborted) return;
    const focus = focusAt(index);
    const viewport = focus ? followBody(focus, size, shownAs(clip)) : fitPicture(clip, size, shownAs(clip));
    context.setTransform(density, 0, 0, density, 0, 0);
    context.fillStyle = '#171c20';
    context.fillRect(0, 0, size.width, size.height);
    paintPicture(context, { frame, ...shownAs(clip) }, viewport, size);
    paintScene(
      context,
      clipScene({ movement, judged, trial, beside: false, drawings }, index, {
        body: true,
        selected: measured === 'moment' ? null : (measured?.id ?? null),
        measures: measured !== null,
        lit: null,
      }).filter((shape) => !plain || isPlain(shape)),
      styleKey,
      viewport,
      size,
    );
    const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.88 });
    if (!signal.aborted) done(key, URL.createObjectURL(blob));
  });
  if (!result.ok && !signal.aborted) notify('error', result.issue.message);
}

/** Pictures as they come. */
export interface Stills {
  readonly addresses: Readonly<Record<string, string>>;
  /** Every picture that can be made is there. */
  readonly ready: boolean;
}

const NONE: Stills = { addresses: {}, ready: false };

/**
 * Pictures with their lines on: of both performers at every marked moment, by `role-moment`, and of every note, by
 * `noteKey`.
 */
export const useStills = (derived: Derived): Stills => useStillsOf(derived, REPORT);
/** Pictures of an athlete's page, by `measureKey` and `noteKey`. */
export const useAthleteStills = (derived: Derived): Stills => useStillsOf(derived, PAGE);

function useStillsOf(derived: Derived, of: StillsOf): Stills {
  const [stills, setStills] = useState(NONE);
  const { clips, session, plan } = derived;
  const { notes, drawings } = session;
  const planned = of === PAGE ? plan : null;
  useEffect(() => {
    const controller = new AbortController();
    const { signal } = controller;
    const made: string[] = [];
    const done = (key: string, address: string): void => {
      made.push(address);
      setStills((before) => ({ ...before, addresses: { ...before.addresses, [key]: address } }));
    };
    void Promise.all(clips.map(({ trial, styleKey }) => paintStills(derived, trial, styleKey, of, signal, done))).then(
      () => {
        if (!signal.aborted) setStills((before) => ({ ...before, ready: true }));
      },
    );
    return () => {
      controller.abort();
      made.forEach((address) => URL.revokeObjectURL(address));
      setStills(NONE);
    };
    // The pictures depend on the clips with their points and marks, and on what was noted and drawn.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [clips, notes, drawings, planned, of]);
  return stills;
}
