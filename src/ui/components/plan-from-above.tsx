import { scaleLinear } from 'd3-scale';
import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode, type SVGProps } from 'react';
import type { CameraPlan } from '../../core/model/camera-plan';
import { metresSeen } from '../../core/planning/camera-plan';
import { TEXT } from '../../text/components/planning';

export interface PlanFromAboveProps {
  readonly plan: CameraPlan;
  /** How far the performer goes from the first moment to the last, metres. */
  readonly travels: number;
  /** Left out on paper, where nobody drags it. */
  readonly onChange?: (plan: Pick<CameraPlan, 'distance' | 'offPlane'>) => void;
}

const SIZE = { width: 360, height: 190 };
const PATH_Y = 42;
const INK = '#22464a';
const rounded = (value: number, step: number): number => Math.round(value / step) * step;

/** The place from above: the performer's way, the camera, which is dragged or moved by keys, and what it sees. */
export function PlanFromAbove({ plan, travels, onChange }: PlanFromAboveProps): ReactNode {
  const svg = useRef<SVGSVGElement>(null);
  const [draft, setDraft] = useState<Pick<CameraPlan, 'distance' | 'offPlane'> | null>(null);
  const { distance, offPlane } = draft ?? plan;
  // The scale stays while the camera is dragged, or it would run away from the hand.
  const reach = Math.max(4, 1.25 * plan.distance, travels);
  const metre = scaleLinear()
    .domain([0, reach])
    .range([0, SIZE.height - PATH_Y - 14]);
  const middle = SIZE.width / 2;
  const angle = (offPlane * Math.PI) / 180;
  const at = { x: middle + metre(distance) * Math.sin(angle), y: PATH_Y + metre(distance) * Math.cos(angle) };
  const half = metresSeen({ ...plan, distance }).width / 2;
  // Ends of what is seen, square to the camera's axis at the performer.
  const [left, right] = [-1, 1].map((side) => ({
    x: middle + side * metre(half) * Math.cos(angle),
    y: PATH_Y - side * metre(half) * Math.sin(angle),
  })) as [{ x: number; y: number }, { x: number; y: number }];
  const placed = (event: PointerEvent): Pick<CameraPlan, 'distance' | 'offPlane'> => {
    const box = svg.current!.getBoundingClientRect();
    const [x, y] = [
      ((event.clientX - box.left) * SIZE.width) / box.width - middle,
      Math.max(1, ((event.clientY - box.top) * SIZE.height) / box.height - PATH_Y),
    ];
    return {
      distance: Math.max(1, rounded(metre.invert(Math.hypot(x, y)), 0.5)),
      offPlane: Math.max(-60, Math.min(60, rounded((Math.atan2(x, y) * 180) / Math.PI, 1))),
    };
  };
  const byKey = (event: KeyboardEvent): void => {
    const by = { ArrowUp: [-0.5, 0], ArrowDown: [0.5, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key];
    if (!by) return;
    event.preventDefault();
    onChange?.({
      distance: Math.max(1, distance + by[0]!),
      offPlane: Math.max(-60, Math.min(60, offPlane + by[1]!)),
    });
  };
  const words = TEXT.distanceMetresAwayOffPlane(distance.toFixed(1), Math.abs(offPlane));
  const handle: SVGProps<SVGGElement> = onChange
    ? {
        role: 'slider',
        tabIndex: 0,
        'aria-label': TEXT.cameraUpAndDownDistance,
        'aria-valuenow': distance,
        'aria-valuemin': 1,
        'aria-valuemax': 500,
        'aria-valuetext': words,
        style: { cursor: 'grab' },
        onKeyDown: byKey,
        onPointerDown: (event) => {
          svg.current!.setPointerCapture(event.pointerId);
          setDraft({ distance, offPlane });
        },
      }
    : { role: 'img', 'aria-label': TEXT.cameraWords(words) };
  const way = metre(Math.min(travels, reach)) / 2;
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      width="100%"
      style={{ background: '#ebe5d8', borderRadius: 6, touchAction: 'none' }}
      onPointerMove={(event) => draft && setDraft(placed(event))}
      onPointerUp={() => {
        if (draft) onChange?.(draft);
        setDraft(null);
      }}
    >
      <polygon
        points={`${at.x},${at.y} ${left.x},${left.y} ${right.x},${right.y}`}
        fill={INK}
        fillOpacity={0.13}
        data-testid="plan-sees"
      />
      <line x1={middle - way} x2={middle + way} y1={PATH_Y} y2={PATH_Y} stroke="#545c61" strokeWidth={2.5} />
      <path d={`M ${middle + way + 8} ${PATH_Y} l -10 -6 l 0 12 z`} fill="#545c61" />
      <text x={middle} y={PATH_Y - 14} textAnchor="middle" fontSize={12} fill="#3d4448">
        {TEXT.goesTravelsM(travels.toFixed(1))}
      </text>
      <line x1={at.x} x2={middle} y1={at.y} y2={PATH_Y} stroke={INK} strokeDasharray="3 4" />
      <text x={(at.x + middle) / 2 + 8} y={(at.y + PATH_Y) / 2} fontSize={12} fill="#3d4448">
        {distance.toFixed(1)} m
      </text>
      <g {...handle}>
        <circle cx={at.x} cy={at.y} r={16} fill="transparent" />
        <rect x={at.x - 9} y={at.y - 7} width={18} height={14} rx={3} fill={INK} />
        <circle cx={at.x} cy={at.y} r={4} fill="#ebe5d8" />
      </g>
    </svg>
  );
}
