import { halfName } from "../../derived/halfName";
import { isOnBus } from "../../document/partLinks";
import { type Rule, listed } from "../finding";

/** Live changes of a device of parts: each part keeps what was told to it. */
export const liveParts: Rule = {
  id: "reports/live-parts",
  stage: "reports",
  severity: "note",
  why: "A part that has changes and one that has none do not say the same of a key once the plug goes to the other one.",
  source: "follows from where the device keeps changes",
  check(design) {
    const { controllers, reportSet } = design;
    // Modules on a bus leave all bindings to the base, which alone can have the plug.
    if (controllers.length < 2 || !reportSet.interfaces.includes("live") || isOnBus(design)) return [];
    const names = controllers.map(({ id }) => halfName(design, id));
    return [
      {
        message: `Live changes are kept by the part that the plug is in. Send them once with the plug in each of ${listed(names)}.`,
        subjects: [],
        fixes: [],
      },
    ];
  },
};
