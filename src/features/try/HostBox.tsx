"use client";

import { Box } from "@chakra-ui/react";
import { type KeyboardEvent, useMemo, useRef } from "react";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { keyboardUsageForCode } from "@/core/hid/keyboardUsages";
import { typedBy } from "@/core/bindings";
import { pressElement, releaseAll, turnElement, useSession } from "@/store/session";

/** Which inputs a key of the person's own keyboard stands for: those bound to its usage, base layer first. */
function inputsByUsage(design: Design): Map<number, string> {
  const found = new Map<number, string>();
  const own = new Set(derive(design).inputs.map(({ id }) => id));
  for (const layer of design.keymap.layers) {
    for (const [inputId, binding] of Object.entries(layer.bindings)) {
      const typed = typedBy(binding);
      if (typed && own.has(inputId) && !found.has(typed.usage)) found.set(typed.usage, inputId);
    }
  }
  return found;
}

/** The computer's text field: it shows what the device types, and lends the person's keyboard to the device. */
export function HostBox({ design }: { design: Design }) {
  const text = useSession((state) => state.text);
  const byUsage = useMemo(() => inputsByUsage(design), [design]);
  const down = useRef(new Map<string, string>());
  const inputFor = (code: string) => {
    const usage = keyboardUsageForCode(code)?.usage;
    const id = usage === undefined ? undefined : byUsage.get(usage);
    return id ? derive(design).inputs.find((input) => input.id === id) : undefined;
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Tab") return;
    event.preventDefault();
    event.stopPropagation();
    const input = inputFor(event.code);
    if (!input || event.repeat) return;
    if (input.motion !== "press") return turnElement(input.elementId, input.motion === "clockwise" ? 1 : -1);
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
