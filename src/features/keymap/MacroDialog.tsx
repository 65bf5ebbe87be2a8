"use client";

import { useState } from "react";
import { Box } from "@chakra-ui/react";
import { MOST_STEPS, type Macro, type MacroStep } from "@/core/document/macros";
import { changeMacro, removeMacro } from "@/core/edits/macros";
import { keyboardUsageNamed } from "@/core/hid/keyboardUsages";
import { macroPlan } from "@/core/keymap/macroPlan";
import { leftDown } from "@/core/keymap/stepWords";
import { edit } from "@/store/bench";
import { Dialog } from "@/ui/pieces/Dialog";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Checkbox, ChoiceField, NumberField, TextField } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";
import { AddStep } from "./AddStep";
import { StepList } from "./StepList";
import { UntypedText } from "./UntypedText";
import { useHostLanguage } from "@/ui/useHostLanguage";
import { useKeymap } from "./useKeymap";

const MOST_TIMES = 255;

interface MacroDialogProps {
  macro: Macro;
  onClose: () => void;
}

/** One macro: how it plays, and its steps. */
export function MacroDialog({ macro, onClose }: MacroDialogProps) {
  const change = (what: string, next: Partial<Macro>) => edit(what, (d) => changeMacro(d, macro.id, next));
  const [recording, setRecording] = useState(false);
  const setSteps = (steps: MacroStep[], what = `steps of ${macro.name}`) => change(what, { steps });
  const remove = () => {
    onClose();
    edit(`remove ${macro.name}`, (d) => removeMacro(d, macro.id));
  };
  return (
    <Dialog
      title={macro.name}
      open
      wide
      keepsEscape={recording}
      onClose={onClose}
      actions={
        <>
          <PlainButton onClick={remove}>Remove this macro</PlainButton>
          <StepButton onClick={onClose}>Done</StepButton>
        </>
      }
    >
      <Box display="grid" gridTemplateColumns="minmax(0, 5fr) minmax(0, 4fr)" gap="24px">
        <Box display="flex" flexDirection="column" gap="10px">
          <StepList steps={macro.steps} onSteps={setSteps} />
          <Ends macro={macro} />
          <UntypedText steps={macro.steps} onSteps={setSteps} />
        </Box>
        <Box display="flex" flexDirection="column" gap="10px">
          <TextField
            label="Name of the macro"
            value={macro.name}
            check={(text) => (text.trim() === "" || text.length > 40 ? "A name has 1 to 40 characters." : null)}
            onCommit={(name) => change("rename a macro", { name: name.trim() })}
          />
          <PlaysFields macro={macro} onChange={(next) => change(`how ${macro.name} plays`, next)} />
          <AddStep
            room={MOST_STEPS - macro.steps.length}
            onSteps={(steps) => setSteps([...macro.steps, ...steps])}
            onRecording={setRecording}
          />
          <Memory macro={macro} />
        </Box>
      </Box>
    </Dialog>
  );
}

function PlaysFields({ macro, onChange }: { macro: Macro; onChange: (next: Partial<Macro>) => void }) {
  const { plays, endsOnPress } = macro;
  return (
    <>
      <Columns>
        <ChoiceField
          label="It plays"
          value={plays.how}
          choices={[
            { value: "times", label: "so many times" },
            { value: "while-held", label: "while its key is held" },
          ]}
          onCommit={(how) => onChange({ plays: how === "times" ? { how, times: 1 } : { how: "while-held" } })}
        />
        {plays.how === "times" && (
          <NumberField
            label="Times"
            unit=""
            whole
            min={1}
            max={MOST_TIMES}
            value={plays.times}
            onCommit={(times) => onChange({ plays: { how: "times", times } })}
          />
        )}
      </Columns>
      <Checkbox label="Any press ends it" checked={endsOnPress} onChange={(ends) => onChange({ endsOnPress: ends })} />
    </>
  );
}

/** What its end does beside the steps. */
function Ends({ macro }: { macro: Macro }) {
  const down = leftDown(macro.steps);
  if (down.length === 0) return null;
  return (
    <Box fontSize="13px" color="var(--warn)">
      No step lets go of {down.map(keyboardUsageNamed).join(" and ")}: the end of the macro does.
    </Box>
  );
}

/** What it takes in the device. */
function Memory({ macro }: { macro: Macro }) {
  const { design } = useKeymap();
  const language = useHostLanguage(design.keymap.hostLanguage);
  if (!language) return null;
  const { code } = macroPlan(design);
  const nth = (design.keymap.macros ?? []).findIndex(({ id }) => id === macro.id);
  const all = code.reduce((sum, bytes) => sum + bytes.length, 0);
  return (
    <Box fontSize="13px" color="var(--faint)">
      {code[nth]?.length ?? 0} bytes in the device; all macros {all} bytes. Kept in plain text, in the design and in the
      device: no place for a password.
    </Box>
  );
}
