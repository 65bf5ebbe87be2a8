"use client";

import { Box } from "@chakra-ui/react";
import type { AxisMeasuring } from "@/store/axisMeasurement";
import { moveOnStandIn } from "@/store/liveDevice";
import { PlainButton } from "./buttons";
import { Row, Values } from "./sheets";

const percent = (value: number) => `${value.toFixed(1)} %`;

/** What is read of an axis on the device while it is measured, and what to do meanwhile. */
export function AxisSeen({ phase, seen }: Pick<AxisMeasuring, "phase" | "seen">) {
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

/** The hand on an axis of the stand-in. */
export function StandInAxis({ wiperId }: { wiperId: string }) {
  return (
    <Row>
      <PlainButton onClick={() => moveOnStandIn(wiperId, -1)}>Stand-in: to its low end</PlainButton>
      <PlainButton onClick={() => moveOnStandIn(wiperId, 1)}>Stand-in: to its high end</PlainButton>
      <PlainButton onClick={() => moveOnStandIn(wiperId, 0)}>Stand-in: let go</PlainButton>
    </Row>
  );
}
