"use client";

import { Box } from "@chakra-ui/react";
import { useEffect } from "react";
import type { Repair } from "@/core/bringup/repair";
import type { BringUpView } from "@/core/bringup/view";
import { noteRepair, takeAnswerBack } from "@/core/edits/bringUp";
import { counted } from "@/core/words";
import { edit } from "@/store/bench";
import { flip, useHand } from "@/store/hand";
import { mendStandIn } from "@/store/underTest";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Row, Section } from "@/ui/pieces/sheets";

/** The fault is named: how it is mended, and what is tested again. */
export function RepairSection({ view, repair }: { view: BringUpView; repair: Repair }) {
  const [named] = view.suspects;
  // What showed the fault first, then what the repair may have touched.
  const showed = view.answers.flatMap(({ trial, isGood }) => (isGood ? [] : [trial]));
  const again = [...new Set([...showed, ...repair.retests])];
  // A joint is mended from the solder side.
  useEffect(() => {
    if (!useHand.getState().flipped) flip();
  }, []);
  const repaired = () => {
    // Of a group that no test tells apart all are mended: none of them is left in the stand-in either.
    mendStandIn((id) => named.ids.includes(id));
    edit(`repaired: ${named.words[0]}`, (d) =>
      noteRepair(d, named.words.join("; or ").slice(0, WORDS_MOST), new Date().toISOString(), again),
    );
  };
  return (
    <Section title="Repair" aside={<span>{`found with effort ${Math.round(view.spent * 10) / 10}`}</span>}>
      <Box role="status" aria-label="Fault found" fontSize="18px" fontWeight="700" lineHeight="1.25">
        {named.words.length === 1
          ? sentence(named.words[0])
          : `One of ${named.words.length}, which no test tells apart:`}
      </Box>
      {named.words.length > 1 && (
        <ul style={{ paddingLeft: 18, margin: 0 }}>
          {named.words.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      )}
      {repair.caution && (
        <Box borderLeft="3px solid var(--stop)" paddingLeft="8px">
          {repair.caution} Local codes go before this.
        </Box>
      )}
      <Box fontWeight="600">{repair.title}</Box>
      <ol style={{ paddingLeft: 18, margin: 0 }}>
        {repair.how.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ol>
      <div>Then {counted(again.length, "test")} again: what showed it, and what the repair may have touched.</div>
      <Row>
        <StepButton onClick={repaired}>Repaired, test again</StepButton>
        <PlainButton onClick={() => edit("take an answer back", (d) => takeAnswerBack(d, view.answers.at(-1)!.trial))}>
          Take the last answer back
        </PlainButton>
      </Row>
    </Section>
  );
}

/** As many signs as the record keeps. */
const WORDS_MOST = 1000;

const sentence = (words: string) => `${words.slice(0, 1).toUpperCase()}${words.slice(1)}.`;
