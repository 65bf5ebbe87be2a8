import type { Design } from "../../document/schema";
import { setEndpointsMost } from "../../edits/reportSet";
import { chipEndpoints, endpointPlanOf, endpointsMost } from "../../firmware/endpoints";
import { type InterfaceKind, interfaceFaces } from "../../hid/interfaceKinds";
import type { Rule } from "../finding";

/** What can be done without more easily than others, first. */
const GIVEN_UP = ["live", "panel", "music"] as const;

const without =
  (gone: InterfaceKind) =>
  (design: Design): Design => ({
    ...design,
    reportSet: { ...design.reportSet, interfaces: design.reportSet.interfaces.filter((kind) => kind !== gone) },
  });

/** More endpoints than there may be, though all reports that can share one do. */
export const endpoints: Rule = {
  id: "reports/endpoints",
  stage: "reports",
  severity: "stop",
  why: "The keyboard, live changes, what the computer tells and music each want an endpoint of their own; all others can share one. What has none cannot be declared.",
  source:
    "the 8-bit USB class: six endpoints beside the first (from memory); USB 2.0, section 5.3.1.2: fifteen at most",
  check(design) {
    const plan = endpointPlanOf(design);
    const most = endpointsMost(design);
    if (plan.length <= most) return [];
    const alone = plan.map((group) => group.map((kind) => interfaceFaces[kind].title).join(" + ")).join("; ");
    const { endpointsMost: wished, interfaces } = design.reportSet;
    const more = { title: `Let them take ${plan.length}`, apply: (d: Design) => setEndpointsMost(d, plan.length) };
    const gone = GIVEN_UP.filter((kind) => interfaces.includes(kind));
    return [
      {
        message: `The reports take ${plan.length} endpoints though all share that can (${alone}); there may be ${most}.`,
        subjects: [],
        fixes: [
          ...(wished !== undefined && plan.length <= chipEndpoints(design) ? [more] : []),
          ...gone.map((kind) => ({ title: `Do without ${interfaceFaces[kind].title}`, apply: without(kind) })),
        ],
      },
    ];
  },
};
