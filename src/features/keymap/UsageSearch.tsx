"use client";

import { useCallback } from "react";
import { Box } from "@chakra-ui/react";
import type { Design } from "@/core/document/schema";
import { type UsageHit, searchUsages } from "@/core/hid/searchUsages";
import { usagesTyping } from "@/core/languages/usagesTyping";
import { Finder } from "@/ui/pieces/Finder";
import { useHostLanguage } from "@/ui/useHostLanguage";

const SHOWN = 40;

const keyOf = ({ page, usage, modifiers }: UsageHit) => `${page} ${usage} ${modifiers ?? ""}`;
const titleOf = ({ name }: UsageHit) => name;

/** Finds a usage by its name, a common word, or what it types in the computer's language; Enter takes the first. */
export function UsageSearch({ design, onUsage }: { design: Design; onUsage: (hit: UsageHit) => void }) {
  const language = useHostLanguage(design.keymap.hostLanguage);
  const find = useCallback(
    (query: string) => {
      // In US English the names say what the keys type.
      const typing = language && language.id !== "en-US" ? usagesTyping(query.trim(), language) : [];
      return [...typing, ...searchUsages(query)].slice(0, SHOWN);
    },
    [language],
  );
  return (
    <Finder
      label="Search a usage"
      labelled
      placeholder="a, arrow, volume, F13 …"
      find={find}
      keyOf={keyOf}
      titleOf={titleOf}
      row={({ name, page, usage }) => (
        <Box display="flex" justifyContent="space-between">
          <span>{name}</span>
          <Box as="span" fontFamily="mono" fontSize="12px">
            {page === "keyboard" ? "07" : "0C"} {usage.toString(16).toUpperCase().padStart(2, "0")}
          </Box>
        </Box>
      )}
      nothing={(query) => `No usage has “${query}” in its name.`}
      onChoose={onUsage}
      maxHeight="210px"
    />
  );
}
