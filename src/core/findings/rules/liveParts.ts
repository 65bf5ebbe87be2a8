import { halfName } from "../../derived/halfName";
import { isSeveralDevices } from "../../document/partLinks";
import { type Rule, listed } from "../finding";

/** Live changes of parts that are devices of their own: nothing passes them on. Two parts on a line keep the same; modules on a bus have none. */
export const liveParts: Rule = {
  id: "reports/live-parts",
  stage: "reports",
  severity: "note",
  why: "A device that has changes and one that was loaded anew do not do the same, and no line joins them to make up for it.",
  source: "follows from where the device keeps changes",
  check(design) {
    if (!design.reportSet.interfaces.includes("live") || !isSeveralDevices(design)) return [];
    const names = design.controllers.map(({ id }) => halfName(design, id));
    return [
      {
        message: `Each of ${listed(names)} keeps live changes of its own. Connect each of them, and send what is its.`,
        subjects: [],
        fixes: [],
      },
    ];
  },
};
