import { busExpanders, matrixOnExpander } from "./busExpanders";
import { directWay } from "./direct";
import { inputRegisters } from "./inputRegisters";
import { ladder } from "./ladder";
import { balancedMatrix, givenMatrix } from "./matrix";
import { multiplexers } from "./multiplexers";
import { registerMatrix } from "./registerMatrix";
import { twoWayMatrix } from "./twoWayMatrix";
import type { SwitchWay } from "./way";

/** Every way to read switches, one line each. */
export const switchWays: SwitchWay[] = [
  directWay,
  balancedMatrix,
  givenMatrix,
  twoWayMatrix,
  inputRegisters,
  busExpanders,
  multiplexers,
  ladder,
  matrixOnExpander,
  registerMatrix,
];
