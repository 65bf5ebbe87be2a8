"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { type Wish, wishCounts } from "@/core/document/wish";
import { useDesign } from "@/store/bench";
import { adoptChosenPlan } from "@/store/briefEdits";
import { useBriefPlan } from "@/store/briefPlan";
import { PlainButton } from "@/ui/pieces/buttons";
import type { BriefAnswer } from "@/workers/planningTasks";
import { OptionRow } from "./OptionRow";

/** Rows at first; a page of hundreds would help nobody. */
const FIRST = 12;

const HEADS = ["Plan", "Pins", "Left", "Parts", "Money", "ms", ""];

/** The plans, the best first; those that another one beats are folded away. */
export function OptionsTable() {
  const design = useDesign();
  const { answers, isWorking } = useBriefPlan(design);
  const [most, setMost] = useState(FIRST);
  const [withBeaten, setWithBeaten] = useState(false);
  if (!answers) return <Box padding="16px">Working out the plans…</Box>;
  if (nothingWished(design.brief.wish))
    return (
      <Box padding="16px" color="var(--faint)">
        Nothing is wished for yet. Put counts into the tray: each controller class is then worked out with each way of
        wiring.
      </Box>
    );
  // The plan that was taken stays in sight, also when another one beats it by now.
  const shown = withBeaten
    ? answers
    : answers.filter((answer) => answer.beatenBy === null || isSame(answer, design.brief.chosen));
  const beaten = answers.length - answers.filter((answer) => answer.beatenBy === null).length;
  return (
    <Box aria-busy={isWorking} opacity={isWorking ? 0.7 : 1}>
      <table style={{ width: "100%", borderCollapse: "collapse" }} aria-label="Plans that meet the wish">
        <thead>
          <tr style={{ position: "sticky", top: 0, background: "var(--paper)", zIndex: 1 }}>
            {HEADS.map((head, nth) => (
              <th
                key={head}
                scope="col"
                style={{
                  padding: "6px 8px",
                  textAlign: nth === 0 ? "left" : "right",
                  color: "var(--faint)",
                  fontSize: 13,
                }}
              >
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {shown.slice(0, most).map((answer, nth) => (
            <OptionRow
              key={answer.id}
              answer={answer}
              rank={nth + 1}
              isChosen={isSame(answer, design.brief.chosen)}
              onChoose={() => void adoptChosenPlan(answer.plan)}
            />
          ))}
        </tbody>
      </table>
      <Box display="flex" gap="8px" padding="10px">
        {shown.length > most && (
          <PlainButton onClick={() => setMost(most + 24)}>Show more ({shown.length - most} below)</PlainButton>
        )}
        <PlainButton aria-pressed={withBeaten} onClick={() => setWithBeaten(!withBeaten)}>
          {withBeaten ? "Fold away" : "Show also"} the {beaten} that another one beats
        </PlainButton>
      </Box>
    </Box>
  );
}

const nothingWished = (wish: Wish) => wishCounts.every((line) => wish[line] === 0);

const isSame = ({ plan }: BriefAnswer, chosen: BriefAnswer["plan"] | null) =>
  chosen !== null && Object.entries(plan).every(([key, value]) => chosen[key as keyof typeof chosen] === value);
