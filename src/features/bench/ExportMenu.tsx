"use client";

import { Box, Menu, Portal } from "@chakra-ui/react";
import { Download } from "lucide-react";
import type { Design } from "@/core/design/schema";
import { notify } from "@/ui/pieces/notices";
import { StepButton } from "@/ui/pieces/buttons";
import { exportChoices, exportDesign } from "./exportDesign";

/** Everything the design can leave the bench as. */
export function ExportMenu({ design }: { design: Design }) {
  return (
    <Menu.Root
      positioning={{ placement: "bottom-end" }}
      onSelect={({ value }) => void exportDesign(design, value).then((words) => words && notify(words))}
    >
      <Menu.Trigger asChild>
        <StepButton>
          <Download size={16} /> Export
        </StepButton>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content
            bg="var(--sheet)"
            color="var(--ink)"
            borderRadius="3px"
            minWidth="380px"
            border="1px solid var(--edge)"
          >
            {exportChoices.map(({ id, title, purpose }) => (
              <Menu.Item
                key={id}
                value={id}
                padding="8px 10px"
                borderRadius="2px"
                _highlighted={{ bg: "var(--paper)" }}
              >
                <Box>
                  <Box fontWeight="600">{title}</Box>
                  <Box fontSize="13px" color="var(--faint)">
                    {purpose}
                  </Box>
                </Box>
              </Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
