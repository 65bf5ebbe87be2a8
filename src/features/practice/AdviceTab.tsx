"use client";

import { Box } from "@chakra-ui/react";
import { useMemo } from "react";
import { derive } from "@/core/derived/derive";
import { writeEntry } from "@/core/edits/journal";
import { swapBindings } from "@/core/edits/keymap";
import { ENOUGH_DAYS, ENOUGH_TRIES, type KeyAdvice, alsoOnThem, keyAdvice } from "@/core/practice/keyAdvice";
import { edit, useDesign } from "@/store/bench";
import { newId } from "@/store/newId";
import { PlainButton } from "@/ui/pieces/buttons";
import { Row, Section } from "@/ui/pieces/sheets";
import { offsetOf, useHistory } from "./useHistory";
import { usePracticeOf } from "./usePracticeOf";

/** When a key should move rather than the finger. */
export function AdviceTab() {
  const design = useDesign();
  const practice = usePracticeOf();
  const history = useHistory();
  const advice = useMemo(
    () => (practice && history ? keyAdvice(design, practice.language, history.runs, offsetOf) : null),
    [design, practice, history],
  );
  if (!advice) return <Section title="Advice">Reading what was practised …</Section>;
  if (advice.length === 0)
    return (
      <Section title="Advice">
        <div>No key should move, as far as practice tells.</div>
        <Box fontSize="13px" color="var(--faint)">
          A sign speaks once it was typed {ENOUGH_TRIES} times on {ENOUGH_DAYS} days and does not become quicker any
          more; until then it is the finger that learns.
        </Box>
      </Section>
    );
  return (
    <Section title="Keys that could change places">
      {advice.map((one) => (
        <AdviceLine key={one.sign} advice={one} />
      ))}
      <Box fontSize="13px" color="var(--faint)">
        A place is taken to cost what its sign costs there now. What relearning takes is{" "}
        {advice[0].isOwnRecord ? "your own record" : "from memory: practice has not told yet how soon you learn a key"}.
      </Box>
    </Section>
  );
}

const signs = (count: number) => (count >= 10_000 ? `${Math.round(count / 1000)},000` : String(count));

function AdviceLine({ advice }: { advice: KeyAdvice }) {
  const design = useDesign();
  const { sign, other, inputId, otherId, savedMs, relearnPresses, paysAfterSigns } = advice;
  const { inputs } = derive(design);
  const controlIds = [inputId, otherId].flatMap((id) => inputs.find((input) => input.id === id)?.controlId ?? []);
  const words = `${sign} and ${other} could change places`;
  const regret = () =>
    edit("note a regret", (d) =>
      writeEntry(d, {
        id: newId(),
        at: new Date().toISOString(),
        kind: "regret",
        text: `${sign} stays slow where it is: ${words}, which saves ${(savedMs / 1000).toFixed(1)} s in a thousand signs.`,
        stage: "keymap",
        parts: controlIds,
      }),
    );
  const swap = () =>
    edit(`let ${sign} and ${other} change places`, (d) => swapBindings(d, d.keymap.layers[0].id, inputId, otherId));
  return (
    <Box borderTop="1px solid var(--edge)" paddingTop="8px">
      <Box fontWeight="600">{words}</Box>
      <Box>
        Saves {(savedMs / 1000).toFixed(1)} s in a thousand signs. To learn both anew takes about {relearnPresses}{" "}
        presses: it has paid for itself after {signs(paysAfterSigns)} signs of text.
      </Box>
      {alsoOnThem(design, advice).length > 0 && (
        <Box fontSize="13px" color="var(--faint)">
          {alsoOnThem(design, advice).join("; ")}. Printed caps change too.
        </Box>
      )}
      <Row>
        <PlainButton height="26px" onClick={swap}>
          Let them change places
        </PlainButton>
        <PlainButton height="26px" onClick={regret}>
          Note it as a regret
        </PlainButton>
      </Row>
    </Box>
  );
}
