import { HolderOutlined } from '@ant-design/icons';
import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import type { ReactNode } from 'react';

interface Props<R> {
  readonly rows: readonly R[];
  /** Stays with a row while it moves. */
  readonly keyOf: (row: R, index: number) => string;
  /** What the handle is called: "stage Strip out". */
  readonly nameOf: (row: R) => string;
  readonly onOrder: (rows: R[]) => void;
  readonly children: (row: R, index: number) => ReactNode;
  readonly disabled?: boolean;
}

/** Rows put into another order by their handle: dragged, or by Space, arrows, Space. */
export function SortableRows<R>({ rows, keyOf, nameOf, onOrder, children, disabled = false }: Props<R>) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const keys = rows.map(keyOf);
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={({ active, over }) => {
        if (over && active.id !== over.id)
          onOrder(arrayMove([...rows], keys.indexOf(String(active.id)), keys.indexOf(String(over.id))));
      }}
    >
      <SortableContext items={keys} strategy={verticalListSortingStrategy}>
        {rows.map((row, i) => (
          <SortableRow key={keys[i]!} id={keys[i]!} name={nameOf(row)} disabled={disabled}>
            {children(row, i)}
          </SortableRow>
        ))}
      </SortableContext>
    </DndContext>
  );
}

function SortableRow({
  id,
  name,
  disabled,
  children,
}: {
  id: string;
  name: string;
  disabled: boolean;
  children: ReactNode;
}) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id, disabled });
  return (
    <div
      ref={setNodeRef}
      className={`sortable-row${isDragging ? ' carried' : ''}`}
      style={{ transform: CSS.Translate.toString(transform), transition }}
    >
      {!disabled && (
        <button type="button" className="handle" aria-label={`Move ${name}`} {...attributes} {...listeners}>
          <HolderOutlined />
        </button>
      )}
      {children}
    </div>
  );
}
