import { type KeyboardEvent, useMemo, useRef } from "react";
import { keyboardUsageForCode } from "@/core/hid/keyboardUsages";
import { inputForUsage } from "@/core/keymap/ownKeys";
import { useDesign } from "./bench";
import { pressElement, releaseAll, turnElement, useSession } from "./session";

/**
 * Handlers for a field that lends the person's keyboard to the device on screen: each of its keys presses the device's
 * key that is bound to the same usage. The field carries `data-own-keys`, so that no key works the bench.
 */
export function useOwnKeys() {
  const design = useDesign();
  const activeLayers = useSession((state) => state.activeLayers);
  const down = useRef(new Map<string, string>());
  return useMemo(
    () => ({
      onKeyDown(event: KeyboardEvent) {
        if (event.key === "Tab") return;
        event.preventDefault();
        event.stopPropagation();
        const usage = keyboardUsageForCode(event.code)?.usage;
        const input = usage === undefined ? undefined : inputForUsage(design, usage, activeLayers);
        if (!input || event.repeat) return;
        if (input.motion === "clockwise" || input.motion === "anticlockwise")
          return turnElement(input.elementId, input.motion === "clockwise" ? 1 : -1);
        down.current.set(event.code, input.elementId);
        pressElement(input.elementId, true);
      },
      onKeyUp({ code }: KeyboardEvent) {
        const element = down.current.get(code);
        if (!element) return;
        down.current.delete(code);
        pressElement(element, false);
      },
      onBlur() {
        down.current.clear();
        releaseAll();
      },
    }),
    [design, activeLayers],
  );
}
