"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { type AxisMeasurement, measuredAxis, percentOfTrack } from "@/core/analog/measuredAxis";
import type { Element } from "@/core/catalogue/kinds/controlKind";
import type { AxisSettings } from "@/core/document/axes";
import { scanTableOf } from "@/core/firmware/scanTable";
import { useDesign } from "@/store/bench";
import { moveOnStandIn, sensorsOnDevice } from "@/store/liveDevice";
import { useLiveDevice } from "@/store/liveState";
import { PlainButton } from "@/ui/pieces/buttons";
import { Row, Values } from "@/ui/pieces/sheets";

const POLL_MS = 50;
/** Readings at rest: a second of them. */
const AT_REST = 20;

type Phase = "nothing" | "rest" | "moved";
const NONE: AxisMeasurement = { rest: [], moved: [] };

/** Measures an axis on the loaded device: where it rests, how much that scatters, and its ends. */
export function MeasureAxis({
  wiper,
  axis,
  onMeasured,
}: {
  wiper: Element;
  axis: AxisSettings;
  onMeasured: (axis: AxisSettings) => void;
}) {
  const { on } = useLiveDevice();
  const measuring = useMeasurement(wiper);
  const { phase, setPhase, seen, trouble } = measuring;
  if (on === null)
    return (
      <Box fontSize="13px" color="var(--faint)">
        A loaded device with live changes measures it by itself: connect it under &quot;On the device&quot;.
      </Box>
    );
  const result = seen.moved.length > 0 ? measuredAxis(axis, seen) : null;
  const take = () => {
    if (result && typeof result !== "string") onMeasured(result);
    setPhase("nothing");
  };
  return (
    <Box role="group" aria-label={`Measure ${wiper.label}`} display="grid" gap="6px">
      <Seen {...measuring} />
      {trouble && <Box color="var(--stop)">{trouble}</Box>}
      {phase === "moved" && typeof result === "string" && <Box fontSize="13px">{result}</Box>}
      <Row>
        {phase === "nothing" && (
          <PlainButton onClick={() => setPhase("rest")}>Let go of it, then measure where it rests</PlainButton>
        )}
        {phase === "moved" && (
          <PlainButton disabled={result === null || typeof result === "string"} onClick={take}>
            Take over what was measured
          </PlainButton>
        )}
        {phase !== "nothing" && <PlainButton onClick={() => setPhase("nothing")}>Leave it as it was</PlainButton>}
      </Row>
      {on === "stand-in" && phase !== "nothing" && (
        <Row>
          <PlainButton onClick={() => moveOnStandIn(wiper.id, -1)}>Stand-in: to its low end</PlainButton>
          <PlainButton onClick={() => moveOnStandIn(wiper.id, 1)}>Stand-in: to its high end</PlainButton>
          <PlainButton onClick={() => moveOnStandIn(wiper.id, 0)}>Stand-in: let go</PlainButton>
        </Row>
      )}
    </Box>
  );
}

const percent = (value: number) => `${value.toFixed(1)} %`;

function Seen({ phase, seen }: ReturnType<typeof useMeasurement>) {
  if (phase === "nothing") return null;
  const all = [...seen.rest, ...seen.moved];
  return (
    <>
      <Box fontSize="13px">
        {phase === "rest"
          ? "Measuring where it rests: leave it alone …"
          : "Now move it to all its ends, slowly, twice."}
      </Box>
      {all.length > 0 && (
        <Values
          rows={[
            ["Now", percent(all.at(-1)!)],
            ["Seen from, to", `${percent(Math.min(...all))}, ${percent(Math.max(...all))}`],
          ]}
        />
      )}
    </>
  );
}

/** Asks the device again and again; of what was seen while it moves the farthest are kept, and the last. */
function useMeasurement(wiper: Element) {
  const design = useDesign();
  const { on } = useLiveDevice();
  const [phase, setPhaseOnly] = useState<Phase>("nothing");
  const [seen, setSeen] = useState(NONE);
  const [trouble, setTrouble] = useState("");
  const nth = scanTableOf(design).sensors.indexOf(wiper.id);
  const setPhase = (next: Phase) => {
    setPhaseOnly(next);
    setSeen(NONE);
    setTrouble("");
  };
  useEffect(() => {
    if (phase === "nothing" || on === null || nth < 0) return;
    let isOver = false;
    const isRest = phase === "rest";
    const take = (reading: number) =>
      setSeen((before) =>
        isRest
          ? { ...before, rest: [...before.rest, reading] }
          : { ...before, moved: [Math.min(reading, ...before.moved), Math.max(reading, ...before.moved), reading] },
      );
    const follow = async () => {
      for (let came = 0; !isRest || came < AT_REST;) {
        const readings = await sensorsOnDevice(nth + 1);
        if (isOver) return;
        if (readings) {
          came++;
          take(percentOfTrack(readings[nth]));
        }
        await new Promise((resolve) => setTimeout(resolve, POLL_MS));
        if (isOver) return;
      }
      setPhaseOnly("moved");
    };
    follow().catch((problem: unknown) => {
      if (isOver) return;
      setTrouble(problem instanceof Error ? problem.message : String(problem));
      setPhaseOnly("nothing");
    });
    return () => {
      isOver = true;
    };
  }, [phase, on, nth]);
  return { phase, setPhase, seen, trouble };
}
