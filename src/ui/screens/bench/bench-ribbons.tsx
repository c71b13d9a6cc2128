import { useCallback, useState, type ReactNode } from 'react';
import { cameraStretches, type CameraStretch } from '../../../core/calibration/camera-rates';
import { frameAtTime, nearestFrame, timeAtFrame } from '../../../core/timing/clip-time';
import { eventTimes } from '../../../core/trial/key-events';
import type { Trial } from '../../../core/trial/trial';
import type { Thread } from '../../charts/ribbon-threads';
import { Ribbons } from '../../charts/ribbons';
import type { HeldPin, RibbonClip } from '../../charts/ribbons-props';
import { player } from '../../../application/bench/bench-player';
import type { BenchClip } from '../../../application/bench/bench-clips';
import type { Derived } from '../../../application/analysis/derived';
import { markEvent } from '../../../application/events/event-use-cases';
import { soundOf, useSounds, type ClipSound } from '../../../application/clips/clip-sounds';
import { setView, useView, type ViewState } from '../../../application/stores/view-store';
import { signedMilliseconds } from '../../components/format';
import { PinLoupe } from './pin-loupe';
import { fromAxis, ribbonClips, showSpan, shownSpan, toAxis } from './ribbon-span';
import { THUMBNAIL_HEIGHT, useThumbnails, type Thumbnails } from './use-thumbnails';
import { TEXT } from '../../../text/screens/bench/playing';

/**
 * All trials on the leading clip's time. The others are laid on it through the current map: matched threads stand
 * upright, locked ones lean by what is early or late.
 */
export function BenchRibbons({
  derived,
  currentEvent,
}: {
  readonly derived: Derived;
  readonly currentEvent: string | null;
}): ReactNode {
  const { movement } = derived;
  const view = useView();
  const [heldPin, setHeld] = useState<HeldPin | null>(null);
  const thumbnails = useThumbnails(derived);
  const sounds = useSounds();
  const onDomain = useCallback((domain: readonly [number, number]) => showSpan(derived, domain), [derived]);
  const on = ribbonClips(derived);
  // A clip that was removed takes its pin along.
  const held = heldPin && on.some((c) => c.id === heldPin.clipId) ? heldPin : null;
  if (on.length === 0) return <div />;
  const trialOf = (id: string): Trial => on.find((c) => c.id === id)!.trial;
  const clipId = (id: string): string => trialOf(id).clip.id;
  const frameAt = (id: string, at: number): number => {
    const { times } = trialOf(id);
    return Math.min(times.length - 1, Math.max(0, Math.round(frameAtTime(times, fromAxis(trialOf(id), at)))));
  };
  const mark = (id: string, moment: string, frame: number): void => {
    const { clip, marks, times } = trialOf(id);
    const inside = Math.min(times.length - 1, Math.max(0, frame));
    if (inside === marks[moment]) return;
    markEvent(clip.id, moment, inside);
    player.goTo(clip.id, Math.round(inside));
  };
  const heldFrame = held && frameAt(held.clipId, held.at);
  return (
    <div className="ribbon-frame">
      {held && heldFrame !== null && <PinLoupe trial={trialOf(held.clipId)} frame={heldFrame} x={held.x} />}
      <Ribbons
        clips={on.map((clip) => ({
          ...ribbonOf(clip, derived, view, thumbnails),
          sound: view.waves ? levelsAlong(clip.trial, soundOf(sounds, clip.trial.clip)) : null,
        }))}
        phases={movement.phases}
        threads={threadsOf(derived, on, view.mode === 'locked' ? view.lockEvent : null)}
        currentEvent={currentEvent}
        domain={shownSpan(derived)}
        thumbnailHeight={view.thumbnails ? THUMBNAIL_HEIGHT : 0}
        onDomain={onDomain}
        onScrub={(id, at) => {
          setView({ activeClip: clipId(id) });
          player.goTo(clipId(id), nearestFrame(trialOf(id).times, fromAxis(trialOf(id), at)));
        }}
        onPinMove={(id, moment, at) => mark(id, moment, frameAt(id, at))}
        onPinStep={(id, moment, frames) => {
          // A whole step goes from frame to frame as they were marked; a part of one from where the event lies.
          const marked = derived.session.marks[clipId(id)]?.[moment]?.frame;
          const from = Number.isInteger(frames) && marked !== undefined ? marked : trialOf(id).marks[moment]!;
          const frame = Math.round((from + frames) * 10) / 10;
          mark(id, moment, frame);
          if (held) setHeld({ ...held, at: toAxis(trialOf(id), timeAtFrame(trialOf(id).times, frame)) });
        }}
        onPinRemove={(id, moment) => markEvent(clipId(id), moment, null)}
        onPinSelect={(id, moment) => {
          setView({ activeClip: clipId(id) });
          player.goTo(clipId(id), Math.round(trialOf(id).marks[moment]!));
        }}
        onPinHeld={setHeld}
      />
    </div>
  );
}

function ribbonOf(
  { id, styleKey, trial }: BenchClip,
  { movement }: Derived,
  { shown, gaps }: Pick<ViewState, 'shown' | 'gaps'>,
  thumbnails: Thumbnails,
): Omit<RibbonClip, 'sound'> {
  const { times, clip, marks } = trial;
  const axis = (frame: number): number => toAxis(trial, timeAtFrame(times, frame));
  return {
    id,
    styleKey,
    label: clip.performer.name.split(' ')[0]!.slice(0, 11),
    start: axis(0),
    end: axis(times.length - 1),
    pins: movement.moments.flatMap((m) =>
      marks[m.id] === undefined ? [] : [{ moment: m.id, name: m.name, at: axis(marks[m.id]!) }],
    ),
    playhead: axis(shown[clip.id] ?? 0),
    thumbnails: (thumbnails[clip.id] ?? []).map(({ frame, address }) => ({ at: axis(frame), address })),
    gaps: (gaps[clip.id] ?? []).map(axis),
    camera: cameraStretches(clip.camera, times).map((stretch) => ({
      from: axis(stretch.from),
      to: axis(stretch.to),
      strength: stretch.holds ? Math.min(1, Math.max(stretch.shifts, Math.abs(stretch.zooms)) / FULL_STRIP) : null,
      words: cameraStretchText(stretch),
    })),
  };
}

/** How loud a clip is along the axis of the ribbons. */
const levelsAlong = (trial: Trial, sound: ClipSound | null): RibbonClip['sound'] =>
  sound && { levels: sound.levels, timeAt: (at) => fromAxis(trial, at) };

/** Shift in widths, or growth, a second at which the strip of a camera is darkest. */
const FULL_STRIP = 0.6;

function cameraStretchText({ turns, shifts, zooms, holds }: CameraStretch): string {
  if (!holds) return TEXT.nothingThatStandsStillGives;
  const moves = Number.isNaN(turns)
    ? TEXT.followsAtShiftsWidthsSecond(shifts.toFixed(2))
    : TEXT.turnsAtTurnsDegreesSecond(((turns * 180) / Math.PI).toFixed(0));
  const percent = Math.round(100 * Math.expm1(zooms));
  const zoom =
    percent === 0
      ? ''
      : percent > 0
        ? TEXT.zoomsInByPercentSecond(Math.abs(percent))
        : TEXT.zoomsOutByPercentSecond(Math.abs(percent));
  return TEXT.cameraMovesZoom(moves, zoom);
}

/**
 * How much earlier or later the first trial is at each moment than every other one, since a moment that both
 * have.
 */
function threadsOf({ movement }: Derived, on: readonly BenchClip[], zeroAt: string | null): readonly Thread[] {
  const [first, ...others] = on.map((c) => eventTimes(c.trial));
  if (!first || on[0]!.trial.clip.pictures) return [];
  return movement.moments.map(({ id }) => ({
    moment: id,
    texts: others.map((other, k) => {
      if (on[k + 1]!.trial.clip.pictures) return '';
      const common = movement.moments.map((m) => m.id).filter((m) => m in first && m in other);
      const zero = zeroAt !== null && common.includes(zeroAt) ? zeroAt : common[0];
      return zero === undefined || id === zero || !common.includes(id)
        ? ''
        : signedMilliseconds(first[id]! - first[zero]! - (other[id]! - other[zero]!));
    }),
  }));
}
