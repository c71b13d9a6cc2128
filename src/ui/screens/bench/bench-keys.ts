import { useEffect } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { player } from '../../../application/bench/bench-player';
import type { BenchClip } from '../../../application/bench/bench-clips';
import { activeOf, type Derived } from '../../../application/analysis/derived';
import { toggleSound } from '../../../application/clips/clip-sounds';
import { nudge } from '../../../application/clips/camera-use-cases';
import { markEvent } from '../../../application/events/event-use-cases';
import { noteHere } from '../../../application/findings/finding-use-cases';
import { startTalking, stopTalking, useTalk } from '../../../application/talk/talk-recorder';
import { setView, toggleGround, togglePlain, useView } from '../../../application/stores/view-store';
import { zoomRibbons } from './ribbon-span';

/** Goes to the next or the previous marked moment of the leading clip. */
export function goToEvent(derived: Derived, by: 1 | -1): void {
  const lead = derived.clips[0]?.trial;
  if (!lead) return;
  const frame = player.pendingFrame(lead.clip.id);
  const marks = derived.movement.moments
    .map((m) => lead.marks[m.id])
    .filter((m) => m !== undefined)
    .map(Math.round);
  const next = by > 0 ? marks.find((m) => m > frame) : marks.findLast((m) => m < frame);
  if (next !== undefined) player.goTo(lead.clip.id, next);
}

const CONTROLS = 'button, [role=combobox]:not(input)';

/** A control that was reached by the keyboard keeps the keys that work it. */
const keepsItsKeys = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.matches(CONTROLS) && target.matches(':focus-visible');

/** One that was pressed with the pointer does not: no key depends on what was pressed last. */
function giveKeysBack({ target }: FocusEvent): void {
  if (target instanceof HTMLElement && target.matches(CONTROLS) && !target.matches(':focus-visible')) target.blur();
}

/** Everything that is done hundreds of times has a key. */
export function useBenchKeys(derived: Derived): void {
  const options = { preventDefault: true };
  const active = (): BenchClip | null => activeOf(derived, useView.getState().activeClip);
  useHotkeys('right', () => player.stepBoth(1), options);
  useHotkeys('left', () => player.stepBoth(-1), options);
  useHotkeys('mod+right', () => player.stepBoth(10), options);
  useHotkeys('mod+left', () => player.stepBoth(-10), options);
  useHotkeys('shift+right', () => player.stepOne(1), options);
  useHotkeys('shift+left', () => player.stepOne(-1), options);
  useHotkeys(
    'space',
    (event) => {
      if (keepsItsKeys(event.target)) return;
      if (useView.getState().playing) player.pause();
      else player.play();
    },
    { preventDefault: (event) => !keepsItsKeys(event.target) },
  );
  useEffect(() => {
    document.addEventListener('focusin', giveKeysBack);
    return () => document.removeEventListener('focusin', giveKeysBack);
  }, []);
  useHotkeys('alt+right', () => nudge(1), options);
  useHotkeys('alt+left', () => nudge(-1), options);
  useHotkeys('alt+shift+right', () => nudge(0.1), options);
  useHotkeys('alt+shift+left', () => nudge(-0.1), options);
  useHotkeys('c', () => player.catchUp());
  useHotkeys('escape', () => {
    // What is drawn or marked ends; points are corrected until they are done.
    if (useView.getState().tool !== 'points') setView({ tool: 'move' });
  });
  useHotkeys('l', () => setView({ loop: !useView.getState().loop }));
  useHotkeys('pagedown', () => goToEvent(derived, 1), options);
  useHotkeys('pageup', () => goToEvent(derived, -1), options);
  useHotkeys('a', () => {
    const { panes } = derived;
    const at = panes.findIndex((c) => c === active());
    setView({ activeClip: panes[(at + 1) % panes.length]?.trial.clip.id ?? null });
  });
  useHotkeys('b', () => setView({ followBody: !useView.getState().followBody }));
  useHotkeys('shift+b', toggleGround);
  useHotkeys('o', () => setView({ overlays: !useView.getState().overlays }));
  useHotkeys('shift+o', () => {
    const clip = active()?.trial.clip;
    if (clip) togglePlain(clip.id);
  });
  useHotkeys('t', () => setView({ thumbnails: !useView.getState().thumbnails }));
  useHotkeys('u', toggleSound);
  useHotkeys('r', () => void (useTalk.getState().phase === 'recording' ? stopTalking() : startTalking()));
  useHotkeys('z', () => zoomRibbons(derived, 0.5));
  useHotkeys('shift+z', () => zoomRibbons(derived, 2));
  useHotkeys('0', () => setView({ ribbonSpan: null }));
  const note = (kind: 'good' | 'work-on'): void => {
    const clip = active()?.trial.clip;
    if (clip) noteHere(derived, clip.id, kind);
  };
  // The letter itself must not become the note's first.
  useHotkeys('g', () => note('good'), { preventDefault: true });
  useHotkeys('w', () => note('work-on'), { preventDefault: true });
  useHotkeys(
    derived.movement.moments.map((m) => m.key).join(','),
    (event) => {
      const moment = derived.movement.moments.find((m) => m.key === event.key);
      const clip = active()?.trial.clip;
      if (moment && clip) markEvent(clip.id, moment.id, player.meantFrame(clip.id, event.timeStamp));
    },
    options,
  );
}
