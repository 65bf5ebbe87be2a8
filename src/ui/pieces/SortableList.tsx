"use client";

import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { GripVertical } from "lucide-react";
import type { CSSProperties, ReactNode } from "react";

interface SortableListProps {
  label: string;
  ids: string[];
  onMove: (from: number, to: number) => void;
  style?: CSSProperties;
  children: ReactNode;
}

/** Lines in an order: dragged, or carried with Space and the arrow keys. Its children are a SortableLine for each id. */
export function SortableList({ label, ids, onMove, style, children }: SortableListProps) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) onMove(ids.indexOf(String(active.id)), ids.indexOf(String(over.id)));
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol aria-label={label} style={{ listStyle: "none", padding: 0, margin: 0, ...style }}>
          {children}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

interface SortableLineProps {
  id: string;
  /** What its grip is called. */
  gripLabel: string;
  style?: CSSProperties;
  children: ReactNode;
}

/** One line of such a list, with its grip. */
export function SortableLine({ id, gripLabel, style, children }: SortableLineProps) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id });
  const moved = { transform: CSS.Transform.toString(transform), transition };
  return (
    <li ref={setNodeRef} style={{ ...moved, display: "flex", alignItems: "center", gap: 8, ...style }}>
      <button {...attributes} {...listeners} aria-label={gripLabel} style={{ cursor: "grab" }}>
        <GripVertical size={14} />
      </button>
      {children}
    </li>
  );
}
