import { CircuitBuilder } from "../circuits/circuitBuilder";
import type { BuiltCircuit, ChipPlaces } from "../circuits/circuitKind";
import { type Net, busNeed } from "../circuits/net";
import { type PartLink, isModule } from "../document/partLinks";
import type { Controller } from "../document/schema";
import { type Point, point } from "../geometry/point";
import { MODULE_CONDUCTORS, moduleLines } from "./moduleEnds";

/** Conductors of a line in the order of its plugs, supply and ground outermost, at both ends alike. */
export const LINK_CONDUCTORS = ["supply", "to the far part", "from the far part", "ground"] as const;

/** What runs between the two plugs of a link. */
export const conductorsOf = (link: PartLink): readonly string[] =>
  isModule(link) ? MODULE_CONDUCTORS : LINK_CONDUCTORS;

export type LinkEnd = "near" | "far";

/** What an end of a link is called among circuits. */
export const linkEndId = (link: PartLink, end: LinkEnd): string => `${link.id}-${end}`;

/** Below the module, where a cable comes in (it can be laid elsewhere). */
const BELOW_MM = 24;
const besideModule = ({ placement: { xMm, yMm } }: Controller): Point => point(xMm, yMm + BELOW_MM);

/** The serial lines of an end. What one end sends on a conductor the other receives there. */
function serialLines(builder: CircuitBuilder, end: LinkEnd, id: string): [terminal: string, net: Net][] {
  const line = (name: string, role: "TX" | "RX"): Net =>
    builder.own(name, "bus", busNeed("uart", role), { busId: id, ...(role === "RX" ? { heldBy: "part" } : {}) });
  const sends = line("sends", "TX");
  const receives = line("receives", "RX");
  const [toFar, fromFar] = end === "near" ? [sends, receives] : [receives, sends];
  return [
    ["supply", builder.fiveVolt],
    ["to-far", toFar],
    ["from-far", fromFar],
    ["ground", builder.ground],
  ];
}

/**
 * One end: its lines on a plug, with the supply and ground. The plug's order is the same at both ends, and the cable runs straight through.
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
  const at = besideModule(controller);
  const lines = isModule(link) ? moduleLines(builder, link, end === "near", id, at) : serialLines(builder, end, id);
  const ways = isModule(link) ? "Five-way" : "Four-way";
  builder.chip(
    "J1",
    link.plug === "keyed" ? `${ways} plug, keyed` : `${ways} row of pins`,
    isModule(link) ? "module-plug" : "link-plug",
    lines,
    at,
  );
  return builder.built;
}
