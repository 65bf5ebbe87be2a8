import { addI2c } from "../circuits/buses";
import type { CircuitBuilder } from "../circuits/circuitBuilder";
import { type Net, busNeed, interruptNeed, outputNeed } from "../circuits/net";
import type { PartLink } from "../document/partLinks";
import type { Point } from "../geometry/point";

/** Conductors to a module on a bus, in the order of its plugs, supply and ground outermost. */
export const MODULE_CONDUCTORS = ["supply", "clock", "data", "call", "ground"] as const;

/** Its bus at the main controller: the first, whatever else is on it. */
export const MODULES_BUS = 0;

/** What modules pull low to be asked: one line for all that share it, or a line each. The main controller pulls it up, and wakes up by it. */
function callAtMain(builder: CircuitBuilder, link: PartLink): Net {
  if (link.calls === "own") return builder.own("call", "interrupt", interruptNeed);
  return builder.net("modules.call", "CALL", "interrupt", interruptNeed);
}

function linesAtModule(builder: CircuitBuilder, id: string): [clock: Net, data: Net, call: Net] {
  const line = (name: string, role: "SCL" | "SDA") =>
    builder.own(name, "bus", busNeed("i2c", role), { busId: id, heldBy: "resistor" });
  return [line("clock", "SCL"), line("data", "SDA"), builder.own("call", "output", outputNeed)];
}

/**
 * One end of a link over a bus. The pull-ups of the bus stand at the main controller, once for all modules.
 * @returns what its plug leads to
 */
export function moduleLines(
  builder: CircuitBuilder,
  link: PartLink,
  isMain: boolean,
  id: string,
  at: Point,
): [terminal: string, net: Net][] {
  const { scl, sda } = isMain ? addI2c(builder, MODULES_BUS, at) : { scl: null, sda: null };
  const [clock, data, call] = scl && sda ? [scl, sda, callAtMain(builder, link)] : linesAtModule(builder, id);
  return [
    ["supply", builder.fiveVolt],
    ["clock", clock],
    ["data", data],
    ["call", call],
    ["ground", builder.ground],
  ];
}
