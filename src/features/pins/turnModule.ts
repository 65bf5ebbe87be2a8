import { counted } from "@/core/words";
import { turnForFewerCrossings } from "@/store/pinPlanView";
import { notify } from "@/ui/pieces/notices";

/** Turns the module by quarters where fewer leads cross, and tells what came of it. */
export async function turnModule(now: number, controllerId: string | null): Promise<void> {
  const came = await turnForFewerCrossings(now, controllerId);
  if (!came) return;
  const { best, taken } = came;
  notify(
    taken
      ? `The module lies at ${best.rotationDeg}° and the pins are shared out anew: ${counted(best.crossings, "pair")} of leads cross, ${now} did.`
      : `No turn by a quarter helps: at best ${counted(best.crossings, "pair")} of leads cross.`,
  );
}
