import type { Control } from "../../catalogue/kinds";
import type { Derived } from "../../derived/derive";
import type { Design } from "../../document/schema";
import { shiftControls } from "../../edits/controls";
import { overlaps } from "../../geometry/clearance";
import { boxOf } from "../../geometry/outline";
import { point, rotate } from "../../geometry/point";
import { tidyMm } from "../../geometry/tidyMm";
import { type Rule, controlSubject, listed } from "../finding";

/** Left between the screw's collar and the module's edge. */
const CLEAR_MM = 1;

/** The shortest shift that takes a standoff beside the module, along one of the module's own edges. */
function shiftBeside(derived: Derived, index: number): { xMm: number; yMm: number } {
  const { controller, profile, bodies, design } = derived;
  const { placement } = controller!;
  const box = boxOf(bodies[index]);
  const reach = (box.maxXMm - box.minXMm) / 2 + CLEAR_MM;
  const at = design.controls[index].placement;
  const own = rotate(point(at.xMm - placement.xMm, at.yMm - placement.yMm), -placement.rotationDeg);
  const out = (mm: number, half: number) => (Math.sign(mm) || 1) * (half + reach) - mm;
  const [x, y] = [out(own.xMm, profile!.widthMm / 2), out(own.yMm, profile!.heightMm / 2)];
  const shift = Math.abs(x) <= Math.abs(y) ? point(x, 0) : point(0, y);
  return rotate(shift, placement.rotationDeg);
}

const moved = (design: Design, { id }: Control, by: { xMm: number; yMm: number }) =>
  shiftControls(design, [id], tidyMm(by.xMm), tidyMm(by.yMm));

export const standoffThroughModule: Rule = {
  id: "layout/standoff-through-module",
  stage: "layout",
  severity: "stop",
  why: "A screw cannot go through the module beneath the board.",
  source: "geometry of the module under the board and the standoffs",
  eachController: true,
  check(design, derived) {
    const { moduleOutline, controller, bodies } = derived;
    if (!moduleOutline || controller?.side !== "under") return [];
    const hit = design.controls.flatMap((control, index) =>
      control.kind === "fixing" && overlaps(moduleOutline, bodies[index]) ? [{ control, index }] : [],
    );
    if (hit.length === 0) return [];
    const names = listed(hit.slice(0, 6).map(({ control }) => control.label));
    const shifts = hit.map(({ control, index }) => ({ control, by: shiftBeside(derived, index) }));
    return [
      {
        message: `${names}${hit.length > 6 ? ` and ${hit.length - 6} more` : ""} ${hit.length === 1 ? "goes" : "go"} through the controller under the board: move ${hit.length === 1 ? "it" : "them"} beside it, or the controller.`,
        subjects: hit.map(({ control }) => controlSubject(control.id)),
        fixes: [
          {
            title: hit.length === 1 ? "Move it beside the controller" : "Move them beside the controller",
            apply: (d) => shifts.reduce((next, { control, by }) => moved(next, control, by), d),
          },
        ],
      },
    ];
  },
};
