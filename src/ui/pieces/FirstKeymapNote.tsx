"use client";

import { Box } from "@chakra-ui/react";
import { fillKeymapNow } from "@/store/keymapEdits";
import { StepButton } from "./buttons";

/** What a first keymap takes, and the way to it. */
export function FirstKeymapNote() {
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
