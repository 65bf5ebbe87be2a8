import { plugBlockers } from "../../layout/keepOuts";
import { type Rule, controlSubject, listed } from "../finding";

export const plugRoom: Rule = {
  id: "layout/plug-room",
  stage: "layout",
  severity: "stop",
  why: "A plug that cannot go in means a cut case or a moved board.",
  source: "the controller's connector and a plug with its overmould (from memory: 12 mm wide)",
  eachController: true,
  check(design, derived) {
    const owners = plugBlockers(derived);
    if (owners.length === 0) return [];
    const hit = owners.map((owner) => design.controls[owner]);
    return [
      {
        message: `${listed(hit.slice(0, 6).map(({ label }) => label))} ${hit.length === 1 ? "is" : "are"} in the way of the plug, which needs ${derived.profile!.connector!.plugMm} mm before the connector.`,
        subjects: hit.map(({ id }) => controlSubject(id)),
      },
    ];
  },
};
