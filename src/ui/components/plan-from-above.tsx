import { scaleLinear } from 'd3-scale';
import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode, type SVGProps } from 'react';
import type { CameraPlan, Filming } from '../../core/model/camera-plan';
import { metresSeen, plannedApart } from '../../core/planning/camera-plan';
import { TEXT } from '../../text/components/planning';

type Place = Pick<CameraPlan, 'distance' | 'offPlane'>;

export interface PlanFromAboveProps {
  readonly plan: CameraPlan;
  /** How far the performer goes from the first moment to the last, metres. */
  readonly travels: number;
  /** Left out on paper, where nobody drags it. */
  readonly onChange?: (plan: Partial<CameraPlan>) => void;
}

const SIZE = { width: 360, height: 190 };
const PATH_Y = 42;
const INK = '#22464a';
const SECOND_INK = '#7a4a1e';
/** How far each camera may stand from the square view, degrees, and the steps in which it is placed. */
const REACH = { first: [-60, 60], second: [-45, 165] } as const;
const METRES = 0.5;
const rounded = (value: number, step: number): number => Math.round(value / step) * step;
const between = (value: number, [least, most]: readonly [number, number]): number =>
  Math.max(least, Math.min(most, value));

/** The place from above: the performer's way, the cameras, which are dragged or moved by keys, and what they see. */
export function PlanFromAbove({ plan, travels, onChange }: PlanFromAboveProps): ReactNode {
  const svg = useRef<SVGSVGElement>(null);
  const [draft, setDraft] = useState<(Place & { readonly which: keyof typeof REACH }) | null>(null);
  const { second } = plan;
  const first: Place = draft?.which === 'first' ? draft : plan;
  const other: Place | null =
    draft?.which === 'second' ? draft : second && { distance: second.distance, offPlane: plan.offPlane + second.apart };
  // The scale stays while a camera is dragged, or it would run away from the hand.
  const reach = Math.max(4, 1.25 * plan.distance, second ? 1.25 * second.distance : 0, travels);
  const metre = scaleLinear()
    .domain([0, reach])
    .range([0, SIZE.height - PATH_Y - 14]);
  const middle = SIZE.width / 2;
  const placed = (event: PointerEvent, which: keyof typeof REACH): Place => {
    const box = svg.current!.getBoundingClientRect();
    const x = ((event.clientX - box.left) * SIZE.width) / box.width - middle;
    const y = ((event.clientY - box.top) * SIZE.height) / box.height - PATH_Y;
    return {
      distance: Math.max(1, rounded(metre.invert(Math.hypot(x, y)), METRES)),
      offPlane: between(rounded((Math.atan2(x, y) * 180) / Math.PI, 1), REACH[which]),
    };
  };
  const change = (which: keyof typeof REACH, { distance, offPlane }: Place): void =>
    onChange?.(
      which === 'first'
        ? { distance, offPlane }
        : { second: { ...plan.second!, distance, apart: plannedApart(offPlane - plan.offPlane) } },
    );
  const handleOf = (which: keyof typeof REACH, place: Place): SVGProps<SVGGElement> => {
    const { distance, offPlane } = place;
    const metres = distance.toFixed(1);
    const words =
      which === 'first'
        ? TEXT.distanceMetresAwayOffPlane(metres, Math.abs(offPlane))
        : TEXT.secondAway(metres, plannedApart(offPlane - plan.offPlane));
    if (!onChange) return { role: 'img', 'aria-label': TEXT.cameraWords(words) };
    return {
      role: 'slider',
      tabIndex: 0,
      'aria-label': which === 'first' ? TEXT.cameraUpAndDownDistance : TEXT.secondCameraDegreesAndDistance,
      'aria-valuenow': distance,
      'aria-valuemin': 1,
      'aria-valuemax': 500,
      'aria-valuetext': words,
      style: { cursor: 'grab' },
      onKeyDown: (event: KeyboardEvent) => {
        const by = { ArrowUp: [-METRES, 0], ArrowDown: [METRES, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key];
        if (!by) return;
        event.preventDefault();
        change(which, {
          distance: Math.max(1, distance + by[0]!),
          offPlane: between(offPlane + by[1]!, REACH[which]),
        });
      },
      onPointerDown: (event: PointerEvent) => {
        svg.current!.setPointerCapture(event.pointerId);
        setDraft({ which, distance, offPlane });
      },
    };
  };
  const films = (which: keyof typeof REACH): Filming => (which === 'second' && second?.films ? second.films : plan);
  const cameraAt = (which: keyof typeof REACH, place: Place): ReactNode => (
    <CameraOnPlan
      ink={which === 'first' ? INK : SECOND_INK}
      place={place}
      metre={metre}
      half={metresSeen({ ...films(which), distance: place.distance }).width / 2}
      handle={handleOf(which, place)}
    />
  );
  const way = metre(Math.min(travels, reach)) / 2;
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      width="100%"
      style={{ background: '#ebe5d8', borderRadius: 6, touchAction: 'none' }}
      onPointerMove={(event) => draft && setDraft({ which: draft.which, ...placed(event, draft.which) })}
      onPointerUp={() => {
        if (draft) change(draft.which, draft);
        setDraft(null);
      }}
    >
      <line x1={middle - way} x2={middle + way} y1={PATH_Y} y2={PATH_Y} stroke="#545c61" strokeWidth={2.5} />
      <path d={`M ${middle + way + 8} ${PATH_Y} l -10 -6 l 0 12 z`} fill="#545c61" />
      <text x={middle} y={PATH_Y - 14} textAnchor="middle" fontSize={12} fill="#3d4448">
        {TEXT.goesTravelsM(travels.toFixed(1))}
      </text>
      {other && cameraAt('second', other)}
      {cameraAt('first', first)}
    </svg>
  );
}

interface CameraOnPlanProps {
  readonly ink: string;
  readonly place: Place;
  readonly metre: (metres: number) => number;
  /** Half of the width that it sees at the performer, metres. */
  readonly half: number;
  readonly handle: SVGProps<SVGGElement>;
}

/** A camera from above, how far it is, and what it sees. */
function CameraOnPlan({ ink, place: { distance, offPlane }, metre, half, handle }: CameraOnPlanProps): ReactNode {
  const middle = SIZE.width / 2;
  const angle = (offPlane * Math.PI) / 180;
  const at = { x: middle + metre(distance) * Math.sin(angle), y: PATH_Y + metre(distance) * Math.cos(angle) };
  // Ends of what is seen, square to the camera's axis at the performer.
  const ends = [-1, 1].map(
    (side) => `${middle + side * metre(half) * Math.cos(angle)},${PATH_Y - side * metre(half) * Math.sin(angle)}`,
  );
  return (
    <>
      <polygon points={`${at.x},${at.y} ${ends.join(' ')}`} fill={ink} fillOpacity={0.13} data-testid="plan-sees" />
      <line x1={at.x} x2={middle} y1={at.y} y2={PATH_Y} stroke={ink} strokeDasharray="3 4" />
      <text
        x={(at.x + middle) / 2 + 8 * Math.cos(angle)}
        y={(at.y + PATH_Y) / 2 - 7 * Math.abs(Math.sin(angle))}
        fontSize={12}
        fill="#3d4448"
      >
        {distance.toFixed(1)} m
      </text>
      <g {...handle}>
        <circle cx={at.x} cy={at.y} r={16} fill="transparent" />
        <rect x={at.x - 9} y={at.y - 7} width={18} height={14} rx={3} fill={ink} />
        <circle cx={at.x} cy={at.y} r={4} fill="#ebe5d8" />
      </g>
    </>
  );
}
