import type { Point } from "../geometry/point";
import type { CircuitBuilder } from "./circuitBuilder";
import type { Net } from "./net";

/** A signal of the logic, and the net that carries it on at 5 V. */
export interface Lifted {
  from: Net;
  to: Net;
}

/**
 * A 74AHCT125 with up to four signals: its inputs take 2 V for high, so it lifts 3.3 V logic to its own 5 V. Buffers that
 * are not used rest with their inputs on ground.
 */
export function addShifter(builder: CircuitBuilder, lifted: Lifted[], usual: Point) {
  const { ground, fiveVolt: supply } = builder;
  const from = (nth: number) => lifted[nth]?.from ?? ground;
  const to = (nth: number) => lifted[nth]?.to ?? null;
  const pins: [string, Net | null][] = [
    ["1OE", ground],
    ["1A", from(0)],
    ["1Y", to(0)],
    ["2OE", ground],
    ["2A", from(1)],
    ["2Y", to(1)],
    ["GND", ground],
    ["3Y", to(2)],
    ["3A", from(2)],
    ["3OE", ground],
    ["4Y", to(3)],
    ["4A", from(3)],
    ["4OE", ground],
    ["VCC", supply],
  ];
  builder.chip("U1", "74AHCT125 level shifter", "level-shifter", pins, usual);
}
