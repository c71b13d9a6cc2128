import { wrapDegrees } from '../../core/geometry/angle';
import type { KeyboardEvent, PointerEvent, ReactNode } from 'react';
import type { StyleKey } from '../../core/model/slots';
import { besideFigure, headOf, linesOfFigure, seenPoint, type SpaceFigure } from '../../core/scene/space-figure';
import type { FigureCamera } from '../../core/tracks/spatial-view';
import { ROLE_STYLE } from '../../rendering/role-style';
import { TEXT } from '../../text/charts';

export interface SpaceChartProps {
  /** Bodies laid over each other at the hips, the one that is judged last. */
  readonly figures: readonly { readonly styleKey: StyleKey; readonly figure: SpaceFigure }[];
  readonly camera: FigureCamera;
  readonly onTurn: (camera: FigureCamera) => void;
}

/** Standing heights that the picture shows, up and down, and where the feet are about. */
const VIEW = { half: 0.58, feet: 0.5 } as const;
/** Degrees for the width of the picture, and for a press of a key. */
const TURN = { drag: 180, key: 10 } as const;
/** Half the breadth of a head, standing heights. */
const HEAD = 0.045;
/** A point beside the body. */
const BESIDE = 0.014;
/** A ring on the floor, standing heights. */
const RING = 0.36;
const ROUND = Array.from({ length: 49 }, (_, i) => (i / 48) * 2 * Math.PI);

const turned = ({ azimuthDegrees, elevationDegrees }: FigureCamera, by: number, up: number): FigureCamera => ({
  azimuthDegrees: wrapDegrees(azimuthDegrees + by),
  elevationDegrees: Math.max(-10, Math.min(90, elevationDegrees + up)),
});

const KEYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [TURN.key, 0],
  ArrowRight: [-TURN.key, 0],
  ArrowUp: [0, TURN.key],
  ArrowDown: [0, -TURN.key],
};

/** The floor below the body: a ring, and an arrow that points ahead. */
function Floor({ camera }: { readonly camera: FigureCamera }): ReactNode {
  const at = (x: number, z: number): string => {
    const [px, py] = seenPoint([x, -VIEW.feet, z], camera);
    return `${px},${py}`;
  };
  const [tipX, tipY] = seenPoint([RING + 0.15, -VIEW.feet, 0], camera);
  return (
    <g fill="none" stroke="#8b969c" strokeWidth={0.004}>
      <polyline points={ROUND.map((a) => at(RING * Math.cos(a), RING * Math.sin(a))).join(' ')} />
      <polyline points={`${at(0, -RING)} ${at(0, RING)}`} strokeDasharray="0.015 0.015" />
      <polyline points={`${at(-RING, 0)} ${at(RING + 0.08, 0)}`} />
      <polyline points={`${at(RING + 0.03, -0.03)} ${at(RING + 0.08, 0)} ${at(RING + 0.03, 0.03)}`} />
      <text
        x={tipX}
        y={tipY}
        fill="#c9d1d5"
        stroke="none"
        fontSize={0.035}
        textAnchor="middle"
        dominantBaseline="middle"
      >
        {TEXT.ahead}
      </text>
    </g>
  );
}

/** Bodies in space at one instant, turned by dragging or by the arrow keys. */
export function SpaceChart({ figures, camera, onTurn }: SpaceChartProps): ReactNode {
  const drag = (event: PointerEvent<SVGSVGElement>): void => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const { width } = event.currentTarget.getBoundingClientRect();
    onTurn(turned(camera, (-TURN.drag * event.movementX) / width, (TURN.drag * event.movementY) / width));
  };
  const press = (event: KeyboardEvent): void => {
    const by = KEYS[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    onTurn(turned(camera, ...by));
  };
  return (
    <svg
      viewBox={`${-VIEW.half} ${-VIEW.half} ${2 * VIEW.half} ${2 * VIEW.half}`}
      role="img"
      tabIndex={0}
      aria-label={TEXT.bodyInSpaceSeenFrom(Math.round(camera.azimuthDegrees), Math.round(camera.elevationDegrees))}
      onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
      onPointerMove={drag}
      onKeyDown={press}
    >
      <Floor camera={camera} />
      {figures.map(({ styleKey, figure }) => {
        const { onPicture, dash, cap } = ROLE_STYLE[styleKey];
        const top = headOf(figure, camera);
        return (
          <g key={styleKey} data-testid={`space-${styleKey}`} stroke={onPicture} strokeLinecap={cap}>
            {top && (
              <g fill="none" strokeWidth={0.006}>
                <line x1={top.neck[0]} y1={top.neck[1]} x2={top.head[0]} y2={top.head[1]} />
                <circle cx={top.head[0]} cy={top.head[1]} r={HEAD} />
              </g>
            )}
            {linesOfFigure(figure, camera).map(({ from, to, near, across }, i) => (
              <line
                key={i}
                x1={from[0]}
                y1={from[1]}
                x2={to[0]}
                y2={to[1]}
                strokeWidth={across ? 0.014 : near > 0 ? 0.009 : 0.0055}
                strokeDasharray={dash.map((d) => d * 0.003).join(' ') || undefined}
                opacity={near > 0 || across ? 1 : 0.75}
              />
            ))}
            {besideFigure(figure, camera).map(([x, y], i) => (
              <circle key={i} cx={x} cy={y} r={BESIDE} fill={onPicture} stroke="none" />
            ))}
          </g>
        );
      })}
    </svg>
  );
}
