"use client";

import { Box } from "@chakra-ui/react";
import { useDesign } from "@/store/bench";
import { notify } from "@/ui/pieces/notices";
import { Dialog } from "@/ui/pieces/Dialog";
import { exportChoices } from "./exportChoices";
import { exportDesign } from "./exportDesign";

/** Everything the design can leave the bench as. */
export function ExportDialog({ onClose }: { onClose: () => void }) {
  const design = useDesign();
  const take = (id: string) => {
    onClose();
    void exportDesign(design, id).then(notify);
  };
  return (
    <Dialog title={`Export ${design.name}`} open onClose={onClose} wide>
      <ul style={{ listStyle: "none", margin: 0, padding: 0, columnCount: 2, columnGap: 20 }}>
        {exportChoices.map(({ id, title, purpose }) => (
          <Box as="li" key={id} borderTop="1px solid var(--edge)" breakInside="avoid">
            <button
              onClick={() => take(id)}
              style={{ width: "100%", textAlign: "left", padding: "9px 6px", cursor: "pointer" }}
              className="line-button"
            >
              <Box as="span" fontWeight="600" display="block">
                {title}
              </Box>
              <Box as="span" fontSize="13px" color="var(--faint)">
                {purpose}
              </Box>
            </button>
          </Box>
        ))}
      </ul>
    </Dialog>
  );
}
