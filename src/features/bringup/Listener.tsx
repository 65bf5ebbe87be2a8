"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useMemo, useState } from "react";
import { canBeHeard, listeningTo, outcomeHeard } from "@/core/bringup/heard";
import type { TrialDeed } from "@/core/bringup/trial";
import { derive } from "@/core/derived/derive";
import { keyboardUsageForCode } from "@/core/hid/keyboardUsages";
import { useDesign } from "@/store/bench";
import { setListening, useUnderTest } from "@/store/bringUpAside";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Checkbox } from "@/ui/pieces/fields";
import { Row } from "@/ui/pieces/sheets";

interface ListenerProps {
  deed: TrialDeed;
  onHeard: (came: string) => void;
}

/** Takes what a device on the cable types as the outcome of a test, while it is asked to. */
export function Listener({ deed, onHeard }: ListenerProps) {
  const design = useDesign();
  const isListening = useUnderTest((state) => state.isListening);
  const listening = useMemo(() => listeningTo(design), [design]);
  return (
    <>
      <Checkbox
        label="Listen to what it types (its own keymap, base layer)"
        checked={isListening}
        onChange={setListening}
      />
      {isListening && !canBeHeard(listening, deed) && (
        <Box color="var(--faint)">This test cannot be heard by its keys: answer it by hand.</Box>
      )}
      {isListening && canBeHeard(listening, deed) && <Ear deed={deed} onHeard={onHeard} />}
    </>
  );
}

function Ear({ deed, onHeard }: ListenerProps) {
  const design = useDesign();
  const [heard, setHeard] = useState<string[]>([]);
  const { elementOf } = useMemo(() => listeningTo(design), [design]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.code === "Escape" && !elementOf.has(keyboardUsageForCode("Escape")?.usage ?? 0)) {
        setListening(false);
        return;
      }
      const id = elementOf.get(keyboardUsageForCode(event.code)?.usage ?? 0);
      // What it types shall neither scroll the page nor be taken for a shortcut.
      event.preventDefault();
      event.stopPropagation();
      if (id !== undefined && event.type === "keydown" && !event.repeat) setHeard((before) => [...before, id]);
    };
    window.addEventListener("keydown", onKey, true);
    window.addEventListener("keyup", onKey, true);
    return () => {
      window.removeEventListener("keydown", onKey, true);
      window.removeEventListener("keyup", onKey, true);
    };
  }, [elementOf]);
  const came = outcomeHeard(deed, heard);
  const names = heard.map((id) => derive(design).elements.get(id)?.label ?? id);
  return (
    <Box border="1px dashed var(--faint)" padding="8px" display="flex" flexDirection="column" gap="6px">
      <Box role="status" aria-label="Heard">
        {names.length === 0 ? "Listening: do it now." : `Heard: ${names.join(", ")}`}
      </Box>
      {came === null && <div>It cannot be told which press brought what: begin again, slowly.</div>}
      <Row>
        <StepButton onClick={() => came !== null && onHeard(came)} disabled={came === null}>
          {heard.length === 0 ? "Nothing came" : "That was all"}
        </StepButton>
        <PlainButton onClick={() => setHeard([])} disabled={heard.length === 0}>
          Begin again
        </PlainButton>
      </Row>
    </Box>
  );
}
