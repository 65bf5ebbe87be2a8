"use client";

import { Box } from "@chakra-ui/react";
import { pauseTaken, usePractice } from "@/store/practiceInHand";
import { usePracticeRuns } from "@/store/practiceRuns";
import { PlainButton } from "@/ui/pieces/buttons";

/** After so many minutes a pause is proposed (common advice: some minutes each quarter of an hour, from memory). */
export const PAUSE_AFTER_MIN = 15;

/** A pause, when it is time for one, and what could not be kept. */
export function PauseNote() {
  const minutes = usePractice((state) => state.sincePauseMin);
  const trouble = usePracticeRuns((state) => state.trouble);
  return (
    <>
      {trouble && (
        <Box role="alert" marginTop="8px" color="var(--stop)" fontWeight="500">
          {trouble}
        </Box>
      )}
      {minutes >= PAUSE_AFTER_MIN && (
        <Box role="status" aria-label="Pause" marginTop="8px" bg="var(--paper)" padding="8px 10px">
          <Box fontWeight="700">Time for a pause</Box>
          <Box marginBottom="6px">
            {Math.round(minutes)} minutes without one. Stand up, let the hands hang, look far away for some minutes.
          </Box>
          <PlainButton onClick={pauseTaken}>I had one</PlainButton>
        </Box>
      )}
    </>
  );
}
