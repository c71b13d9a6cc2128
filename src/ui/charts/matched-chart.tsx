import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { useState, type ReactNode } from 'react';
import type { StyleKey } from '../../core/model/slots';
import { ROLE_STYLE } from '../../rendering/role-style';
import { useWidth } from './use-width';
import { TEXT } from '../../text/charts';
import { LevelTicks } from './level-ticks';

export interface MatchedChartProps {
  readonly title: string;
  readonly unit: string;
  /** Place of every sample, 0..1. */
  readonly at: ArrayLike<number>;
  /** Values in display units, NaN where missing. */
  readonly curves: readonly {
    readonly styleKey: StyleKey;
    readonly values: ArrayLike<number>;
    readonly faint?: boolean;
  }[];
  /** The band round the reference. */
  readonly band: { readonly low: ArrayLike<number>; readonly high: ArrayLike<number> } | null;
  readonly difference: ArrayLike<number>;
  /** Half width of the band of differences, by sample, and what the error adds; null where they are not known. */
  readonly half: ArrayLike<number> | null;
  readonly error: ArrayLike<number> | null;
  readonly stretches: readonly { readonly from: number; readonly to: number; readonly longest: boolean }[];
  readonly phases: readonly { readonly name: string; readonly from: number; readonly to: number }[];
  readonly onChoose: (sample: number) => void;
}

const MARGIN = { left: 64, right: 12, top: 22 };
const UPPER = 210;
const LOWER = 84;
const PHASES = 34;
const GAP = 16;

/** A measure of both sides in matched time with the range of the reference, and below it what lies between them. */
export function MatchedChart(props: MatchedChartProps): ReactNode {
  const [width, watch] = useWidth(900);
  const [cursor, setCursor] = useState<number | null>(null);
  const n = props.at.length;
  const x = scaleLinear()
    .domain([0, 1])
    .range([MARGIN.left, Math.max(MARGIN.left + 40, width - MARGIN.right)]);
  const known = (lists: readonly ArrayLike<number>[]): number[] =>
    lists.flatMap((list) => Array.from(list).filter((v) => Number.isFinite(v)));
  const all = known([...props.curves.map((c) => c.values), ...(props.band ? [props.band.low, props.band.high] : [])]);
  const y = scaleLinear()
    .domain(all.length ? [Math.min(...all), Math.max(...all)] : [0, 1])
    .nice(5)
    .range([MARGIN.top + UPPER, MARGIN.top]);
  const away = Math.max(1e-9, ...known([props.difference, props.half ?? []]).map(Math.abs));
  const lowerTop = MARGIN.top + UPPER + PHASES + GAP;
  const yd = scaleLinear()
    .domain([-away, away])
    .nice(3)
    .range([lowerTop + LOWER, lowerTop]);
  const samples = Array.from({ length: n }, (_, i) => i);
  const path = (values: ArrayLike<number>, scale: typeof y): string =>
    line<number>()
      .defined((i) => Number.isFinite(values[i]!))
      .x((i) => x(props.at[i]!))
      .y((i) => scale(values[i]!))(samples) ?? '';
  const shape = (low: (i: number) => number, high: (i: number) => number, scale: typeof y): string =>
    area<number>()
      .defined((i) => Number.isFinite(low(i) + high(i)))
      .x((i) => x(props.at[i]!))
      .y0((i) => scale(low(i)))
      .y1((i) => scale(high(i)))(samples) ?? '';
  const sampleAt = (clientX: number, element: SVGSVGElement): number => {
    const place = x.invert(clientX - element.getBoundingClientRect().left);
    return samples.reduce(
      (best, i) => (Math.abs(props.at[i]! - place) < Math.abs(props.at[best]! - place) ? i : best),
      0,
    );
  };
  const height = lowerTop + LOWER + 10;
  const text = (value: number): string =>
    Number.isFinite(value) ? `${value.toFixed(Math.abs(value) < 10 ? 1 : 0)}${props.unit}` : '–';
  return (
    <svg
      ref={watch}
      className="curve-strip matched-chart"
      height={height}
      role="img"
      aria-label={TEXT.titleBothSidesInMatched(props.title)}
      onPointerMove={(event) => setCursor(sampleAt(event.clientX, event.currentTarget))}
      onPointerLeave={() => setCursor(null)}
      onClick={(event) => props.onChoose(sampleAt(event.clientX, event.currentTarget))}
    >
      <text className="title" x={MARGIN.left} y={14}>
        {props.title}
      </text>
      <LevelTicks y={y} count={5} from={MARGIN.left} to={width - MARGIN.right} textOf={(t) => `${t}${props.unit}`} />
      {props.stretches.map((s) => (
        <rect
          key={s.from}
          className={s.longest ? 'stretch longest' : 'stretch'}
          x={x(props.at[s.from]!)}
          width={Math.max(2, x(props.at[s.to]!) - x(props.at[s.from]!))}
          y={MARGIN.top}
          height={lowerTop + LOWER - MARGIN.top}
        />
      ))}
      {props.band && (
        <path
          className="range"
          d={shape(
            (i) => props.band!.low[i]!,
            (i) => props.band!.high[i]!,
            y,
          )}
        />
      )}
      {props.curves.map((curve, k) => {
        const style = ROLE_STYLE[curve.styleKey];
        return (
          <path
            key={k}
            d={path(curve.values, y)}
            fill="none"
            stroke={style.onPaper}
            opacity={curve.faint ? 0.35 : 1}
            strokeWidth={curve.faint ? 1 : 2.4}
            strokeDasharray={style.dash.join(' ')}
            strokeLinecap={style.cap}
          />
        );
      })}
      {props.phases.map((phase) => (
        <g key={phase.name} className="moment">
          <line x1={x(phase.from)} x2={x(phase.from)} y1={MARGIN.top} y2={lowerTop + LOWER} />
          <line x1={x(phase.to)} x2={x(phase.to)} y1={MARGIN.top} y2={lowerTop + LOWER} />
          {x(phase.to) - x(phase.from) > 52 && (
            <foreignObject
              x={x(phase.from) + 2}
              y={MARGIN.top + UPPER + 2}
              width={x(phase.to) - x(phase.from) - 4}
              height={PHASES}
            >
              <div className="phase-name">{phase.name}</div>
            </foreignObject>
          )}
        </g>
      ))}
      {props.half && (
        <path
          className="range"
          d={shape(
            (i) => -props.half![i]!,
            (i) => props.half![i]!,
            yd,
          )}
        />
      )}
      {props.half && props.error && (
        <path
          className="with-error"
          d={[1, -1]
            .map((side) =>
              path(
                samples.map((i) => side * (props.half![i]! + props.error![i]!)),
                yd,
              ),
            )
            .join('')}
        />
      )}
      <line className="zero" x1={MARGIN.left} x2={width - MARGIN.right} y1={yd(0)} y2={yd(0)} />
      {yd.ticks(3).map((t) => (
        <text key={t} x={MARGIN.left - 6} y={yd(t) + 4} textAnchor="end">
          {t > 0 ? '+' : ''}
          {t}
          {props.unit}
        </text>
      ))}
      <text x={MARGIN.left} y={lowerTop - 3} className="title">
        {TEXT.athleteMinusReference}
      </text>
      <path d={path(props.difference, yd)} fill="none" stroke="#20262a" strokeWidth={1.8} />
      {cursor !== null && (
        <g className="cursor">
          <line
            className="playhead"
            x1={x(props.at[cursor]!)}
            x2={x(props.at[cursor]!)}
            y1={MARGIN.top}
            y2={lowerTop + LOWER}
          />
          <text x={Math.min(width - 210, x(props.at[cursor]!) + 6)} y={MARGIN.top + 10} className="title">
            {props.curves
              .filter((c) => !c.faint)
              .map((c) => text(c.values[cursor]!))
              .join(TEXT.against)}
            , {text(props.difference[cursor]!)}
          </text>
        </g>
      )}
    </svg>
  );
}
