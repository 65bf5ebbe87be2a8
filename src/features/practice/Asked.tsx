"use client";

import { Box } from "@chakra-ui/react";
import { type ReactNode, type Ref } from "react";
import type { useMoves } from "./useMoves";

interface AskedProps {
  /** What is asked for now, large. */
  words: string;
  small: ReactNode;
  ears: ReturnType<typeof useMoves>;
  place?: Ref<HTMLDivElement>;
  isWrong?: boolean;
}

/** One thing that is asked for; the place listens to keys while it has the focus. */
export function Asked({ words, small, ears, place, isWrong }: AskedProps) {
  return (
    <Box
      ref={place}
      role="group"
      data-own-keys=""
      aria-label="What is asked for"
      tabIndex={0}
      padding="18px"
      bg="var(--paper)"
      border="1px solid"
      borderColor={isWrong ? "var(--stop)" : "var(--edge)"}
      {...ears}
    >
      <Box role="status" aria-label="Asked for" fontSize="30px" fontWeight="700" lineHeight="1.2">
        {words}
      </Box>
      <Box color="var(--faint)">{small}</Box>
    </Box>
  );
}
