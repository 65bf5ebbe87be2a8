"use client";

import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** A band across the page for what the person must know before going on, with what can be done about it. */
export function Notice({ words, children }: { words: string; children?: ReactNode }) {
  return (
    <Box
      role="alert"
      display="flex"
      alignItems="center"
      gap="12px"
      padding="8px 14px"
      bg="var(--stop)"
      color="var(--sheet)"
    >
      <Box flex="1">{words}</Box>
      {children}
    </Box>
  );
}
