import type { BuiltCircuit } from "../../circuits/circuitKind";
import { circuitKindOf } from "../../circuits";
import type { Rule } from "../finding";

const A_SCAN_US = 1000;

const number = new Intl.NumberFormat("en");
const us = (value: number) => number.format(Math.round(value));

/** Ladders with many banks, long chains and slow lines: all of it must be read before the next millisecond. */
export const slowReading: Rule = {
  id: "wiring/slow-reading",
  stage: "wiring",
  severity: "warn",
  why: "The runtime scans once a millisecond; when reading alone takes longer, every scan is late and every press is told later.",
  source: "sum over circuits: settle time a group, bits of chains, transfers of buses, conversions (times from memory)",
  check(design, { builtCircuits }) {
    const timeOf = ({ reading }: BuiltCircuit) => reading.settles * design.timing.settleUs + reading.fixedUs;
    const times = builtCircuits.map(timeOf);
    const sum = times.reduce((all, one) => all + one, 0);
    if (sum <= A_SCAN_US) return [];
    const slowest = times.indexOf(Math.max(...times));
    const circuit = design.circuits[slowest];
    return [
      {
        message: `Reading this device takes ${us(sum)} µs, ${us(times[slowest])} of them ${circuit.name} (${circuitKindOf(circuit).title.toLowerCase()}): a scan comes every ${Math.ceil(sum / A_SCAN_US)} ms only. Share it over quicker circuits: input registers, or a matrix.`,
        subjects: [],
      },
    ];
  },
};
