import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  closestCenter,
  useSensor,
  useSensors,
  type Active,
  type DragEndEvent,
  type KeyboardCoordinateGetter,
  type Over,
} from '@dnd-kit/core';
import {
  SortableContext,
  arrayMove,
  horizontalListSortingStrategy,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import type { ReactNode } from 'react';
import { TEXT } from '../../text/components/common';

const STEP: Readonly<Record<string, number>> = { ArrowUp: -1, ArrowLeft: -1, ArrowDown: 1, ArrowRight: 1 };

/**
 * One place on or back in the order for each arrow key. Going by the order and not by what lies nearest on the screen,
 * no key is lost among things of different sizes; centre on centre is where the nearest centre is certain.
 */
function placeByArrow(ids: readonly string[]): KeyboardCoordinateGetter {
  return (event, { context: { active, over, collisionRect, droppableRects } }) => {
    const step = STEP[event.code];
    if (step === undefined) return undefined;
    event.preventDefault();
    const rect = droppableRects.get(ids[ids.indexOf(String((over ?? active)?.id)) + step] ?? '');
    if (!rect || !collisionRect) return undefined;
    return {
      x: rect.left + (rect.width - collisionRect.width) / 2,
      y: rect.top + (rect.height - collisionRect.height) / 2,
    };
  };
}

interface SortableAreaProps {
  readonly ids: readonly string[];
  readonly nameOf: (id: string) => string;
  readonly horizontal?: boolean;
  readonly onSort: (ids: readonly string[]) => void;
  readonly children: ReactNode;
}

/**
 * Things in an order that is changed by dragging, with the pointer or with Space and the arrow keys; what happens is
 * told to screen readers by name.
 */
export function SortableArea({ ids, nameOf, horizontal = false, onSort, children }: SortableAreaProps): ReactNode {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    // A smooth scroll that something interrupts never arrives, and the move with it.
    useSensor(KeyboardSensor, { coordinateGetter: placeByArrow(ids), scrollBehavior: 'auto' }),
  );
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    if (over && active.id !== over.id)
      onSort(arrayMove([...ids], ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
  };
  const name = ({ id }: Active | Over): string => nameOf(String(id));
  const place = ({ id }: Over): string => TEXT.placeIndexOfCount(ids.indexOf(String(id)) + 1, ids.length);
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={onDragEnd}
      accessibility={{
        screenReaderInstructions: {
          draggable: TEXT.pressSpaceToPickIt,
        },
        announcements: {
          onDragStart: ({ active }) => TEXT.nameIsPickedUp(name(active)),
          onDragOver: ({ active, over }) =>
            over ? TEXT.nameIsAtPlace(name(active), place(over)) : TEXT.nameIsAtNoPlace(name(active)),
          onDragEnd: ({ active, over }) =>
            over ? TEXT.nameIsPutDownAt(name(active), place(over)) : TEXT.nameIsPutBack(name(active)),
          onDragCancel: ({ active }) => TEXT.nameIsPutBack(name(active)),
        },
      }}
    >
      <SortableContext
        items={[...ids]}
        strategy={horizontal ? horizontalListSortingStrategy : verticalListSortingStrategy}
      >
        {children}
      </SortableContext>
    </DndContext>
  );
}
