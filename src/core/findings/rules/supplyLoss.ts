import type { Design } from "../../document/schema";
import { type SupplyDrop, supplyDrops } from "../../wires/supplyDrop";
import { type Fix, type Observation, type Rule, controlSubject } from "../finding";

/** Part of a rail's voltage that may be lost on the way to the farthest part and back (common practice). */
const MOST_LOST = 0.05;
/** Usual conductors in mm² (IEC 60228 and what hook-up wire is sold in). */
const CROSS_SECTIONS = [0.25, 0.5, 0.75, 1, 1.5, 2.5, 4];

function widerWires({ worstV, railV }: SupplyDrop, { wires }: Design): Fix[] {
  const wider = CROSS_SECTIONS.find((mm2) => (worstV * wires.supplyMm2) / mm2 <= MOST_LOST * railV);
  if (!wider) return [];
  return [{ title: `Take ${wider} mm²`, apply: (d) => ({ ...d, wires: { ...d.wires, supplyMm2: wider } }) }];
}

function observed(drop: SupplyDrop, design: Design): Observation {
  const { currentMa, rail, railV, worstV, worstAt, worstControlId } = drop;
  const wires = `the ${rail} wires of ${design.wires.supplyMm2} mm²`;
  return {
    message: `At ${(currentMa / 1000).toFixed(1)} A ${wires} lose ${worstV.toFixed(2)} of ${railV} V on the way to ${worstAt} and back.`,
    subjects: worstControlId ? [controlSubject(worstControlId)] : [],
    fixes: widerWires(drop, design),
  };
}

/** Thin supply wires lose voltage on the way; each rail is held against its own voltage. */
export const supplyLoss: Rule = {
  id: "wiring/supply-loss",
  stage: "wiring",
  severity: "warn",
  why: "Lights at the far end turn reddish and parts reset when the supply wires are too thin for their current.",
  source: "Ohm's law with copper of IEC 60028, everything at its most; 5 % as common practice",
  check: (design) =>
    supplyDrops(design)
      .filter(({ worstV, railV }) => worstV > MOST_LOST * railV)
      .map((drop) => observed(drop, design)),
};
