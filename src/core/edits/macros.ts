import { jobsOf } from "../bindings";
import type { Macro, MacroStep } from "../document/macros";
import type { Design } from "../document/schema";

const withMacros = (design: Design, macros: Macro[]): Design => ({ ...design, keymap: { ...design.keymap, macros } });

export const addMacro = (design: Design, id: string, name: string): Design =>
  withMacros(design, [
    ...(design.keymap.macros ?? []),
    { id, name, plays: { how: "times", times: 1 }, endsOnPress: false, steps: [] },
  ]);

export const changeMacro = (design: Design, id: string, change: Partial<Omit<Macro, "id">>): Design =>
  withMacros(
    design,
    (design.keymap.macros ?? []).map((macro) => (macro.id === id ? { ...macro, ...change } : macro)),
  );

/** Removes a macro, and every binding that plays it. */
export function removeMacro(design: Design, id: string): Design {
  const layers = design.keymap.layers.map((layer) => ({
    ...layer,
    bindings: Object.fromEntries(
      Object.entries(layer.bindings).filter(([, binding]) =>
        jobsOf(binding).every((job) => job.does !== "macro" || job.macroId !== id),
      ),
    ),
  }));
  const macros = (design.keymap.macros ?? []).filter((macro) => macro.id !== id);
  return withMacros({ ...design, keymap: { ...design.keymap, layers } }, macros);
}

/** The steps with one moved to another place. */
export function moveStep(steps: MacroStep[], from: number, to: number): MacroStep[] {
  const rest = steps.filter((_, nth) => nth !== from);
  return [...rest.slice(0, to), steps[from], ...rest.slice(to)];
}
