import { edit } from "@/store/bench";
import { notify } from "@/ui/pieces/notices";

/** Wires everything as the chosen plan says; a plan from outside may name a way that is not known here. */
export async function wireAsBriefSays(strategy: string): Promise<void> {
  // The planning of every way comes with the first use.
  const [{ wireAsPlanned }, { switchWayNamed }] = await Promise.all([
    import("@/core/edits/brief"),
    import("@/core/brief/ways"),
  ]);
  if (switchWayNamed(strategy)) edit("wire as planned", wireAsPlanned);
  else notify("The chosen plan's way of wiring is not known here; choose another plan in Brief.");
}
