import { scaleLinear } from 'd3-scale';
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { CameraStrip } from './camera-strip';
import { SOUND_HEIGHT, SoundStrip } from './sound-strip';
import { RibbonThreads } from './ribbon-threads';
import { ROLE_STYLE } from '../../rendering/role-style';
import type { RibbonClip, RibbonsProps } from './ribbons-props';
import { TEXT } from '../../text/charts';

const TOP = 26;

const BAR = 18;

/** From one ribbon to the next, without thumbnails. */
const PITCH = 60;

const BOTTOM = 26;

const MARGIN = { left: 92, right: 16 };

/** Shades that tell neighbouring phases apart without naming good or bad. */
const PHASE_SHADES = ['#dcd6c8', '#cfd8d6', '#e3dcc9', '#c9d3da', '#d9d2d9'];

type Held =
  | { kind: 'pin'; clipId: string; moment: string; at: number; moved: boolean }
  | { kind: 'scrub'; clipId: string }
  | { kind: 'pan'; from: number };

/**
 * The trials' phases and moments on one time axis; also the scrubber. The wheel zooms, dragging beside the bars
 * pans.
 */
export function Ribbons(props: RibbonsProps): ReactNode {
  const svg = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<Held | null>(null);
  const [width, setWidth] = useState(900);
  const soundHeight = props.clips.some((clip) => clip.sound) ? SOUND_HEIGHT : 0;
  const pitch = PITCH + props.thumbnailHeight + soundHeight;
  const height = TOP + (props.clips.length - 1) * pitch + BAR + props.thumbnailHeight + soundHeight + BOTTOM;
  const x = scaleLinear()
    .domain([...props.domain])
    .range([MARGIN.left, Math.max(MARGIN.left + 50, width - MARGIN.right)]);
  const rowOf = (clipId: string): number =>
    TOP +
    pitch *
      Math.max(
        0,
        props.clips.findIndex((c) => c.id === clipId),
      );
  const timeAt = (event: { readonly clientX: number }): number =>
    x.invert(event.clientX - svg.current!.getBoundingClientRect().left);
  const pinAt = (clip: RibbonClip, moment: string): number | undefined =>
    held?.kind === 'pin' && held.clipId === clip.id && held.moment === moment
      ? held.at
      : clip.pins.find((p) => p.moment === moment)?.at;

  useEffect(() => {
    const element = svg.current!;
    const observer = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);

  const { domain, onDomain } = props;
  useEffect(() => {
    // React's wheel listener is passive; zooming must keep the page from scrolling.
    const element = svg.current!;
    const onWheel = (event: WheelEvent): void => {
      event.preventDefault();
      const at = scaleLinear()
        .domain([...domain])
        .range([MARGIN.left, Math.max(MARGIN.left + 50, width - MARGIN.right)])
        .invert(event.clientX - element.getBoundingClientRect().left);
      const factor = Math.exp(event.deltaY * 0.0015);
      onDomain([at - (at - domain[0]) * factor, at + (domain[1] - at) * factor]);
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  }, [domain, onDomain, width]);

  const holdPin = (clipId: string, moment: string, at: number): void =>
    props.onPinHeld({ clipId, moment, at, x: x(at) });
  const onMove = (event: PointerEvent): void => {
    if (!held) return;
    if (held.kind === 'scrub') return props.onScrub(held.clipId, timeAt(event));
    if (held.kind === 'pan') {
      const by = held.from - timeAt(event);
      return props.onDomain([domain[0] + by, domain[1] + by]);
    }
    const clip = props.clips.find((c) => c.id === held.clipId)!;
    const at = Math.min(clip.end, Math.max(clip.start, timeAt(event)));
    setHeld({ ...held, at, moved: true });
    holdPin(held.clipId, held.moment, at);
  };
  const onUp = (): void => {
    if (held?.kind === 'pin') {
      if (held.moved) props.onPinMove(held.clipId, held.moment, held.at);
      props.onPinHeld(null);
    }
    setHeld(null);
  };
  const onPinKey = (event: KeyboardEvent, clip: RibbonClip, moment: string): void => {
    const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (step === undefined && event.key !== 'Delete' && event.key !== 'Backspace' && event.key !== 'Enter') return;
    event.preventDefault();
    // The same keys step the pictures elsewhere on the bench.
    event.stopPropagation();
    if (event.key === 'Enter') props.onPinSelect(clip.id, moment);
    else if (step === undefined) props.onPinRemove(clip.id, moment);
    else props.onPinStep(clip.id, moment, event.shiftKey ? step / 10 : step);
  };

  const inside = (at: number): boolean => at >= domain[0] && at <= domain[1];
  return (
    <svg
      ref={svg}
      className="ribbons"
      height={height}
      role="group"
      aria-label={TEXT.timeOfAllClips}
      onPointerMove={onMove}
      onPointerUp={onUp}
      onPointerCancel={onUp}
      onPointerDown={(event) => {
        svg.current!.setPointerCapture(event.pointerId);
        setHeld({ kind: 'pan', from: timeAt(event) });
      }}
    >
      <clipPath id="ribbon-span">
        <rect x={MARGIN.left - 8} y={0} width={Math.max(1, width - MARGIN.left - MARGIN.right + 16)} height={height} />
      </clipPath>
      {x.ticks(Math.max(4, Math.floor(width / 110))).map((t) => (
        <g key={t} className="tick">
          <line x1={x(t)} x2={x(t)} y1={14} y2={height - 16} />
          <text x={x(t)} y={height - 4}>
            {t.toFixed(domain[1] - domain[0] < 0.5 ? 2 : 1)} s
          </text>
        </g>
      ))}
      <g clipPath="url(#ribbon-span)">
        <RibbonThreads
          threads={props.threads}
          currentEvent={props.currentEvent}
          rows={props.clips.map((clip) => ({
            top: rowOf(clip.id),
            bottom: rowOf(clip.id) + BAR + props.thumbnailHeight,
            xOf: (moment) => {
              const at = pinAt(clip, moment);
              return at === undefined ? undefined : x(at);
            },
          }))}
        />
        {props.clips.map((clip) => {
          const y = rowOf(clip.id);
          const style = ROLE_STYLE[clip.styleKey];
          return (
            <g key={clip.id}>
              <rect
                data-testid={`ribbon-${clip.id}`}
                className="bar"
                x={x(clip.start)}
                y={y}
                width={Math.max(1, x(clip.end) - x(clip.start))}
                height={BAR + props.thumbnailHeight}
                rx={style.mark === 'circle' ? BAR / 2 : 1}
                onPointerDown={(event) => {
                  event.stopPropagation();
                  svg.current!.setPointerCapture(event.pointerId);
                  setHeld({ kind: 'scrub', clipId: clip.id });
                  props.onScrub(clip.id, timeAt(event));
                }}
              />
              {props.thumbnailHeight > 0 &&
                clip.thumbnails
                  .filter(({ at }) => inside(at))
                  .map(({ at, address }) => (
                    <image
                      key={address}
                      href={address}
                      x={x(at) - props.thumbnailHeight / 2}
                      y={y + BAR}
                      height={props.thumbnailHeight}
                      width={props.thumbnailHeight}
                      preserveAspectRatio="xMidYMid slice"
                    />
                  ))}
              {props.phases.map((phase, i) => {
                const from = pinAt(clip, phase.from);
                const to = pinAt(clip, phase.to);
                if (from === undefined || to === undefined || to <= from) return null;
                const wide = x(to) - x(from);
                return (
                  <g key={phase.from} className="phase">
                    <rect x={x(from)} y={y} width={wide} height={BAR} fill={PHASE_SHADES[i % PHASE_SHADES.length]} />
                    {wide > phase.name.length * 6.2 && (
                      <text x={x(from) + wide / 2} y={y + 13}>
                        {phase.name}
                      </text>
                    )}
                  </g>
                );
              })}
              <CameraStrip id={clip.id} stretches={clip.camera} x={x} y={y + BAR + props.thumbnailHeight + 2} />
              {clip.sound && (
                <SoundStrip
                  id={clip.id}
                  sound={clip.sound}
                  x={x}
                  y={y + BAR + props.thumbnailHeight + 8}
                  from={Math.max(clip.start, domain[0])}
                  to={Math.min(clip.end, domain[1])}
                />
              )}
              {clip.gaps.filter(inside).map((at) => (
                <rect
                  key={at}
                  className="gap"
                  data-testid={`gap-${clip.id}`}
                  x={x(at) - 1.5}
                  y={y}
                  width={3}
                  height={BAR}
                >
                  <title>{TEXT.frameThatCannotBeDecoded}</title>
                </rect>
              ))}
              {clip.pins.map((pin) => {
                const at = x(pinAt(clip, pin.moment)!);
                const above = style.mark === 'circle';
                const tip = above ? y - 7 : y + BAR + 7;
                return (
                  <g
                    key={pin.moment}
                    className={pin.moment === props.currentEvent ? 'pin current' : 'pin'}
                    data-testid={`pin-${clip.id}-${pin.moment}`}
                    role="button"
                    tabIndex={0}
                    aria-label={TEXT.nameLabelArrowsMoveIt(pin.name, clip.label)}
                    onKeyDown={(event) => onPinKey(event, clip, pin.moment)}
                    onFocus={(event) => {
                      // A press holds the pin by itself; the keyboard shows the frames around it as well.
                      if ((event.target as Element).matches(':focus-visible')) holdPin(clip.id, pin.moment, pin.at);
                    }}
                    onBlur={() => props.onPinHeld(null)}
                    onPointerDown={(event) => {
                      event.stopPropagation();
                      svg.current!.setPointerCapture(event.pointerId);
                      props.onPinSelect(clip.id, pin.moment);
                      setHeld({ kind: 'pin', clipId: clip.id, moment: pin.moment, at: pin.at, moved: false });
                    }}
                  >
                    <title>{pin.name}</title>
                    <line x1={at} x2={at} y1={y - 3} y2={y + BAR + 3} stroke={style.onPaper} />
                    {above ? (
                      <circle cx={at} cy={tip} r={5.5} fill={style.onPaper} />
                    ) : (
                      <rect x={at - 5} y={tip - 5} width={10} height={10} fill={style.onPaper} />
                    )}
                  </g>
                );
              })}
              {clip.playhead !== null && (
                <line
                  className="playhead"
                  x1={x(clip.playhead)}
                  x2={x(clip.playhead)}
                  y1={y - 5}
                  y2={y + BAR + props.thumbnailHeight + 5}
                />
              )}
            </g>
          );
        })}
      </g>
      {props.clips.map((clip) => (
        <text
          key={clip.id}
          className="ribbon-name"
          x={8}
          y={rowOf(clip.id) + 13}
          style={{ fill: ROLE_STYLE[clip.styleKey].onPaper }}
        >
          {clip.label}
        </text>
      ))}
    </svg>
  );
}
