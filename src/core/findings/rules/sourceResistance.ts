import { mostSourceOhm, switchOhm, trackSourceOhm } from "../../analog/sampling";
import { converterOf } from "../../catalogue/controllers/converter";
import { type Rule, listed } from "../finding";

const kOhm = (ohm: number) => `${(ohm / 1000).toFixed(1)} kΩ`;

/** Tracks whose source resistance is too much for the converter's sampling time. */
export const sourceResistance: Rule = {
  id: "circuits/source-resistance",
  stage: "circuits",
  severity: "warn",
  why: "The converter's capacitor must fill through the track and the multiplexer while it samples; else a reading carries a part of the one before.",
  source:
    "charging to within half a step, ln 2^(bits + 1) time constants; sampling times and capacitances of the classes from memory",
  eachController: true,
  check(design, { profile, builtCircuits, elements }) {
    if (!profile) return [];
    const converter = converterOf(profile);
    const most = mostSourceOhm(converter);
    return design.circuits.flatMap((circuit, nth) => {
      const through = circuit.kind === "multiplexer" ? switchOhm(profile.logicV) : 0;
      const weak = builtCircuits[nth].nets.flatMap(({ id, role }) => {
        const element = role === "analog" ? elements.get(id) : undefined;
        return element?.trackOhm && trackSourceOhm(element.trackOhm) + through > most ? [element] : [];
      });
      if (weak.length === 0) return [];
      const ohm = Math.max(...weak.map(({ trackOhm }) => trackSourceOhm(trackOhm!))) + through;
      return [
        {
          message: `${listed(weak.map(({ label }) => label))} ${weak.length === 1 ? "has" : "have"} up to ${kOhm(ohm)} behind ${weak.length === 1 ? "its" : "their"} wiper; sampling for ${converter.sampleUs} µs the converter takes ${kOhm(most)}. Put 100 nF from each wiper to ground, or take a track of less.`,
          subjects: weak.map(({ id }) => ({ kind: "element" as const, id })),
        },
      ];
    });
  },
};
