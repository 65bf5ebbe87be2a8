import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { boundsOf } from "../geometry/outline";
import { netlistOf } from "../wires/netlist";
import { partNames } from "../wires/partNames";
import { type Artifact, asText } from "./artifact";
import { csvFile } from "./csvFile";
import { smallPartValues } from "../power/smallPartValues";

interface Placed {
  part: string;
  value: string;
  xMm: number;
  yMm: number;
  rotationDeg: number;
  side: "front" | "solder";
}

/** Added diodes and resistors lie midway between their two ends. */
function smallParts(design: Design): Placed[] {
  const values = smallPartValues(design);
  const ends = new Map<string, { xMm: number; yMm: number }[]>();
  for (const { pins } of netlistOf(design))
    for (const { part, at } of pins) if (values.has(part)) ends.set(part, [...(ends.get(part) ?? []), at]);
  return [...ends.entries()].map(([part, places]) => {
    const box = boundsOf([{ core: places, radiusMm: 0 }])!;
    const [a, b] = [places[0], places.at(-1)!];
    const angle = (Math.atan2(b.yMm - a.yMm, b.xMm - a.xMm) * 180) / Math.PI;
    return {
      part,
      value: values.get(part) ?? "",
      xMm: (box.minXMm + box.maxXMm) / 2,
      yMm: (box.minYMm + box.maxYMm) / 2,
      rotationDeg: angle,
      side: "solder",
    };
  });
}

function placedParts(design: Design): Placed[] {
  const derived = derive(design);
  const { chips, controller, profile } = derived;
  const names = partNames(design);
  const controls = design.controls.map((control): Placed => ({
    part: names.controls.get(control.id)!,
    value: derived.partOf(control).title,
    ...control.placement,
    side: control.placement.mirrored ? "solder" : "front",
  }));
  const added = chips.map(({ id, title, at }): Placed => ({
    part: names.chips.get(id)!,
    value: title,
    ...at,
    rotationDeg: 0,
    side: "solder",
  }));
  const module: Placed[] =
    controller && profile
      ? [
          {
            part: "A1",
            value: profile.title,
            ...controller.placement,
            side: controller.side === "under" ? "solder" : "front",
          },
        ]
      : [];
  return [...controls, ...module, ...added, ...smallParts(design)];
}

const mm = (value: number) => (Math.round(value * 1000) / 1000 + 0).toFixed(3);

export const assemblyCsv: Artifact = {
  id: "assembly-csv",
  title: "Position table for assembly",
  purpose: "Every part with its value, place, turn and side: controls, controller, added parts, diodes and resistors.",
  make: async (design) =>
    csvFile(
      design,
      "assembly",
      ["Part", "Value", "x (mm)", "y (mm)", "Rotation (°)", "Side"],
      placedParts(design).map(({ part, value, xMm, yMm, rotationDeg, side }) => ({
        Part: asText(part),
        Value: asText(value),
        "x (mm)": mm(xMm),
        "y (mm)": mm(yMm),
        "Rotation (°)": mm(rotationDeg),
        Side: side,
      })),
    ),
};
