import type { Bed } from "../document/makingSettings";
import type { Design } from "../document/schema";

/** The bed that was chosen, or the first there is; a usual one where there is none. */
export const bedOf = ({ making }: Design, bedId: string): Bed =>
  making.beds.find(({ id }) => id === bedId) ??
  making.beds[0] ?? { id: "bed", name: "Usual bed", widthMm: 220, heightMm: 220 };
