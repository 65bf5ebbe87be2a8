"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useMemo, useRef, useState } from "react";
import { type Signal, canBeHeard, listeningTo, outcomeHeard } from "@/core/bringup/heard";
import type { TrialDeed } from "@/core/bringup/trial";
import { derive } from "@/core/derived/derive";
import { keyboardUsageForCode } from "@/core/hid/keyboardUsages";
import { musicEventOf } from "@/core/hid/musicEvents";
import { useDesign } from "@/store/bench";
import { setListening, useUnderTest } from "@/store/bringUpAside";
import { hearPads } from "@/store/gamepadEar";
import { type MusicPort, hearMusic } from "@/store/musicEar";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Checkbox } from "@/ui/pieces/fields";
import { Row } from "@/ui/pieces/sheets";

interface ListenerProps {
  deed: TrialDeed;
  onHeard: (came: string) => void;
}

/** Takes what a device on the cable tells as the outcome of a test, while it is asked to. */
export function Listener({ deed, onHeard }: ListenerProps) {
  const design = useDesign();
  const isListening = useUnderTest((state) => state.isListening);
  const listening = useMemo(() => listeningTo(design), [design]);
  return (
    <>
      <Checkbox
        label="Listen to what it types, plays or presses as a game pad (its own keymap, base layer)"
        checked={isListening}
        onChange={setListening}
      />
      {isListening && !canBeHeard(listening, deed) && (
        <Box color="var(--faint)">This test cannot be heard by what it tells: answer it by hand.</Box>
      )}
      {isListening && canBeHeard(listening, deed) && <Ear deed={deed} onHeard={onHeard} />}
    </>
  );
}

/** Signals of a device on the cable: its keys while the page has the focus, its game pad buttons, its notes. */
function useSignals(tell: (signal: Signal) => void, hasNotes: boolean): string | null {
  const latest = useRef(tell);
  const [refusal, setRefusal] = useState<string | null>(null);
  useEffect(() => {
    latest.current = tell;
  });
  useEffect(() => {
    if (typeof navigator.getGamepads !== "function") return;
    return hearPads(navigator, {
      button: (index, isDown) => isDown && latest.current(`button ${index}`),
      axes: () => {},
    });
  }, []);
  useEffect(() => {
    if (!hasNotes) return;
    if (typeof navigator.requestMIDIAccess !== "function") {
      setRefusal("This browser hears no instruments: answer notes by hand.");
      return;
    }
    let isGone = false;
    let stop = () => {};
    hearMusic(navigator as unknown as MusicPort, (message) => {
      const event = musicEventOf(message);
      if (event?.what === "on") latest.current(`note ${event.channel} ${event.number}`);
    }).then(
      (silence) => (isGone ? silence() : (stop = silence)),
      () =>
        setRefusal(
          "The browser was not allowed to hear instruments: answer notes by hand, or allow it and listen again.",
        ),
    );
    return () => {
      isGone = true;
      stop();
    };
  }, [hasNotes]);
  return refusal;
}

function Ear({ deed, onHeard }: ListenerProps) {
  const design = useDesign();
  const [heard, setHeard] = useState<string[]>([]);
  const { elementOf } = useMemo(() => listeningTo(design), [design]);
  const hear = (signal: Signal) => {
    const id = elementOf.get(signal);
    if (id !== undefined) setHeard((before) => [...before, id]);
  };
  const refusal = useSignals(
    hear,
    useMemo(() => [...elementOf.keys()].some((signal) => signal.startsWith("note ")), [elementOf]),
  );
  const latest = useRef(hear);
  useEffect(() => {
    latest.current = hear;
  });
  useEffect(() => {
    const signalOf = ({ code }: KeyboardEvent): Signal => `key ${keyboardUsageForCode(code)?.usage ?? 0}`;
    const onKey = (event: KeyboardEvent) => {
      const signal = signalOf(event);
      if (event.code === "Escape" && !elementOf.has(signal)) {
        setListening(false);
        return;
      }
      // What it types shall neither scroll the page nor be taken for a shortcut.
      event.preventDefault();
      event.stopPropagation();
      if (event.type === "keydown" && !event.repeat) latest.current(signal);
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
      {refusal && <Box color="var(--warn)">{refusal}</Box>}
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
