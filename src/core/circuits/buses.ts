import { type Net, busNeed } from "./net";
import type { PlanBuilder } from "./planBuilder";

/** The two wires of an I²C bus; every circuit on the same bus gets the same nets. */
export function addI2c(builder: PlanBuilder, bus: number): { scl: Net; sda: Net } {
  const busId = `i2c${bus}`;
  const line = (name: "SCL" | "SDA") =>
    builder.net(`${busId}.${name}`, bus === 0 ? name : `${name}${bus + 1}`, "bus", busNeed("i2c", name), {
      busId,
      heldBy: "resistor",
    });
  return { scl: line("SCL"), sda: line("SDA") };
}

/** The three shared wires of an SPI bus. */
export function addSpi(builder: PlanBuilder, bus: number): { clock: Net; dataIn: Net; dataOut: Net } {
  const busId = `spi${bus}`;
  const line = (name: "clock" | "data in" | "data out", short: string) =>
    builder.net(`${busId}.${short}`, `SPI${bus + 1} ${short}`, "bus", busNeed("spi", name), { busId });
  return { clock: line("clock", "clock"), dataIn: line("data in", "in"), dataOut: line("data out", "out") };
}
