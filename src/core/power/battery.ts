import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import type { Source, Supply } from "../document/supplySettings";
import { type Divider, dividerNear, dividerOf } from "../electrics/divider";
import { cells, cellV, leftAt } from "../electrics/cells";
import { converterOf } from "../catalogue/controllers/converter";
import { supplyAt } from "./solveSupply";

export type Battery = Extract<Source, { kind: "battery" }>;

/** A pack gives this much more or less than is printed on it, and a day differs so much from the usual one (common practice). */
const CAPACITY_OFF = 0.15;
const DAY_OFF = 0.25;
/** What the divider may drain, as a sum of both resistors in ohm, and its largest source resistance with 100 nF at the pin. */
const LEAST_SUM_OHM = 200_000;
const MOST_SOURCE_OHM = 100_000;
/** Room above the fullest pack, so that its top is still read. */
const HEADROOM = 0.97;

export interface Endurance {
  /** Mean current over a day, in mA. */
  meanMa: number;
  /** Charge that can be used until the cut-off, in mAh. */
  usableMah: number;
  /** Days from one charge to the next, and how far off they may be. */
  days: number;
  leastDays: number;
  mostDays: number;
  /** Hours of use in them. */
  usedH: number;
}

/** Current as the hours of a day share it: in use, awake at rest, asleep. */
export function meanOverDay(
  ma: { typical: number; idle: number; asleep: number },
  { usedH, restH }: Supply["day"],
): number {
  const used = Math.min(24, usedH);
  const rest = Math.min(24 - used, restH);
  return (used * ma.typical + rest * ma.idle + (24 - used - rest) * ma.asleep) / 24;
}

/** How long a pack lasts, with what it loses by itself. */
export function enduranceOf({ cell, capacityMah, cutOffV }: Battery, meanMa: number, usedH: number): Endurance {
  const data = cells[cell];
  const usableMah = capacityMah * (1 - leftAt(data, cutOffV));
  const lostMaOf = (mah: number) => (mah * data.lostAMonth) / (30 * 24);
  const days = (mah: number, ma: number) => mah / (ma + lostMaOf(mah)) / 24;
  const usual = days(usableMah, meanMa);
  return {
    meanMa,
    usableMah,
    days: usual,
    leastDays: days(usableMah * (1 - CAPACITY_OFF), meanMa * (1 + DAY_OFF)),
    mostDays: days(usableMah * (1 + CAPACITY_OFF), meanMa * (1 - DAY_OFF)),
    usedH: usual * usedH,
  };
}

/** The same for a design that runs on a battery; null for any other source, or without a controller. */
export function endurance(design: Design): Endurance | null {
  const { source, day } = design.supply;
  const [typical, idle, asleep] = (["typical", "idle", "asleep"] as const).map((state) => supplyAt(design, state));
  if (source.kind !== "battery" || !typical || !idle || !asleep) return null;
  const ma = { typical: typical.sourceMa, idle: idle.sourceMa, asleep: asleep.sourceMa };
  const { measured } = design.supply;
  const drained = measured ? (1000 * typical.source.usualV) / (measured.topOhm + measured.bottomOhm) : 0;
  return enduranceOf(source, meanOverDay(ma, day) + drained, day.usedH);
}

export interface Measuring extends Divider {
  /** What it takes for good at a usual voltage, in mA. */
  drainMa: number;
  /** Counts of the converter by what is left in percent, from full to empty. */
  table: { percent: number; volts: number; counts: number }[];
  /** Highest voltage at the pin, in V, and what the pin takes at most. */
  pinV: number;
  referenceV: number;
}

const PERCENTS = [100, 90, 80, 70, 60, 50, 40, 30, 20, 10, 0];

/** The divider of the E24 series that puts the fullest pack just under the converter's reference. */
export function proposedDivider(battery: Battery, referenceV: number): Divider | null {
  const ratio = (HEADROOM * referenceV) / (cells[battery.cell].fullV * battery.series);
  // A pack below the reference needs none; half of it still leaves the converter enough.
  return dividerNear(Math.min(0.5, ratio), LEAST_SUM_OHM, MOST_SOURCE_OHM, "E24");
}

/** What a divider makes of a pack: its drain, and what the converter counts at each charge. */
export function measuringOf(battery: Battery, divider: Divider, referenceV: number, bits: number): Measuring {
  const cell = cells[battery.cell];
  const most = 2 ** bits - 1;
  const table = PERCENTS.map((percent) => {
    const volts = battery.series * cellV(cell, percent / 100);
    return { percent, volts, counts: Math.min(most, Math.round((volts * divider.ratio * most) / referenceV)) };
  });
  return {
    ...divider,
    drainMa: (1000 * battery.series * cell.usualV) / (divider.topOhm + divider.bottomOhm),
    table,
    pinV: battery.series * cell.fullV * divider.ratio,
    referenceV,
  };
}

/** The measuring divider of a design, as chosen or else as proposed. */
export function measuring(design: Design): Measuring | null {
  const { source, measured } = design.supply;
  const { profile } = derive(design);
  if (source.kind !== "battery" || !profile) return null;
  const divider = measured ? dividerOf(measured.topOhm, measured.bottomOhm) : proposedDivider(source, profile.logicV);
  return divider && measuringOf(source, divider, profile.logicV, converterOf(profile).bits);
}
