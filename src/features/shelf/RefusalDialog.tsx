"use client";

import { Box } from "@chakra-ui/react";
import type { ImportRefusal } from "@/store/shelf";
import { StepButton } from "@/ui/pieces/buttons";
import { Dialog } from "@/ui/pieces/Dialog";

/** Why files were not taken, place by place. */
export function RefusalDialog({ refused, onClose }: { refused: ImportRefusal[]; onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} title="Not taken" actions={<StepButton onClick={onClose}>Understood</StepButton>}>
      <p>Nothing on the shelf was touched.</p>
      {refused.map(({ fileName, problems }, i) => (
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
