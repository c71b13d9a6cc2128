import { useHotkeys } from 'react-hotkeys-hook';
import { activeOf, type Derived } from '../../../application/analysis/derived';
import { follow, hideHere, nudgePoint } from '../../../application/tracks/point-work';
import { setPointWork, setView, useView } from '../../../application/stores/view-store';

/** Pixels by which a key moves a point. */
const NUDGE = 0.25;

/** Keys for placing points; they act on the chosen clip while points are being corrected. */
export function usePointKeys(derived: Derived, measuring: boolean): void {
  const correcting = useView((state) => state.tool === 'points') && measuring;
  const options = { enabled: correcting, preventDefault: true };
  const trial = () => activeOf(derived, useView.getState().activeClip)?.trial;
  const act = (on: (p: NonNullable<ReturnType<typeof trial>>) => void) => (): void => {
    const now = trial();
    if (now) on(now);
  };
  useHotkeys('p', () => setView({ tool: useView.getState().tool === 'points' ? 'move' : 'points' }), {
    enabled: measuring,
  });
  useHotkeys('n', () => setPointWork({ placing: !useView.getState().pointWork.placing }), options);
  useHotkeys('h', act(hideHere), options);
  useHotkeys(
    'f',
    act((p) => void follow(p, 1)),
    options,
  );
  useHotkeys(
    'shift+f',
    act((p) => void follow(p, -1)),
    options,
  );
  useHotkeys(
    'mod+shift+left',
    act((p) => nudgePoint(p, -NUDGE, 0)),
    options,
  );
  useHotkeys(
    'mod+shift+right',
    act((p) => nudgePoint(p, NUDGE, 0)),
    options,
  );
  useHotkeys(
    'mod+shift+up',
    act((p) => nudgePoint(p, 0, -NUDGE)),
    options,
  );
  useHotkeys(
    'mod+shift+down',
    act((p) => nudgePoint(p, 0, NUDGE)),
    options,
  );
}
