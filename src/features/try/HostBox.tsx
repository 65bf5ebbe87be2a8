"use client";

import { Box } from "@chakra-ui/react";
import { type KeyboardEvent, useRef } from "react";
import type { Design } from "@/core/document/schema";
import { keyboardUsageForCode } from "@/core/hid/keyboardUsages";
import { pressElement, releaseAll, turnElement, useSession } from "@/store/session";
import { inputForUsage } from "@/core/keymap/ownKeys";

/** The computer's text field: it shows what the device types, and lends the person's keyboard to the device. */
export function HostBox({ design }: { design: Design }) {
  const text = useSession((state) => state.text);
  const activeLayers = useSession((state) => state.activeLayers);
  const down = useRef(new Map<string, string>());
  const inputFor = (code: string) => {
    const usage = keyboardUsageForCode(code)?.usage;
    return usage === undefined ? undefined : inputForUsage(design, usage, activeLayers);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Tab") return;
    event.preventDefault();
    event.stopPropagation();
    const input = inputFor(event.code);
    if (!input || event.repeat) return;
    if (input.motion === "clockwise" || input.motion === "anticlockwise")
      return turnElement(input.elementId, input.motion === "clockwise" ? 1 : -1);
    down.current.set(event.code, input.elementId);
    pressElement(input.elementId, true);
  };
  const onKeyUp = (event: KeyboardEvent) => {
    const element = down.current.get(event.code);
    if (!element) return;
    down.current.delete(event.code);
    pressElement(element, false);
  };
  return (
    <Box
      role="textbox"
      data-own-keys=""
      aria-label="Typed text"
      aria-multiline="true"
      aria-readonly="true"
      tabIndex={0}
      minHeight="92px"
      maxHeight="180px"
      overflowY="auto"
      padding="8px 10px"
      bg="var(--paper)"
      border="1px solid var(--edge)"
      fontFamily="mono"
      whiteSpace="pre-wrap"
      wordBreak="break-word"
      onKeyDown={onKeyDown}
      onKeyUp={onKeyUp}
      onBlur={() => {
        down.current.clear();
        releaseAll();
      }}
    >
      {text}
      <Box as="span" borderRight="2px solid var(--saffron)" aria-hidden />
    </Box>
  );
}
