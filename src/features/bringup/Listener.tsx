"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useMemo, useRef, useState } from "react";
import {
  type HeardMove,
  type Listening,
  type Signal,
  canBeHeard,
  listeningTo,
  outcomeHeard,
} from "@/core/bringup/heard";
import { testKeymapOf } from "@/core/bringup/testKeymap";
import type { TrialDeed } from "@/core/bringup/trial";
import { derive } from "@/core/derived/derive";
import { keyboardUsageForCode } from "@/core/hid/keyboardUsages";
import { musicEventOf } from "@/core/hid/musicEvents";
import { useDesign } from "@/store/bench";
import { setListening, setTestKeymap, useUnderTest } from "@/store/underTest";
import { loadTests } from "@/store/loadingTests";
import { hearPads } from "@/store/gamepadEar";
import { type MusicPort, hearMusic } from "@/store/musicEar";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Checkbox, ChoiceField } from "@/ui/pieces/fields";
import { later } from "@/ui/pieces/later";
import { Row } from "@/ui/pieces/sheets";

/** Talking to a device comes with the first axis that is listened to. */
const AxisEar = later(() => import("./AxisEar").then((m) => m.AxisEar));

interface ListenerProps {
  deed: TrialDeed;
  onHeard: (came: string) => void;
}

/** Takes what a device on the cable tells as the outcome of a test, while it is asked to. */
export function Listener({ deed, onHeard }: ListenerProps) {
  const design = useDesign();
  const { isListening, hasTestKeymap } = useUnderTest();
  const tests = useMemo(() => testKeymapOf(design), [design]);
  const listening = useMemo(() => listeningTo(hasTestKeymap ? tests.design : design), [design, tests, hasTestKeymap]);
  return (
    <>
      <Checkbox
        label="Listen to what it types, plays, presses as a game pad or reads of its axes"
        checked={isListening}
        onChange={setListening}
      />
      {isListening && <WhichKeymap left={tests.left} />}
      {isListening && deed.does === "axis" && <AxisEar elementId={deed.elementId} onHeard={onHeard} />}
      {isListening && deed.does !== "axis" && !canBeHeard(listening, deed) && (
        <Box color="var(--faint)">This test cannot be heard by what it tells: answer it by hand.</Box>
      )}
      {isListening && canBeHeard(listening, deed) && <Ear deed={deed} listening={listening} onHeard={onHeard} />}
    </>
  );
}

const KEYMAPS = [
  { value: "own", label: "its own keymap (base layer)" },
  { value: "tests", label: "the keymap for tests" },
];

/** With the keymap for tests everything that is pressed or turned names itself, whatever its own keymap does. */
function WhichKeymap({ left }: { left: number }) {
  const { hasTestKeymap } = useUnderTest();
  return (
    <>
      <ChoiceField
        label="It is loaded with"
        value={hasTestKeymap ? "tests" : "own"}
        choices={KEYMAPS}
        onCommit={(value) => setTestKeymap(value === "tests")}
      />
      {hasTestKeymap && (
        <Box color="var(--faint)" fontSize="13px">
          Each key and each direction of a knob types a key of its own. Lamps and axes rest meanwhile: load its own
          keymap again for those, and in the end.
          {left > 0 && ` For ${left} of them no key was left.`}
        </Box>
      )}
      <Row>
        <PlainButton onClick={() => loadTests(true)}>Load the keymap for tests</PlainButton>
      </Row>
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

const SIGNS = { press: "", clockwise: " ↻", anticlockwise: " ↺" };

function Ear({ deed, listening: { moveOf }, onHeard }: ListenerProps & { listening: Listening }) {
  const design = useDesign();
  const [heard, setHeard] = useState<HeardMove[]>([]);
  const hear = (signal: Signal) => {
    const move = moveOf.get(signal);
    if (move) setHeard((before) => [...before, move]);
  };
  const refusal = useSignals(
    hear,
    useMemo(() => [...moveOf.keys()].some((signal) => signal.startsWith("note ")), [moveOf]),
  );
  const latest = useRef(hear);
  useEffect(() => {
    latest.current = hear;
  });
  useEffect(() => {
    const signalOf = ({ code }: KeyboardEvent): Signal => `key ${keyboardUsageForCode(code)?.usage ?? 0}`;
    const onKey = (event: KeyboardEvent) => {
      if ((event.target as Element | null)?.closest?.("[role=dialog], [role=alertdialog]")) return;
      const signal = signalOf(event);
      if (event.code === "Escape" && !moveOf.has(signal)) {
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
  }, [moveOf]);
  const came = outcomeHeard(deed, heard);
  const names = heard.map(
    ({ elementId, motion }) => `${derive(design).elements.get(elementId)?.label ?? elementId}${SIGNS[motion]}`,
  );
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
