import type { Design } from "../document/schema";

type BusSettings = Design["buses"][number];

/** What a two-wire bus is set to where nobody said otherwise: fast mode with the pull-ups that its circuits draw. */
const USUAL: Omit<BusSettings, "bus"> = { khz: 400, pullUpOhm: 4700 };

export const busSettings = ({ buses }: Design, bus: number): BusSettings =>
  buses.find((one) => one.bus === bus) ?? { bus, ...USUAL };

/** A design with a bus set otherwise. */
export function setBus(design: Design, bus: number, change: Partial<BusSettings>): Design {
  const others = design.buses.filter((one) => one.bus !== bus);
  return { ...design, buses: [...others, { ...busSettings(design, bus), ...change }].sort((a, b) => a.bus - b.bus) };
}
