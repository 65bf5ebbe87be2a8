import { changePartLink } from "../../edits/controllers";
import { halfName } from "../../derived/halfName";
import type { Rule } from "../finding";

/** A plug of a link that goes on the wrong way round. */
export const linkPlug: Rule = {
  id: "wiring/link-plug",
  stage: "wiring",
  severity: "warn",
  why: "Supply and ground are the outermost conductors: the wrong way round they change places, and the other part is fed backwards.",
  source: "follows from the order of the conductors",
  check: (design) =>
    (design.partLinks ?? []).flatMap(({ id, plug, farId }) =>
      plug === "keyed"
        ? []
        : [
            {
              message: `The plugs of the line to ${halfName(design, farId)} can be put on the wrong way round: ground would then lie on its supply.`,
              subjects: [],
              fixes: [{ title: "Take keyed plugs", apply: (d) => changePartLink(d, id, { plug: "keyed" as const }) }],
            },
          ],
    ),
};
