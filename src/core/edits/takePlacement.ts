import type { Binding } from "../bindings";
import type { Design } from "../document/schema";

/** The base layer with bindings moved: each from one input to another, all at once. */
export function takePlacement(design: Design, moves: { fromId: string; toId: string }[]): Design {
  const [base, ...others] = design.keymap.layers;
  const moved = new Map(moves.map(({ fromId, toId }): [string, Binding] => [toId, base.bindings[fromId]]));
  const bindings = { ...base.bindings, ...Object.fromEntries(moved) };
  return { ...design, keymap: { ...design.keymap, layers: [{ ...base, bindings }, ...others] } };
}
