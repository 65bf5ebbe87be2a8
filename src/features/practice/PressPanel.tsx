"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { derive } from "@/core/derived/derive";
import { AskedLog } from "@/core/practice/askedLog";
import { drillOrder } from "@/core/practice/drillText";
import { addedUp, needOf } from "@/core/practice/history";
import type { PracticeRun } from "@/core/practice/run";
import { useDesign } from "@/store/bench";
import { bareCaps, useHand } from "@/store/hand";
import { newId } from "@/store/newId";
import { lightNext, nextLine, usePractice, wantNow } from "@/store/practiceInHand";
import { logRun, usePracticeRuns } from "@/store/practiceRuns";
import { StepButton } from "@/ui/pieces/buttons";
import { Checkbox } from "@/ui/pieces/fields";
import { Row } from "@/ui/pieces/sheets";
import { Asked } from "./Asked";
import { Measure } from "./TypePanel";
import { useBegin } from "./useBegin";
import { useMoves } from "./useMoves";

const ASKED = 20;

/** Names one part after another; what counts is how soon the right one is pressed. */
export function PressPanel() {
  const design = useDesign();
  const { source, seed, isLit } = usePractice();
  const hasBareCaps = useHand((state) => state.hasBareCaps);
  const runs = usePracticeRuns((state) => state.runs);
  const [log, setLog] = useState<AskedLog | null>(null);
  const [wanted, setWanted] = useState<string | null>(null);
  const [isWrong, setWrong] = useState(false);
  const [run, setRun] = useState<PracticeRun | null>(null);
  const place = useRef<HTMLDivElement>(null);
  const presses = derive(design).inputs.filter(({ motion }) => motion === "press");
  const labels = new Map(presses.map(({ id, label }) => [id, label]));
  const begin = () => {
    const need = needOf(addedUp((runs ?? []).filter(({ sort }) => sort === "press")));
    const ids = presses.map(({ id }) => id);
    const fresh = new AskedLog(drillOrder(ids, need, seed, ASKED), performance.now());
    setLog(fresh);
    setWanted(fresh.wanted);
    setRun(null);
    setWrong(false);
    nextLine();
    requestAnimationFrame(() => place.current?.focus());
  };
  const { ask, isWaiting } = useBegin(source, begin);
  const ears = useMoves(source, {
    pressed(inputId) {
      if (!log || run) return;
      const isRight = log.pressed(inputId, performance.now());
      setWrong(!isRight);
      setWanted(log.wanted);
      if (log.wanted !== null) return;
      const bout = log.run(newId(), new Date().toISOString(), "press");
      setRun(bout);
      void logRun(design.id, bout);
    },
  });
  useEffect(() => {
    const control = isLit && wanted ? presses.find(({ id }) => id === wanted)?.controlId : undefined;
    wantNow(control ? [control] : [], []);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the list is the design's
  }, [wanted, isLit, design]);
  return (
    <Box padding="14px 18px" display="flex" flexDirection="column" gap="10px">
      {log && !run ? (
        <Asked
          words={labels.get(wanted ?? "") ?? ""}
          small={`${log.done} of ${log.order.length}${isWrong ? " · that was another one" : ""}`}
          ears={ears}
          place={place}
          isWrong={isWrong}
        />
      ) : (
        <div>{ASKED} parts are named one after another. Press each as soon as you know where it is.</div>
      )}
      {run && <PressResult run={run} />}
      <Row>
        {(!log || run) && (
          <StepButton onClick={ask} disabled={isWaiting}>
            {run ? "Once more" : "Begin"}
          </StepButton>
        )}
        <Checkbox label="It is lit on the mat" checked={isLit} onChange={lightNext} />
        <Checkbox label="Names on the caps" checked={!hasBareCaps} onChange={(isShown) => bareCaps(!isShown)} />
      </Row>
    </Box>
  );
}

function PressResult({ run }: { run: PracticeRun }) {
  const all = Object.values(run.of);
  const tries = all.reduce((sum, one) => sum + one.tries, 0);
  const errors = all.reduce((sum, one) => sum + one.errors, 0);
  const ms = all.reduce((sum, one) => sum + one.rightMs, 0);
  return (
    <Box role="status" aria-label="How it went" display="flex" gap="28px" flexWrap="wrap">
      <Measure name="ms to the right one" value={tries > errors ? String(Math.round(ms / (tries - errors))) : "none"} />
      <Measure name="another came first" value={`${errors} of ${tries}`} />
    </Box>
  );
}
