import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { ReactNode } from 'react';
import { DISPLAY_UNITS, fromSi, inUnit, withMinusSign, type DisplayUnit } from '../../core/units';
import { ROLE_STYLE } from '../../rendering/role-style';
import { useWidth } from './use-width';
import { TEXT } from '../../text/charts';
import { LevelTicks } from './level-ticks';

/** One session's value, SI. */
export interface TrendPoint {
  readonly key: string;
  /** ISO date. */
  readonly on: string;
  /** How the day is written below. */
  readonly label: string;
  readonly value: number;
  readonly plusMinus: number;
  readonly band: { readonly low: number; readonly high: number } | null;
  /** Said of the point to somebody who does not see it. */
  readonly text: string;
  readonly now: boolean;
}

const MARGIN = { left: 52, right: 14, top: 12, bottom: 22 };
/**
 * Sessions of neighbouring days stay apart by so many pixels, and dates that would lie over each other are left out.
 */
const APART = 22;
const LABEL = 64;

/** Positions in order, moved on where they are too near. */
function apart(xs: readonly number[], most: number): readonly number[] {
  const on: number[] = [];
  for (const x of xs) on.push(Math.max(x, (on.at(-1) ?? -Infinity) + APART));
  const over = Math.max(0, (on.at(-1) ?? 0) - most);
  return on.map((x, i) => x - (on.length > 1 ? (over * i) / (on.length - 1) : over));
}

export interface TrendChartProps {
  readonly title: string;
  readonly unit: DisplayUnit;
  /** In order of their days. */
  readonly points: readonly TrendPoint[];
  readonly height: number;
  readonly onChoose: (key: string) => void;
}

/** Which places leave room for the text of the one before. */
function farEnough(xs: readonly number[]): ReadonlySet<number> {
  let last = -Infinity;
  return new Set(
    xs.flatMap((x, i) => {
      if (x - last < LABEL) return [];
      last = x;
      return [i];
    }),
  );
}

/** One measure over sessions: values with their 95 % intervals, and behind each the range that it was judged by. */
export function TrendChart({ title, unit, points, height, onChoose }: TrendChartProps): ReactNode {
  const [width, watch] = useWidth(520);
  const ends = points
    .flatMap(({ value, plusMinus, band }) => [
      value - plusMinus,
      value + plusMinus,
      ...(band ? [band.low, band.high] : []),
    ])
    .filter(Number.isFinite)
    .map((v) => fromSi(v, unit));
  const [low, high] = [Math.min(...ends), Math.max(...ends)];
  const room = Math.max((high - low) * 0.08, 10 ** -DISPLAY_UNITS[unit].decimals);
  const y = scaleLinear([low - room, high + room], [height - MARGIN.bottom, MARGIN.top]);
  const days = points.map((p) => Date.parse(p.on));
  const right = Math.max(MARGIN.left + 60, width - MARGIN.right - 24);
  const time = scaleLinear([days[0] ?? 0, days.at(-1) ?? 0], [MARGIN.left + 34, right]);
  const xs =
    points.length === 1
      ? [(MARGIN.left + right) / 2]
      : apart(
          days.map((d) => time(d)),
          right,
        );
  const at = (v: number): number => y(fromSi(v, unit));
  const [top, bottom] = [MARGIN.top, height - MARGIN.bottom];
  const edge = (i: number): number =>
    i < 0 ? MARGIN.left : i >= xs.length - 1 ? width - MARGIN.right : (xs[i]! + xs[i + 1]!) / 2;
  const colour = ROLE_STYLE.athlete.onPaper;
  const labelled = farEnough(xs);
  return (
    <svg
      ref={watch}
      className="trend-chart"
      height={height}
      role="group"
      aria-label={TEXT.titleOverCountSessions(title, points.length)}
    >
      {points.map(({ key, band }, i) => {
        if (!band) return null;
        const [upper, lower] = [
          Math.max(top, Number.isFinite(band.high) ? at(band.high) : top),
          Math.min(bottom, Number.isFinite(band.low) ? at(band.low) : bottom),
        ];
        return (
          <rect
            key={key}
            className="band"
            x={edge(i - 1)}
            width={Math.max(0, edge(i) - edge(i - 1))}
            y={upper}
            height={Math.max(1, lower - upper)}
          />
        );
      })}
      <LevelTicks
        y={y}
        count={4}
        from={MARGIN.left}
        to={width - MARGIN.right}
        textOf={(t) => `${t}${DISPLAY_UNITS[unit].suffix}`}
      />
      <path
        className="way"
        stroke={colour}
        d={
          line<TrendPoint>(
            (_, i) => xs[i]!,
            ({ value }) => at(value),
          )([...points]) ?? ''
        }
      />
      {points.map((p, i) => {
        const x = xs[i]!;
        const shown = p.now || labelled.has(i);
        return (
          <g key={p.key}>
            <line
              className="whisker"
              stroke={colour}
              x1={x}
              x2={x}
              y1={at(p.value - p.plusMinus)}
              y2={at(p.value + p.plusMinus)}
            />
            <a
              role="button"
              tabIndex={0}
              aria-label={p.text}
              style={{ cursor: 'pointer' }}
              onClick={() => onChoose(p.key)}
              onKeyDown={(event) => {
                if (event.key === 'Enter' || event.key === ' ') {
                  event.preventDefault();
                  onChoose(p.key);
                }
              }}
            >
              <title>{p.text}</title>
              <circle cx={x} cy={at(p.value)} r={12} fill="transparent" />
              <circle cx={x} cy={at(p.value)} r={p.now ? 6 : 4.5} fill={colour} />
            </a>
            <text className={p.now ? 'now' : undefined} x={x + 9} y={at(p.value) - 6}>
              {withMinusSign(inUnit(p.value, unit))}
            </text>
            {shown && (
              <text className={p.now ? 'now' : undefined} x={x} y={height - 6} textAnchor="middle">
                {p.label}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
