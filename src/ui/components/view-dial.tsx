import { arc } from 'd3-shape';
import { useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import {
  directionOf,
  readableFrom,
  SQUARE_VIEWS,
  viewFrom,
  type SeenFrom,
} from '../../core/calibration/camera-direction';
import { MOST_OFF_PLANE_DEGREES, PLANE_OF_VIEW, directionHalfWidth } from '../../core/calibration/view';
import type { Clip, ViewKind } from '../../core/model/clip';
import type { Plane } from '../../core/model/measure';
import { TEXT } from '../../text/components/common';

interface ViewDialProps {
  readonly clip: Pick<Clip, 'view' | 'travel'>;
  /** How many measures there are of each plane. */
  readonly counts: Readonly<Record<Plane, number>>;
  readonly onChange: (seen: SeenFrom) => void;
}

const SIZE = 208;
const MIDDLE = SIZE / 2;
const RING = { inner: 62, outer: 76 };
const CAMERA = 88;
const INK = '#22464a';
const RADIANS = Math.PI / 180;

const at = (direction: number, radius: number): { readonly x: number; readonly y: number } => ({
  x: MIDDLE + radius * Math.sin(direction * RADIANS),
  y: MIDDLE - radius * Math.cos(direction * RADIANS),
});
const stretch = (from: number, to: number, { inner, outer }: typeof RING): string =>
  arc()({ startAngle: from * RADIANS, endAngle: to * RADIANS, innerRadius: inner, outerRadius: outer }) ?? '';

const NAMES: Readonly<Record<ViewKind, string>> = {
  side: TEXT.side,
  front: TEXT.front,
  back: TEXT.behind,
  overhead: TEXT.above,
};

/** Where the camera stands, in words: `from the side, 12 degrees towards the front`. */
function placeText({ view: { kind, offPlaneDegrees: off } }: Pick<Clip, 'view' | 'travel'>): string {
  if (off === null) return TEXT.fromNamesHowSquareNobody(NAMES[kind]);
  return off === 0 ? TEXT.squareFromNames(NAMES[kind]) : TEXT.offSquareViewFromNames(Math.abs(off), NAMES[kind]);
}

const PLANES = { sagittal: TEXT.side, frontal: TEXT.frontOrBehind, transverse: TEXT.above } as const;

/** What can be read from here, and from where the rest can. */
function readableText(view: Clip['view'], counts: ViewDialProps['counts']): string {
  const all = Object.values(counts).reduce((sum, n) => sum + n, 0);
  const from = readableFrom(view, counts);
  const own = from > counts.any || counts[PLANE_OF_VIEW[view.kind]] === 0 ? PLANE_OF_VIEW[view.kind] : null;
  const more = (Object.keys(PLANES) as (keyof typeof PLANES)[])
    .filter((plane) => plane !== own && counts[plane] > 0)
    .map((plane) => TEXT.fromPlanesCountsMore(PLANES[plane], counts[plane]));
  return TEXT.fromOfAllMeasuresCan(from, all, more.join(''));
}

/**
 * The camera's place round the performer, seen from above: dragged, or turned by the arrows. The ring is thick where a
 * camera sees a plane squarely enough, with how many measures lie in it.
 */
export function ViewDial({ clip, counts, onChange }: ViewDialProps): ReactNode {
  const svg = useRef<SVGSVGElement>(null);
  const direction = directionOf(clip);
  const { offPlaneDegrees: off } = clip.view;
  const camera = direction === null ? { x: MIDDLE, y: MIDDLE } : at(direction, CAMERA);
  const point = (event: PointerEvent): void => {
    const box = svg.current!.getBoundingClientRect();
    const [x, y] = [event.clientX - box.left - box.width / 2, event.clientY - box.top - box.height / 2];
    if (Math.hypot(x, y) > 8) onChange(viewFrom(Math.round(Math.atan2(x, -y) / RADIANS)));
  };
  const turn = (event: KeyboardEvent): void => {
    const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1, PageDown: -15, PageUp: 15 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    onChange(viewFrom((direction ?? 90) + by));
  };
  return (
    <div style={{ display: 'flex', gap: 12, alignItems: 'center' }}>
      <svg
        ref={svg}
        width={SIZE}
        height={SIZE}
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        role="slider"
        tabIndex={0}
        aria-label={TEXT.camerasPlaceRoundPerformer}
        aria-valuemin={0}
        aria-valuemax={359}
        aria-valuenow={direction ?? 0}
        aria-valuetext={placeText(clip)}
        style={{ touchAction: 'none', cursor: 'grab', flex: 'none' }}
        onKeyDown={turn}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          point(event);
        }}
        onPointerMove={(event) => event.buttons === 1 && point(event)}
      >
        <circle cx={MIDDLE} cy={MIDDLE} r={(RING.inner + RING.outer) / 2} fill="none" stroke="#b9b3a4" />
        {SQUARE_VIEWS.map((square) => {
          const count = counts[PLANE_OF_VIEW[square.kind]];
          const [from, to] = [square.direction - MOST_OFF_PLANE_DEGREES, square.direction + MOST_OFF_PLANE_DEGREES];
          const label = at(square.direction, RING.inner - 14);
          return (
            <g key={square.direction}>
              <path
                d={stretch(from, to, RING)}
                transform={`translate(${MIDDLE} ${MIDDLE})`}
                fill={count > 0 ? '#9fb9b3' : '#ddd7c9'}
              />
              <text x={label.x} y={label.y} textAnchor="middle" dominantBaseline="central" fontSize="12">
                {count}
              </text>
            </g>
          );
        })}
        <path
          d={`M ${MIDDLE} ${MIDDLE - 24} l 7 12 l -5 0 l 0 22 l -4 0 l 0 -22 l -5 0 z`}
          fill="#545c61"
          aria-hidden
        />
        {direction !== null && (
          <path
            d={stretch(direction - directionHalfWidth(clip.view), direction + directionHalfWidth(clip.view), {
              inner: 79,
              outer: 97,
            })}
            transform={`translate(${MIDDLE} ${MIDDLE})`}
            fill={INK}
            fillOpacity={0.16}
          />
        )}
        <g transform={`translate(${camera.x} ${camera.y}) rotate(${direction ?? 0})`}>
          <rect x={-10} y={-6} width={20} height={12} rx={3} fill={off === null ? '#faf8f3' : INK} stroke={INK} />
          <rect x={-4} y={6} width={8} height={4} fill={INK} />
        </g>
      </svg>
      <div style={{ fontSize: '.86rem', display: 'grid', gap: 6 }}>
        <span>
          {direction === null
            ? TEXT.cameraPlaceText(placeText(clip))
            : TEXT.cameraPlaceTextDirectionHalf(placeText(clip), Math.round(directionHalfWidth(clip.view)))}
        </span>
        <span>{readableText(clip.view, counts)}</span>
        <span className="note">{TEXT.seenFromAboveArrowIs}</span>
      </div>
    </div>
  );
}
