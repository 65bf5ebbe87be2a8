"use client";

import { Box } from "@chakra-ui/react";
import { tellFindingAgain } from "@/core/edits/journal";
import type { ToldFinding } from "@/core/findings/finding";
import { edit } from "@/store/bench";
import { PlainButton } from "@/ui/pieces/buttons";
import { stages } from "../stages";
import { FixButtons, useShow } from "./findingPieces";
import { LeaveButton } from "./LeaveButton";

const WORDS = { stop: "Stop", warn: "Mind", note: "Note" };

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
        {finding.accepted !== undefined && (
          <Box fontWeight="500">Left as it is{finding.accepted === "" ? "." : `: ${finding.accepted}`}</Box>
        )}
        <Box fontSize="13px" color="var(--faint)">
          {finding.why} Source: {finding.source}.
        </Box>
      </Box>
      <Box display="flex" gap="6px" flexWrap="wrap" justifyContent="flex-end">
        <PlainButton height="26px" onClick={() => show(finding)}>
          Show it
        </PlainButton>
        <FixButtons finding={finding} />
        {finding.accepted === undefined ? (
          finding.severity !== "stop" && <LeaveButton finding={finding} />
        ) : (
          <PlainButton height="26px" onClick={() => edit("tell a finding again", (d) => tellFindingAgain(d, finding))}>
            Tell it again
          </PlainButton>
        )}
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

/** Every finding with why it matters and its ways out, over the line at the bottom. */
export function AllFindings({ findings }: { findings: ToldFinding[] }) {
  return (
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
  );
}
