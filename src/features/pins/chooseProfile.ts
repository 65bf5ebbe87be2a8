import { counted } from "@/core/words";
import { changeControllerClass } from "@/store/pinPlanView";
import { notify } from "@/ui/pieces/notices";

/** Takes a controller class; a plan that is there is carried over, and what it changed is told. */
export async function chooseProfile(profileId: string, controllerId: string | null = null): Promise<void> {
  const moved = (await changeControllerClass(profileId, controllerId))?.length;
  if (moved === undefined) return;
  notify(
    moved === 0 ? "Every net keeps its pin." : `${counted(moved, "net")} moved to another pin; the others keep theirs.`,
  );
}
