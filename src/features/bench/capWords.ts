import type { Control } from "@/core/catalogue/kinds";
import { kindOf } from "@/core/catalogue/kinds";
import { phraseOf } from "@/core/bindings";
import { bindingContextOf } from "@/core/keymap/bindingContext";
import type { Design, Layer } from "@/core/document/schema";
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

/** What the other layers put on an input; the base shines through in brackets already. */
function otherLegends(design: Design, inputId: string, layer: Layer): string {
  const context = bindingContextOf(design);
  return design.keymap.layers
    .filter((other, nth) => other.id !== layer.id && nth > 0)
    .map((other) => other.bindings[inputId])
    .map((binding) => (binding ? phraseOf(binding, context) : ""))
    .slice(0, 2)
    .join("\n");
}

/** A cap of one unit has room for five or six letters: there "Control" is written as keyboards write it. */
const onCap = (phrase: string) => phrase.replace(/\bControl\b/, "Ctrl");

function legend(design: Design, control: Control, layer: Layer): CapWords {
  const context = bindingContextOf(design);
  const inputs = kindOf(control).inputs(control);
  const press = inputs.find((input) => input.motion === "press");
  const own = press && layer.bindings[press.id];
  const below = press && design.keymap.layers[0].bindings[press.id];
  const label = control.label;
  if (!press || control.kind === "encoder") return { words: label, small: own ? phraseOf(own, context) : "" };
  const corners = otherLegends(design, press.id, layer);
  if (own)
    return { words: onCap(phraseOf(own, context)), small: label === phraseOf(own, context) ? "" : label, corners };
  return { words: below ? `(${phraseOf(below, context)})` : "–", small: label, corners };
}

/** Presses of the text sample, and the finger that does them where it rests. */
function reachWords(design: Design, control: Control, reach: Reach | null): CapWords {
  const home = design.reach.homes.find(({ controlId }) => controlId === control.id);
  const presses = reach?.heat.get(control.id) ?? 0;
  return { words: control.label, small: home ? home.finger : presses > 0 ? String(presses) : "" };
}

/** The words on a control under a lens; the legend lens reads from one layer, the base's in brackets shining through. */
export function capWords(
  design: Design,
  control: Control,
  lens: LensId,
  layer: Layer,
  reach: Reach | null = null,
): CapWords {
  if (lens === "legends") return legend(design, control, layer);
  if (lens === "reach") return reachWords(design, control, reach);
  if (lens === "wires") return { words: control.label, small: cellWords(design, control) };
  return { words: control.label, small: "" };
}
