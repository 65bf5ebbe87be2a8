import type { Design } from "@/core/document/schema";
import { addTogether } from "@/core/edits/keyRules";
import { bind } from "@/core/edits/keymap";
import { togetherInput } from "@/core/document/keyRules";
import type { SimulationRequest } from "@/core/engine/simulate";
import { keyboard64 } from "./keyboard64";
import { onSmallClass } from "./onSmallClass";
import { manyAtOnce } from "./usbChip";

const MOVERS = ["up", "left", "down", "right", "up", "left"] as const;

/** 64 keys on 8 layers, 16 sets of keys together, six keys that move the pointer, and a macro on the last key that types while others are pressed. */
export function fullKeymap(): Design {
  const plain = keyboard64(8);
  const grouped = Array.from({ length: 16 }, (_, nth) => nth).reduce((design, nth) => {
    const parts = [`k${2 * nth + 1}:press`, `k${2 * nth + 2}:press`];
    const together = addTogether(design, `set${nth}`, parts);
    return bind(together, "base", togetherInput(`set${nth}`), {
      does: "keyboard",
      usage: 0x3a + (nth % 12),
      modifiers: 1,
    });
  }, plain);
  const macros: Design["keymap"]["macros"] = [
    {
      id: "typing",
      name: "Typing",
      plays: { how: "while-held" },
      endsOnPress: false,
      steps: [{ step: "text", text: "The quick brown fox. " }],
    },
  ];
  const withMacro = { ...grouped, keymap: { ...grouped.keymap, macros } };
  const played = bind(withMacro, "base", "k64:press", { does: "macro", macroId: "typing" });
  const interfaces: Design["reportSet"]["interfaces"] = [...played.reportSet.interfaces, "pointer"];
  const pointing = MOVERS.reduce(
    (design, direction, nth) =>
      bind(design, "base", `k${58 + nth}:press`, { does: "pointer-move", direction, speed: 7001, rampMs: 2048 }),
    { ...played, reportSet: { ...played.reportSet, interfaces } },
  );
  return onSmallClass(pointing);
}

/** So many keys at once, again and again, while the macro's key is held and the macro plays. */
export function fullUse(design: Design, atOnce: number): SimulationRequest {
  const many = manyAtOnce(design, atOnce);
  return { ...many, events: [{ atMs: 1, control: "k64", action: "press" as const }, ...many.events] };
}
