import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { ReactNode } from 'react';
import type { StyleKey } from '../../core/model/slots';
import { ROLE_STYLE } from '../../rendering/role-style';
import { useWidth } from './use-width';
import { TEXT } from '../../text/charts';

export interface DrawnPath {
  readonly styleKey: StyleKey;
  readonly name: string;
  readonly x: ArrayLike<number>;
  readonly y: ArrayLike<number>;
  /** Places at which moments lie, with their names. */
  readonly moments: readonly { readonly name: string; readonly index: number }[];
  readonly faint?: boolean;
}

interface PathChartProps {
  readonly title: string;
  readonly paths: readonly DrawnPath[];
  readonly height: number;
  /** Chooses a place of a path. */
  readonly onChoose: (path: number, index: number) => void;
}

const MARGIN = 40;

/** Ways of a point of several trials laid over each other, equal scales along and up, in standing heights. */
export function PathChart({ title, paths, height, onChoose }: PathChartProps): ReactNode {
  const [width, watch] = useWidth(900);
  const of = (axis: 'x' | 'y'): number[] => paths.flatMap((p) => Array.from(p[axis]).filter((v) => Number.isFinite(v)));
  const [xs, ys] = [of('x'), of('y')];
  if (xs.length === 0) return <p>{TEXT.pointIsNotKnownIn}</p>;
  const [left, right, bottom, top] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = Math.min(
    (width - 2 * MARGIN) / Math.max(0.05, right - left),
    (height - 2 * MARGIN) / Math.max(0.05, top - bottom),
  );
  const x = scaleLinear()
    .domain([left, right])
    .range([width / 2 - ((right - left) * scale) / 2, width / 2 + ((right - left) * scale) / 2]);
  const y = scaleLinear()
    .domain([bottom, top])
    .range([height / 2 + ((top - bottom) * scale) / 2, height / 2 - ((top - bottom) * scale) / 2]);
  // Names that would lie on each other are left out; the marks say theirs when pointed at.
  const named: { x: number; y: number }[] = [];
  const hasRoom = (px: number, py: number): boolean => {
    if (named.some((n) => Math.abs(n.x - px) < 90 && Math.abs(n.y - py) < 14)) return false;
    named.push({ x: px, y: py });
    return true;
  };
  return (
    <svg
      ref={watch}
      className="curve-strip"
      height={height}
      role="img"
      aria-label={title}
      onClick={(event) => {
        const box = event.currentTarget.getBoundingClientRect();
        const [px, py] = [event.clientX - box.left, event.clientY - box.top];
        let best = { path: 0, index: 0, away: Infinity };
        paths.forEach((p, k) =>
          Array.from(p.x).forEach((v, i) => {
            const away = Math.hypot(x(v) - px, y(p.y[i]!) - py);
            if (away < best.away) best = { path: k, index: i, away };
          }),
        );
        onChoose(best.path, best.index);
      }}
    >
      <text className="title" x={12} y={16}>
        {title}
      </text>
      {x.ticks(5).map((t) => (
        <g key={t} className="tick">
          <line x1={x(t)} x2={x(t)} y1={24} y2={height - 22} />
          <text x={x(t)} y={height - 8} textAnchor="middle">
            {TEXT.tHt(Math.round(100 * t))}
          </text>
        </g>
      ))}
      {y.ticks(4).map((t) => (
        <g key={t} className="tick">
          <line x1={MARGIN} x2={width - 10} y1={y(t)} y2={y(t)} />
          <text x={6} y={y(t) + 4}>
            {Math.round(100 * t)}
          </text>
        </g>
      ))}
      {paths.map((p, k) => {
        const style = ROLE_STYLE[p.styleKey];
        const places = Array.from(p.x, (v, i): [number, number] => [v, p.y[i]!]);
        const d = line<[number, number]>()
          .defined(([a, b]) => Number.isFinite(a + b))
          .x(([a]) => x(a))
          .y(([, b]) => y(b))(places);
        return (
          <g key={k} opacity={p.faint ? 0.35 : 1}>
            <path
              d={d ?? ''}
              fill="none"
              stroke={style.onPaper}
              strokeWidth={p.faint ? 1.2 : 2.4}
              strokeDasharray={style.dash.join(' ')}
              strokeLinecap={style.cap}
            />
            {!p.faint &&
              p.moments
                .filter((m) => Number.isFinite(p.x[m.index] ?? NaN))
                .map((m) => {
                  const [cx, cy] = [x(p.x[m.index]!), y(p.y[m.index]!)];
                  return (
                    <g key={m.name}>
                      {style.mark === 'circle' ? (
                        <circle cx={cx} cy={cy} r={5} fill={style.onPaper} />
                      ) : (
                        <rect x={cx - 4.5} y={cy - 4.5} width={9} height={9} fill={style.onPaper} />
                      )}
                      <title>{`${p.name}: ${m.name}`}</title>
                      {k === 0 && hasRoom(cx, cy) && (
                        <text x={cx + 8} y={cy - 6}>
                          {m.name}
                        </text>
                      )}
                    </g>
                  );
                })}
          </g>
        );
      })}
    </svg>
  );
}
