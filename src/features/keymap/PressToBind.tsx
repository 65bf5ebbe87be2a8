"use client";

import { type KeyboardEvent, useState } from "react";
import { keyboardUsageForCode } from "@/core/hid/keyboardUsages";
import { PlainButton } from "@/ui/pieces/buttons";

const isModifier = (usage: number) => usage >= 0xe0;

function modifiersOf(event: KeyboardEvent): number {
  return (event.ctrlKey ? 1 : 0) | (event.shiftKey ? 2 : 0) | (event.altKey ? 4 : 0) | (event.metaKey ? 8 : 0);
}

/**
 * Binds by pressing the key on one's own keyboard. The place of the key counts (its `code`), not what it types, so
 * it works under every keyboard language. A modifier alone is taken when it is let go.
 */
export function PressToBind({ onUsage }: { onUsage: (usage: number, modifiers: number) => void }) {
  const [waiting, setWaiting] = useState(false);
  const take = (usage: number, modifiers: number) => {
    setWaiting(false);
    onUsage(usage, modifiers);
  };
  const onKey = (event: KeyboardEvent) => {
    if (!waiting) return;
    event.preventDefault();
    event.stopPropagation();
    const found = keyboardUsageForCode(event.code);
    if (!found || event.repeat) return;
    if (event.type === "keyup" && isModifier(found.usage)) take(found.usage, 0);
    if (event.type === "keydown" && !isModifier(found.usage)) take(found.usage, modifiersOf(event));
  };
  return (
    <PlainButton
      data-own-keys={waiting ? "" : undefined}
      aria-pressed={waiting}
      bg={waiting ? "var(--saffron)" : "var(--sheet)"}
      color={waiting ? "var(--saffron-ink)" : "var(--ink)"}
      onClick={() => setWaiting(!waiting)}
      onBlur={() => setWaiting(false)}
      onKeyDown={onKey}
      onKeyUp={onKey}
    >
      {waiting ? "Press the key now …" : "Press it on my keyboard"}
    </PlainButton>
  );
}
