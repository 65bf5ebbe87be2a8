import type { Design } from "../../document/schema";
import { setEndpointsMost, setPanel } from "../../edits/reportSet";
import { chipEndpoints, endpointsMost, usbLayoutOf } from "../../firmware/endpoints";
import { type InterfaceKind, interfaceFaces } from "../../hid/interfaceKinds";
import { noPanel } from "../../hid/panelSettings";
import { SERIAL_ENDPOINTS } from "../../hid/serialInterfaces";
import type { Rule } from "../finding";

/** What can be done without more easily than others, first. */
const GIVEN_UP = ["live", "panel", "music"] as const;

const without =
  (gone: InterfaceKind) =>
  (design: Design): Design => ({
    ...design,
    reportSet: { ...design.reportSet, interfaces: design.reportSet.interfaces.filter((kind) => kind !== gone) },
  });

const withoutLines = (design: Design): Design =>
  setPanel(design, { ...(design.reportSet.panel ?? noPanel), lines: false });

/** More endpoints than there may be, though all reports that can share one do. */
export const endpoints: Rule = {
  id: "reports/endpoints",
  stage: "reports",
  severity: "stop",
  why: "The keyboard, live changes, what the computer tells and music each want an endpoint of their own, a serial port for lines wants three; all others can share one. What has none cannot be declared.",
  source:
    "the 8-bit USB class: six endpoints beside the first (from memory); USB 2.0, section 5.3.1.2: fifteen at most",
  check(design) {
    const { plan, serial, endpoints: taken } = usbLayoutOf(design);
    const most = endpointsMost(design);
    if (taken <= most) return [];
    const groups = plan.map((group) => group.map((kind) => interfaceFaces[kind].title).join(" + "));
    const all = [...groups, ...(serial ? [`the serial port, ${SERIAL_ENDPOINTS}`] : [])].join("; ");
    const { endpointsMost: wished, interfaces } = design.reportSet;
    const more = { title: `Let them take ${taken}`, apply: (d: Design) => setEndpointsMost(d, taken) };
    const gone = GIVEN_UP.filter((kind) => interfaces.includes(kind));
    return [
      {
        message: `The device takes ${taken} endpoints though all share that can (${all}); there may be ${most}.`,
        subjects: [],
        fixes: [
          ...(wished !== undefined && taken <= chipEndpoints(design) ? [more] : []),
          ...(serial ? [{ title: "Do without lines over a serial port", apply: withoutLines }] : []),
          ...gone.map((kind) => ({ title: `Do without ${interfaceFaces[kind].title}`, apply: without(kind) })),
        ],
      },
    ];
  },
};
