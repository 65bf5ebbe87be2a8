import { type Circuit, circuitKindOf } from "../../circuits";
import { type DirectCircuit, direct } from "../../circuits/direct";
import type { Cell, DiodeDirection, MatrixCircuit } from "../../circuits/matrix";
import { type MatrixShape, planReadingOrder } from "../../matrix/planReadingOrder";
import { derive } from "../derive";
import type { Design } from "../schema";
import { tidyPins } from "./tidyPins";

const matrixOf = (design: Design): MatrixCircuit | undefined =>
  design.circuits.find((circuit): circuit is MatrixCircuit => circuit.kind === "matrix");

const directOf = (design: Design): DirectCircuit | undefined =>
  design.circuits.find((circuit): circuit is DirectCircuit => circuit.kind === "direct");

const freshMatrix = (): MatrixCircuit => ({
  id: "matrix",
  kind: "matrix",
  name: "Matrix",
  diodes: "column-to-row",
  cells: {},
  withoutDiode: [],
});

const freshDirect = (): DirectCircuit => ({ id: "direct", kind: "direct", name: "Direct", members: [] });

const withCircuit = (design: Design, circuit: Circuit): Design => ({
  ...design,
  circuits: design.circuits.some((c) => c.id === circuit.id)
    ? design.circuits.map((c) => (c.id === circuit.id ? circuit : c))
    : [...design.circuits, circuit],
});

const isEmpty = (circuit: Circuit) => circuitKindOf(circuit).members(circuit).length === 0;

/** Takes elements out of every circuit; circuits left with nothing go. */
export function unwire(design: Design, elementIds: string[]): Design {
  const circuits = design.circuits.map((circuit) =>
    elementIds.reduce((left, id) => circuitKindOf(left).without(left, id), circuit),
  );
  return tidyPins({ ...design, circuits: circuits.filter((circuit) => !isEmpty(circuit)) });
}

const takenDirect = (design: Design, elementId: string) => {
  const element = derive(design).elements.get(elementId);
  return element !== undefined && direct.takes(element);
};

/** Wires elements one pin an end; what cannot be wired so (bus devices, light chains) stays as it was. */
export function wireDirect(design: Design, elementIds: string[]): Design {
  const cleared = unwire(
    design,
    elementIds.filter((id) => takenDirect(design, id)),
  );
  const circuit = directOf(cleared) ?? freshDirect();
  const members = [...circuit.members, ...elementIds.filter((id) => takenDirect(design, id))];
  return tidyPins(withCircuit(cleared, { ...circuit, members }));
}

/** Puts a switch into one cell of the matrix, taking it out of wherever it was. */
export function setCell(design: Design, elementId: string, cell: Cell): Design {
  const before = matrixOf(design);
  const circuit = before ?? freshMatrix();
  const cleared = before && elementId in before.cells ? design : unwire(design, [elementId]);
  const current = matrixOf(cleared) ?? circuit;
  return tidyPins(withCircuit(cleared, { ...current, cells: { ...current.cells, [elementId]: cell } }));
}

export function setDiodes(design: Design, diodes: DiodeDirection): Design {
  const circuit = matrixOf(design);
  return circuit ? withCircuit(design, { ...circuit, diodes }) : design;
}

/** Fits or leaves out single diodes of a matrix that has them. */
export function setOwnDiode(design: Design, elementIds: string[], fitted: boolean): Design {
  const circuit = matrixOf(design);
  if (!circuit) return design;
  const others = circuit.withoutDiode.filter((id) => !elementIds.includes(id));
  return withCircuit(design, { ...circuit, withoutDiode: fitted ? others : [...others, ...elementIds] });
}

/**
 * Shares out all switches over one matrix in reading order, and wires the rest (encoders, lamps) direct.
 * The diode direction stays as it was, or current from column to row for a new matrix.
 */
export function shareOutMatrix(design: Design, shape: MatrixShape): Design {
  const { elements } = derive(design);
  const switches = [...elements.values()].filter((element) => element.kind === "switch");
  const others = [...elements.values()]
    .filter((element) => element.kind !== "switch" && direct.takes(element))
    .map((element) => element.id);
  if (switches.length === 0) return wireDirect(design, others);
  const circuit = matrixOf(design) ?? freshMatrix();
  const plan = planReadingOrder(
    switches.map((element) => ({ id: element.id, at: middleOf(design, element.controlId) })),
    shape,
    design.pitch.yMm / 2,
  );
  const ids = new Set(switches.map((element) => element.id));
  const withoutDiode = circuit.withoutDiode.filter((id) => ids.has(id));
  const cleared = unwire(design, [...ids, ...others]);
  const wired = withCircuit(cleared, { ...circuit, cells: plan.cells, withoutDiode });
  return others.length > 0 ? wireDirect(wired, others) : tidyPins(wired);
}

/** Every element on its own pins. */
export const shareOutDirect = (design: Design): Design => wireDirect(design, [...derive(design).elements.keys()]);

const middleOf = (design: Design, controlId: string) => derive(design).controls.get(controlId)!.placement;
