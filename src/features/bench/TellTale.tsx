"use client";

import { Box } from "@chakra-ui/react";
import { ChevronDown, ChevronUp } from "lucide-react";
import { useState } from "react";
import type { Design } from "@/core/document/schema";
import { useDesign } from "@/store/bench";
import { useFindings } from "@/store/findings";
import { PlainButton, IconButton } from "@/ui/pieces/buttons";
import { later } from "@/ui/pieces/later";
import { FixButtons, useShow } from "./findingPieces";

/** The list comes when it is first opened. */
const AllFindings = later(() => import("./AllFindings").then((m) => m.AllFindings));

/** What the line says while no finding is there to tell. */
function quietWords({ controls }: Design, isKnown: boolean, trouble: string | null): string {
  if (!isKnown) return "The rules look it over…";
  if (trouble !== null)
    return `The rules could not look this design over (${trouble}); undo the last edit to have them back.`;
  if (controls.length === 0) return "Start with the wish in Brief, or place a key in Layout.";
  return "All settled: no rule has anything to say.";
}

/** One line with the most pressing finding and its cure; opens into the list of all. */
export function TellTale() {
  const design = useDesign();
  const { findings, isKnown, trouble } = useFindings(design);
  const [open, setOpen] = useState(false);
  const show = useShow();
  const first = findings.find(({ accepted }) => accepted === undefined);
  return (
    <Box position="relative" height="36px" bg="var(--paper)" borderTop="1px solid var(--edge)">
      {open && <AllFindings findings={findings} />}
      <Box display="flex" alignItems="center" gap="10px" height="100%" paddingInline="12px">
        <Box
          width="10px"
          height="10px"
          flexShrink="0"
          bg={
            first
              ? `var(--${first.severity === "note" ? "faint" : first.severity})`
              : isKnown && !trouble
                ? "var(--settled)"
                : "var(--faint)"
          }
          transform="rotate(45deg)"
          aria-hidden
        />
        <Box
          flex="1"
          minWidth="0"
          overflow="hidden"
          textOverflow="ellipsis"
          whiteSpace="nowrap"
          aria-live="polite"
          role="status"
          title={first?.message}
        >
          {first ? first.message : quietWords(design, isKnown, trouble)}
        </Box>
        {first && <FixButtons finding={first} most={2} />}
        {first && first.subjects.length > 0 && (
          <PlainButton height="26px" onClick={() => show(first)}>
            Show it
          </PlainButton>
        )}
        <IconButton
          aria-label={open ? "Close the list of findings" : `All ${findings.length} findings`}
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          width="auto"
          paddingInline="6px"
        >
          {isKnown ? findings.length : "…"} {open ? <ChevronDown size={16} /> : <ChevronUp size={16} />}
        </IconButton>
      </Box>
    </Box>
  );
}
