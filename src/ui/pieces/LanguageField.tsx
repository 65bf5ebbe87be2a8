"use client";

import { Box } from "@chakra-ui/react";
import { type LanguageId, languageIds } from "@/core/languages/ids";
import { languageList } from "@/core/languages/languageList";
import { ChoiceField } from "./fields";

interface LanguageFieldProps {
  label: string;
  value: LanguageId | null;
  /** What no choice stands for, where there may be none. */
  none?: string;
  onCommit: (id: LanguageId | null) => void;
}

const choices = languageIds
  .map((value) => ({ value: value as string, label: languageList[value].title }))
  .sort((a, b) => a.label.localeCompare(b.label));

/** The keyboard language that a computer is set to. */
export function LanguageField({ label, value, none, onCommit }: LanguageFieldProps) {
  return (
    <>
      <ChoiceField
        label={label}
        value={value ?? ""}
        choices={none === undefined ? choices : [{ value: "", label: none }, ...choices]}
        onCommit={(id) => onCommit(id === "" ? null : (id as LanguageId))}
      />
      {value !== null && value !== "en-US" && (
        <Box fontSize="13px" color="var(--faint)">
          As X11 has it. Other systems may differ in dead keys and on the third level: not tested there.
        </Box>
      )}
    </>
  );
}
