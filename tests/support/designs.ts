import { demoDesigns } from "../../demo";
import { addControl, changeControl } from "@/core/edits/controls";
import { chooseController, adoptPinPlan } from "@/core/edits/pins";
import { shareOutMatrix } from "@/core/edits/shareOutMatrix";
import type { Design } from "@/core/document/schema";
import type { DiodeDirection, MatrixCircuit } from "@/core/circuits/matrix";
import { planPins } from "@/core/pins/planPins";
import { keyBlock } from "./keyBlock";

export { keyBlock };

/** Demos whose controls are all wired; Glasshouse is planned but not wired yet. */
export const wiredDemos = demoDesigns.filter(({ circuits }) => circuits.length > 0);

/** The block with an encoder e1 and a lamp l1 above it. */
export function pad(columns = 3, rows = 3): Design {
  const at = (xMm: number) => ({ xMm, yMm: -30, rotationDeg: 0, boardId: "panel" });
  const withEncoder = changeControl(addControl(keyBlock(columns, rows), "encoder", "e1", at(0)), "e1", { label: "E1" });
  return addControl(withEncoder, "lamp", "l1", at(30));
}

/** The pad wired, with a controller and every net on a pin: nothing to settle but unbound inputs. */
export function finishedPad(columns = 3, rows = 3): Design {
  const wired = chooseController(shareOutMatrix(pad(columns, rows), "as-laid-out"), "small-5v-18");
  return adoptPinPlan(wired, planPins(wired));
}

export const matrixOf = (design: Design): MatrixCircuit =>
  design.circuits.find((c): c is MatrixCircuit => c.kind === "matrix")!;

export const withDiodes = (design: Design, diodes: DiodeDirection): Design => ({
  ...design,
  circuits: design.circuits.map((circuit) => (circuit.kind === "matrix" ? { ...circuit, diodes } : circuit)),
});

/** A matrix of so many keys on a small board, its pins shared out. */
export function smallMatrix(columns: number, rows: number, diodes: DiodeDirection): Design {
  const wired = withDiodes(
    chooseController(shareOutMatrix(keyBlock(columns, rows), "as-laid-out"), "small-5v-18"),
    diodes,
  );
  return adoptPinPlan(wired, planPins(wired));
}
