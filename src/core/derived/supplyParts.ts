import type { BuiltCircuit, ChipPlaces } from "../circuits/circuitKind";
import { CircuitBuilder } from "../circuits/circuitBuilder";
import { type Net, RAIL_5V, RAIL_BOARD_5V, RAIL_IN, analogNeed } from "../circuits/net";
import type { Supply } from "../document/supplySettings";
import { type Point, point } from "../geometry/point";

/** Id that parts and nets of the supply begin with, and under which they can be laid. */
export const SUPPLY_STEM = "supply";

/** Types of the trade for a diode in series (common practice). */
const DIODES = { schottky: "1N5819", silicon: "1N4007" } as const;

/** From the terminal through fuse and diode to where the source enters; what is not wanted is left out. */
function addSource(builder: CircuitBuilder, supply: Supply, at: Point): Net {
  const entry = builder.net(RAIL_IN, RAIL_IN, "supply", null);
  const own = (name: string) => builder.own(name, "supply", null);
  const afterFuse = supply.diode === "none" ? entry : own("fused");
  const source = supply.fuse ? own("source") : afterFuse;
  const isBattery = supply.source.kind === "battery";
  builder.chip("J1", isBattery ? "Battery connector" : "Supply terminal", "terminal", ends(source, builder.ground), at);
  if (supply.fuse)
    builder.chip(
      "F1",
      "Resettable fuse",
      "fuse",
      [
        ["1", source],
        ["2", afterFuse],
      ],
      point(at.xMm + 10, at.yMm),
    );
  if (supply.diode !== "none") builder.shunt("diode", "diode", DIODES[supply.diode], afterFuse, entry, at);
  return source;
}

const ends = (plus: Net, ground: Net): [string, Net][] => [
  ["plus", plus],
  ["minus", ground],
];

/** A second terminal, and a jumper that puts the 5 V rail either on the module or on it. */
function addOutside(builder: CircuitBuilder, at: Point) {
  const outside = builder.own("outside", "supply", null);
  builder.chip("J2", "Supply terminal, 5 V", "terminal", ends(outside, builder.ground), at);
  const jumper: [string, Net][] = [
    ["board", builder.net(RAIL_BOARD_5V, RAIL_BOARD_5V, "supply", null)],
    ["rail", builder.net(RAIL_5V, RAIL_5V, "supply", null)],
    ["outside", outside],
  ];
  builder.chip("JP1", "Selector jumper", "selector", jumper, point(at.xMm + 10, at.yMm));
}

function addMeasuring(
  builder: CircuitBuilder,
  { topOhm, bottomOhm }: NonNullable<Supply["measured"]>,
  source: Net,
  at: Point,
) {
  const read = builder.own("battery", "analog", analogNeed);
  builder.shunt("measure top", "resistor", `${topOhm} Ω`, source, read, at);
  builder.shunt("measure bottom", "resistor", `${bottomOhm} Ω`, read, builder.ground, at);
}

/** What the supply adds to the circuits: terminals, fuse, diode, jumper, and the divider that measures a battery. */
export function buildSupply(supply: Supply, places: ChipPlaces, at: Point): BuiltCircuit {
  const builder = new CircuitBuilder({ id: SUPPLY_STEM }, places);
  const { kind } = supply.source;
  if (kind === "outside" || kind === "battery") {
    const source = addSource(builder, supply, at);
    if (supply.measured) addMeasuring(builder, supply.measured, source, at);
  }
  if (supply.outside) addOutside(builder, point(at.xMm, at.yMm + 15));
  return builder.built;
}
