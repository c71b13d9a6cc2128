import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { Role } from '../../../core/model/clip';
import { drawFigure } from '../../../core/overlay/figure';
import type { Primitive } from '../../../core/overlay/scene';
import { drawMeasure } from '../../../core/measures';
import { momentsOf } from '../../../core/model/movement';
import type { Performance } from '../../../core/performance/performance';
import { JOINT_POINTS, type PointId } from '../../../core/points/body-points';
import { timeAtFrame } from '../../../core/timing/clip-time';
import { Pane } from '../../../stage/pane';
import { player } from '../../../state/bench-player';
import { useDerived } from '../../../state/derived';
import type { Step } from '../../../state/steps';
import { movePoint } from '../../../state/use-cases';
import { setView, useView } from '../../../state/view-store';
import { SessionFrame } from '../../components/session-frame';
import { anchoredAt, focusOf, shownAs } from './focus';
import { currentMomentOf } from './current-moment';
import { LookPanel } from './look-panel';
import { MatchPanel } from './match-panel';
import { MeasureCurve } from './measure-curve';
import { MeasurePanel } from './measure-panel';
import { MomentsPanel } from './moments-panel';
import { BenchRibbons } from './bench-ribbons';
import { Transport } from './transport';
import { useBenchKeys } from './bench-keys';
import { useDrawings } from './use-drawings';

const ROLES: readonly Role[] = ['athlete', 'reference'];

/** The two pictures, their time, and the panel of the step at hand. */
export function BenchScreen({ step }: { readonly step: Extract<Step, 'look' | 'match' | 'moments' | 'measure'> }): ReactNode {
  const derived = useDerived();
  const { movement, athlete, reference } = derived;
  const [placing, setPlacing] = useState<PointId | null>(null);
  const view = useView();
  useEffect(() => player.setClips({ movement, athlete, reference }), [movement, athlete, reference]);
  useEffect(() => {
    // Coming to the bench, or changing the way of matching, brings the second clip to the first.
    if (view.mode === 'free') return;
    const { athlete: a, reference: r } = derived;
    const lead = a ?? r;
    if (lead) player.goTo(a ? 'athlete' : 'reference', useView.getState().shown[lead.clip.id] ?? 0);
    // Only the mode brings clips together; edits must not move the pictures.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [view.mode, view.lockMoment]);
  const panes = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // Set beside React: it changes with every picture.
    player.onBusy = (busy) => panes.current?.setAttribute('aria-busy', String(busy));
    return () => {
      player.onBusy = () => undefined;
      player.pause();
    };
  }, []);
  useLayoutEffect(() => {
    // A tool belongs to its step. Before the next event, or it would take away a tool chosen at once.
    setView({ tool: 'move', ...(step === 'look' ? {} : { pass: null }) });
  }, [step]);
  useBenchKeys(derived);
  const currentMoment = currentMomentOf(derived, view.shown);

  return (
    <SessionFrame step={step}>
      <main className="bench">
        <div className="stage">
          <div ref={panes} className={`panes ${view.layout}`} data-testid="panes">
            {ROLES.map((role) => {
              const performance = derived[role];
              return performance ? (
                <ClipPane key={performance.clip.id} role={role} performance={performance} placing={view.activeRole === role ? placing : null} onPlaced={() => setPlacing(null)} editing={step === 'measure' && view.tool === 'points'} measures={step === 'measure'} />
              ) : (
                <div key={role} className="pane-empty">
                  <span>The {role}’s clip belongs here.</span>
                  <Link to={`/s/${derived.session.id}/intake`} style={{ color: '#ffd9a8' }}>Add it at Intake</Link>
                </div>
              );
            })}
          </div>
          <Transport derived={derived} currentMoment={currentMoment} />
          <BenchRibbons derived={derived} currentMoment={currentMoment} />
          {step === 'measure' ? <MeasureCurve derived={derived} /> : <div />}
        </div>
        <aside className="side" aria-label="Panel">
          {step === 'look' && <LookPanel derived={derived} />}
          {step === 'match' && <MatchPanel derived={derived} />}
          {step === 'moments' && <MomentsPanel derived={derived} />}
          {step === 'measure' && <MeasurePanel derived={derived} currentMoment={currentMoment} placing={placing} onPlacing={setPlacing} />}
        </aside>
      </main>
    </SessionFrame>
  );
}

interface ClipPaneProps {
  readonly role: Role;
  readonly performance: Performance;
  readonly placing: PointId | null;
  readonly onPlaced: () => void;
  readonly editing: boolean;
  readonly measures: boolean;
}

function ClipPane({ role, performance, placing, onPlaced, editing, measures }: ClipPaneProps): ReactNode {
  const { movement, judged } = useDerived();
  const { clip } = performance;
  const shown = useView((state) => state.shown[clip.id] ?? 0);
  const overlays = useView((state) => state.overlays);
  const followBody = useView((state) => state.followBody);
  const active = useView((state) => state.activeRole === role);
  const selected = useView((state) => state.selectedMeasure);
  const pass = useView((state) => state.pass);
  const drawings = useDrawings(performance);
  const layout = useView((state) => state.layout);
  const ghost = useView((state) => state.ghost);
  const over = layout === 'over';
  const focusAt = useMemo(() => (over ? anchoredAt(performance, ghost.anchor) : focusOf(performance)), [performance, over, ghost.anchor]);
  const sceneAt = useCallback(
    (frame: number): readonly Primitive[] => {
      if (!overlays) return drawings.sceneAt(frame);
      const chosen = movement.measures.filter((m) =>
        selected ? m.id === selected : measures && momentsOf(m).some((id) => Math.round(performance.marks[id] ?? -1) === frame) && m.importance >= 0.5,
      );
      const drawable = chosen.filter((m) => judged.find((j) => j.measure.id === m.id)?.[role].measurable !== false);
      return [...drawFigure(performance, frame, pass), ...drawable.flatMap((m) => drawMeasure(m, performance, frame)), ...drawings.sceneAt(frame)];
    },
    [overlays, movement, selected, measures, performance, judged, role, pass, drawings],
  );
  const handlesAt = useCallback(
    (frame: number) =>
      editing
        ? JOINT_POINTS.flatMap((id) => {
            const series = performance.raw[id];
            const x = series?.x[frame];
            return series && x !== undefined && !Number.isNaN(x) ? [{ id, x, y: series.y[frame]! }] : [];
          })
        : [],
    [editing, performance],
  );
  const attach = useCallback((painter: (frame: VideoFrame | ImageBitmap, index: number) => void) => player.addPainter(clip.id, painter), [clip.id]);
  const time = timeAtFrame(performance.times, shown);
  return (
    <Pane
      role={role}
      picture={shownAs(clip)}
      sceneAt={sceneAt}
      focusAt={focusAt}
      handlesAt={handlesAt}
      placing={placing}
      active={active}
      followBody={followBody || over}
      ghost={over && role === 'reference' ? (ghost.linesOnly ? 0 : ghost.opacity) : null}
      label={`${role}: ${clip.performer.name}`}
      caption={
        <>
          <strong>{role === 'athlete' ? '\u25cf' : '\u25a0'} {clip.performer.name}</strong>
          <span className="right" data-testid={`frame-${role}`}>frame {shown + 1} of {clip.frameTimes.length}, {(time * 1000).toFixed(0)} ms{clip.captureRate !== clip.fileRate ? ` at ${clip.captureRate} per second` : ''}</span>
        </>
      }
      attach={attach}
      onActivate={() => setView({ activeRole: role })}
      onMovePoint={(id, frame, at) => {
        movePoint(clip, id as PointId, frame, at.x, at.y);
        onPlaced();
      }}
      onViewportByHand={() => setView({ followBody: false })}
      onDraw={drawings.onDraw}
    />
  );
}

