import { circuitKindNamed } from "../../circuits";
import type { Circuit } from "../../circuits";
import { counted } from "../../words";
import { probeElements, costOf } from "./probe";
import type { Inputs, SwitchStrategy, StrategyContext, StrategyCost } from "./strategy";

/** The circuit of a kind that holds so many switches and turns. */
export function circuitWith(kind: Circuit["kind"], { switches, turns }: Inputs, change: object = {}) {
  const elements = probeElements([
    { kind: "key", count: switches },
    { kind: "encoder", count: turns, end: "turn" },
  ]);
  const { stem, title, fresh, with: add } = circuitKindNamed(kind);
  const circuit = add({ ...fresh(stem, title), ...change } as Circuit, [...elements.keys()]);
  return { circuit, elements };
}

interface OneByOne {
  id: string;
  title: string;
  circuit: Circuit["kind"];
  carriesTurns: boolean;
  /** Lines from which on it is worth a look, and lines it can hold. */
  least: number;
  most: number;
  shape(cost: StrategyCost, inputs: Inputs): string;
}

/** A strategy that reads each contact by itself: it is planned as the circuit it becomes. */
function oneByOne({ least, most, shape, ...way }: OneByOne): SwitchStrategy {
  return {
    ...way,
    cost(inputs: Inputs, { settleUs }: StrategyContext) {
      const lines = inputs.switches + 2 * inputs.turns;
      if (lines < least || lines > most) return null;
      const { circuit, elements } = circuitWith(way.circuit, inputs);
      const cost = costOf(circuit, elements, settleUs);
      return { ...cost, shape: shape(cost, inputs) };
    },
  };
}

const chips = ({ parts }: StrategyCost, part: keyof StrategyCost["parts"]) => parts[part] ?? 0;

export const directStrategy = oneByOne({
  id: "direct",
  title: "Direct",
  circuit: "direct",
  carriesTurns: false,
  least: 0,
  most: Infinity,
  shape: () => "one pin each",
});

export const inputRegisters = oneByOne({
  id: "input-registers",
  title: "Parallel-in registers",
  circuit: "input-registers",
  carriesTurns: true,
  least: 1,
  most: Infinity,
  shape: (cost) => `${chips(cost, "register-in")} × 74HC165 in a chain`,
});

/** Eight expanders of 16 lines by their addresses. */
const EXPANDED = 128;

export const busExpanders = oneByOne({
  id: "bus-expanders",
  title: "Bus expanders",
  circuit: "expander",
  carriesTurns: true,
  least: 1,
  most: EXPANDED,
  shape: (cost) => `${chips(cost, "expander")} × 16 lines on the bus`,
});

export const multiplexers = oneByOne({
  id: "multiplexers",
  title: "Multiplexers",
  circuit: "multiplexer",
  carriesTurns: true,
  least: 6,
  most: Infinity,
  shape: (cost) => `${counted(chips(cost, "multiplexer"), "16-way multiplexer")}, select lines shared`,
});
