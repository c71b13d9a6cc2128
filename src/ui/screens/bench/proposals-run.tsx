import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { LEAST_SURE } from '../../../core/performance/moments';
import { player } from '../../../state/bench-player';
import type { BenchClip, Derived } from '../../../state/derived';
import { confirmMoment, markMoment } from '../../../state/event-use-cases';
import { setView } from '../../../state/view-store';
import { clipName } from '../../components/clip-name';

interface Proposed {
  readonly on: BenchClip;
  readonly momentId: string;
  readonly name: string;
  readonly frame: number;
  /** 0..1. */
  readonly sure: number;
}

/** Every proposed moment, clip by clip in their order. */
function proposedOf({ panes, movement, session }: Derived): readonly Proposed[] {
  return panes
    .filter((on) => !on.join)
    .flatMap((on) =>
      movement.moments.flatMap(({ id, name }) => {
        const mark = session.marks[on.performance.clip.id]?.[id];
        return mark && mark.proposed !== null
          ? [{ on, momentId: id, name, frame: Math.round(mark.frame), sure: mark.proposed }]
          : [];
      }),
    );
}

const keyOf = ({ on, momentId }: Proposed): string => `${on.performance.clip.id} ${momentId}`;

function goTo({ on, frame }: Proposed): void {
  const { id } = on.performance.clip;
  setView({ activeClip: id });
  player.goTo(id, frame);
}

/** One proposed moment after the other, each with its picture: looked at, moved where it is off, confirmed. */
export function ProposalsRun({ derived }: { readonly derived: Derived }): ReactNode {
  const all = proposedOf(derived);
  const [current, setCurrent] = useState<string | null>(null);
  // Those that were passed over are not asked for again.
  const [passed, setPassed] = useState<ReadonlySet<string>>(new Set());
  const left = all.filter((p) => !passed.has(keyOf(p)));
  const at = all.find((p) => keyOf(p) === current);
  const running = current !== null && at !== undefined;

  const begin = (): void => {
    const [first] = all;
    if (!first) return;
    setPassed(new Set());
    setCurrent(keyOf(first));
    goTo(first);
  };
  const goOn = (): void => {
    const next = left[left.findIndex((p) => keyOf(p) === current) + 1] ?? left.find((p) => keyOf(p) !== current);
    setCurrent(next ? keyOf(next) : null);
    if (next) goTo(next);
  };
  const confirm = (): void => {
    if (!at) return;
    const { id } = at.on.performance.clip;
    const shown = player.pendingFrame(id);
    if (shown === at.frame) confirmMoment(id, at.momentId);
    else markMoment(id, at.momentId, shown);
    goOn();
  };
  const pass = (): void => {
    setPassed(new Set([...passed, current!]));
    goOn();
  };
  // Where its mark was set by its own key the run is over: it has been looked at.
  useHotkeys('enter', confirm, { enabled: running, preventDefault: true }, [at, left, current]);
  useHotkeys('escape', () => setCurrent(null), { enabled: running }, []);

  if (all.length === 0) return null;
  if (!running)
    return (
      <Button variant="contained" onClick={begin}>
        Go through {all.length === 1 ? 'the proposal' : `the ${all.length} proposals`}
      </Button>
    );
  return (
    <section className="card" style={{ padding: '8px 10px', display: 'grid', gap: 6 }} data-testid="proposals-run">
      <strong>
        {at.name}, {clipName(at.on)}
      </strong>
      <span>{derived.movement.moments.find(({ id }) => id === at.momentId)?.look}</span>
      <span className="note">
        {at.sure < LEAST_SURE ? 'Only a guess' : `${Math.round(100 * at.sure)} % sure`}; {left.length} to look at. Step
        where it is off; <kbd>Enter</kbd> takes the frame shown and goes on, <kbd>Esc</kbd> ends.
      </span>
      <div style={{ display: 'flex', gap: 8 }}>
        <Button variant="contained" onClick={confirm}>
          Confirm
        </Button>
        <Button onClick={pass}>Leave it open</Button>
        <Button onClick={() => setCurrent(null)}>End</Button>
      </div>
    </section>
  );
}
