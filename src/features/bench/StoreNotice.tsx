"use client";

import { Box } from "@chakra-ui/react";
import { saveNow, useBench, useDesign } from "@/store/bench";
import { PlainButton } from "@/ui/pieces/buttons";
import { notify } from "@/ui/pieces/notices";
import { exportDesign } from "./exportDesign";

/** Told at the top of the bench while the browser does not keep the design. */
export function StoreNotice() {
  const saving = useBench((state) => state.saving);
  const design = useDesign();
  if (saving.state !== "failed") return null;
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
      <Box flex="1">{saving.trouble.message}</Box>
      <PlainButton onClick={() => void exportDesign(design, "design").then(notify)}>Export now</PlainButton>
      <PlainButton onClick={() => void saveNow()}>Try again</PlainButton>
    </Box>
  );
}
