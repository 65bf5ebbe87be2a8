import type { LightChain } from "../../circuits/lightChain";
import type { SegmentChain } from "../../circuits/segmentChain";
import type { Design } from "../../document/schema";
import { changeCircuit } from "../../edits/wiring";
import { type Signal, signalsOf } from "../../levels/signals";
import { type Fix, type Rule, listed, netSubject } from "../finding";

/** The ways across that a pure edit can take, as far as they work. */
function cures(design: Design, { circuitId, ways }: Signal): Fix[] {
  const circuit = design.circuits.find(({ id }) => id === circuitId);
  const works = (id: string) => ways.some((way) => way.id === id && way.works);
  const shift: Fix = {
    title: "Add a level shifter",
    apply: (d) => changeCircuit<LightChain | SegmentChain>(d, circuitId, { shifted: true }),
  };
  const lower: Fix = {
    title: "Put a diode into the lights' supply",
    apply: (d) => changeCircuit<LightChain>(d, circuitId, { feed: "diode" }),
  };
  if (circuit?.kind === "segment-chain") return works("buffer") ? [shift] : [];
  if (circuit?.kind !== "light-chain") return [];
  return [...(works("buffer") ? [shift] : []), ...(works("diode") ? [lower] : [])];
}

/** Parts on one supply may not take the levels of another for what they mean, or not stand them. */
export const lightLevel: Rule = {
  id: "circuits/light-level",
  stage: "circuits",
  severity: "warn",
  why: "An input that surely reads high from 0.7 of its supply on reads 3.3 V at 5 V as it likes; one that is driven above its supply is damaged.",
  source:
    "thresholds of the 74HC, 74HCT and 74AHCT families by their data sheets; those of lights and drivers as CMOS (common practice)",
  eachController: true,
  check(design) {
    const signals = signalsOf(design).filter(({ verdict }) => verdict !== "fits");
    const circuits = [...new Set(signals.map(({ circuitId }) => circuitId))];
    return circuits.map((id) => {
      const own = signals.filter(({ circuitId }) => circuitId === id);
      const [first] = own;
      const { name } = design.circuits.find((circuit) => circuit.id === id)!;
      const many = listed(own.map(({ flag }) => flag));
      const message =
        first.verdict === "too low"
          ? `${name}: ${many} gives ${first.highV.toFixed(1)} V, and the ${first.receiver} on ${first.receiverV.toFixed(1)} V surely takes ${first.needsHighV.toFixed(1)} V for high.`
          : `${name}: ${many} gives ${first.driverV.toFixed(1)} V, and the ${first.receiver} stands ${first.mostV.toFixed(1)} V.`;
      return { message, subjects: own.map(({ netId }) => netSubject(netId)), fixes: cures(design, first) };
    });
  },
};
