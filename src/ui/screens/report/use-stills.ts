import { useEffect, useState } from 'react';
import type { Primitive } from '../../../core/geometry/primitives';
import { clipScene } from '../../../core/scene/clip-scene';
import type { StyleKey } from '../../../core/model/slots';
import type { Trial } from '../../../core/trial/trial';
import { paintPicture } from '../../../rendering/paint-picture';
import { paintScene } from '../../../rendering/paint-scene';
import { fitPicture, followBody } from '../../../rendering/viewport';
import type { Derived } from '../../../application/analysis/derived';
import { notify } from '../../../application/stores/notices';
import { withStills } from '../../../application/export/report';
import { focusOf, shownAs } from '../../../rendering/focus';
import { wantedInReport, wantedOnPage, type WantedOf } from '../../../application/export/wanted-stills';

export interface StillSize {
  readonly width: number;
  readonly height: number;
}
const STILL: StillSize = { width: 560, height: 420 };
/** On an athlete's page a picture stands upright, and what is drawn on it is large. */
const UPRIGHT: StillSize = { width: 225, height: 300 };

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
