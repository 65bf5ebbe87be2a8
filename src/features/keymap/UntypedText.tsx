"use client";

import { Box } from "@chakra-ui/react";
import type { MacroStep } from "@/core/document/macros";
import { numberSchoolWords, numberSchools, withNumberEntry } from "@/core/keymap/numberEntry";
import type { NumberSchool } from "@/core/keymap/numberEntry";
import { languageList } from "@/core/languages/languageList";
import { strokesFor } from "@/core/languages/strokes";
import { PlainButton } from "@/ui/pieces/buttons";
import { useHostLanguage } from "@/ui/useHostLanguage";
import { useKeymap } from "./useKeymap";

interface UntypedTextProps {
  steps: MacroStep[];
  onSteps: (steps: MacroStep[]) => void;
}

/** Characters of a macro's texts that the computer's language has no keys for, and ways to type them all the same. */
export function UntypedText({ steps, onSteps }: UntypedTextProps) {
  const { hostLanguage } = useKeymap().design.keymap;
  const language = useHostLanguage(hostLanguage);
  if (!language) return null;
  const missing = [
    ...new Set(steps.flatMap((step) => (step.step === "text" ? strokesFor(step.text, language).missing : []))),
  ];
  if (missing.length === 0) return null;
  const enter = (school: NumberSchool) =>
    onSteps(
      missing.reduce(
        (all, character) =>
          all.flatMap((step) => (step.step === "text" ? withNumberEntry(step.text, character, school) : step)),
        steps,
      ),
    );
  return (
    <Box role="alert" borderLeft="4px solid var(--warn)" paddingLeft="10px">
      <Box fontWeight="600">
        {languageList[hostLanguage].title} has no keys for {missing.join(" ")}: the device leaves them out.
      </Box>
      <Box fontSize="13px" marginBlock="4px">
        They can be entered by their numbers; which way a computer takes depends on its system and settings (from
        memory, not tested):
      </Box>
      <Box display="flex" flexDirection="column" gap="4px" alignItems="flex-start">
        {numberSchools.map((school) => (
          <PlainButton key={school} onClick={() => enter(school)}>
            {numberSchoolWords[school]}
          </PlainButton>
        ))}
      </Box>
    </Box>
  );
}
