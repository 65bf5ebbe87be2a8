import type { Design } from "../document/schema";
import { lampBranches } from "./lampBranches";
import { smallPartsOf } from "../wires/partNames";

/** Values of all small parts by their names; a lamp's resistor follows from its current. */
export function smallPartValues(design: Design): Map<string, string> {
  const ohm = (elementId: string | null) => lampBranches(design).get(elementId ?? "")?.ohm;
  return new Map(
    smallPartsOf(design).map(({ part, value, elementId }) => {
      const own = ohm(elementId);
      return [part, value ?? (own ? `${own} Ω` : "resistor")];
    }),
  );
}
