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
import { Box } from "@chakra-ui/react";
import { GripVertical, X } from "lucide-react";
import type { MacroStep } from "@/core/document/macros";
import { moveStep } from "@/core/edits/macros";
import { phraseContextOf } from "@/core/keymap/phraseContext";
import { stepWords } from "@/core/keymap/stepWords";
import { IconButton } from "@/ui/pieces/buttons";
import { NumberField, TextField } from "@/ui/pieces/fields";
import { useKeymap } from "./useKeymap";

interface StepListProps {
  steps: MacroStep[];
  onSteps: (steps: MacroStep[]) => void;
}

const MOST_TEXT = 2000;

/** The steps of a macro in their order: dragged, or carried with Space and the arrow keys. */
export function StepList({ steps, onSteps }: StepListProps) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = steps.map((_, nth) => `step ${nth + 1}`);
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    onSteps(moveStep(steps, ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
  };
  if (steps.length === 0)
    return <Box color="var(--faint)">No steps yet: add one on the right, or record what you press.</Box>;
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol aria-label="Steps" style={{ listStyle: "none", padding: 0, margin: 0, maxHeight: 380, overflowY: "auto" }}>
          {steps.map((step, nth) => (
            <StepLine
              key={`${nth} ${JSON.stringify(step)}`}
              id={ids[nth]}
              step={step}
              onStep={(next) => onSteps(steps.flatMap((one, at) => (at === nth ? (next ?? []) : one)))}
            />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

interface StepLineProps {
  id: string;
  step: MacroStep;
  /** Null takes it away. */
  onStep: (step: MacroStep | null) => void;
}

function StepLine({ id, step, onStep }: StepLineProps) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id });
  const words = stepWords(step, phraseContextOf(useKeymap().design));
  return (
    <li
      ref={setNodeRef}
      style={{
        transform: CSS.Transform.toString(transform),
        transition,
        display: "flex",
        alignItems: "center",
        gap: 8,
        padding: "3px 2px",
        borderBottom: "1px solid var(--edge)",
      }}
    >
      <button {...attributes} {...listeners} aria-label={`Drag ${id}, ${words}`} style={{ cursor: "grab" }}>
        <GripVertical size={14} />
      </button>
      <Box flex="1">
        <StepFields step={step} words={words} onStep={onStep} />
      </Box>
      <IconButton aria-label={`Take ${id} out`} height="26px" onClick={() => onStep(null)}>
        <X size={14} />
      </IconButton>
    </li>
  );
}

/** Texts and times are changed in place. */
function StepFields({ step, words, onStep }: { step: MacroStep; words: string; onStep: (step: MacroStep) => void }) {
  if (step.step === "text")
    return (
      <TextField
        label="Type"
        value={step.text}
        check={(text) => (text === "" || text.length > MOST_TEXT ? `A text has 1 to ${MOST_TEXT} characters.` : null)}
        onCommit={(text) => onStep({ ...step, text })}
      />
    );
  if (step.step === "wait")
    return (
      <NumberField
        label="Wait"
        unit="ms"
        whole
        min={1}
        max={60_000}
        value={step.ms}
        onCommit={(ms) => onStep({ ...step, ms })}
      />
    );
  return <>{words}</>;
}
