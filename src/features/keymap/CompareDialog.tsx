"use client";

import { Box } from "@chakra-ui/react";
import { derive } from "@/core/derived/derive";
import type { KeymapDifference } from "@/core/keymap/compareKeymaps";
import { select } from "@/store/hand";
import { Dialog } from "@/ui/pieces/Dialog";
import { StepButton } from "@/ui/pieces/buttons";
import { Table } from "@/ui/pieces/Table";
import { useKeymap } from "./useKeymap";

interface CompareDialogProps {
  title: string;
  sides: [here: string, there: string];
  differences: KeymapDifference[];
  onClose: () => void;
}

/** What two keymaps do otherwise, key by key; the keys can be shown on the mat. */
export function CompareDialog({ title, sides, differences, onClose }: CompareDialogProps) {
  const { design } = useKeymap();
  const controlOf = new Map(derive(design).inputs.map(({ id, controlId }) => [id, controlId]));
  const controls = [...new Set(differences.flatMap(({ inputId }) => controlOf.get(inputId ?? "") ?? []))];
  const oneLayer = sides[0] === differences[0]?.layer;
  const show = () => {
    select(controls);
    onClose();
  };
  return (
    <Dialog
      title={title}
      open
      wide
      onClose={onClose}
      actions={
        <StepButton disabled={controls.length === 0} onClick={show}>
          Show {controls.length === 1 ? "the one" : `all ${controls.length}`} on the mat
        </StepButton>
      }
    >
      <Box marginBottom="8px">
        {differences.length === 0
          ? "Both do the same."
          : `${differences.length} ${differences.length === 1 ? "input does" : "inputs do"} otherwise.`}
      </Box>
      {differences.length > 0 && (
        <Box maxHeight="420px" overflowY="auto">
          <Table
            label="Differences"
            rows={differences.map((one, nth) => ({ ...one, id: String(nth) }))}
            rowId={({ id }) => id}
            isSelected={() => false}
            onPick={() => {}}
            empty=""
            columns={[
              { title: "Input", cell: ({ label }) => label, width: "220px" },
              ...(oneLayer ? [] : [{ title: "Layer", cell: ({ layer }: KeymapDifference) => layer }]),
              { title: sides[0], cell: ({ here }) => here },
              { title: sides[1], cell: ({ there }) => there },
            ]}
          />
        </Box>
      )}
    </Dialog>
  );
}
