"use client";

import { useEffect, useState } from "react";
import { Box } from "@chakra-ui/react";
import { phraseOf } from "@/core/bindings";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { takePlacement } from "@/core/edits/takePlacement";
import { phraseContextOf } from "@/core/keymap/phraseContext";
import { edit } from "@/store/bench";
import { planning } from "@/workers/planning";
import type { ProposedPlacement } from "@/workers/planningTasks";
import { Dialog } from "@/ui/pieces/Dialog";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Checkbox } from "@/ui/pieces/fields";
import { Values } from "@/ui/pieces/sheets";
import { useKeymap } from "./useKeymap";

const metres = (mm: number) => `${(mm / 1000).toFixed(2)} m`;

/** What is proposed with these inputs kept; null while it is worked out. */
function useProposal(design: Design, kept: string[]): { proposal: ProposedPlacement | null; trouble: string } {
  const [proposal, setProposal] = useState<ProposedPlacement | null>(null);
  const [trouble, setTrouble] = useState("");
  const key = kept.join(" ");
  useEffect(() => {
    let isAsked = true;
    setProposal(null);
    planning()
      .proposePlacement(design, key === "" ? [] : key.split(" "))
      .then((found) => isAsked && setProposal(found))
      .catch((problem: unknown) => isAsked && setTrouble(String(problem)));
    return () => {
      isAsked = false;
    };
  }, [design, key]);
  return { proposal, trouble };
}

/** A placement of the base layer's keys that costs the fingers little, key by key, before it is taken. */
export function PlacementDialog({ onClose }: { onClose: () => void }) {
  const { design } = useKeymap();
  const [kept, setKept] = useState<string[]>([]);
  const { proposal, trouble } = useProposal(design, kept);
  const moves = proposal?.moves ?? [];
  const take = () => {
    edit("place keys for the fingers", (d) => takePlacement(d, moves));
    onClose();
  };
  return (
    <Dialog
      title="Keys placed for the fingers"
      open
      wide
      onClose={onClose}
      actions={
        <>
          <PlainButton onClick={onClose}>Leave all where it is</PlainButton>
          <StepButton disabled={moves.length === 0} onClick={take}>
            Move {moves.length} keys
          </StepButton>
        </>
      }
    >
      {trouble && <Box role="alert">{trouble}</Box>}
      <Box role="status" aria-label="Proposal" marginBottom="10px">
        {proposal ? <Numbers proposal={proposal} /> : "Working it out …"}
      </Box>
      {kept.length > 0 && (
        <Box marginBottom="8px">
          Kept: {kept.map((id) => labelOf(design, id)).join(", ")}.{" "}
          <PlainButton height="26px" onClick={() => setKept([])}>
            Keep none
          </PlainButton>
        </Box>
      )}
      <ul aria-label="Moves" style={{ listStyle: "none", padding: 0, maxHeight: 340, overflowY: "auto" }}>
        {moves.map(({ fromId, toId }) => (
          <Box as="li" key={fromId} display="flex" gap="12px" borderBottom="1px solid var(--edge)" paddingBlock="2px">
            <Box flex="1">
              <b>{phraseOf(design.keymap.layers[0].bindings[fromId], phraseContextOf(design))}</b> from{" "}
              {labelOf(design, fromId)} to {labelOf(design, toId)}
            </Box>
            <Checkbox
              label={`Keep ${labelOf(design, fromId)} as it is`}
              checked={false}
              onChange={() => setKept([...kept, fromId])}
            />
          </Box>
        ))}
      </ul>
    </Dialog>
  );
}

const labelOf = (design: Design, id: string) => derive(design).inputs.find((one) => one.id === id)?.label ?? id;

function Numbers({ proposal: { free, nowMm, costMm, boundMm } }: { proposal: ProposedPlacement }) {
  if (free === 0)
    return (
      <>
        There is nothing to place: fingers need a home, and the sample a text. Both are set in Layout, under Reach. Keys
        with two jobs, layers and modifiers stay where they are.
      </>
    );
  const gap = boundMm > 0 ? (costMm / boundMm - 1) * 100 : 0;
  return (
    <Values
      rows={[
        ["Way of the fingers over the sample text, now", metres(nowMm)],
        [`With ${free} keys placed anew`, metres(costMm)],
        [
          "No placement takes less than",
          gap < 0.05 ? `${metres(boundMm)}: this is the best` : `${metres(boundMm)}, ${gap.toFixed(1)} % less`,
        ],
      ]}
    />
  );
}
