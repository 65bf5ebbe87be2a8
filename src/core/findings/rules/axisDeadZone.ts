import { usualAxis } from "../../document/axes";
import { setAxis } from "../../edits/axes";
import { axisOfSensor } from "../../firmware/axes";
import { wipersRead } from "../../firmware/scanTable";
import { type Rule, controlSubject } from "../finding";

/** Sticks whose measured rests lie outside of their dead zone. */
export const axisDeadZone: Rule = {
  id: "keymap/axis-dead-zone",
  stage: "keymap",
  severity: "warn",
  why: "A stick never comes to rest at quite the same place; outside of its dead zone it drifts.",
  source: "follows from the rests that were measured (Circuits, Analog)",
  check(design, { elements, controls }) {
    return wipersRead(design).flatMap((id) => {
      const element = elements.get(id)!;
      const control = controls.get(element.controlId)!;
      const axis = axisOfSensor(design, id);
      if (control.kind !== "stick" || !control.rests?.length || element.end === "z" || axis.sides !== "both") return [];
      const needed = usualAxis(control, element.end);
      // Of the measured rests the usual settings take what they need, and a little more.
      if (axis.dead >= needed.dead - OVER && Math.abs(axis.centre - needed.centre) <= NEAR) return [];
      const message =
        axis.dead < needed.dead - OVER
          ? `${element.label} has a dead zone of ${axis.dead} % of its way; ${control.rests.length} measured rests of ${control.label} lie up to ${(needed.dead - OVER).toFixed(1)} % from their middle: it drifts.`
          : `${element.label} is told to rest at ${axis.centre} % of its track; the middle of ${control.rests.length} measured rests is ${needed.centre} %.`;
      const { dead, centre } = needed;
      return [
        {
          message,
          subjects: [controlSubject(control.id)],
          fixes: [
            {
              title: `Rest at ${centre} %, dead zone ${Math.max(dead, axis.dead)} %`,
              apply: (d) => setAxis(d, id, { ...axis, centre, dead: Math.max(dead, axis.dead) }),
            },
          ],
        },
      ];
    });
  },
};

/** What the usual dead zone has more than the farthest rest, and how near a centre must be; percent. */
const OVER = 2;
const NEAR = 1;
