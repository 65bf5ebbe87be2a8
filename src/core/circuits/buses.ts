import type { Point } from "../geometry/point";
import { type Net, busNeed } from "./net";
import type { CircuitBuilder } from "./circuitBuilder";

/** The two wires of an I²C bus with their pull-ups; every circuit on the same bus gets the same nets and the same pair. */
export function addI2c(builder: CircuitBuilder, bus: number, at: Point): { scl: Net; sda: Net } {
  const busId = builder.sharedId(`i2c${bus}`);
  const line = (name: "SCL" | "SDA") => {
    const need = busNeed("i2c", name);
    const more = { busId, heldBy: "resistor" as const };
    const net = builder.net(`${busId}.${name}`, bus === 0 ? name : `${name}${bus + 1}`, "bus", need, more);
    const id = `${busId}.pull-up ${name}`;
    builder.sharedShunt(id, "resistor", "4.7 kΩ", builder.supply, net, at);
    return net;
  };
  return { scl: line("SCL"), sda: line("SDA") };
}

/** The three shared wires of an SPI bus. */
export function addSpi(builder: CircuitBuilder, bus: number): { clock: Net; dataIn: Net; dataOut: Net } {
  const busId = builder.sharedId(`spi${bus}`);
  const line = (name: "clock" | "data in" | "data out", short: string) =>
    builder.net(`${busId}.${short}`, `SPI${bus + 1} ${short}`, "bus", busNeed("spi", name), { busId });
  return { clock: line("clock", "clock"), dataIn: line("data in", "in"), dataOut: line("data out", "out") };
}
