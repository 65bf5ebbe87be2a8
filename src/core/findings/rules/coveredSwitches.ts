import type { Derived } from "../../derived/derive";
import type { PlacedController } from "../../derived/placedController";
import { isSocketed } from "../../document/buildSettings";
import { setModuleWay } from "../../edits/build";
import { overlaps } from "../../geometry/clearance";
import { keepOuts } from "../../layout/keepOuts";
import { type Rule, controlSubject, listed } from "../finding";

/** Controls whose room behind the plate a module lies over. */
function coveredBy({ outline, controller }: PlacedController, derived: Derived) {
  const { controls } = derived.design;
  if (outline === null) return [];
  const hit = new Set(
    keepOuts(derived, "behind")
      .filter(
        (room) =>
          controls[room.owner].placement.boardId === controller.placement.boardId && overlaps(outline, room.outline),
      )
      .map(({ owner }) => owner),
  );
  return [...hit].map((owner) => controls[owner]).filter(({ kind }) => kind !== "fixing");
}

export const coveredSwitches: Rule = {
  id: "layout/controller-covers",
  stage: "layout",
  severity: "warn",
  why: "Switches beneath a soldered module can never be desoldered; on sockets or pin rows the module can come off.",
  source: "geometry of the module under the board against the parts' room behind the plate",
  check(design, derived) {
    return derived.controllers.flatMap((placed, nth) => {
      const { id, side } = placed.controller;
      if (side !== "under" || isSocketed(design, id)) return [];
      const covered = coveredBy(placed, derived);
      if (covered.length === 0) return [];
      const names = listed(covered.slice(0, 6).map(({ label }) => label));
      const which = design.controllers.length > 1 ? `controller A${nth + 1}` : "controller";
      return [
        {
          message: `Under the board the ${which} covers ${names}${covered.length > 6 ? ` and ${covered.length - 6} more` : ""}: solder and test ${covered.length === 1 ? "it" : "them"} first, then fit the module on sockets.`,
          subjects: covered.map(({ id: control }) => controlSubject(control)),
          fixes: [{ title: `Put A${nth + 1} on sockets`, apply: (d) => setModuleWay(d, id, "socketed") }],
        },
      ];
    });
  },
};
