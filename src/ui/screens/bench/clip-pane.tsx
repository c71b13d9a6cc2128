import CloseIcon from '@mui/icons-material/Close';
import TimelineIcon from '@mui/icons-material/Timeline';
import IconButton from '@mui/material/IconButton';
import { useCallback, useMemo, type ReactNode } from 'react';
import { clipScene } from '../../../core/scene/clip-scene';
import { asFilmed } from '../../../core/trial/places';
import type { Primitive } from '../../../core/geometry/primitives';
import { JOINT_POINTS, type PointId } from '../../../core/anatomy/body-points';
import { timeAtFrame } from '../../../core/timing/clip-time';
import { Pane } from '../../components/pane';
import type { PanePainter } from '../../components/pane-props';
import { player } from '../../../application/bench/bench-player';
import type { BenchClip } from '../../../application/bench/bench-clips';
import { activeOf } from '../../../application/analysis/derived';
import { useDerived } from '../../../application/analysis/use-derived';
import { placePointAt } from '../../../application/tracks/point-work';
import { shownPanes } from '../../../application/talk/talk-recorder';
import { changeClip } from '../../../application/clips/clip-use-cases';
import { setPointWork, setView, togglePlain, useView } from '../../../application/stores/view-store';
import { rateText } from '../../components/format';
import { clipName, VIEW_NAMES } from '../../components/clip-name';
import { anchoredAt, focusOf, heldGround, shownAs } from '../../../rendering/focus';
import { useDrawing } from './use-drawing';
import { TEXT } from '../../../text/screens/bench/playing';

interface ClipPaneProps {
  readonly on: BenchClip;
  /** How many panes lie under this one where they are laid over each other. */
  readonly below: number;
  readonly editing: boolean;
  readonly measures: boolean;
}

/** One clip's picture with its lines, its name and its time. */
export function ClipPane({ on, below, editing, measures }: ClipPaneProps): ReactNode {
  const derived = useDerived();
  const { session, movement, judged, panes } = derived;
  const { trial } = on;
  const { clip } = trial;
  const overlays = useView((state) => state.overlays && !state.plain.includes(clip.id));
  const followBody = useView((state) => state.followBody);
  const holdGround = useView((state) => state.holdGround);
  const active = useView((state) => activeOf(derived, state.activeClip) === on);
  const chosenPoint = useView((state) => state.pointWork.id);
  const isPlacing = useView((state) => state.pointWork.placing);
  const placing = editing && active && isPlacing ? chosenPoint : null;
  const selected = useView((state) => state.selectedMeasure);
  const pass = useView((state) => state.pass);
  const underway = useDrawing(trial);
  const drawings = useMemo(() => session.drawings.filter((d) => d.clipId === clip.id), [session.drawings, clip.id]);
  const layout = useView((state) => state.layout);
  const ghost = useView((state) => state.ghost);
  const over = layout === 'over';
  const sizeBy = useView((state) => state.sizeBy);
  const focusAt = useMemo(
    () =>
      over
        ? anchoredAt(trial, ghost.anchor, sizeBy)
        : ((holdGround ? heldGround(trial, sizeBy) : null) ?? focusOf(trial, sizeBy)),
    [trial, over, holdGround, ghost.anchor, sizeBy],
  );
  const sceneAt = useCallback(
    (frame: number): readonly Primitive[] => [
      ...clipScene({ movement, judged, trial, beside: !on.join && on.id !== clip.role, drawings }, frame, {
        body: overlays,
        selected,
        measures,
        lit: pass,
      }),
      ...underway.sceneAt(frame),
    ],
    [overlays, movement, selected, measures, trial, judged, clip, on, pass, drawings, underway],
  );
  const handlesAt = useCallback(
    (frame: number) =>
      editing
        ? [...JOINT_POINTS, ...movement.points.map((p) => p.id)].flatMap((id) => {
            const series = trial.raw[id];
            const x = series?.x[frame];
            return series && x !== undefined && !Number.isNaN(x)
              ? [{ id, ...asFilmed(trial, frame, { x, y: series.y[frame]! }) }]
              : [];
          })
        : [],
    [editing, trial, movement],
  );
  const attach = useCallback((painter: PanePainter) => player.addPainter(clip.id, painter), [clip.id]);
  const picture = useMemo(() => shownAs(clip), [clip]);
  const plain = useView((state) => state.plain.includes(clip.id));
  const acts = (
    <>
      <IconButton
        size="small"
        title={plain ? TEXT.linesOfThisPictureOn : TEXT.linesOfThisPictureOff}
        aria-label={TEXT.linesOfClipName(clipName(on))}
        aria-pressed={!plain}
        onClick={() => togglePlain(clip.id)}
      >
        <TimelineIcon fontSize="inherit" />
      </IconButton>
      {panes.length > 2 && (
        <IconButton
          size="small"
          title={TEXT.closeThisPicture}
          aria-label={TEXT.closeClipName(clipName(on))}
          onClick={() => changeClip(clip.id, { onBench: false })}
        >
          <CloseIcon fontSize="inherit" />
        </IconButton>
      )}
    </>
  );
  return (
    <Pane
      id={on.id}
      styleKey={on.styleKey}
      picture={picture}
      sceneAt={sceneAt}
      focusAt={focusAt}
      handlesAt={handlesAt}
      placing={placing}
      chosen={editing && active ? chosenPoint : null}
      onChoosePoint={(id) => setPointWork({ id: id as PointId })}
      active={active}
      followBody={followBody || over}
      ghost={over && below > 0 ? (ghost.show === 'lines' ? 0 : ghost.opacity) : null}
      below={over ? below : 0}
      edges={over && below > 0 && ghost.show === 'edges'}
      label={`${clipName(on)}: ${clip.performer.name}`}
      caption={
        <>
          <strong>
            {clip.role === 'athlete' ? '\u25cf' : '\u25a0'} {clip.performer.name}
          </strong>
          {panes.length > 2 && <span>{VIEW_NAMES[clip.view.kind]}</span>}
          <FrameAndTime on={on} short={panes.length > 2} />
        </>
      }
      acts={acts}
      attach={attach}
      onDetail={(detail) => player.setDetail(clip.id, detail)}
      onPainted={(canvas, painted) =>
        painted ? shownPanes.painted(clip.id, canvas, painted) : shownPanes.gone(clip.id)
      }
      onActivate={() => setView({ activeClip: clip.id })}
      onMovePoint={(id, frame, at) => {
        placePointAt(movement, trial, id as PointId, frame, at);
      }}
      onViewportByHand={() => setView({ followBody: false })}
      onDraw={underway.onDraw}
    />
  );
}

/** Where a clip stands; the only part of a pane that changes with every picture. */
function FrameAndTime({ on, short }: { readonly on: BenchClip; readonly short: boolean }): ReactNode {
  const { clip, times } = on.trial;
  const shown = useView((state) => state.shown[clip.id] ?? 0);
  if (clip.pictures)
    return (
      <span className="right" data-testid={`frame-${on.id}`}>
        {TEXT.pictureShownOfCount(shown + 1, clip.frameTimes.length)}
      </span>
    );
  return (
    <span className="right" data-testid={`frame-${on.id}`}>
      {TEXT.frameAndTime(
        shown + 1,
        short ? '' : TEXT.ofCount(clip.frameTimes.length),
        (timeAtFrame(times, shown) * 1000).toFixed(0),
        short && clip.captureRate === clip.fileRate && clip.rateChanges.length === 0
          ? ''
          : TEXT.atRateText(rateText(clip)),
      )}
    </span>
  );
}
