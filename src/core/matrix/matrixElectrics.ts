import { type MatrixCircuit, columnNetId, rowNetId } from "../circuits/matrix";
import type { ControllerProfile } from "../catalogue/controllers/controllerProfile";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { wireOhm } from "../electrics/copper";
import { type ScanCheck, checkScan } from "./scanElectrics";
import { longestLineMm } from "./planMatrix";

/** Capacitance of one pin, and of a millimetre of hook-up wire beside others (from memory: 10 pF, about 0.1 pF/mm). */
const PIN_F = 10e-12;
const WIRE_F_PER_MM = 0.1e-12;
/** On resistance of a driving pin (from memory: 20 to 50 Ω). */
const DRIVER_OHM = 50;
/** From one reading's end to the next one's start: driving, reading and letting go by firmware (from memory). */
const HANDLING_US = 2;

export interface MatrixCheck extends ScanCheck {
  circuit: MatrixCircuit;
  /** Lines driven one after another. */
  lines: number;
  /** Highest rate of whole scans that lets every line settle, a second. */
  scansPerSecond: number;
  longestMm: number;
}

/** Levels and speed of a matrix on the chosen controller; null without one. */
export function checkMatrix(design: Design, circuit: MatrixCircuit): MatrixCheck | null {
  const { profile } = derive(design);
  const longestMm = longestLineMm(design, circuit);
  if (!profile || Object.keys(circuit.cells).length === 0) return null;
  const check = checkScan({
    ...lineElectrics(longestMm, design.wires.signalMm2),
    ...levelsOf(profile),
    hasDiode: circuit.diodes !== "none",
  });
  const lines = drivenLines(circuit);
  return { ...check, circuit, lines, longestMm, scansPerSecond: 1e6 / (lines * (check.settleUs + HANDLING_US)) };
}

const levelsOf = (profile: ControllerProfile) => ({
  supplyV: profile.logicV,
  inputLowMaxV: profile.inputLowMaxV,
  inputHighMinV: profile.inputHighMinV,
  pullUpMinOhm: profile.pullUpMinOhm,
  pullUpMaxOhm: profile.pullUpMaxOhm,
});

function lineElectrics(longestMm: number, mm2: number) {
  const ohm = wireOhm(longestMm, mm2);
  const farads = PIN_F + longestMm * WIRE_F_PER_MM;
  return { driverOhm: DRIVER_OHM, senseOhm: ohm, driveOhm: ohm, senseF: farads, driveF: farads };
}

function drivenLines(circuit: MatrixCircuit): number {
  const net = circuit.diodes === "row-to-column" ? columnNetId : rowNetId;
  const axis = circuit.diodes === "row-to-column" ? "column" : "row";
  return new Set(Object.values(circuit.cells).map((cell) => net(circuit, cell[axis]))).size;
}
