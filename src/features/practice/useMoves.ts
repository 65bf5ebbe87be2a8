import { type KeyboardEvent, useEffect, useMemo, useRef } from "react";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { keyboardUsageForCode } from "@/core/hid/keyboardUsages";
import { inputForUsage } from "@/core/keymap/ownKeys";
import { useDesign } from "@/store/bench";
import { hearPads } from "@/store/gamepadEar";
import type { PracticeSource } from "@/store/practiceInHand";
import { useSession } from "@/store/session";
import { useOwnKeys } from "@/store/ownKeys";

/** What is heard of a device: an input was pressed, a knob was turned, axes stand somewhere. */
export interface Moves {
  pressed?(inputId: string): void;
  turned?(elementId: string, steps: number): void;
  /** Of a device on the cable: its game pad's axes, -1 to 1. */
  axes?(values: readonly number[]): void;
}

/** The input that a game pad button of the base layer stands for. */
function inputOfButton({ keymap }: Design, index: number): string | undefined {
  const bound = Object.entries(keymap.layers[0].bindings);
  return bound.find(([, binding]) => binding.does === "pad-button" && binding.button === index)?.[0];
}

/** Hears what is done on the device on the screen, or on one on the cable. @returns what the place that has the focus listens with */
export function useMoves(source: PracticeSource, moves: Moves) {
  const design = useDesign();
  const latest = useRef(moves);
  useEffect(() => {
    latest.current = moves;
  });
  useEffect(() => {
    if (source !== "screen") return;
    const pressOf = new Map(
      derive(design).inputs.flatMap(({ id, elementId, motion }) => (motion === "press" ? [[elementId, id]] : [])),
    );
    return useSession.subscribe(({ held, turned }, before) => {
      for (const id of held)
        if (!before.held.includes(id) && pressOf.has(id)) latest.current.pressed?.(pressOf.get(id)!);
      for (const [id, steps] of Object.entries(turned)) {
        const by = steps - (before.turned[id] ?? 0);
        if (by !== 0) latest.current.turned?.(id, by);
      }
    });
  }, [source, design]);
  useEffect(() => {
    if (source !== "device" || typeof navigator.getGamepads !== "function") return;
    return hearPads(navigator, {
      button(index, isDown) {
        const input = isDown ? inputOfButton(design, index) : undefined;
        if (input !== undefined) latest.current.pressed?.(input);
      },
      axes: (values) => latest.current.axes?.(values),
    });
  }, [source, design]);
  const own = useOwnKeys();
  return useMemo(() => {
    if (source === "screen") return own;
    return {
      onKeyDown(event: KeyboardEvent) {
        if (event.key === "Tab" || event.repeat) return;
        const usage = keyboardUsageForCode(event.code)?.usage;
        const input = usage === undefined ? undefined : inputForUsage(design, usage, [0]);
        if (!input) return;
        event.preventDefault();
        event.stopPropagation();
        if (input.motion === "press") latest.current.pressed?.(input.id);
        else if (input.motion === "clockwise") latest.current.turned?.(input.elementId, 1);
        else if (input.motion === "anticlockwise") latest.current.turned?.(input.elementId, -1);
      },
      onKeyUp() {},
      onBlur() {},
    };
  }, [source, own, design]);
}
