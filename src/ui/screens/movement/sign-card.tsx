import type { ReactNode } from 'react';
import { kindOf } from '../../../core/measures';
import type { Measure } from '../../../core/model/measure';
import type { Quantity } from '../../../core/model/quantity';
import { kindOfQuantity } from '../../../core/quantities';
import { TEXT } from '../../../text/screens/movement';

interface Point {
  readonly x: number;
  readonly y: number;
}

const WIDTH = 132;
const HEIGHT = 84;
/** Where lines begin. */
const A: Point = { x: 58, y: 60 };
const INK = '#24323a';
const FAINT = '#8a8f8c';

/** A point so far from another, at an angle from forward towards up. */
const from = (origin: Point, degrees: number, length: number): Point => ({
  x: origin.x + length * Math.cos((degrees * Math.PI) / 180),
  y: origin.y - length * Math.sin((degrees * Math.PI) / 180),
});

const Line = ({
  a,
  b,
  dashed = false,
}: {
  readonly a: Point;
  readonly b: Point;
  readonly dashed?: boolean;
}): ReactNode => (
  <line
    x1={a.x}
    y1={a.y}
    x2={b.x}
    y2={b.y}
    stroke={dashed ? FAINT : INK}
    strokeWidth={dashed ? 1.5 : 2.5}
    strokeDasharray={dashed ? '4 3' : undefined}
  />
);

const Word = ({ at, children }: { readonly at: Point; readonly children: string }): ReactNode => (
  <text x={at.x} y={at.y} fontSize="12" textAnchor="middle" dominantBaseline="central" fill={INK}>
    {children}
  </text>
);

/** A line turned from its base: what is positive on the side to which it is drawn, negative on the other. */
function Turned({ base, turn }: { readonly base: number; readonly turn: number }): ReactNode {
  return (
    <>
      <Line a={A} b={from(A, base, 44)} dashed />
      <Line a={A} b={from(A, base + turn, 44)} />
      <Word at={from(A, base + turn * 1.75, 42)}>+</Word>
      <Word at={from(A, base - turn * 0.9, 42)}>{'\u2212'}</Word>
    </>
  );
}

/** Three axes from one point, the third towards whoever looks on. */
const OnAxes = (): ReactNode => (
  <>
    <Line a={A} b={from(A, 0, 40)} />
    <Line a={A} b={from(A, 90, 40)} />
    <Line a={A} b={from(A, 215, 30)} />
    <Word at={{ x: A.x + 54, y: A.y - 8 }}>{TEXT.aheadAxis}</Word>
    <Word at={{ x: A.x + 14, y: A.y - 42 }}>{TEXT.upAxis}</Word>
    <Word at={{ x: A.x - 34, y: A.y + 6 }}>{TEXT.rightAxis}</Word>
  </>
);

/** What of a quantity is drawn; nothing for one that has no sign. */
function drawingOf(quantity: Quantity): ReactNode {
  switch (quantity.type) {
    case 'segment-angle':
      // Against up or down forward is positive, against forward rising.
      if (quantity.against === 'forward') return <Turned base={0} turn={32} />;
      if (quantity.against === 'up') return <Turned base={90} turn={-32} />;
      return (
        <g transform="translate(0 -44)">
          <Turned base={-90} turn={32} />
        </g>
      );
    case 'line-separation':
      return <Turned base={10} turn={34} />;
    case 'facing':
      return <Turned base={90} turn={38} />;
    case 'offset': {
      const end = quantity.axis === 'forward' ? from(A, 0, 46) : from(A, 90, 44);
      return (
        <>
          <Line a={A} b={end} dashed />
          <circle cx={A.x} cy={A.y} r="4" fill={FAINT} />
          <circle cx={end.x} cy={end.y} r="4" fill={INK} />
          <Word at={{ x: A.x - 10, y: A.y + 12 }}>B</Word>
          <Word at={{ x: end.x + 16, y: end.y }}>A, +</Word>
        </>
      );
    }
    case 'position-on-axes':
    case 'direction-on-axes':
      return <OnAxes />;
    case 'joint-angle':
    case 'distance':
    case 'ground-distance':
    case 'height':
    case 'box':
    case 'alignment':
    case 'relative-inertia':
      return null;
  }
}

/** How a measure is read, and of a signed one which way is positive. */
export function SignCard({ measure }: { readonly measure: Measure }): ReactNode {
  const quantity = 'of' in measure ? measure.of : null;
  const drawing = quantity && drawingOf(quantity);
  const above = quantity?.type === 'facing' || measure.kind === 'facing-by-eye';
  const ownAxes = quantity !== null && kindOfQuantity(quantity).onlyInSpace === true;
  return (
    <div style={{ display: 'flex', gap: 12, alignItems: 'center', margin: '6px 0' }} data-testid="sign-card">
      {drawing && (
        <svg width={WIDTH} height={HEIGHT} role="img" aria-label={TEXT.whichWayIsPositive} style={{ flex: 'none' }}>
          <rect width={WIDTH} height={HEIGHT} rx="6" fill="#faf8f3" stroke="#dcd6c8" />
          {drawing}
          {!ownAxes && (
            <Word at={{ x: above ? WIDTH / 2 : WIDTH - 34, y: above ? 8 : HEIGHT - 8 }}>
              {above ? TEXT.forwardUp : TEXT.forwardToRight}
            </Word>
          )}
        </svg>
      )}
      <span className="note">
        {kindOf(measure).convention} {quantity && kindOfQuantity(quantity).convention}
      </span>
    </div>
  );
}
