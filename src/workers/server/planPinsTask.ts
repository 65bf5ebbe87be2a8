import { z } from "@/core/schema";
import { chooseController, adoptPinPlan } from "@/core/edits/pins";
import { pinConflict } from "@/core/pins/conflict";
import { remedies } from "@/core/edits/remedies";
import { profileNamed } from "@/core/derived/placedController";
import { bad, good } from "@/core/document/problem";
import { movedNets } from "@/core/pins/leads";
import { planPins } from "@/core/pins/planPins";
import { jsonReply, readOptions, withDesign } from "./reply";
import type { Task } from "./tasks";

/** `profileId` plans on another controller class than the design's own; `fewest-moves` leaves nets where they are. */
const optionsSchema = z.strictObject({
  profileId: z.optional(z.string()),
  mode: z._default(z.enum(["afresh", "fewest-moves"]), "afresh"),
});

/** Which pin each net gets, with the bound, the proof, what clashes and the ways out. */
export const planPinsTask: Task = (body) =>
  withDesign(body, (design, rest) => {
    const options = readOptions(optionsSchema, rest.options ?? {}, "options");
    if (!options.ok) return options;
    const { profileId, mode } = options.value;
    if (profileId && !profileNamed(design, profileId))
      return bad({ path: "options.profileId", message: `there is no controller class "${profileId}"` });
    const onBoard = profileId ? chooseController(design, profileId) : design;
    if (onBoard.controllers.length === 0)
      return bad({ path: "controllers", message: "the design has no controller; choose one, or name a profileId" });
    const plan = planPins(onBoard, mode);
    const conflict = pinConflict(onBoard);
    return good(
      jsonReply({
        ...plan,
        moved: movedNets(design.pinPlan, plan.assignments),
        conflict: conflict && {
          nets: conflict.nets.map(({ id }) => id),
          locks: conflict.locks.map(({ id }) => id),
          pins: conflict.pins,
          remedies: remedies(onBoard).map(({ title }) => title),
        },
        design: adoptPinPlan(onBoard, plan),
      }),
    );
  });
