"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useId, useState } from "react";
import { PlainButton } from "@/ui/pieces/buttons";

interface FinderProps<Item extends { id: string; words: string }> {
  label: string;
  items: Item[];
  onPick: (item: Item) => void;
}

const SHOWN = 6;

/** One of very many: the words typed narrow them down. */
export function Finder<Item extends { id: string; words: string }>({ label, items, onPick }: FinderProps<Item>) {
  const [query, setQuery] = useState("");
  const id = useId();
  const parts = query.toLowerCase().split(/\s+/).filter(Boolean);
  const found = items.filter(({ words }) => parts.every((part) => words.toLowerCase().includes(part)));
  return (
    <div>
      <label htmlFor={id}>
        <Box fontSize="13px" fontWeight="600">
          {label}
        </Box>
      </label>
      <chakra.input
        id={id}
        width="100%"
        maxWidth="420px"
        height="30px"
        padding="0 8px"
        border="1px solid var(--edge)"
        borderRadius="3px"
        bg="var(--sheet)"
        placeholder={`words of it; there are ${items.length}`}
        value={query}
        onChange={(event) => setQuery(event.target.value)}
      />
      <Box display="flex" gap="6px" flexWrap="wrap" marginTop="6px">
        {found.slice(0, SHOWN).map((item) => (
          <PlainButton
            key={item.id}
            height="auto"
            minHeight="26px"
            paddingBlock="2px"
            whiteSpace="normal"
            textAlign="left"
            onClick={() => {
              setQuery("");
              onPick(item);
            }}
          >
            {item.words}
          </PlainButton>
        ))}
        {found.length > SHOWN && <Box color="var(--faint)">and {found.length - SHOWN} more</Box>}
        {found.length === 0 && <Box color="var(--faint)">None has these words.</Box>}
      </Box>
    </div>
  );
}
