import { useEffect, useRef } from "react";

/** One key with its modifiers, as `KeyboardEvent.key` names it in small letters: "mod+shift+z", "escape". */
export interface Shortcut {
  keys: string[];
  run: () => void;
  /** Works while a field has the focus too. */
  inFields?: boolean;
  enabled?: boolean;
}

const isField = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** "mod" is the command key on keyboards that have one, else control. */
function pressed({ key, ctrlKey, metaKey, shiftKey, altKey }: KeyboardEvent): string {
  const isSign = key.length === 1 && key.toLowerCase() === key.toUpperCase();
  const parts = [
    ...(ctrlKey || metaKey ? ["mod"] : []),
    ...(altKey ? ["alt"] : []),
    // A sign that is typed with shift already says so: "?" and not "shift+?".
    ...(shiftKey && !isSign ? ["shift"] : []),
    key.toLowerCase(),
  ];
  return parts.join("+");
}

/** Keys that work wherever the focus is, fields aside; what `ignores` is left to others. */
export function useShortcuts(shortcuts: Shortcut[], ignores: (event: KeyboardEvent) => boolean): void {
  const latest = useRef({ shortcuts, ignores });
  useEffect(() => {
    latest.current = { shortcuts, ignores };
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || event.isComposing || latest.current.ignores(event)) return;
      const combination = pressed(event);
      const inField = isField(event.target);
      const shortcut = latest.current.shortcuts.find(
        ({ keys, inFields, enabled = true }) => enabled && keys.includes(combination) && (!inField || inFields),
      );
      if (!shortcut) return;
      // The browser's own meaning of it (find, select all, bookmark) would come on top.
      if (combination.startsWith("mod+")) event.preventDefault();
      shortcut.run();
    };
    document.addEventListener("keydown", onKey);
    return () => document.removeEventListener("keydown", onKey);
  }, []);
}
