"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useId } from "react";

interface TextAreaProps {
  label: string;
  value: string;
  rows: number;
  maxLength?: number;
  onChange: (text: string) => void;
}

/** Several lines of text under their label. */
export function TextArea({ label, onChange, ...props }: TextAreaProps) {
  const id = useId();
  return (
    <label htmlFor={id}>
      <Box fontSize="13px" fontWeight="500" color="var(--faint)" marginBottom="2px">
        {label}
      </Box>
      <chakra.textarea
        {...props}
        id={id}
        width="100%"
        padding="6px 8px"
        border="1px solid var(--edge)"
        borderRadius="3px"
        bg="var(--sheet)"
        color="var(--ink)"
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}
