"use client";

import { Box } from "@chakra-ui/react";
import { languageList } from "@/core/languages/languageList";
import { physicalFormOf } from "@/core/languages/physicalForm";
import type { ShapeParams } from "@/core/shapes";
import { useDesign } from "@/store/bench";
import { PlainButton } from "@/ui/pieces/buttons";

type TypingBlock = Extract<ShapeParams, { shape: "typing-block" }>;

/** The form that keyboards of the computer's language usually have, offered where the block has another one. */
export function NationalForm({ shape, onShape }: { shape: TypingBlock; onShape: (shape: TypingBlock) => void }) {
  const { hostLanguage } = useDesign().keymap;
  const form = physicalFormOf(hostLanguage);
  if (form.tallEnter === shape.tallEnter && form.extraKey === shape.extraKey) return null;
  return (
    <Box fontSize="13px">
      <Box>
        Keyboards for {languageList[hostLanguage].title} usually have{" "}
        {form.tallEnter ? "a tall Enter, and a key beside left Shift" : "a wide Enter, and no key beside left Shift"}.
      </Box>
      <PlainButton height="26px" onClick={() => onShape({ ...shape, ...form })}>
        Take that form
      </PlainButton>
    </Box>
  );
}
