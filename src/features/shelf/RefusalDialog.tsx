"use client";

import { Box } from "@chakra-ui/react";
import type { ImportRefusal } from "@/store/shelf";
import { StepButton } from "@/ui/pieces/buttons";
import { Dialog } from "@/ui/pieces/Dialog";

interface RefusalProps {
  refused: ImportRefusal[];
  /** Files that were taken, but not whole. */
  left?: ImportRefusal[];
  onClose: () => void;
}

/** Why files, or parts of them, were not taken, place by place. */
export function RefusalDialog({ refused, left = [], onClose }: RefusalProps) {
  return (
    <Dialog
      open
      onClose={onClose}
      title={refused.length > 0 ? "Not taken" : "Not taken whole"}
      actions={<StepButton onClick={onClose}>Understood</StepButton>}
    >
      {refused.length > 0 && <p>Nothing on the shelf was touched.</p>}
      {left.length > 0 && <p>The design is on the shelf; some of what came with it could not be read.</p>}
      {[...refused, ...left].map(({ fileName, problems }, i) => (
        <Box key={`${fileName} ${i}`} marginTop="10px">
          <Box fontWeight="600">{fileName}</Box>
          <ul style={{ paddingLeft: 18 }}>
            {problems.map(({ path, message }) => (
              <li key={`${path} ${message}`}>
                {path && (
                  <Box as="span" fontFamily="mono">
                    {path}{" "}
                  </Box>
                )}
                {message}
              </li>
            ))}
          </ul>
        </Box>
      ))}
    </Dialog>
  );
}
