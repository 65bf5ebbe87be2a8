"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useRef } from "react";
import { TextField } from "./fields";

interface ColourFieldProps {
  label: string;
  /** "#rrggbb" */
  value: string;
  onCommit: (value: string) => void;
}

const COLOUR = /^#[0-9a-f]{6}$/;
const tidy = (text: string) => {
  const bare = text.trim().toLowerCase();
  return bare.startsWith("#") ? bare : `#${bare}`;
};
const check = (text: string) =>
  COLOUR.test(tidy(text))
    ? null
    : `"${text}" is no colour. Type two digits each for red, green and blue, like #802000.`;

/** A colour, typed or picked. */
export function ColourField({ label, value, onCommit }: ColourFieldProps) {
  const picker = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const input = picker.current!;
    if (input.value !== value) input.value = value;
    // The browser's own event comes once, when picking is over; React's would come with every move.
    const picked = () => input.value !== value && onCommit(input.value);
    input.addEventListener("change", picked);
    return () => input.removeEventListener("change", picked);
  }, [value, onCommit]);
  return (
    <Box display="flex" alignItems="flex-end" gap="6px">
      <Box flex="1" minWidth="0">
        <TextField label={label} mono value={value} check={check} onCommit={(text) => onCommit(tidy(text))} />
      </Box>
      <input
        ref={picker}
        type="color"
        aria-label={`Pick ${label.toLowerCase()}`}
        defaultValue={value}
        style={{ width: 30, height: 30, padding: 0, border: "1px solid var(--edge)", borderRadius: 3, flexShrink: 0 }}
      />
    </Box>
  );
}
