import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import DragIndicatorIcon from '@mui/icons-material/DragIndicator';
import IconButton from '@mui/material/IconButton';
import type { ReactNode } from 'react';
import { SortableArea } from '../../components/sortable-area';
import { TEXT } from '../../../text/screens/movement';

interface SortableListProps {
  readonly items: readonly {
    readonly id: string;
    readonly name: string;
    readonly content: ReactNode;
    readonly chosen: boolean;
  }[];
  readonly horizontal?: boolean;
  readonly onSort: (ids: readonly string[]) => void;
}

/** A list whose order is changed by dragging. */
export function SortableList({ items, horizontal = false, onSort }: SortableListProps): ReactNode {
  return (
    <SortableArea
      ids={items.map((item) => item.id)}
      nameOf={(id) => items.find((item) => item.id === id)?.name ?? id}
      horizontal={horizontal}
      onSort={onSort}
    >
      <ol className={horizontal ? 'sortable across' : 'sortable'}>
        {items.map((item) => (
          <SortableItem key={item.id} {...item} />
        ))}
      </ol>
    </SortableArea>
  );
}

function SortableItem({ id, name, content, chosen }: SortableListProps['items'][number]): ReactNode {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition } = useSortable({ id });
  return (
    <li
      ref={setNodeRef}
      className={chosen ? 'chosen' : ''}
      style={{ transform: CSS.Translate.toString(transform), transition }}
    >
      <IconButton
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        size="small"
        aria-label={TEXT.dragNameToAnotherPlace(name)}
        sx={{ cursor: 'grab', touchAction: 'none', p: 0.25 }}
      >
        <DragIndicatorIcon fontSize="small" />
      </IconButton>
      {content}
    </li>
  );
}
