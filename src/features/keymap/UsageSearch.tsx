"use client";

import { Box, Input } from "@chakra-ui/react";
import { useId, useState } from "react";
import { type UsageHit, searchUsages } from "@/core/hid/searchUsages";

const SHOWN = 40;

/** Finds a usage by its name or a common word; Enter takes the first. */
export function UsageSearch({ onUsage }: { onUsage: (hit: UsageHit) => void }) {
  const [query, setQuery] = useState("");
  const [at, setAt] = useState(0);
  const id = useId();
  const hits = query.trim() === "" ? [] : searchUsages(query).slice(0, SHOWN);
  const take = (hit: UsageHit | undefined) => {
    if (!hit) return;
    onUsage(hit);
    setQuery("");
  };
  return (
    <Box position="relative">
      <label htmlFor={`${id}-input`}>
        <Box fontSize="13px" fontWeight="500" color="var(--faint)">
          Search a usage
        </Box>
      </label>
      <Input
        id={`${id}-input`}
        role="combobox"
        aria-expanded={hits.length > 0}
        aria-controls={`${id}-list`}
        aria-activedescendant={hits.length > 0 ? `${id}-${at}` : undefined}
        autoComplete="off"
        height="30px"
        borderRadius="3px"
        paddingInline="8px"
        borderColor="var(--edge)"
        bg="var(--sheet)"
        placeholder="a, arrow, volume, F13 …"
        value={query}
        onChange={(event) => {
          setQuery(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          if (event.key === "ArrowDown") setAt(Math.min(at + 1, hits.length - 1));
          else if (event.key === "ArrowUp") setAt(Math.max(at - 1, 0));
          else if (event.key === "Enter") take(hits[at]);
          else if (event.key === "Escape") setQuery("");
          else return;
          event.preventDefault();
        }}
      />
      {query.trim() !== "" && (
        <Box
          id={`${id}-list`}
          role="listbox"
          aria-label="Usages"
          maxHeight="210px"
          overflowY="auto"
          border="1px solid var(--edge)"
          borderTop="none"
          bg="var(--sheet)"
        >
          {hits.map((hit, nth) => (
            <Box
              key={`${hit.page} ${hit.usage}`}
              id={`${id}-${nth}`}
              ref={(element: HTMLDivElement | null) => nth === at && element?.scrollIntoView({ block: "nearest" })}
              role="option"
              aria-selected={nth === at}
              display="flex"
              justifyContent="space-between"
              padding="3px 8px"
              cursor="pointer"
              bg={nth === at ? "var(--saffron)" : "transparent"}
              color={nth === at ? "var(--saffron-ink)" : "inherit"}
              onPointerEnter={() => setAt(nth)}
              onClick={() => take(hit)}
            >
              <span>{hit.name}</span>
              <Box as="span" fontFamily="mono" fontSize="12px">
                {hit.page === "keyboard" ? "07" : "0C"} {hit.usage.toString(16).toUpperCase().padStart(2, "0")}
              </Box>
            </Box>
          ))}
          {hits.length === 0 && <Box padding="6px 8px">No usage has “{query}” in its name.</Box>}
        </Box>
      )}
    </Box>
  );
}
