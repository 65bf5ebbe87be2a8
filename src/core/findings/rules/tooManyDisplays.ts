import { displayPlaces } from "../../circuits/busDisplays";
import { type Rule, counted } from "../finding";

/** More displays of one address than a bus with all its multiplexers can tell apart. */
export const tooManyDisplays: Rule = {
  id: "wiring/too-many-displays",
  stage: "wiring",
  severity: "stop",
  why: "Displays with the same address on the same branch answer at once, and neither is understood.",
  source: "I²C-bus specification; 8 branches a multiplexer and 8 multiplexers a bus (typical of the class)",
  check(design, { elements }) {
    return design.circuits.flatMap((circuit) => {
      if (circuit.kind !== "bus-displays") return [];
      const held = circuit.members.flatMap((id) => elements.get(id) ?? []);
      const places = displayPlaces(circuit.ownAddresses);
      if (held.length <= places) return [];
      return [
        {
          message: `${circuit.name} has ${counted(held.length, "display")}; a bus tells ${places} of ${circuit.ownAddresses === 1 ? "one address" : `${circuit.ownAddresses} addresses`} apart. Put the others on a bus of their own.`,
          subjects: held.slice(places).map(({ id }) => ({ kind: "element" as const, id })),
        },
      ];
    });
  },
};
