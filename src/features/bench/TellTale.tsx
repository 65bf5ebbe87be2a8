"use client";

import { Box } from "@chakra-ui/react";
import { ChevronDown, ChevronUp } from "lucide-react";
import { useState } from "react";
import type { Design } from "@/core/document/schema";
import type { ToldFinding } from "@/core/findings/finding";
import { useDesign } from "@/store/bench";
import { select, pickLayer, pickNet } from "@/store/hand";
import { controlsOf, useFindings } from "@/store/findings";
import { settleOrTell } from "./settleOrTell";
import { PlainButton, IconButton } from "@/ui/pieces/buttons";
import { stages } from "../stages";
import { useStage } from "./useStage";

const WORDS = { stop: "Stop", warn: "Mind", note: "Note" };

function FixButtons({ finding, most = 3 }: { finding: ToldFinding; most?: number }) {
  return finding.fixes.slice(0, most).map((fix) => (
    <PlainButton key={fix} height="26px" onClick={() => settleOrTell(finding, fix)}>
      {fix}
    </PlainButton>
  ));
}

function useShow() {
  const design = useDesign();
  const { stage, go } = useStage();
  return (finding: ToldFinding) => {
    if (finding.stage !== stage.id) go(finding.stage);
    select([...new Set(finding.subjects.flatMap((subject) => controlsOf(design, subject)))]);
    pickNet(finding.subjects.find((subject) => subject.kind === "net")?.id ?? null);
    pickLayer(finding.subjects.find((subject) => subject.kind === "layer")?.id ?? null);
  };
}

function Line({ finding }: { finding: ToldFinding }) {
  const show = useShow();
  return (
    <Box
      as="li"
      display="grid"
      gridTemplateColumns="44px 64px 1fr auto"
      gap="10px"
      alignItems="center"
      padding="6px 14px"
      borderTop="1px solid var(--edge)"
    >
      <Box color={`var(--${finding.severity === "note" ? "faint" : finding.severity})`} fontWeight="700">
        {WORDS[finding.severity]}
      </Box>
      <Box color="var(--faint)">{stages.find((stage) => stage.id === finding.stage)?.title}</Box>
      <Box>
        <div>{finding.message}</div>
        <Box fontSize="13px" color="var(--faint)">
          {finding.why} Source: {finding.source}.
        </Box>
      </Box>
      <Box display="flex" gap="6px" flexWrap="wrap" justifyContent="flex-end">
        <PlainButton height="26px" onClick={() => show(finding)}>
          Show it
        </PlainButton>
        <FixButtons finding={finding} />
      </Box>
    </Box>
  );
}

/** A finding keeps its line while others come and go: a click that has begun on it is not lost. */
function keyed(findings: ToldFinding[]): [key: string, finding: ToldFinding][] {
  const counts = new Map<string, number>();
  return findings.map((finding) => {
    const nth = counts.get(finding.rule) ?? 0;
    counts.set(finding.rule, nth + 1);
    return [`${finding.rule} ${nth}`, finding];
  });
}

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
  const first = findings[0];
  return (
    <Box position="relative" height="36px" bg="var(--paper)" borderTop="1px solid var(--edge)">
      {open && (
        <Box
          position="absolute"
          bottom="36px"
          left="0"
          right="0"
          maxHeight="46vh"
          overflowY="auto"
          bg="var(--sheet)"
          boxShadow="0 -6px 20px var(--shadow)"
          zIndex={5}
          role="region"
          aria-label="All findings"
          tabIndex={0}
        >
          {findings.length === 0 ? (
            <Box padding="14px">Nothing to settle.</Box>
          ) : (
            <ul style={{ listStyle: "none", margin: 0, padding: 0 }}>
              {keyed(findings).map(([key, finding]) => (
                <Line key={key} finding={finding} />
              ))}
            </ul>
          )}
        </Box>
      )}
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
