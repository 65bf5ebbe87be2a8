import type { ChosenPlan } from "@/core/document/wish";
import { edit } from "./bench";
import { newId } from "./newId";

/** Places what the brief wishes and the mat has not, and wires it when a plan is chosen. Comes with its first use. */
export async function placeOpen(): Promise<void> {
  const [{ placeBrief }, { wireAsPlanned }] = await Promise.all([
    import("@/core/edits/placeBrief"),
    import("@/core/edits/wireAsPlanned"),
  ]);
  edit("place the brief", (design) => {
    const placed = placeBrief(design, newId);
    return design.brief.chosen ? wireAsPlanned(placed) : placed;
  });
}

/** Wires everything as the chosen plan says; false when its way of wiring is not known here. */
export async function wireAsChosen(strategy: string): Promise<boolean> {
  const [{ wireAsPlanned }, { switchStrategyNamed }] = await Promise.all([
    import("@/core/edits/wireAsPlanned"),
    import("@/core/brief/strategies"),
  ]);
  if (!switchStrategyNamed(strategy)) return false;
  edit("wire as planned", wireAsPlanned);
  return true;
}

/** Takes a plan of the brief: its controller class, and the wiring of what is already placed. */
export async function adoptChosenPlan(plan: ChosenPlan): Promise<void> {
  const { adoptPlan } = await import("@/core/edits/wireAsPlanned");
  edit("take a plan", (design) => adoptPlan(design, plan));
}
