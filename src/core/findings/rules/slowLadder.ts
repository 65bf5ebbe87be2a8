import type { Rule } from "../finding";

const A_SCAN_US = 1000;

const number = new Intl.NumberFormat("en");
const us = (value: number) => number.format(Math.round(value));

/** Every bank of a ladder is powered, waited for and converted, one after another, in each scan. */
export const slowLadder: Rule = {
  id: "circuits/slow-ladder",
  stage: "circuits",
  severity: "warn",
  why: "The runtime scans once a millisecond; when reading alone takes longer, every scan is late and every press is told later.",
  source: "banks × (settle time + one conversion), times of the 8-bit class from memory",
  eachController: true,
  check(design, { builtCircuits }) {
    const ladders = builtCircuits.flatMap(({ ladders: banks, reading }, nth) =>
      banks.length > 0 ? [{ name: design.circuits[nth].name, banks: banks.length, us: reading.fixedUs }] : [],
    );
    const sum = ladders.reduce((all, one) => all + one.us, 0);
    if (sum <= A_SCAN_US) return [];
    const banks = ladders.reduce((all, one) => all + one.banks, 0);
    const most = Math.floor((banks * A_SCAN_US) / sum);
    return [
      {
        message: `Converting the ${banks} banks of ${ladders.map(({ name }) => name).join(", ")} takes ${us(sum)} µs: a scan comes every ${Math.ceil(sum / A_SCAN_US)} ms only. ${most} banks fit a millisecond; read the other keys through input registers or a matrix.`,
        subjects: [],
      },
    ];
  },
};
