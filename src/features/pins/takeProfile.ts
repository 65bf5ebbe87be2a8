import { carryOver } from "@/core/edits/carryOver";
import { counted } from "@/core/words";
import { currentDesign, edit } from "@/store/bench";
import { movedBetween } from "@/store/pinPlanView";
import { notify } from "@/ui/pieces/notices";

/** Takes a controller class; a plan that is there is carried over, and what it changed is told. */
export function takeProfile(profileId: string): void {
  const before = currentDesign();
  if (!before) return;
  edit("choose a controller", (d) => carryOver(d, profileId));
  if (Object.keys(before.pinPlan).length === 0) return;
  const moved = movedBetween(before, currentDesign()!).length;
  notify(
    moved === 0 ? "Every net keeps its pin." : `${counted(moved, "net")} moved to another pin; the others keep theirs.`,
  );
}
