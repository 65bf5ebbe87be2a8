import { halfName } from "../../derived/halfName";
import { linkToMain } from "../../edits/controllers";
import { type Rule, listed } from "../finding";

/** A controller beside the main one that no line joins to it. */
export const unlinked: Rule = {
  id: "wiring/unlinked",
  stage: "wiring",
  severity: "stop",
  why: "What hangs on a controller that nobody hears is never told to the computer.",
  source: "follows from the circuits and the links",
  check(design, derived) {
    const linked = new Set((design.partLinks ?? []).flatMap(({ nearId, farId }) => [nearId, farId]));
    return design.controllers.slice(1).flatMap(({ id, ownPlug }) => {
      if (linked.has(id) || ownPlug) return [];
      const served = design.circuits.filter((circuit) => derived.servedBy(circuit) === id).map(({ name }) => name);
      const name = halfName(design, id);
      const subject =
        served.length === 0
          ? "Nothing hangs on it"
          : `${listed(served)} ${served.length === 1 ? "hangs" : "hang"} on it`;
      return [
        {
          ...(served.length === 0 ? { severity: "note" as const } : {}),
          message: `The controller of ${name} has no line to the main one. ${subject}.`,
          subjects: [],
          fixes: [{ title: "Join it by a line", apply: (d) => linkToMain(d, id) }],
        },
      ];
    });
  },
};
