import type { LadderCircuit } from "../../circuits/ladder";
import { changeCircuit } from "../../edits/wiring";
import { type Rule, netSubject } from "../finding";

/** A bank pin powers the whole row of resistors. */
export const ladderCurrent: Rule = {
  id: "circuits/ladder-current",
  stage: "circuits",
  severity: "stop",
  why: "The pin that powers a ladder's bank feeds all its resistors; too small ones overload it and bend the voltages.",
  source: "Ohm's law; the controller profile's current for one pin",
  eachController: true,
  check(design, { builtCircuits, profile }) {
    if (!profile) return [];
    return design.circuits.flatMap((circuit, nth) => {
      const banks = builtCircuits[nth].ladders.filter(
        ({ top }) => builtCircuits[nth].nets.find(({ id }) => id === top)?.need,
      );
      if (circuit.kind !== "ladder" || banks.length === 0) return [];
      const fewest = Math.min(...banks.map(({ rungs }) => rungs.length));
      const least = Math.min(...banks.map(({ rungOhms }) => rungOhms.reduce((a, b) => a + b, 0)));
      const currentMa = (1000 * profile.logicV) / least;
      if (currentMa <= profile.pinCurrentMa) return [];
      const enough = Math.ceil((1000 * profile.logicV) / (profile.pinCurrentMa / 2) / fewest / 100) * 100;
      return [
        {
          message: `A bank of ${circuit.name} takes ${currentMa.toFixed(1)} mA from its pin; a pin of the ${profile.title} gives ${profile.pinCurrentMa} mA.`,
          subjects: banks.map(({ top }) => netSubject(top)),
          fixes: [
            {
              title: `Take resistors of ${enough} Ω`,
              apply: (d) => changeCircuit<LadderCircuit>(d, circuit.id, { resistorOhm: enough, rungOhms: [] }),
            },
          ],
        },
      ];
    });
  },
};
