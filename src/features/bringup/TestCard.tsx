"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { NOT_FORETOLD as OTHER } from "@/core/bringup/outcomeWords";
import type { BringUpView, ToldTest } from "@/core/bringup/view";
import { answerTest, huntFault, takeAnswerBack, testAnew } from "@/core/edits/bringUp";
import { currentDesign, edit, useDesign } from "@/store/bench";
import { bringUpTasks } from "@/store/bringUpAside";
import { underTest, useUnderTest } from "@/store/underTest";
import { notify } from "@/ui/pieces/notices";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Row, Section } from "@/ui/pieces/sheets";
import { Listener } from "./Listener";
import { useShortcuts } from "@/ui/pieces/useShortcuts";

/** Notes what came of a test. */
const noteAnswer = (test: Pick<ToldTest, "id" | "title">, came: string): void =>
  edit(`tested: ${test.title}`, (d) => answerTest(d, test.id, came));

/** Has the stand-in do a test, and notes what it tells. */
async function askStandIn(test: ToldTest): Promise<void> {
  const design = currentDesign();
  if (!design) return;
  const came = await bringUpTasks().standInAnswer(design, underTest().faultIds, test.id);
  if (came === null) notify("The stand-in knows no such test: the design has changed. Test it anew.");
  else noteAnswer(test, came);
}

/** The test to make now: what to do, what should come, and a key for each thing that may come. */
export function TestCard({ view }: { view: BringUpView }) {
  const { next, plan, isFaulty, answers } = view;
  const back = () => {
    const last = answers.at(-1);
    if (last) edit("take an answer back", (d) => takeAnswerBack(d, last.trial));
  };
  if (!next) return <Nothing view={view} onBack={back} />;
  const title = isFaulty ? "Test that tells most" : `Test ${plan.done + 1} of ${plan.of}`;
  return (
    <Section title={title} aside={<span>{`effort so far ${numberWords(view.spent)}`}</span>}>
      <Box role="status" aria-label="Test in hand" fontSize="18px" fontWeight="700" lineHeight="1.25">
        {next.title}
      </Box>
      <Box color="var(--faint)">
        Should come: {next.outcomes[0].words}.
        {isFaulty && ` Worth ${next.bits.toFixed(1)} bit for an effort of ${numberWords(next.effort)}.`}
      </Box>
      <Outcomes key={next.id} test={next} onBack={back} />
      <HuntButton />
    </Section>
  );
}

function Outcomes({ test, onBack }: { test: ToldTest; onBack: () => void }) {
  const { isStandIn, isListening } = useUnderTest();
  const [isAsked, setAsked] = useState(false);
  const ask = async () => {
    setAsked(true);
    await askStandIn(test).finally(() => setAsked(false));
  };
  useShortcuts(
    [
      ...test.outcomes.map(({ came }, nth) => ({ keys: [String(nth + 1)], run: () => noteAnswer(test, came) })),
      { keys: ["0"], run: () => noteAnswer(test, OTHER) },
      { keys: ["b"], run: onBack },
      { keys: ["t"], run: () => void ask(), enabled: isStandIn && !isAsked },
    ],
    () => isListening,
  );
  return (
    <>
      {!isStandIn && <Listener deed={test.deed} onHeard={(came) => noteAnswer(test, came)} />}
      {isStandIn && (
        <StepButton onClick={() => void ask()} disabled={isAsked}>
          Have the stand-in do it (T)
        </StepButton>
      )}
      <Box fontWeight="600">What came?</Box>
      <Box as="ol" listStyleType="none" padding="0" display="flex" flexDirection="column" gap="4px">
        {test.outcomes.map(({ came, words, isGood }, nth) => (
          <li key={came}>
            <PlainButton
              onClick={() => noteAnswer(test, came)}
              width="100%"
              height="auto"
              minHeight="30px"
              paddingBlock="4px"
              whiteSpace="normal"
              justifyContent="flex-start"
              textAlign="left"
            >
              <b>{nth + 1}</b> {isGood ? `As it should: ${words}` : capital(words)}
            </PlainButton>
          </li>
        ))}
        <li>
          <PlainButton onClick={() => noteAnswer(test, OTHER)} width="100%" justifyContent="flex-start">
            <b>0</b> Something else
          </PlainButton>
        </li>
      </Box>
      <Row>
        <PlainButton onClick={onBack}>Take the last answer back (B)</PlainButton>
      </Row>
    </>
  );
}

/** From the plan to the hunt, and back while no test showed anything. */
function HuntButton() {
  const isHunted = useDesign().bringUp?.isHunted === true;
  return (
    <Row>
      <PlainButton onClick={() => edit(isHunted ? "by plan" : "look for a fault", (d) => huntFault(d, !isHunted))}>
        {isHunted ? "Back to the plan" : "Something is wrong: find it"}
      </PlainButton>
    </Row>
  );
}

function Nothing({ view, onBack }: { view: BringUpView; onBack: () => void }) {
  const { isFaulty, isUnexplained, plan } = view;
  const words = isUnexplained
    ? "No single fault explains all of this: one answer is wrong, or two things are."
    : isFaulty
      ? "No test tells what is left apart."
      : plan.of === 0
        ? "Nothing of this design can be tested yet: wire it, and give its nets pins."
        : `All ${plan.of} tests came as they should. It works.`;
  return (
    <Section title="Test">
      <Box role="status" aria-label="Test in hand" fontSize="18px" fontWeight="700">
        {words}
      </Box>
      <Row>
        {view.answers.length > 0 && <PlainButton onClick={onBack}>Take the last answer back</PlainButton>}
        {view.answers.length > 0 && <PlainButton onClick={() => edit("test anew", testAnew)}>Test anew</PlainButton>}
      </Row>
    </Section>
  );
}

const capital = (words: string) => words.slice(0, 1).toUpperCase() + words.slice(1);
const numberWords = (value: number) => String(Math.round(value * 10) / 10);
