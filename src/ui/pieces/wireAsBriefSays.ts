import type { Design } from "@/core/document/schema";
import { wireAsChosen } from "@/store/briefEdits";
import { notify } from "./notices";

/** Wires everything as the plan of the brief says; a plan from outside may name a strategy that is not known here. */
export async function wireAsBriefSays({ brief: { chosen } }: Design): Promise<void> {
  if (!chosen) notify("No plan is chosen yet; take one in Brief.");
  else if (!(await wireAsChosen(chosen.switchStrategy)))
    notify("The chosen plan's strategy of wiring is not known here; choose another plan in Brief.");
}
