import { useHotkeys } from 'react-hotkeys-hook';
import { player } from '../../../state/bench-player';
import type { Derived } from '../../../state/derived';
import { addNote, markMoment } from '../../../state/use-cases';
import { setView, useView } from '../../../state/view-store';

/** Goes to the next or the previous marked moment of the leading clip. */
export function goToMoment(derived: Derived, by: 1 | -1): void {
  const role = derived.athlete ? 'athlete' : 'reference';
  const lead = derived[role];
  if (!lead) return;
  const frame = player.pendingFrame(lead.clip.id);
  const marks = derived.movement.moments.map((m) => lead.marks[m.id]).filter((m) => m !== undefined).map(Math.round);
  const next = by > 0 ? marks.find((m) => m > frame) : marks.findLast((m) => m < frame);
  if (next !== undefined) player.goTo(role, next);
}

/** Everything that is done hundreds of times has a key. */
export function useBenchKeys(derived: Derived): void {
  const options = { preventDefault: true };
  useHotkeys('right', () => player.stepBoth(1), options);
  useHotkeys('left', () => player.stepBoth(-1), options);
  useHotkeys('mod+right', () => player.stepBoth(10), options);
  useHotkeys('mod+left', () => player.stepBoth(-10), options);
  useHotkeys('shift+right', () => player.stepOne(1), options);
  useHotkeys('shift+left', () => player.stepOne(-1), options);
  useHotkeys('space', (event) => {
    // A focused button keeps its own space key.
    if (event.target instanceof HTMLButtonElement) return;
    if (useView.getState().playing) player.pause();
    else player.play();
  }, options);
  useHotkeys('alt+right', () => player.nudge(1), options);
  useHotkeys('alt+left', () => player.nudge(-1), options);
  useHotkeys('alt+shift+right', () => player.nudge(0.1), options);
  useHotkeys('alt+shift+left', () => player.nudge(-0.1), options);
  useHotkeys('c', () => player.catchUp());
  useHotkeys('l', () => setView({ loop: !useView.getState().loop }));
  useHotkeys('pagedown', () => goToMoment(derived, 1), options);
  useHotkeys('pageup', () => goToMoment(derived, -1), options);
  useHotkeys('a', () => setView({ activeRole: useView.getState().activeRole === 'athlete' ? 'reference' : 'athlete' }));
  useHotkeys('b', () => setView({ followBody: !useView.getState().followBody }));
  useHotkeys('o', () => setView({ overlays: !useView.getState().overlays }));
  const note = (kind: 'good' | 'work-on'): void => {
    const { activeRole, shown } = useView.getState();
    const clip = derived[activeRole]?.clip;
    if (clip) addNote({ kind, text: '', clipId: clip.id, frame: shown[clip.id] ?? 0, region: useView.getState().pass });
  };
  useHotkeys('g', () => note('good'));
  useHotkeys('w', () => note('work-on'));
  useHotkeys(
    derived.movement.moments.map((m) => m.key).join(','),
    (event) => {
      const moment = derived.movement.moments.find((m) => m.key === event.key);
      const { activeRole, shown } = useView.getState();
      const clip = derived[activeRole]?.clip;
      if (moment && clip) markMoment(clip.id, moment.id, shown[clip.id] ?? 0);
    },
    options,
  );
}
