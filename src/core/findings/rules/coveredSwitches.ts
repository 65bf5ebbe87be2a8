import { overlaps } from "../../geometry/clearance";
import { keepOuts } from "../../layout/keepOuts";
import { type Rule, controlSubject, listed } from "../finding";

export const coveredSwitches: Rule = {
  id: "layout/controller-covers",
  stage: "layout",
  severity: "warn",
  why: "Switches beneath a soldered module can never be desoldered; on sockets or pin rows the module can come off.",
  source: "geometry of the module under the board against the parts' room behind the plate",
  eachController: true,
  check(design, derived) {
    const module = derived.moduleOutline;
    if (!module || derived.controller!.side !== "under") return [];
    const hit = new Set(
      keepOuts(derived, "behind")
        .filter(({ outline }) => overlaps(module, outline))
        .map(({ owner }) => owner),
    );
    const covered = [...hit].map((owner) => design.controls[owner]).filter(({ kind }) => kind !== "fixing");
    if (covered.length === 0) return [];
    const names = listed(covered.slice(0, 6).map(({ label }) => label));
    return [
      {
        message: `Under the board the controller covers ${names}${covered.length > 6 ? ` and ${covered.length - 6} more` : ""}: solder and test ${covered.length === 1 ? "it" : "them"} first, then fit the module on sockets.`,
        subjects: covered.map(({ id }) => controlSubject(id)),
      },
    ];
  },
};
