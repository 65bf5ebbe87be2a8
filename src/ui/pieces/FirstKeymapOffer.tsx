import { Box } from "@chakra-ui/react";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { fillKeymapNow } from "@/store/keymapEdits";
import { StepButton } from "./buttons";

/** Whether a design has inputs and none of them does anything yet. */
const isSilent = (design: Design) =>
  derive(design).inputs.length > 0 && design.keymap.layers.every(({ bindings }) => Object.keys(bindings).length === 0);

/** Offered while nothing is bound at all: then every press is silent. */
export function FirstKeymapOffer({ design }: { design: Design }) {
  if (!isSilent(design)) return null;
  return (
    <Box display="grid" gap="8px" paddingBlock="8px" role="note" aria-label="First keymap">
      <div>
        Nothing is bound yet, so every press is silent. A first keymap takes what the labels name, volume and cursor for
        knobs, and spare function keys or letters for the rest; each can be changed.
      </div>
      <StepButton onClick={() => void fillKeymapNow()}>Give it a first keymap</StepButton>
    </Box>
  );
}
