import { useEffect, useLayoutEffect, useMemo, useRef, type CSSProperties, type ReactNode } from 'react';
import { Link } from 'react-router';
import { player } from '../../../application/bench/bench-player';
import type { BenchClip } from '../../../application/bench/bench-clips';
import { activeOf } from '../../../application/analysis/derived';
import { useDerived } from '../../../application/analysis/use-derived';
import type { Step } from '../../../application/session/steps';
import { setTalkEvent, stopTalking, useTalk } from '../../../application/talk/talk-recorder';
import { setPointWork, setView, useView } from '../../../application/stores/view-store';
import { SessionFrame } from '../../components/session-frame';
import { ClipPane } from './clip-pane';
import { currentEventOf } from './current-event';
import { ReviewPanel } from './review-panel';
import { MatchPanel } from './match-panel';
import { MeasureCurve } from './measure-curve';
import { MeasurePanel } from './measure-panel';
import { EventsPanel } from './events-panel';
import { BenchRibbons } from './bench-ribbons';
import { hasSpace, SpacePane } from './space-pane';
import { TalkBar } from './talk-bar';
import { Transport } from './transport';
import { useClipSounds } from './use-clip-sounds';
import { useBenchKeys } from './bench-keys';
import { usePointKeys } from './point-keys';
import { TEXT } from '../../../text/screens/bench/playing';

const ROLES = ['athlete', 'reference'] as const;

/** Pictures that can be laid on each other: one of each trial, all from the side of the chosen one. */
function laidOver(clips: readonly BenchClip[], active: BenchClip): readonly BenchClip[] {
  const main = (clip: BenchClip): string => clip.join?.mainId ?? clip.trial.clip.id;
  const alike = clips.filter((c) => c.trial.clip.view.kind === active.trial.clip.view.kind);
  return alike.filter((c) =>
    main(c) === main(active) ? c === active : alike.find((other) => main(other) === main(c)) === c,
  );
}

/** The pictures, their time, and the panel of the step at hand. */
export function BenchScreen({
  step,
}: {
  readonly step: Extract<Step, 'review' | 'match' | 'moments' | 'measure'>;
}): ReactNode {
  const derived = useDerived();
  const { movement, athlete, reference, panes: shownClips } = derived;
  // Not the whole view: pictures that play must not draw the screen anew.
  const mode = useView((state) => state.mode);
  const lockEvent = useView((state) => state.lockEvent);
  const layout = useView((state) => state.layout);
  const tool = useView((state) => state.tool);
  const spaceShown = useView((state) => state.space.shown);
  const activeClip = useView((state) => state.activeClip);
  const talking = useTalk((state) => state.open);
  const joints = JSON.stringify(derived.clips.map((c) => c.trial.clip.sync));
  // While drawing, before the children: they ask the player how the clips lie in time.
  useMemo(() => player.setClips({ movement, clips: derived.clips }), [movement, derived.clips]);
  useEffect(() => {
    // Coming to the bench, or changing the way of matching, brings the second clip to the first.
    if (mode === 'free') return;
    const lead = derived.clips[0]?.trial.clip.id;
    if (lead) player.goTo(lead, useView.getState().shown[lead] ?? 0);
    // Only the mode brings trials together; edits must not move the pictures.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [mode, lockEvent]);
  useEffect(() => player.alignCameras(), [joints]);
  const panes = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // Set beside React: it changes with every picture.
    player.onBusy = (busy) => panes.current?.setAttribute('aria-busy', String(busy));
    return () => {
      player.onBusy = () => undefined;
      player.pause();
      void stopTalking();
    };
  }, []);
  useLayoutEffect(() => {
    // A tool belongs to its step. Before the next event, or it would take away a tool chosen at once.
    setView({ tool: 'move', ...(step === 'review' ? {} : { pass: null }) });
    setPointWork({ placing: false, shift: null, swapFrom: null });
  }, [step]);
  useBenchKeys(derived);
  useClipSounds(derived);
  usePointKeys(derived, step === 'measure');
  const currentEvent = useView((state) => currentEventOf(derived, state.shown));
  useEffect(() => setTalkEvent(currentEvent), [currentEvent]);
  const active = activeOf(derived, activeClip);
  // An athlete alone is reviewed alone: no room is kept for somebody else.
  const missing = athlete ? [] : ROLES.filter((role) => (role === 'athlete' ? athlete : reference) === null);
  const visible = layout === 'over' && active ? laidOver(shownClips, active) : shownClips;

  const inSpace = spaceShown && layout !== 'over' && hasSpace(derived);

  return (
    <SessionFrame step={step}>
      <main className="bench">
        <div className="stage">
          <div
            ref={panes}
            className={`panes ${layout}${inSpace && layout === 'columns' && visible.length > 2 ? ' with-space' : ''}`}
            data-testid="panes"
            style={{ '--others': Math.max(1, visible.length + missing.length - 1) } as CSSProperties}
          >
            {visible.map((on, n) => (
              <ClipPane
                key={on.trial.clip.id}
                on={on}
                below={n}
                editing={step === 'measure' && tool === 'points'}
                measures={step === 'measure'}
              />
            ))}
            {inSpace && <SpacePane derived={derived} />}
            {missing.map((role) => (
              <div key={role} className="pane-empty">
                <span>{TEXT.roleSClipBelongsHere(role)}</span>
                <Link to={`/s/${derived.session.id}/intake`} style={{ color: '#ffd9a8' }}>
                  {TEXT.addItAtIntake}
                </Link>
              </div>
            ))}
          </div>
          {talking && <TalkBar derived={derived} />}
          <Transport derived={derived} currentEvent={currentEvent} />
          <BenchRibbons derived={derived} currentEvent={currentEvent} />
          {step === 'measure' ? <MeasureCurve derived={derived} /> : <div />}
        </div>
        <aside className="side" aria-label={TEXT.panel}>
          {step === 'review' && <ReviewPanel derived={derived} />}
          {step === 'match' && <MatchPanel derived={derived} />}
          {step === 'moments' && <EventsPanel derived={derived} />}
          {step === 'measure' && <MeasurePanel derived={derived} currentEvent={currentEvent} />}
        </aside>
      </main>
    </SessionFrame>
  );
}
