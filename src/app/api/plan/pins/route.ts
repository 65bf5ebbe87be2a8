import { z } from "@/core/schema";
import { chooseController, takePinPlan } from "@/core/design/edits/pins";
import { profileNamed } from "@/core/design/derive";
import { bad, good } from "@/core/design/problem";
import { planPins } from "@/core/pins/planPins";
import { readOptions } from "../../options";
import { withDesign } from "../../request";

/** `profileId` plans on another controller class than the design's own. */
const optionsSchema = z.strictObject({ profileId: z.optional(z.string()) });

export const POST = (request: Request) =>
  withDesign(request, async (design, rest) => {
    const options = readOptions(optionsSchema, rest.options ?? {}, "options");
    if (!options.ok) return options;
    const { profileId } = options.value;
    if (profileId && !profileNamed(design, profileId))
      return bad({ path: "options.profileId", message: `there is no controller class "${profileId}"` });
    const onBoard = profileId ? chooseController(design, profileId) : design;
    if (onBoard.controllers.length === 0)
      return bad({ path: "controllers", message: "the design has no controller; choose one, or name a profileId" });
    const plan = planPins(onBoard);
    // The assignment is solved exactly, so its cost is its own bound.
    return good(Response.json({ ...plan, proof: "optimal", design: takePinPlan(onBoard, plan) }));
  });
