import type { LightChain } from "../../circuits/lightChain";
import type { Design } from "../../document/schema";
import { changeCircuit } from "../../edits/wiring";
import { LIGHT_LEAST_V } from "../../power/lightCurrent";
import { type Broken, brokenLimits } from "../../power/limits";
import { dimmedTo, highestBrightness, leastWhenFedEverywhere, whereToFeed } from "../../power/remedies";
import { type Fix, type Observation, type Rule, controlSubject, netSubject } from "../finding";

/** Chains whose lights run short, as far as feeding them at more places is a cure at all. */
function feeding(design: Design): Fix[] {
  const chains = design.circuits.filter((circuit): circuit is LightChain => circuit.kind === "light-chain");
  return chains
    .filter((chain) => leastWhenFedEverywhere(design, chain) >= LIGHT_LEAST_V)
    .map((chain) => ({
      title: `Feed ${chain.name} at more places`,
      apply: (d: Design) =>
        changeCircuit<LightChain>(d, chain.id, { feedAt: whereToFeed(d, chain)?.ids ?? chain.feedAt }),
    }));
}

function cures(design: Design): Fix[] {
  const percent = highestBrightness(design);
  const dim: Fix[] =
    percent === null
      ? []
      : [
          {
            title: `Hold the lights to ${percent} %`,
            apply: (d) => ({ ...d, circuits: dimmedTo(d.circuits, percent) }),
          },
        ];
  return [...feeding(design), ...dim];
}

const lights = (design: Design, { value, limit, where, controlId }: Broken): Observation => ({
  message: `With everything at its most ${where} has ${value.toFixed(2)} V left; below ${limit.toFixed(1)} V blue and green fade, and white turns reddish.`,
  subjects: controlId ? [controlSubject(controlId)] : [],
  fixes: cures(design),
});

const logic = ({ value, limit }: Broken): Observation => ({
  message: `With everything at its most the logic has ${value.toFixed(2)} V left; below ${limit.toFixed(2)} V the controller resets.`,
  subjects: [netSubject("V+")],
  severity: "stop",
});

/** Lights and logic that the copper, the cable or the source leave too little voltage. */
export const supplyVoltage: Rule = {
  id: "circuits/supply-voltage",
  stage: "circuits",
  severity: "warn",
  why: "Voltage is lost in cable, diode, wires and regulator; what runs short fades, turns reddish or resets.",
  source: "Ohm's law with copper of IEC 60028; forward voltages of blue and green lights from memory",
  eachController: true,
  check: (design) =>
    brokenLimits(design).flatMap((broken): Observation[] => {
      if (broken.sort === "light voltage") return [lights(design, broken)];
      return broken.sort === "logic voltage" ? [logic(broken)] : [];
    }),
};
