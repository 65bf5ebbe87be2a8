import { overlaps } from "../../geometry/clearance";
import { placeOutline, roundedRectangle } from "../../geometry/outline";
import { type Rule, controlSubject, listed } from "../finding";

export const moduleOverlap: Rule = {
  id: "layout/controller-overlap",
  stage: "layout",
  severity: "stop",
  why: "A module on the parts side takes the room of a cap, so one of the two cannot be there.",
  source: "geometry of the module's outline and the caps",
  eachController: true,
  check(design, { controller, profile, capPieces }) {
    if (!controller || !profile || controller.side === "under") return [];
    const module = placeOutline(roundedRectangle(profile.widthMm, profile.heightMm, 0), controller.placement);
    const owners = new Set(capPieces.filter(({ outline }) => overlaps(module, outline)).map(({ owner }) => owner));
    const hit = [...owners].map((owner) => design.controls[owner]);
    if (hit.length === 0) return [];
    const names = listed(hit.slice(0, 6).map((control) => control.label));
    return [
      {
        message: `The controller lies on ${names}${hit.length > 6 ? ` and ${hit.length - 6} more` : ""}: move it aside or under the board.`,
        subjects: hit.map((control) => controlSubject(control.id)),
        fixes: [
          {
            title: "Put it under the board",
            apply: (d) => ({
              ...d,
              controllers: d.controllers.map((c, at) => (at === 0 ? { ...c, side: "under" } : c)),
            }),
          },
        ],
      },
    ];
  },
};
