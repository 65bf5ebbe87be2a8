import { type LinkWay, changeCalls, ownControllerFor } from "@/core/edits/controllers";
import { type MovedNet, planAndAdopt } from "./pinPlanView";

/** Gives a part of the device a controller of its own on a line, and plans the pins of both as one edit. */
export const giveOwnController = (
  boardId: string,
  profileId: string,
  way: LinkWay | "plug" = null,
): Promise<MovedNet[] | null> =>
  planAndAdopt("a controller of its own", "fewest-moves", (design) =>
    ownControllerFor(design, boardId, profileId, way),
  );

/** On how many lines modules call; what wants a pin then gets one. */
export const callModulesOn = (calls: NonNullable<LinkWay>): Promise<MovedNet[] | null> =>
  planAndAdopt("lines of modules", "fewest-moves", (design) => changeCalls(design, calls));
