import { type Rule, netSubject } from "../finding";

/** A short insulated copper wire in air stays cool up to about so much a square millimetre (common practice). */
const AMPERE_A_MM2 = 8;
const SIZES_MM2 = [0.25, 0.5, 0.75, 1, 1.5, 2.5, 4];

export const supplyHeat: Rule = {
  id: "wiring/supply-heat",
  stage: "wiring",
  severity: "stop",
  why: "A supply wire that carries too much for its thickness gets hot, and its insulation melts.",
  source: "8 A a square millimetre for short wires in air (common practice)",
  check(design, { nets, elements }) {
    return nets
      .filter(({ role }) => role === "supply")
      .flatMap(({ id, flag, joints }) => {
        const ampere = joints.reduce((sum, joint) => sum + (elements.get(joint.elementId)?.currentMa ?? 0), 0) / 1000;
        const { supplyMm2 } = design.wires;
        if (ampere <= AMPERE_A_MM2 * supplyMm2) return [];
        const enough = SIZES_MM2.find((mm2) => ampere <= AMPERE_A_MM2 * mm2);
        return [
          {
            message: `The wire of ${flag} carries up to ${ampere.toFixed(1)} A; one of ${supplyMm2} mm² carries ${(AMPERE_A_MM2 * supplyMm2).toFixed(1)} A.`,
            subjects: [netSubject(id)],
            fixes: enough
              ? [{ title: `Take ${enough} mm²`, apply: (d) => ({ ...d, wires: { ...d.wires, supplyMm2: enough } }) }]
              : [],
          },
        ];
      });
  },
};
