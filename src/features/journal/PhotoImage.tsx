"use client";

import { Box } from "@chakra-ui/react";
import { useDesign } from "@/store/bench";
import { usePhotoUrl } from "@/store/photos";

/** A photo of the record, or that it lies elsewhere. */
export function PhotoImage({ id, height, words }: { id: string; height: string; words: string }) {
  const { id: designId } = useDesign();
  const url = usePhotoUrl(designId, id);
  if (url === "")
    return (
      <Box height={height} fontSize="12px" color="var(--faint)" border="1px dashed var(--edge)" padding="4px">
        Not in this browser. Open the archive it was exported in.
      </Box>
    );
  return (
    <Box height={height} bg="var(--paper)">
      {url && <img src={url} alt={words} style={{ width: "100%", height: "100%", objectFit: "contain" }} />}
    </Box>
  );
}
