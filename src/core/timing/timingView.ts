import { derive } from "../derived/derive";
import { isModule } from "../document/partLinks";
import type { Design } from "../document/schema";
import { EXPANDER_READ_US } from "../circuits/expander";
import { type KnobLimit, knobLimits } from "./knobLimits";
import { type Latency, latencyOf } from "./latency";
import { type Millisecond, millisecondOf } from "./millisecond";

/** Modules that tell of changes over one line. */
export interface SharedLine {
  circuitId: string;
  name: string;
  modules: number;
  /** Time to ask one of them over the bus, in µs. */
  askUs: number;
  /** Modules with a controller each: one is asked at each look, so often in µs, and tells all that it has. Else left out. */
  looksUs?: number;
}

/** All that the screens tell of a design's time: values only. */
export interface TimingView {
  millisecond: Millisecond;
  knobs: KnobLimit[];
  latency: Latency;
  wishedTurns: number;
  lines: SharedLine[];
}

/** The main controller looks once a scan. */
const LOOKS_US = 1000;

function modulesOf({ partLinks = [] }: Design): SharedLine[] {
  const modules = partLinks.filter(isModule);
  if (modules.length === 0) return [];
  return [{ circuitId: modules[0].id, name: "Modules", modules: modules.length, askUs: 0, looksUs: LOOKS_US }];
}

export function timingView(design: Design): TimingView {
  const { builtCircuits } = derive(design);
  return {
    millisecond: millisecondOf(design),
    knobs: knobLimits(design),
    latency: latencyOf(design),
    wishedTurns: design.brief.wish.turnsPerSecond,
    lines: [
      ...design.circuits.flatMap((circuit, nth) => {
        const modules = builtCircuits[nth].chips.length;
        if (circuit.kind !== "expander" || !circuit.interrupt || modules === 0) return [];
        return [{ circuitId: circuit.id, name: circuit.name, modules, askUs: EXPANDER_READ_US }];
      }),
      ...modulesOf(design),
    ],
  };
}
