import { type Binding, jobsOf, reportsOf } from "../bindings";
import type { MacroStep } from "../document/macros";
import type { Design } from "../document/schema";
import type { InterfaceKind } from "../hid/interfaceKinds";

/** Steps that tell the host nothing. */
const QUIET: MacroStep["step"][] = ["wait", "until-let-go", "layer", "again"];

function stepReport({ step }: MacroStep): InterfaceKind[] {
  if (step === "consumer") return ["consumer"];
  return QUIET.includes(step) ? [] : ["keyboard"];
}

/** The interfaces that a binding needs, those of the macros that it plays included. */
export function bindingReports({ keymap: { macros = [] } }: Pick<Design, "keymap">, binding: Binding): InterfaceKind[] {
  const played = jobsOf(binding).flatMap((job) =>
    job.does === "macro" ? (macros.find(({ id }) => id === job.macroId)?.steps ?? []) : [],
  );
  return [...new Set([...reportsOf(binding), ...played.flatMap(stepReport)])];
}
