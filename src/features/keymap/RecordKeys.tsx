"use client";

import { type KeyboardEvent, useState } from "react";
import { Box } from "@chakra-ui/react";
import { MOST_STEPS, type MacroStep } from "@/core/document/macros";
import { keyboardUsageForCode } from "@/core/hid/keyboardUsages";
import { type RecordedKey, recordedSteps } from "@/core/keymap/recording";
import { PlainButton } from "@/ui/pieces/buttons";
import { Checkbox } from "@/ui/pieces/fields";

interface RecordKeysProps {
  /** Steps that there is room for: what would be more is not recorded. */
  room: number;
  onSteps: (steps: MacroStep[]) => void;
  /** While it records, Escape is its own. */
  onRecording: (isRecording: boolean) => void;
}

const NOTE = "The place of each key counts, not what it types here.";

/** Records what is pressed on one's own keyboard; Escape, or leaving, ends it. */
export function RecordKeys({ room, onSteps, onRecording }: RecordKeysProps) {
  const [keys, setKeys] = useState<RecordedKey[] | null>(null);
  const [withTimes, setWithTimes] = useState(false);
  const [isFull, setFull] = useState(false);
  const stop = () => {
    if (keys && keys.length > 0) onSteps(recordedSteps(keys, withTimes));
    setKeys(null);
    onRecording(false);
  };
  const begin = () => {
    setKeys([]);
    setFull(false);
    onRecording(true);
  };
  const onKey = (event: KeyboardEvent) => {
    if (!keys) return;
    event.preventDefault();
    event.stopPropagation();
    if (event.code === "Escape") {
      if (event.type === "keyup") stop();
      return;
    }
    const usage = keyboardUsageForCode(event.code)?.usage;
    if (usage === undefined || event.repeat) return;
    const next = [...keys, { atMs: event.timeStamp, usage, down: event.type === "keydown" }];
    if (recordedSteps(next, withTimes).length > room) {
      setFull(true);
      stop();
    } else setKeys(next);
  };
  return (
    <>
      <PlainButton
        data-own-keys={keys ? "" : undefined}
        aria-pressed={keys !== null}
        bg={keys ? "var(--saffron)" : "var(--sheet)"}
        color={keys ? "var(--saffron-ink)" : "var(--ink)"}
        onClick={() => (keys ? stop() : begin())}
        onBlur={stop}
        onKeyDown={onKey}
        onKeyUp={onKey}
      >
        {keys ? `Recording, ${keys.filter(({ down }) => down).length} pressed; Escape ends it` : "Record what I press"}
      </PlainButton>
      <Checkbox label="Keep the pauses" checked={withTimes} disabled={keys !== null} onChange={setWithTimes} />
      <Box fontSize="13px" color="var(--faint)">
        {isFull ? `A macro has at most ${MOST_STEPS} steps: the recording ended there.` : NOTE}
      </Box>
    </>
  );
}
