"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { wipersOf } from "@/core/engine/movable";
import { FollowLog, type MarkPlace, followPath } from "@/core/practice/followPath";
import type { PracticeRun } from "@/core/practice/run";
import type { Control } from "@/core/catalogue/kinds";
import { useDesign } from "@/store/bench";
import { newId } from "@/store/newId";
import { nextLine, usePractice, wantNow } from "@/store/practiceInHand";
import { logRun } from "@/store/practiceRuns";
import { useSession } from "@/store/session";
import { StepButton } from "@/ui/pieces/buttons";
import { ChoiceField } from "@/ui/pieces/fields";
import { Row } from "@/ui/pieces/sheets";
import { Measure } from "./TypePanel";
import { useBegin } from "./useBegin";
import { useMoves } from "./useMoves";

const SECONDS = 20;

/** Where a hand holds a stick or a pot now; a pot's way from one end to the other counts as -1 to 1. */
function handOn(control: Control): MarkPlace {
  const { places } = useSession.getState();
  const [x, y] = wipersOf(control).map(({ id }) => places[id] ?? 0);
  return control.kind === "pot" ? { x: 2 * x - 1, y: 0 } : { x, y: y ?? 0 };
}

/** A mark that wanders, followed with a stick or a pot: how far from it on the average. */
export function FollowPanel() {
  const design = useDesign();
  const { source, seed } = usePractice();
  const movable = design.controls.filter((control) => wipersOf(control).length > 0);
  const [chosen, choose] = useState(movable[0]?.id ?? "");
  const control = movable.find(({ id }) => id === chosen) ?? movable[0];
  const [seen, setSeen] = useState<{ mark: MarkPlace; hand: MarkPlace; left: number } | null>(null);
  const [run, setRun] = useState<PracticeRun | null>(null);
  const [isRunning, setRunning] = useState(false);
  const axes = useRef<MarkPlace>({ x: 0, y: 0 });
  const { ask, isWaiting } = useBegin(source, () => {
    setRun(null);
    setRunning(true);
  });
  const ears = useMoves(source, { axes: ([x = 0, y = 0]) => (axes.current = { x, y }) });
  const isFlat = control ? wipersOf(control).length < 2 : true;
  useEffect(() => wantNow(isRunning && control ? [control.id] : [], []), [isRunning, control]);
  useEffect(() => {
    if (!isRunning || !control) return;
    const path = followPath(seed);
    const log = new FollowLog();
    const from = performance.now();
    let frame = 0;
    const look = () => {
      const seconds = (performance.now() - from) / 1000;
      const whole = path(seconds);
      const mark = isFlat ? { x: whole.x, y: 0 } : whole;
      const hand = source === "device" ? axes.current : handOn(control);
      const own = isFlat ? { x: hand.x, y: 0 } : hand;
      log.look(seconds, mark, own);
      setSeen({ mark, hand: own, left: Math.max(0, SECONDS - seconds) });
      if (seconds < SECONDS) {
        frame = requestAnimationFrame(look);
        return;
      }
      const bout: PracticeRun = {
        id: newId(),
        at: new Date().toISOString(),
        sort: "follow",
        seconds: SECONDS,
        of: {},
        meanOff: log.offHundredths,
      };
      setRun(bout);
      setRunning(false);
      nextLine();
      void logRun(design.id, bout);
    };
    frame = requestAnimationFrame(look);
    return () => cancelAnimationFrame(frame);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- a bout runs by what it began with
  }, [isRunning]);
  if (!control) return null;
  return (
    <Box padding="14px 18px" display="flex" gap="18px" {...ears}>
      <Field seen={seen} isFlat={isFlat} />
      <Box flex="1" display="flex" flexDirection="column" gap="10px">
        <div>
          {SECONDS} seconds. Keep the dot on the ring:{" "}
          {source === "screen" ? `move ${control.label} on the mat.` : "move the stick; its first two axes count."}
        </div>
        {movable.length > 1 && (
          <ChoiceField
            label="With"
            value={control.id}
            choices={movable.map(({ id, label }) => ({ value: id, label }))}
            onCommit={choose}
          />
        )}
        <Row>
          {!isRunning && (
            <StepButton onClick={ask} disabled={isWaiting}>
              {run ? "Once more" : "Begin"}
            </StepButton>
          )}
        </Row>
        {isRunning && <div role="status">{seen ? `${seen.left.toFixed(0)} s left` : ""}</div>}
        {run && (
          <Box role="status" aria-label="How it went">
            <Measure name="% of half the way, off on the average" value={(run.meanOff ?? 0).toFixed(0)} />
          </Box>
        )}
      </Box>
    </Box>
  );
}

function Field({ seen, isFlat }: { seen: { mark: MarkPlace; hand: MarkPlace } | null; isFlat: boolean }) {
  const { mark = { x: 0, y: 0 }, hand = { x: 0, y: 0 } } = seen ?? {};
  return (
    <svg
      viewBox={isFlat ? "-1.2 -0.3 2.4 0.6" : "-1.2 -1.2 2.4 2.4"}
      width={isFlat ? 420 : 260}
      height={isFlat ? 105 : 260}
      role="img"
      aria-label="The mark and where the hand is"
      style={{ background: "var(--mat)", flexShrink: 0 }}
    >
      <rect
        x={-1}
        y={isFlat ? -0.1 : -1}
        width={2}
        height={isFlat ? 0.2 : 2}
        fill="none"
        stroke="var(--mat-line-strong)"
        strokeWidth={0.01}
      />
      <circle cx={mark.x} cy={mark.y} r={0.11} fill="none" stroke="var(--saffron)" strokeWidth={0.03} />
      <circle cx={hand.x} cy={hand.y} r={0.05} fill="var(--cap-top)" />
    </svg>
  );
}
