"use client";

import { Box } from "@chakra-ui/react";
import { axisHeard } from "@/core/bringup/axisHeard";
import { useAxisMeasurement } from "@/store/axisMeasurement";
import { connectDevice } from "@/store/liveDevice";
import { useLiveDevice } from "@/store/liveState";
import { AxisSeen, StandInAxis } from "@/ui/pieces/AxisSeen";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Row } from "@/ui/pieces/sheets";

interface AxisEarProps {
  elementId: string;
  onHeard: (came: string) => void;
}

/** Takes what a device with live changes reads of an axis as the outcome of its test. */
export function AxisEar({ elementId, onHeard }: AxisEarProps) {
  const { on } = useLiveDevice();
  return (
    <Box border="1px dashed var(--faint)" padding="8px" display="flex" flexDirection="column" gap="6px">
      {on === null ? <Connect /> : <Reading elementId={elementId} onHeard={onHeard} />}
    </Box>
  );
}

function Connect() {
  const { doing, words } = useLiveDevice();
  return (
    <>
      <Box fontSize="13px">
        A device that is loaded with its own keymap and declares Live changes tells where this axis stands. The browser
        asks which device you mean; nothing on it is changed. Without it, answer by hand.
      </Box>
      <Row>
        <PlainButton disabled={doing.doing !== "nothing"} onClick={() => void connectDevice()}>
          Connect the device
        </PlainButton>
      </Row>
      {words && (
        <Box role="status" aria-label="Device" color="var(--stop)">
          {words}
        </Box>
      )}
    </>
  );
}

function Reading({ elementId, onHeard }: AxisEarProps) {
  const { on, name } = useLiveDevice();
  const { phase, setPhase, seen, trouble, isRead } = useAxisMeasurement(elementId);
  const came = axisHeard(seen);
  if (!isRead)
    return (
      <Box fontSize="13px">
        {name} does not read this axis: it has nothing to do in the keymap, or is on a part with a chip of its own.
        Answer by hand.
      </Box>
    );
  return (
    <>
      {phase === "nothing" && <Box fontSize="13px">{name} tells where it stands.</Box>}
      <AxisSeen phase={phase} seen={seen} />
      {trouble && <Box color="var(--stop)">{trouble}</Box>}
      {on === "stand-in" && phase !== "nothing" && <StandInAxis wiperId={elementId} />}
      <Row>
        {phase === "nothing" ? (
          <PlainButton onClick={() => setPhase("rest")}>Let go of it, then begin</PlainButton>
        ) : (
          <>
            <StepButton disabled={phase === "rest" || came === null} onClick={() => came !== null && onHeard(came)}>
              It was at both ends
            </StepButton>
            <PlainButton onClick={() => setPhase("nothing")}>Begin again</PlainButton>
          </>
        )}
      </Row>
    </>
  );
}
