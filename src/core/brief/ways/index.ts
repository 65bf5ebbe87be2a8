import { ladder } from "./ladder";
import { balancedMatrix, givenMatrix } from "./matrix";
import { busExpanders, directWay, inputRegisters, multiplexers } from "./readOneByOne";
import { twoWayMatrix } from "./twoWayMatrix";
import type { SwitchWay } from "./way";

/** Every way to read switches, one line each. Each is planned as the circuit that it becomes. */
export const switchWays: SwitchWay[] = [
  directWay,
  balancedMatrix,
  givenMatrix,
  twoWayMatrix,
  inputRegisters,
  busExpanders,
  multiplexers,
  ladder,
];

/** The way of that id, or undefined: plans from outside may name one that is not there. */
export const switchWayNamed = (id: string): SwitchWay | undefined => switchWays.find((way) => way.id === id);
