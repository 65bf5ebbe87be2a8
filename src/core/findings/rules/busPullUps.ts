import { wholeOf } from "../../derived/halves";
import { MODULES_BUS } from "../../derived/moduleEnds";
import { isOnBus } from "../../document/partLinks";
import type { Design } from "../../document/schema";
import { setBus } from "../../edits/buses";
import { type BusCheck, busChecks } from "../../levels/pullUps";
import { type Fix, type Rule, netSubject } from "../finding";

const kOhm = (ohm: number) => `${(ohm / 1000).toFixed(2)} kΩ`;
const isWrong = ({ wholeOhm, leastOhm, mostOhm, pf, mostPf }: BusCheck) =>
  wholeOhm < leastOhm || wholeOhm > mostOhm || pf > mostPf;

const CLOCKS = [400, 100] as const;

function cures(design: Design, check: BusCheck): Fix[] {
  const isRight = (after: Design) => !busChecks(after).some((one) => one.bus === check.bus && isWrong(one));
  const { proposedOhm, bus } = check;
  const value: Fix[] =
    proposedOhm === null
      ? []
      : [
          {
            title: `Take pull-ups of ${proposedOhm / 1000} kΩ`,
            apply: (d) => setBus(d, bus, { pullUpOhm: proposedOhm }),
          },
        ];
  // Modules are told and asked in fast mode, whatever else is on their bus.
  const isFixed = bus === MODULES_BUS && isOnBus(wholeOf(design));
  const slower: Fix[] = CLOCKS.filter((khz) => khz < check.khz && !isFixed).map((khz) => ({
    title: `Slow the bus to ${khz} kHz`,
    apply: (d) => setBus(d, bus, { khz }),
  }));
  return [...value, ...slower].filter(({ apply }) => isRight(apply(design)));
}

/** Pull-ups of a two-wire bus: strong enough to rise in time, weak enough to be pulled low. */
export const busPullUps: Rule = {
  id: "circuits/bus-pull-ups",
  stage: "circuits",
  severity: "warn",
  why: "With too weak pull-ups the lines of a bus rise too late for its clock, with too strong ones a part cannot pull them low.",
  source:
    "I²C-bus specification, pull-up resistor sizing: (V − 0.4 V) / sink current, rise time / (0.8473 × capacitance)",
  eachController: true,
  check: (design) =>
    busChecks(design)
      .filter(isWrong)
      .map((check) => {
        const { bus, khz, wholeOhm, leastOhm, mostOhm, pf, mostPf, modulesOhm } = check;
        const all = modulesOhm === null ? kOhm(wholeOhm) : `${kOhm(wholeOhm)} with the modules' own in parallel`;
        const message =
          pf > mostPf
            ? `Bus ${bus + 1} has ${pf.toFixed(0)} pF; at ${khz} kHz it may have ${mostPf} pF.`
            : `The pull-ups of bus ${bus + 1} are ${all}; at ${khz} kHz with ${pf.toFixed(0)} pF they must lie between ${kOhm(leastOhm)} and ${kOhm(mostOhm)}.`;
        return {
          message,
          subjects: [netSubject(`i2c${bus}.SDA`), netSubject(`i2c${bus}.SCL`)],
          fixes: cures(design, check),
        };
      }),
};
