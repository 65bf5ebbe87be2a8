"use client";

import { Box } from "@chakra-ui/react";
import { takeAnswerBack, testAnew } from "@/core/edits/bringUp";
import { edit, useDesign } from "@/store/bench";
import { useBringUp } from "@/store/bringUpAside";
import { PlainButton } from "@/ui/pieces/buttons";
import { SmallTable } from "@/ui/pieces/SmallTable";

/** Beneath the mat: every test with what came, and what was repaired. */
export function BringUpTable() {
  const design = useDesign();
  const { view } = useBringUp(design);
  const repairs = design.bringUp?.repairs ?? [];
  if (!view || view.answers.length + repairs.length === 0)
    return (
      <Box padding="12px">
        Nothing tested yet. Each test that you answer stands here with what came; the card in the tray says what to do.
      </Box>
    );
  return (
    <Box padding="8px 12px" display="flex" flexDirection="column" gap="12px">
      {view.answers.length > 0 && (
        <SmallTable
          label="Tests made"
          heads={["Test", "What came", ""]}
          rows={view.answers.map(({ trial, title, words, isGood }) => [
            title,
            <Box key="came" whiteSpace="normal" fontFamily="body" color={isGood ? "var(--settled)" : "var(--stop)"}>
              {words}
            </Box>,
            <PlainButton
              key="back"
              fontFamily="body"
              aria-label={`Take back: ${title}`}
              onClick={() => edit("take an answer back", (d) => takeAnswerBack(d, trial))}
            >
              Take back
            </PlainButton>,
          ])}
        />
      )}
      {repairs.length > 0 && (
        <SmallTable
          label="Repairs"
          heads={["Repaired", "When"]}
          rows={repairs.map(({ what, at }) => [what, at.slice(0, 16).replace("T", " ")])}
        />
      )}
      {view.answers.length > 0 && (
        <div>
          <PlainButton onClick={() => edit("test anew", testAnew)}>Test anew</PlainButton>
        </div>
      )}
    </Box>
  );
}
