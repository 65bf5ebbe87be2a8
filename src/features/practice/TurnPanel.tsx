"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { derive } from "@/core/derived/derive";
import type { PracticeRun } from "@/core/practice/run";
import { type TurnAsked, TurnLog, turnsToMake } from "@/core/practice/turnLog";
import { counted } from "@/core/words";
import { useDesign } from "@/store/bench";
import { newId } from "@/store/newId";
import { nextLine, usePractice, wantNow } from "@/store/practiceInHand";
import { logRun } from "@/store/practiceRuns";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Row } from "@/ui/pieces/sheets";
import { Asked } from "./Asked";
import { Measure } from "./TypePanel";
import { useBegin } from "./useBegin";
import { useMoves } from "./useMoves";

const TURNS = 8;

const turnWords = ({ steps }: TurnAsked) =>
  `${counted(Math.abs(steps), "step")} ${steps > 0 ? "clockwise" : "anticlockwise"}`;

/** Knobs to turn by a number of steps, by feel: how far off counts, and how long it took. */
export function TurnPanel() {
  const design = useDesign();
  const { source, seed } = usePractice();
  const [log, setLog] = useState<TurnLog | null>(null);
  const [off, setOff] = useState<number | null>(null);
  const [nth, setNth] = useState(0);
  const [run, setRun] = useState<PracticeRun | null>(null);
  const place = useRef<HTMLDivElement>(null);
  const { elements } = derive(design);
  const knobs = [...elements.values()].filter(({ kind }) => kind === "quadrature");
  const begin = () => {
    const ids = knobs.map(({ id }) => id);
    setLog(new TurnLog(turnsToMake(ids, seed, TURNS), performance.now()));
    setOff(null);
    setNth(0);
    setRun(null);
    nextLine();
    requestAnimationFrame(() => place.current?.focus());
  };
  const { ask, isWaiting } = useBegin(source, begin);
  const ears = useMoves(source, { turned: (id, steps) => log?.turned(id, steps) });
  const wanted = run ? null : (log?.turns[nth] ?? null);
  useEffect(() => {
    const control = wanted && elements.get(wanted.elementId)?.controlId;
    wantNow(control ? [control] : [], []);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the elements are the design's
  }, [wanted, design]);
  const settle = () => {
    if (!log || !wanted) return;
    setOff(log.settled(performance.now()));
    setNth(log.done);
    if (log.wanted) return place.current?.focus();
    const bout = log.run(newId(), new Date().toISOString());
    setRun(bout);
    void logRun(design.id, bout);
  };
  return (
    <Box padding="14px 18px" display="flex" flexDirection="column" gap="10px">
      {wanted ? (
        <Asked
          words={`${elements.get(wanted.elementId)?.label}: ${turnWords(wanted)}`}
          small={`${nth} of ${TURNS}${off === null ? "" : off === 0 ? " · the last one was right" : ` · the last one was ${counted(off, "step")} off`}`}
          ears={ears}
          place={place}
        />
      ) : (
        <div>
          {TURNS} turns, counted by feel. Turn the knob on the mat round its middle; say when it is there.
          {source === "device" && " Of a device on the cable only knobs that type keys are heard."}
        </div>
      )}
      {run && (
        <Box role="status" aria-label="How it went" display="flex" gap="28px">
          <Measure name="steps off, on the average" value={(run.meanOff ?? 0).toFixed(1)} />
          <Measure name="seconds a turn" value={(run.seconds / TURNS).toFixed(1)} />
        </Box>
      )}
      <Row>
        {wanted ? (
          <PlainButton onClick={settle}>It is there</PlainButton>
        ) : (
          <StepButton onClick={ask} disabled={isWaiting}>
            {run ? "Once more" : "Begin"}
          </StepButton>
        )}
      </Row>
    </Box>
  );
}
