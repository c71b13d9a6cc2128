import Button from '@mui/material/Button';
import Popover from '@mui/material/Popover';
import { useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import type { Check } from '../../core/model/check';
import { TEXT } from '../../text/components/common';

/** Half an hour of the clock. */
const STEP = 15;
const SIZE = 176;
const RADIUS = 66;

/** Degrees from forward, to the left positive, in steps of half an hour: -165 to 180. */
export function snapped(degrees: number): number {
  const whole = Math.round(degrees / STEP) * STEP;
  const within = ((whole % 360) + 360) % 360;
  return within > 180 ? within - 360 : within;
}

/** `9 o'clock, 90\u00b0 to the left`. */
export function facingText(degrees: number): string {
  const hours = (((-degrees / 30) % 12) + 12) % 12;
  const hour = Math.floor(hours) === 0 ? 12 : Math.floor(hours);
  const clock = hours % 1 === 0 ? TEXT.hourOclock(hour) : TEXT.halfPastHour(hour);
  if (degrees === 0) return TEXT.clockForward(clock);
  if (Math.abs(degrees) === 180) return TEXT.clockBackward(clock);
  return degrees > 0
    ? TEXT.clockDegreesToLeft(clock, Math.abs(degrees))
    : TEXT.clockDegreesToRight(clock, Math.abs(degrees));
}

const place = (degrees: number, radius: number): { x: number; y: number } => {
  const angle = (degrees * Math.PI) / 180;
  return { x: SIZE / 2 - radius * Math.sin(angle), y: SIZE / 2 - radius * Math.cos(angle) };
};

interface DialProps {
  readonly label: string;
  readonly degrees: number | null;
  readonly onChange: (degrees: number) => void;
}

/** A clock seen from above, forward at 12: pressed, dragged, or turned by the arrows. */
function Dial({ label, degrees, onChange }: DialProps): ReactNode {
  const fromPointer = (event: PointerEvent<SVGSVGElement>): void => {
    const box = event.currentTarget.getBoundingClientRect();
    const [x, y] = [event.clientX - box.left - SIZE / 2, event.clientY - box.top - SIZE / 2];
    if (Math.hypot(x, y) > 4) onChange(snapped((Math.atan2(-x, -y) * 180) / Math.PI));
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const by = { ArrowLeft: STEP, ArrowUp: STEP, ArrowRight: -STEP, ArrowDown: -STEP }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    onChange(snapped((degrees ?? 0) + by));
  };
  const tip = degrees === null ? null : place(degrees, RADIUS - 8);
  return (
    <svg
      width={SIZE}
      height={SIZE}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={-180}
      aria-valuemax={180}
      aria-valuenow={degrees ?? 0}
      aria-valuetext={degrees === null ? TEXT.notSet : facingText(degrees)}
      style={{ touchAction: 'none', cursor: 'pointer' }}
      onKeyDown={onKeyDown}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        fromPointer(event);
      }}
      onPointerMove={(event) => event.buttons === 1 && fromPointer(event)}
    >
      <circle cx={SIZE / 2} cy={SIZE / 2} r={RADIUS} fill="#faf8f3" stroke="#8a8f8c" />
      {Array.from({ length: 12 }, (_, k) => {
        const [from, to] = [place(30 * k, RADIUS - (k % 3 === 0 ? 8 : 4)), place(30 * k, RADIUS)];
        return <line key={k} x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke="#545c61" />;
      })}
      {(['12', '9', '6', '3'] as const).map((hour, k) => {
        const at = place(90 * k, RADIUS + 12);
        return (
          <text key={hour} x={at.x} y={at.y} textAnchor="middle" dominantBaseline="central" fontSize="12">
            {hour}
          </text>
        );
      })}
      {tip && (
        <>
          <line x1={SIZE / 2} y1={SIZE / 2} x2={tip.x} y2={tip.y} stroke="#24323a" strokeWidth="3" />
          <circle cx={tip.x} cy={tip.y} r="5" fill="#24323a" />
        </>
      )}
      <circle cx={SIZE / 2} cy={SIZE / 2} r="3" fill="#24323a" />
    </svg>
  );
}

export interface FacingAnswerProps {
  /** Whose it is. */
  readonly who: string;
  readonly question: string;
  readonly answer: Check | undefined;
  readonly onAnswer: (answer: Check | null) => void;
}

/** Where something faces, judged by eye: what was set, and the dial to set it. */
export function FacingAnswer({ who, question, answer, onAnswer }: FacingAnswerProps): ReactNode {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const degrees = typeof answer === 'number' ? answer : null;
  const text = degrees !== null ? facingText(degrees) : answer === 'not-visible' ? TEXT.notVisible : TEXT.setDial;
  return (
    <>
      <Button
        variant="outlined"
        size="small"
        onClick={(event) => {
          event.stopPropagation();
          setAnchor(event.currentTarget);
        }}
      >
        {who}: {text}
      </Button>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        onClick={(event) => event.stopPropagation()}
      >
        <div style={{ padding: 12, display: 'grid', justifyItems: 'center', gap: 6, maxWidth: 240 }}>
          <span>{question}</span>
          <Dial label={`${question} ${who}`} degrees={degrees} onChange={onAnswer} />
          <span className="note">{TEXT.seenFromAbove12Is(facingSet(degrees))}</span>
          <div>
            <Button size="small" onClick={() => onAnswer('not-visible')}>
              {TEXT.notVisibleLabel}
            </Button>
            <Button size="small" disabled={answer === undefined} onClick={() => onAnswer(null)}>
              {TEXT.clear}
            </Button>
            <Button size="small" variant="contained" onClick={() => setAnchor(null)}>
              {TEXT.done}
            </Button>
          </div>
        </div>
      </Popover>
    </>
  );
}

const facingSet = (degrees: number | null): string => (degrees === null ? '' : TEXT.nowFacingText(facingText(degrees)));
