import { hasUsb8Chip } from "../../chips/usb8Classes";
import type { Design } from "../../document/schema";
import { interfaceFaces } from "../../hid/interfaceKinds";
import { ENDPOINTS_MOST } from "../../image/boardBlock";
import type { Rule } from "../finding";

/** What can be done without more easily than others, first. */
const GIVEN_UP = ["live", "system", "panel", "pad", "consumer"] as const;

/** More interfaces than the chip has endpoints for. */
export const endpoints: Rule = {
  id: "reports/endpoints",
  stage: "reports",
  severity: "stop",
  why: "Each interface speaks over an endpoint of its own; what has none cannot be declared.",
  source: "the 8-bit USB class: six endpoints beside the first (from memory)",
  check(design, { profile }) {
    const { interfaces } = design.reportSet;
    if (!profile || !hasUsb8Chip(profile.id) || interfaces.length <= ENDPOINTS_MOST) return [];
    const gone = GIVEN_UP.find((kind) => interfaces.includes(kind))!;
    const without = (d: Design): Design => ({
      ...d,
      reportSet: { ...d.reportSet, interfaces: d.reportSet.interfaces.filter((kind) => kind !== gone) },
    });
    return [
      {
        message: `The device declares ${interfaces.length} interfaces; the chip has ${ENDPOINTS_MOST} endpoints for them, one each.`,
        subjects: [],
        fixes: [{ title: `Do without ${interfaceFaces[gone].title}`, apply: without }],
      },
    ];
  },
};
