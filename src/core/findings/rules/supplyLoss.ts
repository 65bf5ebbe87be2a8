import type { LightChain } from "../../circuits/lightChain";
import type { Design } from "../../document/schema";
import { changeCircuit } from "../../edits/wiring";
import { MOST_LOST, leastWhenFedEverywhere, whereToFeed, wishedLightV } from "../../power/remedies";
import { type RailLoad, supplyAt } from "../../power/solveSupply";
import { type Fix, type Rule, controlSubject } from "../finding";

/** Usual conductors in mm² (IEC 60228 and what hook-up wire is sold in). */
const CROSS_SECTIONS = [0.25, 0.5, 0.75, 1, 1.5, 2.5, 4];

const lostV = ({ volts, leastV }: RailLoad) => volts - leastV;

function widerWires(rail: RailLoad, { wires }: Design): Fix[] {
  const wider = CROSS_SECTIONS.find((mm2) => (lostV(rail) * wires.supplyMm2) / mm2 <= MOST_LOST * rail.volts);
  if (!wider) return [];
  return [{ title: `Take ${wider} mm²`, apply: (d) => ({ ...d, wires: { ...d.wires, supplyMm2: wider } }) }];
}

/**
 * A chain of lights whose far end has least can be fed once more, where that can be enough: with every light fed by
 * wires of its own. Where the fewest places are is worked out when it is asked for.
 */
function fedMore({ leastAt }: RailLoad, design: Design): Fix[] {
  const chain = design.circuits.find(
    (circuit): circuit is LightChain => circuit.kind === "light-chain" && circuit.members.includes(leastAt?.id ?? ""),
  );
  if (!chain || leastWhenFedEverywhere(design, chain) < wishedLightV(design, chain)) return [];
  const apply = (d: Design) =>
    changeCircuit<LightChain>(d, chain.id, { feedAt: whereToFeed(d, chain)?.ids ?? chain.feedAt });
  return [{ title: `Feed ${chain.name} at the fewest places that are enough`, apply }];
}

/** Thin supply wires lose voltage on the way; each rail is held against its own voltage. */
export const supplyLoss: Rule = {
  id: "circuits/supply-loss",
  stage: "circuits",
  severity: "warn",
  why: "Lights at the far end turn reddish and parts reset when the supply wires are too thin for their current.",
  source: "Ohm's law with copper of IEC 60028, everything at its most; 5 % as common practice",
  eachController: true,
  check(design) {
    const rails = supplyAt(design, "worst")?.rails ?? [];
    return rails
      .filter((rail) => lostV(rail) > MOST_LOST * rail.volts)
      .map((rail) => ({
        message: `At ${(rail.ma / 1000).toFixed(1)} A the ${rail.flag} wires of ${design.wires.supplyMm2} mm² lose ${lostV(rail).toFixed(2)} of ${rail.volts.toFixed(2)} V on the way to ${rail.leastAt?.label} and back.`,
        subjects: rail.leastAt?.controlId ? [controlSubject(rail.leastAt.controlId)] : [],
        fixes: [...fedMore(rail, design), ...widerWires(rail, design)],
      }));
  },
};
