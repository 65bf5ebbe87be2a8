"use client";

import { Box } from "@chakra-ui/react";
import { PageLink } from "@/ui/pieces/PageLink";
import { useBench } from "@/store/bench";

const WORDS = {
  missing:
    "This design is not on the shelf of this browser. Perhaps it was deleted here, or lies in another browser; import its file there.",
  unreadable: "This design cannot be opened.",
  loading: "Laying the design on the bench …",
  ready: "Laying the design on the bench …",
};

/** Shown while there is no design to work on. */
export function NoDesign() {
  const { status, problem } = useBench();
  const isWaiting = status === "loading" || status === "ready";
  return (
    <Box as="main" padding="48px" maxWidth="640px">
      <Box as="h1" fontSize="20px" fontWeight="700" marginBottom="8px">
        {isWaiting ? "One moment" : "Nothing on the bench"}
      </Box>
      <p role="status">{WORDS[status]}</p>
      {problem && <p>{problem}</p>}
      {!isWaiting && (
        <p>
          <PageLink href="/" style={{ textDecoration: "underline" }}>
            Back to the shelf
          </PageLink>
        </p>
      )}
    </Box>
  );
}
