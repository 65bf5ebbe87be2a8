import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { busKhz } from "../document/busClock";
import type { ScanTable } from "./scanTable";

/** A two-wire bus with something that the firmware speaks to. */
export interface TwoWireBus {
  scl: string;
  sda: string;
  khz: number;
}

/** How fast a bus is clocked, by its clock's net. */
function khzOf(design: Design, scl: string): number {
  const busId = derive(design).netById.get(scl)?.busId ?? "";
  return busKhz(design, Number(/^i2c(\d+)$/.exec(busId)?.[1] ?? 0));
}

/** Two-wire buses with displays that show something, or expanders, in the order of the circuits. */
export function twoWireBuses(design: Design, { displays, access }: ScanTable): TwoWireBus[] {
  const expanders = Object.values(access).flatMap((line) => (line.by === "expander" ? [line] : []));
  const buses = new Map([...expanders, ...displays].map(({ scl, sda }) => [scl, { scl, sda }]));
  return [...buses.values()].map((bus) => ({ ...bus, khz: khzOf(design, bus.scl) }));
}
