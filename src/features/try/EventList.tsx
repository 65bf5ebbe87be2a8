"use client";

import { Box } from "@chakra-ui/react";

const SHOWN = 12;

/** What happened, with its milliseconds, the newest first. @param none what stands there before anything has */
export function EventList({
  label,
  events,
  none,
}: {
  label: string;
  events: { atMs: number; words: string }[];
  none?: string;
}) {
  return (
    <Box
      as="ul"
      listStyleType="none"
      fontSize="13px"
      maxHeight="110px"
      overflowY="auto"
      tabIndex={0}
      aria-label={label}
    >
      {events.length === 0 && none && <li>{none}</li>}
      {events
        .slice(-SHOWN)
        .reverse()
        .map(({ atMs, words }, nth) => (
          <li key={`${atMs} ${nth}`}>
            <Box as="span" fontFamily="mono">
              {atMs} ms
            </Box>{" "}
            {words}
          </li>
        ))}
    </Box>
  );
}
