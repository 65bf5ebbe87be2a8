import Papa from "papaparse";
import type { Derived } from "../design/derive";
import { derive } from "../design/derive";
import { good } from "../design/problem";
import type { Design } from "../design/schema";
import type { Net, Tap } from "../circuits/net";
import { type Point, distanceMm } from "../layout/point";
import { pinPlace } from "../pins/pinPlace";
import { type Artifact, asText, fileStem, utf8 } from "./artifact";

/** One wire to solder: from one place to the next of the same net. */
export interface Wire {
  net: string;
  from: string;
  to: string;
  straightMm: number;
}

/** Contacts of a net along the way a hand would go: rows from left to right, columns from top to bottom. */
function along(net: Net): Tap[] {
  const axis = net.role === "column" ? "yMm" : "xMm";
  return [...net.taps].sort((a, b) => a.at[axis] - b.at[axis]);
}

const tapName = (tap: Tap, { controls }: Derived) =>
  `${controls.get(tap.controlId)?.label ?? tap.controlId} ${tap.contactId.split(".").at(-1)}`;

function pinOf(net: Net, design: Design, { controller, profile }: Derived): { name: string; at: Point } | null {
  if (!controller || !profile) return null;
  const wanted = net.need === null ? "GND" : design.pinPlan[net.id]?.pin;
  const pin = profile.pins.find((p) => p.name === wanted);
  return pin ? { name: `controller ${pin.name}`, at: pinPlace(controller, pin) } : null;
}

function wiresOfNet(net: Net, design: Design, derived: Derived): Wire[] {
  const taps = along(net);
  const wires = taps.slice(1).map((tap, nth) => ({
    net: net.flag,
    from: tapName(taps[nth], derived),
    to: tapName(tap, derived),
    straightMm: distanceMm(taps[nth].at, tap.at),
  }));
  const pin = pinOf(net, design, derived);
  if (!pin || taps.length === 0) return wires;
  const nearest = taps.reduce((a, b) => (distanceMm(b.at, pin.at) < distanceMm(a.at, pin.at) ? b : a));
  return [
    ...wires,
    { net: net.flag, from: tapName(nearest, derived), to: pin.name, straightMm: distanceMm(nearest.at, pin.at) },
  ];
}

/** Every wire of a design, net by net. Lengths are straight lines, without allowance. */
export function wiresOf(design: Design): Wire[] {
  const derived = derive(design);
  return derived.nets.flatMap((net) => wiresOfNet(net, design, derived));
}

export const wireListCsv: Artifact = {
  id: "wire-list-csv",
  title: "Wire list",
  purpose: "Every wire with both ends and its straight length, for the bench or a spreadsheet.",
  make: async (design) => {
    const rows = wiresOf(design).map((wire, nth) => ({
      "No.": nth + 1,
      Net: asText(wire.net),
      From: asText(wire.from),
      To: asText(wire.to),
      "Straight length (mm)": wire.straightMm.toFixed(1),
    }));
    const columns = ["No.", "Net", "From", "To", "Straight length (mm)"];
    const text = Papa.unparse({ fields: columns, data: rows }, { newline: "\r\n" });
    return good({ fileName: `${fileStem(design)}-wires.csv`, mediaType: "text/csv", bytes: utf8(`${text}\r\n`) });
  },
};
