"use client";

import { useState } from "react";
import { Box } from "@chakra-ui/react";
import type { MacroStep } from "@/core/document/macros";
import { phraseContextOf } from "@/core/keymap/phraseContext";
import { stepWords } from "@/core/keymap/stepWords";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField } from "@/ui/pieces/fields";
import { Row } from "@/ui/pieces/sheets";
import { PressToBind } from "./PressToBind";
import { RecordKeys } from "./RecordKeys";
import { UsageSearch } from "./UsageSearch";
import { useKeymap } from "./useKeymap";

const KEY_WAYS = { tap: "tap it", press: "press it, and keep it down", release: "let go of it" } as const;
type KeyWay = keyof typeof KEY_WAYS;

const FRESH: { title: string; step: MacroStep }[] = [
  { title: "A text", step: { step: "text", text: "text" } },
  { title: "A pause", step: { step: "wait", ms: 100 } },
  { title: "Until its key is let go", step: { step: "until-let-go" } },
  { title: "A part again", step: { step: "again", steps: 1, times: 2 } },
];

interface AddStepProps {
  /** Steps that the macro still has room for. */
  room: number;
  onSteps: (steps: MacroStep[]) => void;
  onRecording: (isRecording: boolean) => void;
}

/** Adds steps at a macro's end. */
export function AddStep({ room, onSteps, onRecording }: AddStepProps) {
  const { design } = useKeymap();
  const [way, setWay] = useState<KeyWay>("tap");
  const context = phraseContextOf(design);
  const key = (usage: number, modifiers: number): MacroStep =>
    way === "release" ? { step: way, usage } : { step: way, usage, modifiers };
  const leads = design.keymap.layers.flatMap(({ id }) =>
    (["stay", "switch"] as const).map((lead): MacroStep => ({ step: "layer", way: lead, layerId: id })),
  );
  return (
    <Box role="group" aria-label="Add a step" display="flex" flexDirection="column" gap="6px">
      <Box fontWeight="600">Add a step</Box>
      <Row>
        {FRESH.map(({ title, step }) => (
          <PlainButton key={title} onClick={() => onSteps([step])}>
            {title}
          </PlainButton>
        ))}
      </Row>
      <ChoiceField
        label="A key"
        value={way}
        choices={Object.entries(KEY_WAYS).map(([value, label]) => ({ value, label }))}
        onCommit={(next) => setWay(next as KeyWay)}
      />
      <UsageSearch
        design={design}
        onUsage={({ page, usage, modifiers = 0 }) =>
          onSteps([page === "keyboard" ? key(usage, modifiers) : { step: "consumer", usage }])
        }
      />
      <PressToBind onUsage={(usage, modifiers) => onSteps([key(usage, modifiers)])} />
      {leads.length > 2 && (
        <ChoiceField
          label="A layer"
          value=""
          choices={[
            { value: "", label: "choose how, and which" },
            ...leads.map((step, nth) => ({ value: String(nth), label: stepWords(step, context) })),
          ]}
          onCommit={(nth) => nth !== "" && onSteps([leads[Number(nth)]])}
        />
      )}
      <RecordKeys room={room} onSteps={onSteps} onRecording={onRecording} />
    </Box>
  );
}
