import type { ReactNode } from 'react';
import type { CameraStrip as Stretch } from './ribbons-props';

/** Thickness of the strip, pixels. */
const HIGH = 5;
const MOVES = '#4a5d6b';
const NO_HOLD = '#9a6b1f';

export interface CameraStripProps {
  readonly id: string;
  readonly stretches: readonly Stretch[];
  readonly x: (at: number) => number;
  readonly y: number;
}

/** Under a ribbon, what its camera does: the darker the faster it moves; a broken line where nothing gives a hold. */
export function CameraStrip({ id, stretches, x, y }: CameraStripProps): ReactNode {
  return (
    <g data-testid={`camera-strip-${id}`} shapeRendering="crispEdges">
      {stretches.map(({ from, to, strength, words }) => (
        <rect
          key={from}
          x={x(from)}
          y={strength === null ? y + HIGH / 2 - 1 : y}
          width={Math.max(0.5, (x(to) - x(from)) * (strength === null ? 0.6 : 1))}
          height={strength === null ? 2 : HIGH}
          fill={strength === null ? NO_HOLD : MOVES}
          fillOpacity={strength === null ? 1 : 0.12 + 0.88 * strength}
        >
          <title>{words}</title>
        </rect>
      ))}
    </g>
  );
}
