import { phraseOf } from "../bindings";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { phraseContextOf } from "../keymap/phraseContext";

/** Every layer of a design with what its inputs do, as a heading and a list. */
export function keymapLines(design: Design): string {
  const { inputs } = derive(design);
  const context = phraseContextOf(design);
  return design.keymap.layers
    .map((layer) => {
      const lines = inputs
        .filter((input) => layer.bindings[input.id])
        .map((input) => `- ${input.label}: ${phraseOf(layer.bindings[input.id], context)}`);
      return `### ${layer.name}\n\n${lines.length > 0 ? lines.join("\n") : "Nothing is bound."}`;
    })
    .join("\n\n");
}
