import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { KeyEvent } from '../../../core/model/movement';
import { LEAST_SURE } from '../../../core/trial/key-events';
import { player } from '../../../application/bench/bench-player';
import type { BenchClip } from '../../../application/bench/bench-clips';
import type { Derived } from '../../../application/analysis/derived';
import { confirmShown } from '../../../application/events/event-use-cases';
import { setView, useView } from '../../../application/stores/view-store';
import { clipName } from '../../components/clip-name';
import { TEXT } from '../../../text/screens/bench/moments';

/** A moment as it is proposed in the panes that have a proposal of it. */
interface Proposed {
  readonly moment: KeyEvent;
  readonly in: readonly { readonly on: BenchClip; readonly frame: number; readonly sure: number }[];
}

/** Every moment that is proposed anywhere, in their order. */
function proposedOf({ panes, movement, session }: Derived): readonly Proposed[] {
  return movement.moments.flatMap((moment) => {
    const found = panes.flatMap((on) => {
      const mark = on.join ? undefined : session.marks[on.trial.clip.id]?.[moment.id];
      return mark && mark.proposed !== null ? [{ on, frame: Math.round(mark.frame), sure: mark.proposed }] : [];
    });
    return found.length > 0 ? [{ moment, in: found }] : [];
  });
}

const sureText = (sure: number): string => (sure < LEAST_SURE ? TEXT.onlyGuess : TEXT.sure(Math.round(100 * sure)));

/** Every pane at its own proposal; the first of them is the one that keys act on. */
function goTo({ in: panes }: Proposed): void {
  setView({ activeClip: panes[0]!.on.trial.clip.id });
  player.request({
    ...useView.getState().shown,
    ...Object.fromEntries(panes.map(({ on, frame }) => [on.trial.clip.id, frame])),
  });
}

/** One proposed moment after the other, in all panes: looked at, moved where it is off, confirmed. */
export function ProposalsRun({ derived }: { readonly derived: Derived }): ReactNode {
  const all = proposedOf(derived);
  const [current, setCurrent] = useState<string | null>(null);
  // Those that were passed over are not asked for again.
  const [passed, setPassed] = useState<ReadonlySet<string>>(new Set());
  // Where its mark was set by its own key the run is over: it has been looked at.
  const at = all.find(({ moment }) => moment.id === current);

  const turnTo = (next: Proposed | undefined): void => {
    setCurrent(next?.moment.id ?? null);
    if (next) goTo(next);
  };
  const begin = (): void => {
    setPassed(new Set());
    turnTo(all[0]);
  };
  const goOn = (without: ReadonlySet<string>): void => {
    const left = all.filter(({ moment }) => moment.id === current || !without.has(moment.id));
    turnTo(left[left.findIndex(({ moment }) => moment.id === current) + 1]);
  };
  const confirm = (): void => {
    if (!at) return;
    confirmShown(
      at.moment.id,
      at.in.map(({ on, frame }) => {
        const { id } = on.trial.clip;
        return { clipId: id, proposed: frame, shown: player.pendingFrame(id) };
      }),
    );
    goOn(passed);
  };
  const pass = (): void => {
    const without = new Set([...passed, current!]);
    setPassed(without);
    goOn(without);
  };
  useHotkeys('enter', confirm, { enabled: at !== undefined, preventDefault: true }, [at, passed, current]);
  useHotkeys('escape', () => setCurrent(null), { enabled: at !== undefined }, []);

  if (all.length === 0) return null;
  if (!at)
    return (
      <Button variant="contained" onClick={begin}>
        {all.length === 1 ? TEXT.goThroughProposedMoment : TEXT.goThroughCountProposedMoments(all.length)}
      </Button>
    );
  return (
    <section className="card" style={{ padding: '8px 10px', display: 'grid', gap: 6 }} data-testid="proposals-run">
      <strong>
        {at.moment.name}: {at.in.map(({ on, sure }) => `${clipName(on)} ${sureText(sure)}`).join(', ')}
      </strong>
      <span>{at.moment.hint}</span>
      <span className="note">
        {TEXT.countToLookAtStep(all.length)} <kbd>{TEXT.enterKey}</kbd> {TEXT.takesFramesShownAndGoes}{' '}
        <kbd>{TEXT.escapeKey}</kbd> {TEXT.ends}
      </span>
      <div style={{ display: 'flex', gap: 8 }}>
        <Button variant="contained" onClick={confirm}>
          {TEXT.confirm}
        </Button>
        <Button onClick={pass}>{TEXT.leaveItOpen}</Button>
        <Button onClick={() => setCurrent(null)}>{TEXT.end}</Button>
      </div>
    </section>
  );
}
