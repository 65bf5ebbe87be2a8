import { supplyDrops } from "../../wires/supplyDrop";
import { type Rule, controlSubject } from "../finding";

const SUPPLY_V = 5;
/** Voltage that may be lost on the way to the farthest part (common practice). */
const MOST_LOST = 0.05;

/** Thin supply wires lose voltage on the way. */
export const supplyLoss: Rule = {
  id: "wiring/supply-loss",
  stage: "wiring",
  severity: "warn",
  why: "Lights at the far end turn reddish and parts reset when the supply wires are too thin for their current.",
  source: "Ohm's law with copper of IEC 60028, everything at its most; 5 % as common practice",
  check(design) {
    const [drop] = supplyDrops(design).sort((a, b) => b.worstV - a.worstV);
    if (!drop || drop.worstV <= MOST_LOST * SUPPLY_V) return [];
    const wider = [0.25, 0.5, 0.75, 1, 1.5, 2.5, 4].find(
      (mm2) => (drop.worstV * design.wires.supplyMm2) / mm2 <= MOST_LOST * SUPPLY_V,
    );
    const worst = drop.worstControlId;
    return [
      {
        message: `At ${(drop.currentMa / 1000).toFixed(1)} A the ${drop.rail} wires of ${design.wires.supplyMm2} mm² lose ${drop.worstV.toFixed(2)} V on the way to ${drop.worstAt} and back.`,
        subjects: worst ? [controlSubject(worst)] : [],
        fixes: wider
          ? [{ title: `Take ${wider} mm²`, apply: (d) => ({ ...d, wires: { ...d.wires, supplyMm2: wider } }) }]
          : [],
      },
    ];
  },
};
