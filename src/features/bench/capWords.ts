import type { Control } from "@/core/catalogue/kinds";
import type { Design } from "@/core/document/schema";
import type { ReachResult as Reach } from "@/core/reach/reach";
import { firstEnd } from "@/core/engine/movable";
import type { LensId } from "@/ui/lenses/lens";

/** What stands on a control: its label, and what the lens adds. */
export interface CapWords {
  words: string;
  small: string;
  /** Legends of other layers, one a line, for the lower corners of a cap. */
  corners?: string;
}

function cellWords(design: Design, control: Control): string {
  const id = firstEnd(control, "switch")?.id;
  if (id === undefined) return "";
  for (const circuit of design.circuits) {
    if (circuit.kind === "matrix" && circuit.cells[id])
      return `R${circuit.cells[id].row + 1} C${circuit.cells[id].column + 1}`;
    if (circuit.kind === "direct" && circuit.members.includes(id)) return "direct";
  }
  return "";
}

/** Presses of the text sample, and the finger that does them where it rests. */
function reachWords(design: Design, control: Control, reach: Reach | null): CapWords {
  const home = design.reach.homes.find(({ controlId }) => controlId === control.id);
  const presses = reach?.heat.get(control.id) ?? 0;
  return { words: control.label, small: home ? home.finger : presses > 0 ? String(presses) : "" };
}

/** The words on a control under any lens but that of legends. */
export function capWords(design: Design, control: Control, lens: LensId, reach: Reach | null = null): CapWords {
  if (lens === "reach") return reachWords(design, control, reach);
  // Whoever learns the keys by heart does not read them.
  if (lens === "practice") return { words: "", small: "" };
  if (lens === "wires") return { words: control.label, small: cellWords(design, control) };
  return { words: control.label, small: "" };
}
