import { type BusAddress, busAddresses } from "./addresses";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { type BusCheck, busChecks } from "./pullUps";
import { type Signal, signalsOf } from "./signals";

/** Signals of one circuit that all cross alike. */
export interface Crossing extends Signal {
  circuit: string;
  flags: string[];
}

/** All that the screens tell of a design's levels: values only. */
export interface LevelsView {
  hasController: boolean;
  crossings: Crossing[];
  buses: (BusCheck & { addresses: BusAddress[] })[];
}

export function levelsView(design: Design): LevelsView {
  const crossings = new Map<string, Crossing>();
  for (const signal of signalsOf(design)) {
    const key = `${signal.circuitId} ${signal.driver}`;
    const known = crossings.get(key);
    const circuit = design.circuits.find(({ id }) => id === signal.circuitId)!.name;
    crossings.set(
      key,
      known ? { ...known, flags: [...known.flags, signal.flag] } : { ...signal, circuit, flags: [signal.flag] },
    );
  }
  return {
    hasController: derive(design).profile !== null,
    crossings: [...crossings.values()],
    buses: busChecks(design).map((check) => ({
      ...check,
      addresses: busAddresses(design).filter(({ bus }) => bus === check.bus),
    })),
  };
}
