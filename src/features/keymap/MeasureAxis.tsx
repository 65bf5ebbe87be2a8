"use client";

import { Box } from "@chakra-ui/react";
import { measuredAxis } from "@/core/analog/measuredAxis";
import type { Element } from "@/core/catalogue/kinds/controlKind";
import type { AxisSettings } from "@/core/document/axes";
import { useAxisMeasurement } from "@/store/axisMeasurement";
import { useLiveDevice } from "@/store/liveState";
import { AxisSeen, StandInAxis } from "@/ui/pieces/AxisSeen";
import { PlainButton } from "@/ui/pieces/buttons";
import { Row } from "@/ui/pieces/sheets";

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
  const measuring = useAxisMeasurement(wiper.id);
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
      <AxisSeen {...measuring} />
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
      {on === "stand-in" && phase !== "nothing" && <StandInAxis wiperId={wiper.id} />}
    </Box>
  );
}
