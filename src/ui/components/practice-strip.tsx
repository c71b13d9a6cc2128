import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useDraggable,
  useSensor,
  useSensors,
  type Active,
} from '@dnd-kit/core';
import { useRef, type ReactNode } from 'react';
import type { PracticePlan, Planned } from '../../core/coaching/practice-plan';
import { useWidth } from '../charts/use-width';
import { dayAfter } from '../../core/model/day';
import { dayText } from './format';
import { TEXT } from '../../text/components/common';

interface PracticeStripProps {
  readonly plan: PracticePlan;
  /** Correction id -> its name. */
  readonly names: ReadonlyMap<string, string>;
  /** The day from which the plan counts, as an ISO date. */
  readonly on: string;
  /** Practices a week, and what is done where one is moved; left out where it is only read. */
  readonly moving?: { readonly perWeek: number; readonly onBegin: (correctionId: string, practice: number) => void };
}

/** Fewest days that are shown, and days after the last practice. */
const LEAST_DAYS = 28;
const AFTER = 3;
const WEEK = 7;

/** The weeks to come: each correction a bar of its stages, moved by dragging it or with the arrow keys. */
export function PracticeStrip({ plan, names, on, moving }: PracticeStripProps): ReactNode {
  const [width, watch] = useWidth(600);
  const last = plan.days.at(-1)?.day ?? 0;
  const days = Math.max(
    LEAST_DAYS,
    last + AFTER,
    (plan.competition ?? 0) <= last + 60 ? (plan.competition ?? 0) + 1 : 0,
  );
  const ofWidth = (day: number): string => `${(100 * day) / days}%`;
  const pixelsAPractice = moving ? ((WEEK / moving.perWeek) * width) / days : 1;
  // Where the keys have brought it: the place that is drawn comes later than a quick second press.
  const keyed = useRef<number | null>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, {
      coordinateGetter: (event, { currentCoordinates }) => {
        const step = { ArrowRight: 1, ArrowLeft: -1 }[event.code];
        if (step === undefined) return undefined;
        event.preventDefault();
        keyed.current = (keyed.current ?? currentCoordinates.x) + step * pixelsAPractice;
        return { ...currentCoordinates, x: keyed.current };
      },
    }),
  );
  const weeks = Array.from({ length: Math.ceil(days / WEEK) }, (_, i) => i * WEEK);
  // Dates stand as far apart as they are wide.
  const each = Math.max(1, Math.ceil(64 / ((WEEK * width) / days)));
  const name = ({ id }: Active): string => names.get(String(id)) ?? '';
  return (
    <DndContext
      sensors={sensors}
      accessibility={{
        screenReaderInstructions: {
          draggable: TEXT.pressSpaceToPickItUp,
        },
        announcements: {
          onDragStart: ({ active }) => TEXT.nameIsPickedUp(name(active)),
          onDragOver: () => undefined,
          onDragEnd: ({ active }) => TEXT.nameIsPutDown(name(active)),
          onDragCancel: ({ active }) => TEXT.nameIsPutBack(name(active)),
        },
      }}
      onDragStart={() => {
        keyed.current = null;
      }}
      onDragEnd={({ active, delta }) => {
        const planned = plan.corrections.find(({ id }) => id === active.id);
        const by = Math.round(delta.x / pixelsAPractice);
        if (planned?.span && by !== 0) moving?.onBegin(planned.id, planned.span.first + by);
      }}
    >
      <div className="practice-strip" ref={watch} data-testid="practice-strip">
        {weeks.map((day, i) => (
          <span key={day} className={i % each === 0 ? 'week' : 'week minor'} style={{ left: ofWidth(day) }}>
            {i % each === 0 ? dayText(dayAfter(on, day), 'd MMM') : ''}
          </span>
        ))}
        {plan.freeze !== null && plan.freeze < days && (
          <span
            className="freeze"
            style={{ left: ofWidth(plan.freeze), width: ofWidth(Math.min(plan.competition!, days) - plan.freeze) }}
            title={TEXT.nothingNewIsBegunHere}
          />
        )}
        {plan.competition !== null && plan.competition < days && (
          <span className="competition" style={{ left: ofWidth(plan.competition) }} title={TEXT.competition} />
        )}
        {plan.corrections.map((planned, row) => (
          <Bar
            key={planned.id}
            planned={planned}
            row={row}
            plan={plan}
            name={names.get(planned.id) ?? ''}
            ofWidth={ofWidth}
            movable={moving !== undefined}
          />
        ))}
        <div style={{ height: 24 + 30 * Math.max(1, plan.corrections.length) }} />
      </div>
    </DndContext>
  );
}

interface BarProps {
  readonly planned: Planned;
  readonly plan: PracticePlan;
  readonly row: number;
  readonly name: string;
  readonly ofWidth: (day: number) => string;
  readonly movable: boolean;
}

/** One correction's practices, a mark where a stage is checked. */
function Bar({ planned, plan, row, name, ofWidth, movable }: BarProps): ReactNode {
  const { attributes, listeners, setNodeRef, transform } = useDraggable({ id: planned.id, disabled: !movable });
  const top = 22 + 30 * row;
  const { span } = planned;
  if (!span)
    return (
      <span className="not-begun" style={{ top }}>
        {name}: {planned.done ? TEXT.allStagesArePassed : TEXT.notBegunBeforeCompetition}
      </span>
    );
  const from = plan.days[span.first]!.day;
  const to = plan.days[span.last]!.day + 1;
  const checks = plan.days
    .slice(span.first, span.last + 1)
    .filter(({ turns }) => turns.some(({ id, check }) => id === planned.id && check));
  const share = (day: number): string => `${(100 * (day + 0.5 - from)) / (to - from)}%`;
  return (
    <div
      ref={setNodeRef}
      {...(movable ? { ...attributes, ...listeners } : {})}
      className={planned.done ? 'bar' : 'bar open'}
      style={{
        top,
        left: ofWidth(from),
        width: ofWidth(to - from),
        transform: transform ? `translateX(${transform.x}px)` : undefined,
        cursor: movable ? 'grab' : undefined,
      }}
      aria-label={planned.done ? TEXT.nameDaysFromTo(name, from, to - 1) : TEXT.nameDaysFromToNot(name, from, to - 1)}
    >
      <span>{name}</span>
      {checks.map(({ day }) => (
        <i key={day} style={{ left: share(day) }} title={TEXT.checkOnDay(day)} />
      ))}
    </div>
  );
}
