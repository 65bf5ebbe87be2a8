import type { BuiltCircuit } from "../../circuits/circuitKind";
import type { Derived } from "../../derived/derive";
import type { Design } from "../../document/schema";

/** Elements that a pin itself feeds, with the current of each: lamps in direct wiring and between line pairs, small outputs. */
export function fedByPins(design: Design, { builtCircuits, elements }: Derived) {
  const circuits = design.circuits.flatMap((circuit, nth): [string, BuiltCircuit][] => [
    [circuit.kind, builtCircuits[nth]],
  ]);
  return circuits.flatMap(([kind, plan]) => {
    if (kind === "output-registers") return [];
    const pinNets = new Set(plan.nets.filter(({ need }) => need?.output).map(({ id }) => id));
    const lamps = plan.lamps.map(({ elementId }) => elementId);
    const outputs = plan.nets
      .filter(({ id, role }) => role === "output" && pinNets.has(id))
      .flatMap(({ joints }) => joints.map(({ elementId }) => elementId))
      .filter((id) => id !== "");
    return [...lamps, ...outputs].flatMap((id) => {
      const element = elements.get(id);
      return element?.currentMa === undefined ? [] : [{ element, currentMa: element.currentMa, kind }];
    });
  });
}
