import { ladder } from "./ladder";
import { balancedMatrix, givenMatrix } from "./matrix";
import { busExpanders, directStrategy, inputRegisters, multiplexers } from "./readOneByOne";
import { twoWayMatrix } from "./twoWayMatrix";
import type { SwitchStrategy } from "./strategy";

/** Every strategy for switches, one line each. Each is planned as the circuit that it becomes. */
export const switchStrategies: SwitchStrategy[] = [
  directStrategy,
  balancedMatrix,
  givenMatrix,
  twoWayMatrix,
  inputRegisters,
  busExpanders,
  multiplexers,
  ladder,
];

/** The strategy of that id, or undefined: plans from outside may name one that is not there. */
export const switchStrategyNamed = (id: string): SwitchStrategy | undefined =>
  switchStrategies.find((way) => way.id === id);
