import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** Steps on the left, what they are about on the right. */
export function TwoSides({ left, right }: { left: ReactNode; right: ReactNode }) {
  return (
    <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 380px" gap="28px" alignItems="start">
      <Box>{left}</Box>
      <Box>{right}</Box>
    </Box>
  );
}
