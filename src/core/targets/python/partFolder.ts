import { halfName } from "../../derived/halfName";
import type { Design } from "../../document/schema";
import { stemOf } from "../../fileStem";

/** A folder for each part of a device, in the order of its controllers. */
export const partFolder = (design: Design, part: number): string =>
  `${part + 1}-${stemOf(halfName(design, design.controllers[part].id), "part")}/`;
