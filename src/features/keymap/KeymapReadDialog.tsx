"use client";

import { Box } from "@chakra-ui/react";
import { type Binding, phraseOf } from "@/core/bindings";
import { derive } from "@/core/derived/derive";
import { takeKeymap } from "@/core/edits/takeKeymap";
import type { ReadBinding, ReadKeymap } from "@/core/formats/keymapCsv";
import { phraseContextOf } from "@/core/keymap/phraseContext";
import { edit } from "@/store/bench";
import { Dialog } from "@/ui/pieces/Dialog";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { useKeymap } from "./useKeymap";

/** What a table changes, and what in it cannot be read; nothing is changed until it is taken. */
export function ReadDialog({ read, onClose }: { read: ReadKeymap; onClose: () => void }) {
  const { changes, problems } = read;
  const take = () => {
    edit("a keymap from a table", (d) => takeKeymap(d, read));
    onClose();
  };
  return (
    <Dialog
      title="What the table says"
      open
      wide
      onClose={onClose}
      actions={
        <>
          <PlainButton onClick={onClose}>Leave all as it is</PlainButton>
          <StepButton disabled={changes.length === 0} onClick={take}>
            Take {changes.length} {changes.length === 1 ? "change" : "changes"}
          </StepButton>
        </>
      }
    >
      {problems.length > 0 && (
        <Box role="alert" borderLeft="4px solid var(--warn)" paddingLeft="10px" marginBottom="10px">
          <Box fontWeight="600">These lines say nothing that can be done; what is there stays.</Box>
          <ul style={{ listStyle: "none", padding: 0, maxHeight: 140, overflowY: "auto" }}>
            {problems.map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
          </ul>
        </Box>
      )}
      {changes.length === 0 ? (
        <Box>The table changes nothing.</Box>
      ) : (
        <ul aria-label="Changes" style={{ listStyle: "none", padding: 0, maxHeight: 360, overflowY: "auto" }}>
          {changes.map((change) => (
            <ChangeLine key={`${change.layerId} ${change.inputId}`} change={change} />
          ))}
        </ul>
      )}
    </Dialog>
  );
}

function ChangeLine({ change: { layerId, inputId, binding } }: { change: ReadBinding }) {
  const { design } = useKeymap();
  const context = phraseContextOf(design);
  const layer = design.keymap.layers.find(({ id }) => id === layerId)!;
  const words = (one: Binding | null | undefined) => (one ? phraseOf(one, context) : "as beneath");
  const label = derive(design).bindable.find(({ id }) => id === inputId)?.label ?? inputId;
  return (
    <Box as="li" paddingBlock="3px" borderBottom="1px solid var(--edge)">
      <b>
        {label} on {layer.name}
      </b>
      : <s>{words(layer.bindings[inputId])}</s> becomes {words(binding)}
    </Box>
  );
}
