import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { powerOf } from "./profilePower";
import { LIGHT_LEAST_V } from "./lightCurrent";
import { type TriedState, supplyAt } from "./solveSupply";

/** What a limit is of. */
export type LimitSort =
  | "source"
  | "before configuration"
  | "outside"
  | "fuse"
  | "regulator"
  | "regulator heat"
  | "pass"
  | "logic voltage"
  | "light voltage";

/** A limit that a design breaks, with what it has and what it may have. */
export interface Broken {
  sort: LimitSort;
  value: number;
  limit: number;
  unit: "mA" | "V" | "K";
  /** Where, in words. */
  where: string;
  controlId: string | null;
}

/** A regulator's chip may get so much warmer than the air: 125 °C less a warm case (common practice). */
const MOST_RISE_K = 75;
/** Logic works down to so much of its voltage: 4.5 V of 5 V at 16 MHz, 3.0 V of 3.3 V (typical; from memory). */
const LEAST_LOGIC = 0.9;

const broken = (
  sort: LimitSort,
  value: number,
  limit: number,
  unit: Broken["unit"],
  where: string,
  controlId: string | null = null,
): Broken => ({ sort, value, limit, unit, where, controlId });

function currents(design: Design, worst: TriedState): Broken[] {
  const { profile } = derive(design);
  const power = profile ? powerOf(profile) : null;
  const { fuse, outside } = design.supply;
  const through = (id: string) => worst.series.find((part) => part.id === id);
  const [regulator, pass] = [through("regulator"), through("pass")];
  const own = `the ${profile?.title}`;
  return [
    broken("source", worst.sourceMa, worst.source.afterMa, "mA", `the ${worst.source.title}`),
    ...(outside?.isChosen ? [broken("outside", worst.outsideMa, outside.limitMa, "mA", "the outside 5 V supply")] : []),
    ...(fuse ? [broken("fuse", worst.sourceMa, fuse.holdMa, "mA", "the fuse")] : []),
    ...(regulator && power?.regulator
      ? [
          broken("regulator", regulator.ma, power.regulator.limitMa, "mA", `the regulator of ${own}`),
          broken(
            "regulator heat",
            (regulator.mw / 1000) * power.regulator.kelvinPerWatt,
            MOST_RISE_K,
            "K",
            `the regulator of ${own}`,
          ),
        ]
      : []),
    ...(pass && power ? [broken("pass", pass.ma, power.passMa, "mA", `the supply pad of ${own}`)] : []),
  ].filter(({ value, limit }) => value > limit);
}

/** Before the computer has configured it a device runs its controller, and what cannot be switched off. */
function beforeConfiguration(design: Design, asleep: TriedState): Broken[] {
  const { profile } = derive(design);
  if (!profile) return [];
  const { activeMa, asleepMa } = powerOf(profile);
  const value = asleep.sourceMa + activeMa - asleepMa;
  const limit = asleep.source.beforeMa;
  return value > limit ? [broken("before configuration", value, limit, "mA", `the ${asleep.source.title}`)] : [];
}

function voltages(design: Design, worst: TriedState): Broken[] {
  const { profile } = derive(design);
  const found: Broken[] = [];
  const leastLogic = (profile?.logicV ?? 0) * LEAST_LOGIC;
  if (worst.logicV < leastLogic)
    found.push(broken("logic voltage", worst.logicV, leastLogic, "V", "the logic's supply"));
  const lights = worst.consumers.filter(({ sort }) => sort === "light");
  const volts = (id: string) => worst.parts.get(id)!.volts;
  const lowest = lights.reduce<(typeof lights)[number] | null>(
    (a, b) => (a && volts(a.id) <= volts(b.id) ? a : b),
    null,
  );
  if (lowest && volts(lowest.id) < LIGHT_LEAST_V)
    found.push(broken("light voltage", volts(lowest.id), LIGHT_LEAST_V, "V", lowest.label, lowest.controlId));
  return found;
}

/** The limits that one pair of moments breaks: everything at its most, and nothing but what cannot be switched off. */
export const brokenIn = (design: Design, worst: TriedState, asleep: TriedState): Broken[] => [
  ...currents(design, worst),
  ...beforeConfiguration(design, asleep),
  ...voltages(design, worst),
];

/** Every limit of current and voltage that a design breaks. */
export function brokenLimits(design: Design): Broken[] {
  return derive(design).once("broken limits", () => {
    const [worst, asleep] = [supplyAt(design, "worst"), supplyAt(design, "asleep")];
    return worst && asleep ? brokenIn(design, worst, asleep) : [];
  });
}
