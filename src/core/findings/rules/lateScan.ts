import { setBus } from "../../edits/buses";
import type { Design } from "../../document/schema";
import { busKhz } from "../../document/busClock";
import { SCAN_US, millisecondOf } from "../../timing/millisecond";
import { type Fix, type Rule } from "../finding";

const QUICK_KHZ = 400;

/** Buses of displays that are clocked slowly. */
const slowBuses = ({ circuits, ...design }: Design): number[] =>
  circuits.flatMap((circuit) =>
    circuit.kind === "bus-displays" && busKhz(design, circuit.bus) < QUICK_KHZ ? [circuit.bus] : [],
  );

const quickened = (design: Design) => slowBuses(design).reduce((d, bus) => setBus(d, bus, { khz: QUICK_KHZ }), design);

const cures = (design: Design): Fix[] =>
  slowBuses(design).length > 0 && millisecondOf(quickened(design)).worstUs <= SCAN_US
    ? [{ title: `Clock the displays' bus at ${QUICK_KHZ} kHz`, apply: quickened }]
    : [];

/** A scan that takes longer than its millisecond. */
export const lateScan: Rule = {
  id: "circuits/late-scan",
  stage: "circuits",
  severity: "note",
  why: "The runtime counts elapsed milliseconds, so nothing is lost by a late scan but time: each press is told later.",
  source:
    "reading, deciding and what is written in the same scan; deciding is an estimate from scans on the simulated chip",
  eachController: true,
  check(design) {
    const { shares, worstUs: us } = millisecondOf(design);
    if (us <= SCAN_US) return [];
    const longest = shares.filter(({ sort }) => sort !== "lights").reduce((a, b) => (b.us > a.us ? b : a));
    return [
      {
        message: `A scan takes up to ${(us / 1000).toFixed(1)} ms, most of it ${longest.what}: presses are told so much later.`,
        subjects: [],
        fixes: cures(design),
      },
    ];
  },
};
