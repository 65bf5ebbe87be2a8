import { derive } from "../../derived/derive";
import type { Design } from "../../document/schema";
import { supplyAt } from "../../power/solveSupply";
import { AMPERE_A_MM2 } from "../../power/wireLoads";
import { wiresOf } from "../../wires/wires";
import { type Rule, netSubject } from "../finding";

const SIZES_MM2 = [0.25, 0.5, 0.75, 1, 1.5, 2.5, 4];

/** The most that one wire of each net carries, in A. */
function strongestWires(design: Design): Map<string, number> {
  const most = new Map<string, number>();
  const carried = supplyAt(design, "worst")?.wireMa;
  for (const { key, netId } of carried ? wiresOf(design) : [])
    most.set(netId, Math.max(most.get(netId) ?? 0, (carried!.get(key) ?? 0) / 1000));
  return most;
}

export const supplyHeat: Rule = {
  id: "circuits/supply-heat",
  stage: "circuits",
  severity: "stop",
  why: "A supply wire that carries too much for its thickness gets hot, and its insulation melts.",
  source: "8 A a square millimetre for short wires in air (common practice)",
  eachController: true,
  check(design) {
    const { supplyMm2 } = design.wires;
    return [...strongestWires(design)].flatMap(([netId, ampere]) => {
      if (ampere <= AMPERE_A_MM2 * supplyMm2) return [];
      const enough = SIZES_MM2.find((mm2) => ampere <= AMPERE_A_MM2 * mm2);
      const { flag } = derive(design).netById.get(netId)!;
      return [
        {
          message: `A wire of ${flag} carries up to ${ampere.toFixed(1)} A; one of ${supplyMm2} mm² carries ${(AMPERE_A_MM2 * supplyMm2).toFixed(1)} A.`,
          subjects: [netSubject(netId)],
          fixes: enough
            ? [
                {
                  title: `Take ${enough} mm²`,
                  apply: (d: Design) => ({ ...d, wires: { ...d.wires, supplyMm2: enough } }),
                },
              ]
            : [],
        },
      ];
    });
  },
};
