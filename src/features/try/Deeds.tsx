"use client";

import { Box } from "@chakra-ui/react";
import { useSession } from "@/store/session";

const SHOWN = 12;

/** What the computer was told beside typing, the newest first. */
export function Deeds() {
  const deeds = useSession((state) => state.deeds);
  return (
    <Box
      as="ul"
      listStyleType="none"
      fontSize="13px"
      maxHeight="96px"
      overflowY="auto"
      tabIndex={0}
      aria-label="Other things the computer was told"
    >
      {deeds
        .slice(-SHOWN)
        .reverse()
        .map(({ atMs, deed }, i) => (
          <li key={`${atMs} ${i}`}>
            <Box as="span" fontFamily="mono">
              {atMs} ms
            </Box>{" "}
            {deed}
          </li>
        ))}
    </Box>
  );
}
