import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useState, type ReactNode } from 'react';
import type { StyleKey } from '../../core/model/slots';
import { DISPLAY_UNITS, withMinusSign } from '../../core/units';
import { ROLE_STYLE } from '../../rendering/role-style';
import { TEXT } from '../../text/charts';
import { LevelTicks } from './level-ticks';

export interface CurveStripProps {
  readonly title: string;
  readonly unit: string;
  /** Times on the athlete's axis (seconds) and values in display units, NaN where missing. */
  readonly curves: readonly {
    readonly role: StyleKey;
    readonly times: readonly number[];
    readonly values: readonly number[];
  }[];
  readonly domain: readonly [number, number];
  readonly moments: readonly { readonly name: string; readonly at: number }[];
  readonly playhead: number | null;
  readonly height: number;
  /** Says seconds below: for a strip that stands alone. */
  readonly seconds?: boolean;
  readonly onScrub: (at: number) => void;
}

const MARGIN = { left: 64, right: 10, top: 18, bottom: 16 };

/** A measure through the movement for both performers, in matched time. */
export function CurveStrip(props: CurveStripProps): ReactNode {
  const [width, setWidth] = useState(600);
  const measure = (element: SVGSVGElement | null): (() => void) | undefined => {
    if (!element) return undefined;
    const observer = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width));
    observer.observe(element);
    return () => observer.disconnect();
  };
  const inside = props.curves.flatMap((c) =>
    c.values.filter((v, i) => !Number.isNaN(v) && c.times[i]! >= props.domain[0] && c.times[i]! <= props.domain[1]),
  );
  const x = scaleLinear()
    .domain(props.domain)
    .range([MARGIN.left, Math.max(MARGIN.left + 20, width - MARGIN.right)]);
  const y = scaleLinear()
    .domain(inside.length ? [Math.min(...inside), Math.max(...inside)] : [0, 1])
    .nice(4)
    .range([props.height - MARGIN.bottom, MARGIN.top]);
  return (
    <svg
      ref={measure}
      className="curve-strip"
      height={props.height}
      role="img"
      aria-label={TEXT.titleAllPerformersThroughMovement(props.title)}
      onPointerDown={(event) =>
        props.onScrub(x.invert(event.clientX - event.currentTarget.getBoundingClientRect().left))
      }
    >
      <text className="title" x={MARGIN.left} y={12}>
        {props.title}
      </text>
      <LevelTicks y={y} count={3} from={MARGIN.left} to={width - MARGIN.right} textOf={(t) => `${t}${props.unit}`} />
      {props.seconds &&
        x.ticks(8).map((t) => (
          <g key={t} className="tick">
            <line x1={x(t)} x2={x(t)} y1={props.height - MARGIN.bottom} y2={props.height - MARGIN.bottom + 3} />
            <text x={x(t)} y={props.height - 2} textAnchor="middle">
              {withMinusSign(`${t}${DISPLAY_UNITS.s.suffix}`)}
            </text>
          </g>
        ))}
      {props.moments.map((moment) => (
        <g key={moment.name} className="moment">
          <title>{moment.name}</title>
          <line x1={x(moment.at)} x2={x(moment.at)} y1={MARGIN.top} y2={props.height - MARGIN.bottom} />
        </g>
      ))}
      {props.curves.map((curve) => {
        const points = curve.times.map((t, i): [number, number] => [t, curve.values[i]!]);
        const d = line<[number, number]>()
          .defined(([t, v]) => !Number.isNaN(v) && t >= props.domain[0] && t <= props.domain[1])
          .x(([t]) => x(t))
          .y(([, v]) => y(v))(points);
        const style = ROLE_STYLE[curve.role];
        return (
          <path
            key={curve.role}
            d={d ?? ''}
            fill="none"
            stroke={style.onPaper}
            strokeWidth={2}
            strokeDasharray={style.dash.join(' ')}
            strokeLinecap={style.cap}
          />
        );
      })}
      {props.playhead !== null && (
        <line
          className="playhead"
          x1={x(props.playhead)}
          x2={x(props.playhead)}
          y1={MARGIN.top - 4}
          y2={props.height - MARGIN.bottom + 4}
        />
      )}
    </svg>
  );
}
