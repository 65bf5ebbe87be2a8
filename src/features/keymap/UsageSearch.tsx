"use client";

import { Box } from "@chakra-ui/react";
import { type UsageHit, searchUsages } from "@/core/hid/searchUsages";
import { Finder } from "@/ui/pieces/Finder";

const SHOWN = 40;

const find = (query: string) => searchUsages(query).slice(0, SHOWN);
const keyOf = ({ page, usage }: UsageHit) => `${page} ${usage}`;
const titleOf = ({ name }: UsageHit) => name;

/** Finds a usage by its name or a common word; Enter takes the first. */
export function UsageSearch({ onUsage }: { onUsage: (hit: UsageHit) => void }) {
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
