import { tidyPins } from "../../edits/tidyPins";
import { type Rule, counted } from "../finding";
import { some } from "./some";

/** Pin choices of nets that are gone, or of a controller that is gone. */
export const stalePins: Rule = {
  id: "pins/stale",
  stage: "pins",
  severity: "warn",
  why: "A pin that is kept for nothing is missing elsewhere.",
  source: "follows from the pin plan",
  check(design, { netById }) {
    const controllers = new Set(design.controllers.map(({ id }) => id));
    const stale = Object.entries(design.pinPlan).filter(
      ([netId, { controllerId }]) => !netById.has(netId) || !controllers.has(controllerId),
    );
    if (stale.length === 0) return [];
    const pins = some(stale.map(([, { pin }]) => pin));
    return [
      {
        message: `${pins} ${stale.length === 1 ? "is" : "are"} kept for ${counted(stale.length, "net")} or a controller that the design does not have.`,
        subjects: [],
        fixes: [
          {
            title: `Free ${stale.length === 1 ? "it" : "them"}`,
            apply: (d) =>
              tidyPins({
                ...d,
                pinPlan: Object.fromEntries(
                  Object.entries(d.pinPlan).filter(([, { controllerId }]) => controllers.has(controllerId)),
                ),
              }),
          },
        ],
      },
    ];
  },
};
