import type { Tool } from "./step";

export const toolWords: Record<Tool, string> = {
  hands: "By hand",
  iron: "Soldering iron",
  meter: "Meter",
  driver: "Screwdriver",
  cutter: "Cutter",
  computer: "At the computer",
  hotplate: "Stencil and hot plate",
  machine: "Printer, cutter or drill",
};
