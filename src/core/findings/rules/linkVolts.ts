import { halfName } from "../../derived/halfName";
import type { Rule } from "../finding";

/** Volts that one end may be above the other's supply (common for inputs with protective diodes). */
const NEAR_V = 0.3;

/** Ends of a link that do not understand each other's levels. */
export const linkVolts: Rule = {
  id: "wiring/link-levels",
  stage: "wiring",
  severity: "stop",
  why: "An output of 5 V drives current through the protective diodes of a pin that runs on 3.3 V, and can destroy it.",
  source: "the logic voltages of the controller classes",
  check: (design, { controllers }) =>
    (design.partLinks ?? []).flatMap(({ nearId, farId }) => {
      const voltsOf = (id: string) => controllers.find(({ controller }) => controller.id === id)?.profile?.logicV;
      const [near, far] = [voltsOf(nearId), voltsOf(farId)];
      if (near === undefined || far === undefined || Math.abs(near - far) <= NEAR_V) return [];
      const [high, low] = near > far ? [nearId, farId] : [farId, nearId];
      return [
        {
          message: `${halfName(design, high)} tells ${halfName(design, low)} at ${Math.max(near, far)} V on a pin for ${Math.min(near, far)} V: take classes of one voltage.`,
          subjects: [],
        },
      ];
    }),
};
