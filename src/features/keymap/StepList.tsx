"use client";

import { Box } from "@chakra-ui/react";
import { X } from "lucide-react";
import type { MacroStep } from "@/core/document/macros";
import { moveStep } from "@/core/edits/macros";
import { phraseContextOf } from "@/core/keymap/phraseContext";
import { stepWords } from "@/core/keymap/stepWords";
import { IconButton } from "@/ui/pieces/buttons";
import { NumberField, TextField } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";
import { SortableLine, SortableList } from "@/ui/pieces/SortableList";
import { useKeymap } from "./useKeymap";

interface StepListProps {
  steps: MacroStep[];
  onSteps: (steps: MacroStep[]) => void;
}

const MOST_TEXT = 2000;

/** The steps of a macro in their order: dragged, or carried with Space and the arrow keys. */
export function StepList({ steps, onSteps }: StepListProps) {
  const ids = steps.map((_, nth) => `step ${nth + 1}`);
  if (steps.length === 0)
    return <Box color="var(--faint)">No steps yet: add one on the right, or record what you press.</Box>;
  return (
    <SortableList
      label="Steps"
      ids={ids}
      onMove={(from, to) => onSteps(moveStep(steps, from, to))}
      style={{ maxHeight: 380, overflowY: "auto" }}
    >
      {steps.map((step, nth) => (
        <StepLine
          key={`${nth} ${JSON.stringify(step)}`}
          id={ids[nth]}
          step={step}
          before={nth}
          onStep={(next) => onSteps(steps.flatMap((one, at) => (at === nth ? (next ?? []) : one)))}
        />
      ))}
    </SortableList>
  );
}

interface StepLineProps {
  id: string;
  /** How many steps stand before it. */
  before: number;
  step: MacroStep;
  /** Null takes it away. */
  onStep: (step: MacroStep | null) => void;
}

function StepLine({ id, step, before, onStep }: StepLineProps) {
  const words = stepWords(step, phraseContextOf(useKeymap().design));
  return (
    <SortableLine
      id={id}
      gripLabel={`Drag ${id}, ${words}`}
      style={{ padding: "3px 2px", borderBottom: "1px solid var(--edge)" }}
    >
      <Box flex="1">
        <StepFields step={step} before={before} words={words} onStep={onStep} />
      </Box>
      <IconButton aria-label={`Take ${id} out`} height="26px" onClick={() => onStep(null)}>
        <X size={14} />
      </IconButton>
    </SortableLine>
  );
}

interface StepFieldsProps {
  step: MacroStep;
  before: number;
  words: string;
  onStep: (step: MacroStep) => void;
}

/** Texts and times are changed in place. */
function StepFields({ step, before, words, onStep }: StepFieldsProps) {
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
  if (step.step === "again" && before === 0) return <>Nothing stands before it that it could do again.</>;
  if (step.step === "again")
    return (
      <Columns>
        <NumberField
          label="Again: how many steps before it"
          unit=""
          whole
          min={1}
          max={before}
          value={step.steps}
          onCommit={(count) => onStep({ ...step, steps: count })}
        />
        <NumberField
          label="In all (0: until let go)"
          unit="times"
          whole
          min={0}
          max={255}
          value={step.times}
          onCommit={(times) => onStep({ ...step, times })}
        />
      </Columns>
    );
  return <>{words}</>;
}
