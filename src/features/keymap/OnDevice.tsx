"use client";

import { useMemo } from "react";
import { Box } from "@chakra-ui/react";
import { phraseOf } from "@/core/bindings";
import { passedOnMs } from "@/core/contract/link";
import { MOST_CHANGES } from "@/core/contract/live";
import { derive } from "@/core/derived/derive";
import { halfName } from "@/core/derived/halfName";
import { isOnLine } from "@/core/document/partLinks";
import type { Design } from "@/core/document/schema";
import { scanTableOf } from "@/core/firmware/scanTable";
import { phraseContextOf } from "@/core/keymap/phraseContext";
import { type Comparison, type Difference, compare } from "@/core/live/differences";
import {
  cutStandInPower,
  giveUp,
  leave,
  plugStandInInto,
  pressOnStandIn,
  readAgain,
  sendChanges,
  undoChanges,
  unlockStandIn,
} from "@/store/liveDevice";
import { type LiveDoing, useLiveDevice } from "@/store/liveState";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Row, Values } from "@/ui/pieces/sheets";
import { useHostLanguage } from "@/ui/useHostLanguage";
import { useKeymap } from "./useKeymap";

const MOST_SHOWN = 6;
const NOT_YET: Comparison = { differences: [], changes: null, refusal: null };

const passedOnSeconds = (changes: number) => (passedOnMs(changes) / 1000).toFixed(1);

/** Connected: what it does otherwise than the design, and changing that. */
export function Joined({ design }: { design: Design }) {
  const { name, keymap, doing, before } = useLiveDevice();
  // Texts of macros are compared as keystrokes, for which their language must be there.
  const language = useHostLanguage(design.keymap.hostLanguage);
  const comparison = useMemo(() => (language ? compare(design, keymap!) : NOT_YET), [design, keymap, language]);
  const isBusy = doing.doing !== "nothing";
  const { changes } = comparison;
  return (
    <>
      <Values
        rows={[
          ["Connected", name],
          ["Changes kept on it", `${keymap!.hello.changes} of ${MOST_CHANGES}`],
          ...(isOnLine(design)
            ? [
                ["Passed on to its other part", `within ${passedOnSeconds(keymap!.hello.changes)} s`] as [
                  string,
                  string,
                ],
              ]
            : []),
        ]}
      />
      <Differences design={design} comparison={comparison} />
      <Row>
        <StepButton
          disabled={isBusy || changes === null || comparison.differences.length === 0}
          onClick={() => changes && void sendChanges(changes)}
        >
          Send to the device
        </StepButton>
        <PlainButton disabled={isBusy || before === null} onClick={() => void undoChanges()}>
          Undo on the device
        </PlainButton>
        <PlainButton disabled={isBusy} onClick={() => void readAgain()}>
          Read again
        </PlainButton>
        <PlainButton onClick={() => void leave()}>Disconnect</PlainButton>
      </Row>
    </>
  );
}

function Differences({ design, comparison }: { design: Design; comparison: Comparison }) {
  const { differences, refusal } = comparison;
  if (refusal)
    return (
      <Box color="var(--stop)" fontWeight="600" fontSize="13px">
        {refusal}
      </Box>
    );
  if (differences.length === 0) return <Box fontSize="13px">The device does as the design says.</Box>;
  return (
    <Box fontSize="13px">
      <Box fontWeight="600">
        {differences.length} {differences.length === 1 ? "input does" : "inputs do"} otherwise on the device
      </Box>
      <Box as="ul" listStyleType="none" aria-label="Differences">
        {differences.slice(0, MOST_SHOWN).map((difference) => (
          <DifferenceLine key={`${difference.layerId} ${difference.inputId}`} design={design} difference={difference} />
        ))}
      </Box>
      {differences.length > MOST_SHOWN && <Box color="var(--faint)">and {differences.length - MOST_SHOWN} more</Box>}
    </Box>
  );
}

function DifferenceLine({ design, difference }: { design: Design; difference: Difference }) {
  const context = phraseContextOf(design);
  const isBase = difference.layerId === design.keymap.layers[0].id;
  const phrase = (binding: Difference["inDesign"]) => {
    if (binding === undefined) return "something else";
    if (binding === null) return isBase ? "nothing" : "as on the layer beneath";
    return phraseOf(binding, context);
  };
  const label = derive(design).bindable.find(({ id }) => id === difference.inputId)?.label ?? difference.inputId;
  return (
    <Box as="li" paddingBlock="3px" borderBottom="1px solid var(--edge)">
      <Box fontWeight="600">
        {label} on {context.layerName(difference.layerId)}
      </Box>
      <Box>
        <s>{phrase(difference.onDevice)}</s> becomes {phrase(difference.inDesign)}
      </Box>
    </Box>
  );
}

/** Labels of the two switches that unlock the device as it was loaded: the design may have chosen others since. */
function useUnlockWords(design: Design): string | null {
  const both = useLiveDevice(({ keymap }) => keymap?.hello.unlock ?? null);
  if (!both) return null;
  const { switches } = scanTableOf(design);
  const { elements } = derive(design);
  return both.map((nth) => elements.get(switches[nth])?.label ?? `switch ${nth + 1}`).join(" and ");
}

/** What goes on, in words. */
export function Doing({ doing, design }: { doing: LiveDoing; design: Design }) {
  const both = useUnlockWords(design);
  switch (doing.doing) {
    case "choosing":
      return <>Choose the device in the browser&rsquo;s list.</>;
    case "reading":
      return <>Reading the device …</>;
    case "sending":
      return (
        <>
          Sending, {doing.done} of {doing.of} parts kept …
        </>
      );
    case "waiting":
      return (
        <Box display="flex" alignItems="center" gap="10px">
          <Box flex="1" fontWeight="600">
            {doing.forWhat === "letting go"
              ? "Let go of all keys on the device, and put switches back that hold a layer."
              : both
                ? `Hold ${both} on the device together for two seconds.`
                : "The device has no two keys that could unlock it."}
          </Box>
          <PlainButton onClick={giveUp}>Give up</PlainButton>
        </Box>
      );
    default:
      return null;
  }
}

/** A hand on the stand-in. */
export function StandInHand({ design, doing }: { design: Design; doing: LiveDoing }) {
  const { input } = useKeymap();
  const isIdle = doing.doing === "nothing";
  const both = useUnlockWords(design);
  const element = input?.motion === "press" ? elementOf(design, input.id) : null;
  const other = 1 - useLiveDevice(({ plugged }) => plugged);
  const otherName = isOnLine(design) ? halfName(design, design.controllers[other].id) : "";
  return (
    <Box borderTop="1px dashed var(--edge)" paddingTop="8px">
      <Box color="var(--faint)" fontSize="13px" marginBottom="6px">
        Your hand on the stand-in. It was loaded with the design as it was when you connected it.
      </Box>
      <Row>
        <PlainButton disabled={!both || (!isIdle && doing.doing !== "waiting")} onClick={unlockStandIn}>
          Hold {both ?? "its keys"}
        </PlainButton>
        <PlainButton
          disabled={!isIdle || !element}
          onClick={() => element && input && pressOnStandIn(element, input.label)}
        >
          Press {element && input ? input.label : "the selected key"}
        </PlainButton>
        <PlainButton disabled={!isIdle} onClick={() => void cutStandInPower()}>
          Cut its power
        </PlainButton>
        {isOnLine(design) && (
          <PlainButton disabled={!isIdle} onClick={() => void plugStandInInto(other, otherName)}>
            Put its plug into {otherName}
          </PlainButton>
        )}
      </Row>
    </Box>
  );
}

/** The switch element of a press input. */
function elementOf(design: Design, inputId: string): string | null {
  const scan = scanTableOf(design);
  const at = scan.inputs.indexOf(inputId);
  return at >= 0 && at < scan.switches.length ? scan.switches[at] : null;
}
