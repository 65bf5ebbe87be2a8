import type { Design } from "../document/schema";
import { overLimits } from "../firmware/capacity";
import { scanTableOf } from "../firmware/scanTable";
import { tableBytes } from "../firmware/tables";
import { Device } from "./device";

/** What a device is loaded with. */
export interface Loaded {
  tables: Uint8Array;
  /** What of it the firmware cannot number, as the end of "it has …"; null when all is well. */
  tooMuch: string | null;
}

/** Works out what a device of a design is loaded with. */
export function loadedWith(design: Design): Loaded {
  const scan = scanTableOf(design);
  const [tooMuch = null] = overLimits(scan, design);
  return { tables: tooMuch === null ? tableBytes(scan, design) : new Uint8Array(), tooMuch };
}

type Rest = ConstructorParameters<typeof Device> extends [Design, Uint8Array, ...infer More] ? More : never;

/** A device of a design, powered, with its own tables. */
export const deviceOf = (design: Design, ...rest: Rest): Device =>
  new Device(design, tableBytes(scanTableOf(design), design), ...rest);
