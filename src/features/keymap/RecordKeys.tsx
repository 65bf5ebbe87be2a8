"use client";

import { type KeyboardEvent, useState } from "react";
import { Box } from "@chakra-ui/react";
import type { MacroStep } from "@/core/document/macros";
import { keyboardUsageForCode } from "@/core/hid/keyboardUsages";
import { type RecordedKey, recordedSteps } from "@/core/keymap/recording";
import { PlainButton } from "@/ui/pieces/buttons";
import { Checkbox } from "@/ui/pieces/fields";

interface RecordKeysProps {
  onSteps: (steps: MacroStep[]) => void;
  /** While it records, Escape is its own. */
  onRecording: (isRecording: boolean) => void;
}

/** Records what is pressed on one's own keyboard; Escape, or leaving, ends it. */
export function RecordKeys({ onSteps, onRecording }: RecordKeysProps) {
  const [keys, setKeys] = useState<RecordedKey[] | null>(null);
  const [withTimes, setWithTimes] = useState(false);
  const stop = () => {
    if (keys && keys.length > 0) onSteps(recordedSteps(keys, withTimes));
    setKeys(null);
    onRecording(false);
  };
  const begin = () => {
    setKeys([]);
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
    setKeys([...keys, { atMs: event.timeStamp, usage, down: event.type === "keydown" }]);
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
        The place of each key counts, not what it types here.
      </Box>
    </>
  );
}
