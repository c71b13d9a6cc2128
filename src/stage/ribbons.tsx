import { scaleLinear } from 'd3-scale';
import { useRef, useState, type PointerEvent, type ReactNode } from 'react';
import type { Role } from '../core/model/clip';
import { ROLE_STYLE } from './role-style';

/** One clip on the common time axis; positions are seconds on that axis. */
export interface RibbonClip {
  readonly role: Role;
  readonly label: string;
  readonly start: number;
  readonly end: number;
  readonly pins: readonly { readonly moment: string; readonly name: string; readonly at: number }[];
  readonly playhead: number | null;
}

export interface RibbonsProps {
  readonly clips: readonly RibbonClip[];
  readonly phases: readonly { readonly from: string; readonly to: string; readonly name: string }[];
  /** Difference in ms, athlete minus reference since the first common moment, by moment. */
  readonly threads: readonly { readonly moment: string; readonly text: string }[];
  readonly currentMoment: string | null;
  readonly onScrub: (role: Role, at: number) => void;
  readonly onPinMove: (role: Role, moment: string, at: number) => void;
  readonly onPinSelect: (role: Role, moment: string) => void;
}

const HEIGHT = 128;
const ROW = { athlete: 26, reference: 86 } as const;
const BAR = 18;
const MARGIN = { left: 92, right: 16 };
/** Shades that tell neighbouring phases apart without naming good or bad. */
const PHASE_SHADES = ['#dcd6c8', '#cfd8d6', '#e3dcc9', '#c9d3da', '#d9d2d9'];

/** Pixels that the number on a thread takes. */
const LABEL_WIDTH = 52;

/** Threads from left to right; a number that would lie on its neighbour's goes a row up or down. */
function inRows<T extends { readonly moment: string; readonly text: string }>(threads: readonly T[], middleOf: (moment: string) => number, x: (at: number) => number): readonly (T & { row: number })[] {
  const ends: [number, number][] = [[0, -Infinity], [-1, -Infinity], [1, -Infinity]];
  return threads.map((thread) => {
    const at = x(middleOf(thread.moment));
    const free = thread.text === '' ? ends[0]! : (ends.find(([, end]) => at - LABEL_WIDTH / 2 >= end) ?? ends[0]!);
    if (thread.text !== '') free[1] = at + LABEL_WIDTH / 2;
    return { ...thread, row: free[0] };
  });
}

/** The two clips' phases and moments on one time axis; also the scrubber. */
export function Ribbons(props: RibbonsProps): ReactNode {
  const svg = useRef<SVGSVGElement>(null);
  const [dragged, setDragged] = useState<{ role: Role; moment: string; at: number } | null>(null);
  const scrubbing = useRef<Role | null>(null);
  const [width, setWidth] = useState(900);
  const measure = (element: SVGSVGElement | null): (() => void) | undefined => {
    svg.current = element;
    if (!element) return undefined;
    const observer = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width));
    observer.observe(element);
    return () => observer.disconnect();
  };
  const domain = [Math.min(...props.clips.map((c) => c.start)), Math.max(...props.clips.map((c) => c.end))];
  const x = scaleLinear().domain(domain).range([MARGIN.left, Math.max(MARGIN.left + 50, width - MARGIN.right)]);
  const timeAt = (event: PointerEvent): number => x.invert(event.clientX - svg.current!.getBoundingClientRect().left);
  const pinAt = (clip: RibbonClip, moment: string): number | undefined =>
    dragged?.role === clip.role && dragged.moment === moment ? dragged.at : clip.pins.find((p) => p.moment === moment)?.at;
  const of = (role: Role): RibbonClip | undefined => props.clips.find((c) => c.role === role);
  const athlete = of('athlete');
  const reference = of('reference');

  const onMove = (event: PointerEvent): void => {
    if (dragged) {
      const clip = of(dragged.role)!;
      setDragged({ ...dragged, at: Math.min(clip.end, Math.max(clip.start, timeAt(event))) });
    } else if (scrubbing.current) props.onScrub(scrubbing.current, timeAt(event));
  };
  const onUp = (): void => {
    if (dragged) props.onPinMove(dragged.role, dragged.moment, dragged.at);
    setDragged(null);
    scrubbing.current = null;
  };

  return (
    <svg ref={measure} className="ribbons" height={HEIGHT} role="group" aria-label="Time of both clips" onPointerMove={onMove} onPointerUp={onUp} onPointerCancel={onUp}>
      {x.ticks(Math.max(4, Math.floor(width / 110))).map((t) => (
        <g key={t} className="tick">
          <line x1={x(t)} x2={x(t)} y1={14} y2={HEIGHT - 16} />
          <text x={x(t)} y={HEIGHT - 4}>{t.toFixed(1)} s</text>
        </g>
      ))}
      {athlete &&
        reference &&
        inRows(props.threads, (moment) => (pinAt(athlete, moment) ?? 0) / 2 + (pinAt(reference, moment) ?? 0) / 2, x).map(({ moment, text, row }) => {
          const a = pinAt(athlete, moment);
          const b = pinAt(reference, moment);
          if (a === undefined || b === undefined) return null;
          return (
            <g key={moment} className={moment === props.currentMoment ? 'thread current' : 'thread'}>
              <line x1={x(a)} y1={ROW.athlete + BAR} x2={x(b)} y2={ROW.reference} />
              <text x={(x(a) + x(b)) / 2} y={(ROW.athlete + BAR + ROW.reference) / 2 + 4 + row * 12}>{text}</text>
            </g>
          );
        })}
      {props.clips.map((clip) => {
        const y = ROW[clip.role];
        const style = ROLE_STYLE[clip.role];
        return (
          <g key={clip.role}>
            <text className="ribbon-name" x={8} y={y + 13} fill={style.onPaper}>{clip.label}</text>
            <rect
              data-testid={`ribbon-${clip.role}`}
              className="bar"
              x={x(clip.start)}
              y={y}
              width={Math.max(1, x(clip.end) - x(clip.start))}
              height={BAR}
              rx={clip.role === 'athlete' ? BAR / 2 : 1}
              onPointerDown={(event) => {
                svg.current!.setPointerCapture(event.pointerId);
                scrubbing.current = clip.role;
                props.onScrub(clip.role, timeAt(event));
              }}
            />
            {props.phases.map((phase, i) => {
              const from = pinAt(clip, phase.from);
              const to = pinAt(clip, phase.to);
              if (from === undefined || to === undefined || to <= from) return null;
              const wide = x(to) - x(from);
              return (
                <g key={phase.from} className="phase">
                  <rect x={x(from)} y={y} width={wide} height={BAR} fill={PHASE_SHADES[i % PHASE_SHADES.length]} />
                  {wide > phase.name.length * 6.2 && <text x={x(from) + wide / 2} y={y + 13}>{phase.name}</text>}
                </g>
              );
            })}
            {clip.pins.map((pin) => {
              const at = x(pinAt(clip, pin.moment)!);
              const tip = clip.role === 'athlete' ? y - 7 : y + BAR + 7;
              return (
                <g
                  key={pin.moment}
                  className={pin.moment === props.currentMoment ? 'pin current' : 'pin'}
                  data-testid={`pin-${clip.role}-${pin.moment}`}
                  onPointerDown={(event) => {
                    event.stopPropagation();
                    svg.current!.setPointerCapture(event.pointerId);
                    props.onPinSelect(clip.role, pin.moment);
                    setDragged({ role: clip.role, moment: pin.moment, at: pin.at });
                  }}
                >
                  <title>{pin.name}</title>
                  <line x1={at} x2={at} y1={y - 3} y2={y + BAR + 3} stroke={style.onPaper} />
                  {style.mark === 'circle' ? (
                    <circle cx={at} cy={tip} r={5.5} fill={style.onPaper} />
                  ) : (
                    <rect x={at - 5} y={tip - 5} width={10} height={10} fill={style.onPaper} />
                  )}
                </g>
              );
            })}
            {clip.playhead !== null && (
              <line className="playhead" x1={x(clip.playhead)} x2={x(clip.playhead)} y1={y - 5} y2={y + BAR + 5} />
            )}
          </g>
        );
      })}
    </svg>
  );
}
