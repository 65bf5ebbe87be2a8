import { CircuitBuilder } from "../circuits/circuitBuilder";
import type { BuiltCircuit, ChipPlaces } from "../circuits/circuitKind";
import { type Net, busNeed } from "../circuits/net";
import type { PartLink } from "../document/partLinks";
import type { Controller } from "../document/schema";
import { type Point, point } from "../geometry/point";

/** Conductors of a link in the order of its plugs, supply and ground outermost, at both ends alike. */
export const LINK_CONDUCTORS = ["supply", "to the far part", "from the far part", "ground"] as const;

export type LinkEnd = "near" | "far";

/** What an end of a link is called among circuits. */
export const linkEndId = (link: PartLink, end: LinkEnd): string => `${link.id}-${end}`;

/** Below the module, where a cable comes in (it can be laid elsewhere). */
const BELOW_MM = 24;
const besideModule = ({ placement: { xMm, yMm } }: Controller): Point => point(xMm, yMm + BELOW_MM);

/**
 * One end: the serial lines of its controller on a plug, with the supply and ground. What one end sends on a conductor the other
 * receives there, so the plug's order is the same at both ends and the cable runs straight through.
 * @param own the controller's id where it is not the design's main one
 */
export function buildLinkEnd(
  link: PartLink,
  end: LinkEnd,
  own: string | undefined,
  controller: Controller,
  places: ChipPlaces,
): BuiltCircuit {
  const id = linkEndId(link, end);
  const builder = new CircuitBuilder({ id, controllerId: own }, places);
  const line = (name: string, role: "TX" | "RX"): Net =>
    builder.own(name, "bus", busNeed("uart", role), { busId: id, ...(role === "RX" ? { heldBy: "part" } : {}) });
  const sends = line("sends", "TX");
  const receives = line("receives", "RX");
  const [toFar, fromFar] = end === "near" ? [sends, receives] : [receives, sends];
  builder.chip(
    "J1",
    link.plug === "keyed" ? "Four-way plug, keyed" : "Four-way row of pins",
    "link-plug",
    [
      ["supply", builder.fiveVolt],
      ["to-far", toFar],
      ["from-far", fromFar],
      ["ground", builder.ground],
    ],
    besideModule(controller),
  );
  return builder.built;
}
