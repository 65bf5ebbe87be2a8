import { wireAsChosen } from "@/store/briefEdits";
import { notify } from "@/ui/pieces/notices";

/** Wires everything as the chosen plan says; a plan from outside may name a way that is not known here. */
export async function wireAsBriefSays(strategy: string): Promise<void> {
  if (!(await wireAsChosen(strategy)))
    notify("The chosen plan's way of wiring is not known here; choose another plan in Brief.");
}
